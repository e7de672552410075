<?php

declare(strict_types=1);

namespace App\Scale;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Scale\ScaleWatch;
use App\Devices\ScaleReading;
use App\Types\View;
use Carbon\CarbonImmutable;

/** What the scale shows to one weigh-up: the reading, who else has the scale, and what is wrong with it. */
final readonly class ScaleView implements View
{
    public function __construct(
        private ?ScaleReading $reading, private ?Phrase $lost = null, private ?WeighUpAtHand $holder = null,
        private ?CarbonImmutable $since = null,
        private ?WeighUpAtHand $for = null, private ?ScaleWatch $watch = null,
    ) {}

    /**
     * @return array{
     *     grams: float|null, stable: bool, overload: bool, lost: Phrase|null, unit: string,
     *     held_by: array{title: string, href: string, since_ms: int|null}|null,
     *     trouble: array{kind: string, saw_g: float|null, expected_g: float, in_line_g: float}|null
     * }
     */
    public function toArray(): array
    {
        return [
            'grams' => $this->reading?->grams, 'stable' => $this->reading->stable ?? false, 'overload' => $this->reading->overload ?? false,
            'lost' => $this->lost, 'unit' => $this->reading->unit ?? 'g',
            'held_by' => $this->holder === null
                ? null
                : [
                    'title' => $this->holder->title, 'href' => $this->holder->href,
                    'since_ms' => $this->since === null ? null : (int) $this->since->getTimestampMs(),
                ],
            'trouble' => $this->watch?->trouble === null
                ? null
                : [
                    'kind' => $this->watch->trouble->value, 'saw_g' => $this->watch->saw,
                    'expected_g' => ($this->for?->expected->anchor ?? 0.0) + $this->watch->inLine(), 'in_line_g' => $this->watch->inLine(),
                ],
        ];
    }
}

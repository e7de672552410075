<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** One thing that goes wrong in a scenario, where and how far. */
final readonly class Mishap
{
    /** What it may lie against, as the faults know it. */
    public const GROUNDS = ['sulphur', 'latex', 'tin', 'fresh_resin', 'solvent'];

    /** Each with what it asks for besides, its bounds, and its unit. */
    private const ASKS = [
        'heavy_hand' => ['by', 0.1, 200.0], 'room' => ['by', -10.0, 45.0], 'pot_life' => ['by', 0.1, 5.0], 'recoat' => ['by', 0.1, 5.0],
        'demould' => ['by', 0.2, 5.0],
        'scale_out' => ['by', 5.0, 600.0], 'scale_leans' => ['by', 0.2, 500.0], 'rises' => ['by', 1.0, 6.0], 'called' => ['by', 0.5, 240.0],
        'leak' => ['by', 0.1, 500.0], 'plate' => ['by', 0.3, 4.0],
    ];

    /**
     * @param  float|null  $by  how far: grams, °C, times, seconds, minutes or grams a minute, as its kind says
     * @param  int|null  $line  of the first cup, from 1
     * @param  float  $fromMin  of the practice, for a room
     * @param  string|null  $at  step of a run, or operation of a build, at which one is called
     * @param  string|null  $is  what it lies against
     */
    private function __construct(
        public MishapKind $kind,
        public ?float $by,
        public ?int $line,
        public float $fromMin,
        public ?string $at,
        public ?string $is,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('what', 'by', 'line', 'from_min', 'at', 'is');
        $kind = $in->choice('what', MishapKind::class);
        $asks = self::ASKS[$kind->value] ?? null;
        $is = $in->textOrNull('is');
        if ($kind === MishapKind::Ground && ! in_array($is, self::GROUNDS, true)) {
            throw BadInput::at($in->at('is'), Phrase::of('practice.no_ground', ['known' => implode(', ', self::GROUNDS)]));
        }
        $asksLine = in_array($kind, [MishapKind::ScaleOut, MishapKind::ScaleLeans, MishapKind::WrongTub, MishapKind::EmptyTube], true);

        return new self(
            $kind, $asks === null ? null : $in->number(...$asks), $asksLine ? (int) $in->number('line', 1.0, 30.0) : null,
            $in->numberOrNull('from_min', 0.0, 10_000.0) ?? 0.0, $kind === MishapKind::Called ? $in->text('at', 60) : null,
            $kind === MishapKind::Ground ? $is : null,
        );
    }

    /** @return array<string, float|int|string> */
    public function toArray(): array
    {
        return array_filter(
            [
                'what' => $this->kind->value, 'by' => $this->by, 'line' => $this->line,
                'from_min' => $this->fromMin > 0.0 ? $this->fromMin : null, 'at' => $this->at, 'is' => $this->is,
            ],
            static fn (mixed $one): bool => $one !== null,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use App\Types\View;
use Closure;

/**
 * What the weighings of a plaster say, on a screen.
 *
 * @phpstan-type DryShape array{
 *     state: string|null, at_ms: int|null, left_pct: float|null, dry_mass_g: float|null, expected_g: float|null, says: list<Phrase>,
 *     weighings: list<array{at_ms: int, mass_g: float}>,
 * }
 */
final readonly class DrynessView implements View
{
    /**
     * @param  list<array{at: float, mass_g: float, step_g?: float}>  $weighings
     * @param  Closure(float): (int|null)  $ms  of their clock
     */
    public function __construct(private array $weighings, private Dryness $dry, private Closure $ms) {}

    /** @return DryShape */
    public function toArray(): array
    {
        $result = $this->dry->result();
        $at = $this->dry->dryAt();

        return [
            'state' => $result?->state->value, 'at_ms' => $at === null ? null : ($this->ms)($at), 'left_pct' => $result?->leftPct,
            'dry_mass_g' => $result?->dryMass, 'expected_g' => $result?->expected,
            'says' => $this->dry->wrong !== null
                ? [$this->dry->wrong->says]
                : array_map(static fn (Warning $warning): Phrase => $warning->message, $result->warnings ?? []),
            'weighings' => array_map(
                fn (array $one): array => ['at_ms' => (int) ($this->ms)($one['at']), 'mass_g' => $one['mass_g']], $this->weighings,
            ),
        ];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/** How a plaster stands: when it is dry, in hours from its first weighing's clock, what it weighs then, and what is left to lose now. */
final readonly class DryResult
{
    /**
     * @param  float|null  $dryAt  where it is proved dry, since when; null where nothing can be told
     * @param  float|null  $expected  g it weighs when it is dry, by what was poured
     * @param  list<Warning>  $warnings
     */
    public function __construct(
        public DryState $state,
        public ?float $dryAt,
        public ?float $dryMass,
        public ?float $leftPct,
        public ?float $tau,
        public ?float $expected,
        public array $warnings,
    ) {}

    /**
     * @return array{
     *     state: 'wet'|'drying'|'dry', expected_dry_g: float|null, dry_at_h: float|null, dry_mass_g: float|null, left_pct: float|null,
     *     tau_h: float|null, warnings: list<array{code: string, message: Phrase}>,
     * }
     */
    public function toArray(): array
    {
        return [
            'state' => $this->state->value, 'expected_dry_g' => $this->expected, 'dry_at_h' => $this->dryAt, 'dry_mass_g' => $this->dryMass,
            'left_pct' => $this->leftPct, 'tau_h' => $this->tau, 'warnings' => Warning::all($this->warnings),
        ];
    }
}

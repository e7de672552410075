<?php

declare(strict_types=1);

namespace Apalos\Core\Keep;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/** When a plaster is dry, in hours from its first weighing's clock, what it weighs then, and what is left to lose now. */
final readonly class DryResult
{
    /** @param  list<Warning>  $warnings */
    public function __construct(public ?float $dryAt, public ?float $dryMass, public ?float $leftPct, public ?float $tau, public array $warnings) {}

    /** @return array{dry_at_h: float|null, dry_mass_g: float|null, left_pct: float|null, tau_h: float|null, warnings: list<array{code: string, message: Phrase}>} */
    public function toArray(): array
    {
        return ['dry_at_h' => $this->dryAt, 'dry_mass_g' => $this->dryMass, 'left_pct' => $this->leftPct, 'tau_h' => $this->tau, 'warnings' => Warning::all($this->warnings)];
    }
}

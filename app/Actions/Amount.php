<?php

declare(strict_types=1);

namespace App\Actions;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** How much is wanted, where it is asked for in a line: so many grams, or what the mould holds. */
final readonly class Amount
{
    private function __construct(private ?float $massG, private ?float $capacityMl) {}

    /** @throws BadInput where neither, or no sensible one, is said */
    public static function from(Fields $in): self
    {
        if ($in->has('capacity_ml')) {
            return new self(null, $in->positive('capacity_ml'));
        }
        $mass = $in->number('mass_g');
        if ($mass <= 0.0) {
            throw BadInput::at('mass_g', Phrase::written('Say what it weighs, or what the mould holds: more than nothing.'));
        }

        return new self($mass, null);
    }

    /**
     * The sheet for this much of it.
     *
     * @param  array<string, mixed>  $sheet
     * @return array<string, mixed>
     */
    public function into(array $sheet): array
    {
        // The amount is of now; where the one before came from says nothing of it.
        unset($sheet['carried']);
        if ($this->massG !== null) {
            return [...$sheet, 'volume' => null, 'target' => ['mass_g' => $this->massG, 'waste_pct' => 0]];
        }
        $allowance = is_array($sheet['volume'] ?? null) ? ($sheet['volume']['allowance_pct'] ?? 8) : 8;

        return [...$sheet, 'volume' => ['method' => 'capacity', 'capacity_ml' => $this->capacityMl, 'allowance_pct' => $allowance], 'target' => ['waste_pct' => 0]];
    }
}

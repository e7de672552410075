<?php

declare(strict_types=1);

namespace Apalos\Core\Material;

use Apalos\Core\Input\Fields;

/**
 * What a softener does to a base for every gram to a gram of A+B: by how much the logarithms of modulus, tear strength and
 * elongation fall and that of pot life rises, and the per cent of A+B from which it usually sweats out.
 */
final readonly class Softening
{
    public function __construct(
        public float $k,
        public float $tearK,
        public float $elongationK,
        public float $potLifeK,
        public float $bleedFromPct,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('k', 'tear_k', 'elongation_k', 'pot_life_k', 'bleed_from_pct');

        return new self(
            $in->positive('k', 20.0), $in->number('tear_k', 0.0, 20.0), $in->number('elongation_k', -20.0, 20.0),
            $in->number('pot_life_k', -20.0, 20.0), $in->positive('bleed_from_pct', 500.0),
        );
    }

    /**
     * What is left of the plain base’s values with so much softener in it, 1 being all of it.
     *
     * @return array{stiffness: float, tear: float, stretch: float, pot_life: float}
     */
    public function leaves(float $pctOfAB): array
    {
        $x = $pctOfAB / 100.0;

        return [
            'stiffness' => exp(-$this->k * $x), 'tear' => exp(-$this->tearK * $x), 'stretch' => exp(-$this->elongationK * $x),
            'pot_life' => exp($this->potLifeK * $x),
        ];
    }
}

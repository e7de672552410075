<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;

/** Something stirred in beside A and B: softener, pigment, flock, thickener, thinner, accelerator. */
final readonly class Additive
{
    /** @param  float  $amount in per cent of its basis (or drops), $max in the same unit, from the sheet */
    public function __construct(
        public string $name,
        public float $amount,
        public Basis $basis,
        public Into $into,
        public Density $sg,
        public ?float $max = null,
        public ?Grams $drop = null,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('name', 'amount', 'basis', 'into', 'sg', 'max', 'drop_g');
        $basis = $in->choice('basis', Basis::class);
        $drop = $in->positiveOrNull('drop_g', 1.0);
        if ($basis === Basis::DropsPer100g && $drop === null) {
            throw BadInput::at($in->at('drop_g'), 'Counting in drops needs the mass of one drop in grams. Weigh fifty drops and divide.');
        }

        return new self(
            $in->text('name'),
            $in->number('amount', 0.0, 1000.0),
            $basis,
            $in->choice('into', Into::class),
            Density::of($in->positive('sg', 25.0)),
            $in->numberOrNull('max', 0.0, 1000.0),
            $drop === null ? null : Grams::of($drop),
        );
    }

    /** Grams of this for one gram of A+B, on every basis but that of the total. */
    public function perGramOfAB(float $weightFractionOfA): float
    {
        return match ($this->basis) {
            Basis::OfAB => $this->amount / 100.0,
            Basis::OfA => $weightFractionOfA * $this->amount / 100.0,
            Basis::OfB => (1.0 - $weightFractionOfA) * $this->amount / 100.0,
            Basis::DropsPer100g => $this->amount * ($this->drop->g ?? 0.0) / 100.0,
            Basis::OfTotal => 0.0,
        };
    }

    /** Share of the total mass, where that is its basis; else zero. */
    public function shareOfTotal(): float
    {
        return $this->basis === Basis::OfTotal ? $this->amount / 100.0 : 0.0;
    }
}

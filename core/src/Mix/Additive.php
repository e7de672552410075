<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;

/** Something stirred in beside A and B: softener, pigment, flock, thickener, thinner, accelerator. */
final readonly class Additive
{
    /**
     * @param  string  $code  what it goes by in a plan, whatever it is called on the sheet today
     * @param  string  $name  what a maker reads
     * @param  float  $amount  in per cent of its basis (or drops), $max in the same unit, from the sheet
     */
    public function __construct(
        public string $code,
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
        $in->only('code', 'name', 'amount', 'basis', 'into', 'sg', 'max', 'drop_g');
        $basis = $in->choice('basis', Basis::class);
        $drop = $in->positiveOrNull('drop_g', 1.0);
        if ($basis === Basis::DropsPer100g && $drop === null) {
            throw BadInput::at($in->at('drop_g'), Phrase::of('mix.no_drop'));
        }

        $name = $in->text('name');

        return new self(
            $in->textOrNull('code') ?? $name,
            $name,
            $in->number('amount', 0.0, 1000.0),
            $basis,
            $in->choice('into', Into::class),
            Density::of($in->positive('sg', 25.0)),
            $in->numberOrNull('max', 0.0, 1000.0),
            $drop === null ? null : Grams::of($drop),
        );
    }

    /** The same, so much of it. */
    public function amounting(float $amount): self
    {
        return new self($this->code, $this->name, $amount, $this->basis, $this->into, $this->sg, $this->max, $this->drop);
    }

    /** @return array<string, string|float|null> as {@see self::from} reads it */
    public function toArray(): array
    {
        return [
            'code' => $this->code, 'name' => $this->name, 'amount' => $this->amount, 'basis' => $this->basis->value,
            'into' => $this->into->value,
            'sg' => $this->sg->gPerMl, 'max' => $this->max, 'drop_g' => $this->drop?->g,
        ];
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

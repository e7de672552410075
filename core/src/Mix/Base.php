<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Minutes;

/**
 * The base as far as mixing needs it. Densities in g/ml, times in minutes at the reference temperature in °C;
 * q10 is how many times faster it cures for ten degrees more (usually 1.5–3).
 */
final readonly class Base
{
    public function __construct(
        public Ratio $ratio,
        public ?Density $sgA,
        public ?Density $sgB,
        public ?Density $sgMixed,
        public ?Minutes $potLife,
        public ?Minutes $demould,
        public Celsius $reference,
        public float $q10,
        public bool $pourBFirst,
        public bool $measuredByVolumeOk,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('ratio', 'sg', 'sg_mixed', 'pot_life_min', 'demould_min', 'ref_c', 'q10', 'pour_first', 'measured_by_volume_ok');
        $sg = $in->objectOrNull('sg')?->only('a', 'b');
        $density = static fn (?float $value): ?Density => $value === null ? null : Density::of($value);
        $minutes = static fn (?float $value): ?Minutes => $value === null ? null : Minutes::of($value);

        return new self(
            Ratio::from($in->object('ratio')),
            $density($sg?->positiveOrNull('a', 25.0)),
            $density($sg?->positiveOrNull('b', 25.0)),
            $density($in->positiveOrNull('sg_mixed', 25.0)),
            $minutes($in->positiveOrNull('pot_life_min')),
            $minutes($in->positiveOrNull('demould_min')),
            Celsius::of($in->number('ref_c', Celsius::COLDEST, Celsius::HOTTEST)),
            $in->number('q10', 1.0, 10.0),
            ! $in->has('pour_first') || $in->choice('pour_first', Into::class) !== Into::A,
            $in->has('measured_by_volume_ok') && $in->bool('measured_by_volume_ok'),
        );
    }

    /** The same base where only grams are asked: it says nothing of minutes, so nothing is limited by them. */
    public function timeless(): self
    {
        return new self($this->ratio, $this->sgA, $this->sgB, $this->sgMixed, null, null, $this->reference, $this->q10, $this->pourBFirst, $this->measuredByVolumeOk);
    }

    /** How many times longer everything takes in a room at this temperature. */
    public function slowedBy(Celsius $room): float
    {
        return $this->q10 ** -$room->tensAbove($this->reference);
    }
}

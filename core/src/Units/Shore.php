<?php

declare(strict_types=1);

namespace Apalos\Core\Units;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Measures;
use Apalos\Core\Phrase\Phrase;

/**
 * A hardness reading, always with its scale, and the modulus it stands for (MPa).
 *
 * A: flat punch, Gent (1958), E = 0.0981(56 + 7.62336 S)/(0.137505(254 − 2.54 S)).
 * 00: a sphere of 1.19 mm radius, Hertz with ν = 0.5, F = 0.203 + 0.00908 S N, h = 2.5(1 − S/100) mm, E = 0.5625 F/(√r h^1.5).
 */
final readonly class Shore
{
    /** Below this an A reading says little, above TOO_HARD_FOR_00 a 00 reading does. */
    public const LEAST_ON_A = 10.0;

    public const TOO_HARD_FOR_00 = 75.0;

    private const SPHERE_MM = 1.19;

    private const GENT = 0.0981 / 0.137505;

    private function __construct(public ShoreScale $scale, public float $reading) {}

    /** @throws BadInput outside 0 to just under 100 */
    public static function of(ShoreScale $scale, float $reading): self
    {
        if (! is_finite($reading) || $reading < 0.0 || $reading >= 100.0) {
            throw BadInput::at('reading', Phrase::of('units.no_durometer_reading'));
        }

        return new self($scale, $reading);
    }

    /** The reading of this modulus on the scale it is trusted on: A from 10 up, else 00. */
    public static function ofModulus(float $mpa): self
    {
        $a = self::onA($mpa);

        return $a >= self::LEAST_ON_A ? new self(ShoreScale::A, $a) : new self(ShoreScale::DoubleO, self::on00($mpa));
    }

    /** The reading of this modulus on one scale, whether or not it is trusted there; never below 0. */
    public static function ofModulusOn(ShoreScale $scale, float $mpa): self
    {
        return new self($scale, max(0.0, $scale === ShoreScale::A ? self::onA($mpa) : self::on00($mpa)));
    }

    /** Young's modulus in MPa. */
    public function modulus(): float
    {
        return $this->scale === ShoreScale::A
            ? self::GENT * (56.0 + 7.62336 * $this->reading) / (254.0 - 2.54 * $this->reading)
            : self::modulusOn00($this->reading);
    }

    private static function onA(float $mpa): float
    {
        return (254.0 * $mpa - 56.0 * self::GENT) / (7.62336 * self::GENT + 2.54 * $mpa);
    }

    private static function modulusOn00(float $reading): float
    {
        $depth = 2.5 * (1.0 - $reading / 100.0);

        return 0.5625 * (0.203 + 0.00908 * $reading) / (sqrt(self::SPHERE_MM) * $depth ** 1.5);
    }

    /** By halving: the modulus rises all the way with the reading. */
    private static function on00(float $mpa): float
    {
        [$low, $high] = [-20.0, 99.9999];
        for ($i = 0; $i < 80; $i++) {
            $middle = ($low + $high) / 2.0;
            self::modulusOn00($middle) < $mpa ? $low = $middle : $high = $middle;
        }

        return $low;
    }

    /** Why this reading was better taken on the other scale; null where it is on the right one. */
    public function scaleQuestion(): ?Phrase
    {
        $reading = ['reading' => $this->reading];

        return match (true) {
            $this->scale === ShoreScale::A && $this->reading < self::LEAST_ON_A => Phrase::of('units.too_soft_for_a', $reading),
            $this->scale === ShoreScale::DoubleO && $this->reading > self::TOO_HARD_FOR_00 => Phrase::of('units.too_hard_for_00', $reading),
            default => null,
        };
    }

    /** As it is written: `00-30`, `A 25`. */
    public function written(): string
    {
        return ($this->scale === ShoreScale::DoubleO ? '00-' : 'A ').Measures::figure($this->reading);
    }

    /** @return array{scale: '00'|'A', reading: float} */
    public function toArray(): array
    {
        return ['scale' => $this->scale->value, 'reading' => $this->reading];
    }
}

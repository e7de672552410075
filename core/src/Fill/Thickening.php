<?php

declare(strict_types=1);

namespace Apalos\Core\Fill;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/**
 * A mix that thickens while it stands: tenfold over its pot life, η(t) = η0·10^(t/pot). Time runs in minutes from where A met B,
 * viscosity in Pa·s, density in g/ml.
 */
final readonly class Thickening
{
    public const G = 9.80665;

    private function __construct(public float $sg, public float $viscosity, public float $potLife) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        return new self($in->positive('sg', 25.0), $in->positive('viscosity_pas', 10_000.0), $in->positive('pot_life_min', 20_000.0));
    }

    public static function of(float $sg, float $viscosity, float $potLife): self
    {
        return new self($sg, $viscosity, $potLife);
    }

    /** In Pa·s, so many minutes after A met B. */
    public function at(float $minute): float
    {
        return $this->viscosity * 10.0 ** ($minute / $this->potLife);
    }

    /** Seconds as the mix at the beginning would count them: the integral of 10^(−t/pot). */
    public function fluidSeconds(float $from, float $to): float
    {
        return 60.0 * $this->potLife / log(10.0) * (10.0 ** (-$from / $this->potLife) - 10.0 ** (-$to / $this->potLife));
    }

    /** @throws BadInput for a time after which nothing flows */
    public function within(float $minute, string $field): float
    {
        return $minute < $this->potLife
            ? $minute
            : throw BadInput::at($field, Phrase::of('fill.after_pot_life', ['pot' => Quantity::duration($this->potLife)]));
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;

/** Several readings of one puck on one scale: their median counts, their spread says how well it was read. */
final readonly class PuckReading
{
    /** A durometer feels the table through anything thinner (the usual test asks for 6 mm). */
    private const LEAST_MM = 6.0;

    private const USUAL_SPREAD = 4.0;

    private const LEAST_READINGS = 3;

    /** Silicones go on hardening for about a day after they can be opened. */
    private const SETTLED_MIN = 1440.0;

    /** @param  non-empty-list<float>  $readings */
    private function __construct(public ShoreScale $scale, public array $readings) {}

    /**
     * @param  list<float>  $readings  0 to just under 100
     *
     * @throws BadInput when there are none, or one is no reading
     */
    public static function of(ShoreScale $scale, array $readings): self
    {
        if ($readings === []) {
            throw BadInput::at('readings', Phrase::of('harden.no_reading'));
        }
        foreach ($readings as $i => $reading) {
            if (! is_finite($reading) || $reading < 0.0 || $reading >= 100.0) {
                throw BadInput::at("readings.{$i}", Phrase::of('harden.no_durometer_reading', ['reading' => $reading]));
            }
        }

        return new self($scale, $readings);
    }

    public function median(): Shore
    {
        $sorted = $this->readings;
        sort($sorted);
        $middle = intdiv(count($sorted), 2);

        return Shore::of($this->scale, count($sorted) % 2 === 1 ? $sorted[$middle] : ($sorted[$middle - 1] + $sorted[$middle]) / 2.0);
    }

    /** Hardest less softest, in points of the scale. */
    public function spread(): float
    {
        return max($this->readings) - min($this->readings);
    }

    /**
     * What to mind about these readings.
     *
     * @param  float|null  $afterMin  minutes since it was taken out of its mould
     * @return list<Warning>
     */
    public function questions(?float $puckMm, ?float $afterMin): array
    {
        $said = [];
        $wrongScale = $this->median()->scaleQuestion();
        if ($wrongScale !== null) {
            $said[] = new Warning('wrong_scale', $wrongScale);
        }
        if ($this->spread() > self::USUAL_SPREAD) {
            $said[] = new Warning('spread', Phrase::of('harden.spread', ['points' => $this->spread()]));
        }
        if (count($this->readings) < self::LEAST_READINGS) {
            $said[] = new Warning('few', Phrase::of('harden.few', ['n' => count($this->readings)]));
        }
        if ($puckMm !== null && $puckMm < self::LEAST_MM) {
            $said[] = new Warning('thin_puck', Phrase::of('harden.thin_puck', ['thickness' => Quantity::length($puckMm)]));
        }
        if ($afterMin !== null && $afterMin < self::SETTLED_MIN) {
            $said[] = new Warning('early', Phrase::of('harden.early', ['after' => Quantity::duration($afterMin)]));
        }

        return $said;
    }
}

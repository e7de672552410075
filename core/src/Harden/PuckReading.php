<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Result\Say;
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
            throw BadInput::at('readings', 'Write at least one reading.');
        }
        foreach ($readings as $i => $reading) {
            if (! is_finite($reading) || $reading < 0.0 || $reading >= 100.0) {
                throw BadInput::at("readings.{$i}", sprintf('%s is no reading: a durometer reads from 0 to 99. Read that place again.', Say::number($reading)));
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
            $said[] = new Warning('spread', sprintf('The readings lie %s points apart. Press flat, wait three seconds, stay 10 mm from the rim and read again; or it is unevenly mixed.', Say::number($this->spread())));
        }
        if (count($this->readings) < self::LEAST_READINGS) {
            $said[] = new Warning('few', sprintf('%s is little to go by: take three, 10 mm apart.', count($this->readings) === 1 ? 'One reading' : 'Two readings'));
        }
        if ($puckMm !== null && $puckMm < self::LEAST_MM) {
            $said[] = new Warning('thin_puck', sprintf('A puck of %s mm lets the durometer feel the table: it reads too hard. Stack two, or cast one of 6 mm or more.', Say::number($puckMm)));
        }
        if ($afterMin !== null && $afterMin < self::SETTLED_MIN) {
            $said[] = new Warning('early', sprintf('Read %s after demoulding: it will still harden a little. Read it again after a day.', Say::minutes($afterMin)));
        }

        return $said;
    }
}

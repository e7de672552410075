<?php

declare(strict_types=1);

namespace Apalos\Core\Casting;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\FactKind;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Temperature;

/**
 * How warm something is made before it is poured: from where it is ready, to where it is best, and from where it is spoilt. It is heated
 * in steps with a stir and a reading between them; what it was read at last, and when, says whether it may come off.
 *
 * @phpstan-type HeatShape array{from_c: float, to_c: float, over_c: float, step_s: float}
 * @phpstan-type Reading array{at: float, c: float, by: string}
 */
final readonly class Heat
{
    /** A reading stands for two steps: then the pot is elsewhere. */
    private const STANDS_STEPS = 2.0;

    private function __construct(public Temperature $from, public Temperature $to, public Temperature $over, public float $stepSeconds) {}

    /** @throws BadInput where ready, best and spoilt do not follow on each other */
    public static function from(Fields $in): self
    {
        $in->only('from_c', 'to_c', 'over_c', 'step_s');
        $heat = new self(
            Temperature::in($in, 'from_c'), Temperature::in($in, 'to_c'), Temperature::in($in, 'over_c'), $in->positive('step_s', 3600.0),
        );
        if ($heat->to->degrees < $heat->from->degrees || $heat->over->degrees < $heat->to->degrees) {
            throw BadInput::at($in->at('to_c'), Phrase::of('run.heat_order'));
        }

        return $heat;
    }

    /** @return HeatShape */
    public function toArray(): array
    {
        return [
            'from_c' => $this->from->degrees, 'to_c' => $this->to->degrees, 'over_c' => $this->over->degrees,
            'step_s' => $this->stepSeconds,
        ];
    }

    /**
     * One reading as it was told.
     *
     * @template K of FactKind
     *
     * @param  Fact<K>  $fact
     * @return Reading
     */
    public static function read(Fact $fact): array
    {
        return ['at' => $fact->at, 'c' => (float) $fact->number('c'), 'by' => $fact->text('by') ?? ''];
    }

    /** @param  list<Reading>  $readings  in order, minutes */
    public function stands(array $readings): Heated
    {
        if ($this->wasOver($readings)) {
            return Heated::Over;
        }
        $last = $readings === [] ? null : $readings[count($readings) - 1]['c'];

        return match (true) {
            $last === null => Heated::Unread,
            $last < $this->from->degrees => Heated::Below,
            $last > $this->to->degrees => Heated::Above,
            default => Heated::Right,
        };
    }

    /**
     * Why it is asked about before it comes off the heat; null where the last reading is right and fresh.
     *
     * @param  list<Reading>  $readings
     * @param  float  $now  minutes on their clock
     */
    public function doubt(array $readings, float $now): ?Phrase
    {
        $last = $readings === [] ? null : $readings[count($readings) - 1];
        $in = static fn (float $degrees): Quantity => Quantity::temperature($degrees);

        return match (true) {
            $last === null => Phrase::of('run.heat_unread', ['from' => $in($this->from->degrees), 'to' => $in($this->to->degrees)]),
            $this->wasOver($readings) => Phrase::of('run.heat_over', [
                'most' => $in(max(array_column($readings, 'c'))), 'over' => $in($this->over->degrees),
            ]),
            $last['c'] < $this->from->degrees => Phrase::of('run.heat_below', [
                'is' => $in($last['c']), 'from' => $in($this->from->degrees),
            ]),
            ($now - $last['at']) * 60.0 > self::STANDS_STEPS * $this->stepSeconds => Phrase::of(
                'run.heat_old', ['is' => $in($last['c']), 'ago' => Quantity::duration($now - $last['at'])],
            ),
            default => null,
        };
    }

    /** @param  list<Reading>  $readings */
    private function wasOver(array $readings): bool
    {
        return $readings !== [] && max(array_column($readings, 'c')) > $this->over->degrees;
    }
}

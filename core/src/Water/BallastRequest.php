<?php

declare(strict_types=1);

namespace Apalos\Core\Water;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** A body that hangs or floats in water: volume in ml, what it is cast of, what is built in or hangs on it, and how heavy it shall be. */
final readonly class BallastRequest
{
    /**
     * @param  array{float, float, float}|null  $centre  of its volume, mm
     * @param  array{float, float, float}|null  $balance  where the bare cast hangs balanced, mm; null: where its volume lies
     * @param  array{float, float, float}|null  $ballastAt  where the ballast is put by hand, mm; null: where it hangs as wanted
     * @param  list<Hardware>  $hardware
     * @param  float  $targetPct  weight over that of the water displaced: above nought it sinks, below it floats
     * @param  float|null  $trim  degrees the nose hangs below the tail (the body lies along x)
     */
    public function __construct(
        public float $volume, public ?array $centre, public Resin $resin, public array $hardware,
        public float $waterSg, public float $targetPct, public float $ballastSg, public bool $inside, public ?float $trim,
        public ?array $balance = null, public ?array $ballastAt = null,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('body', 'resin', 'hardware', 'water_sg', 'target_pct', 'ballast', 'trim_deg');
        $body = $in->object('body')->only('volume_ml', 'centre_mm', 'balance_mm');
        $ballast = $in->objectOrNull('ballast')?->only('sg', 'inside', 'at_mm');
        $water = $in->has('water_sg') ? $in->number('water_sg', 0.5, 2.0) : 0.998;
        $asked = new self(
            $body->positive('volume_ml'), self::place($body, 'centre_mm'), Resin::from($in->object('resin'), $water),
            array_map(Hardware::from(...), $in->objects('hardware', 40)),
            $water,
            $in->has('target_pct') ? $in->number('target_pct', -95.0, 1000.0) : 0.0,
            $ballast?->has('sg') === true ? $ballast->number('sg', 0.1, 25.0) : 11.34,
            $ballast?->has('inside') !== true || $ballast->bool('inside'),
            $in->numberOrNull('trim_deg', -60.0, 60.0), self::place($body, 'balance_mm'),
            $ballast === null ? null : self::place($ballast, 'at_mm'),
        );
        $taken = array_sum(array_map(static fn (Hardware $one): float => $one->inside ? $one->volume() : 0.0, $asked->hardware));
        if ($taken >= $asked->volume) {
            throw BadInput::at($in->at('hardware'), Phrase::of('water.no_room'));
        }
        $against = $asked->inside ? $asked->resin->sg : (1.0 + $asked->targetPct / 100.0) * $asked->waterSg;
        if ($asked->ballastSg <= $against) {
            throw BadInput::at('ballast.sg', Phrase::of('water.ballast_too_light', ['than' => $against]));
        }

        return $asked;
    }

    /**
     * @return array{float, float, float}|null
     *
     * @throws BadInput
     */
    public static function place(Fields $in, string $key): ?array
    {
        if (! $in->has($key)) {
            return null;
        }
        $numbers = $in->numbers($key, -20_000.0, 20_000.0, 3);

        return count($numbers) === 3
            ? [$numbers[0], $numbers[1], $numbers[2]]
            : throw BadInput::at($in->at($key), Phrase::of('water.three_numbers'));
    }
}

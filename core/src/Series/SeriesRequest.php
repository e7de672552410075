<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Additive;
use Apalos\Core\Mix\Base;
use Apalos\Core\Mix\Scale;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Millilitres;
use Apalos\Core\Units\Minutes;

/**
 * A series of pucks wanted: of rising softener, or of one tint from pale to full. A puck holds so many millilitres; what sticks
 * to cup and stick comes on top of each cup as a share.
 */
final readonly class SeriesRequest
{
    private const MOST_PUCKS = 12;

    /**
     * @param  list<Additive>  $additives  what every puck has; in a tint ladder those in `stepped` are what rises
     * @param  list<float>  $steps  softener in per cent of A+B, or shares of the full tint in per cent
     */
    public function __construct(
        public Base $base, public array $additives, public ?Additive $softener, public ?string $stepped, public array $steps,
        public Millilitres $puck, public float $sparePct, public Scale $scale, public Celsius $room, public Minutes $mixing,
    ) {}

    /**
     * Read from the contract: `softener` with `pct_of_ab` for a hardness series, `tint` (names among the additives) with
     * `pct_of_full` for a ladder.
     *
     * @throws BadInput
     */
    public static function from(Fields $in): self
    {
        $in->only('base', 'additives', 'softener', 'pct_of_ab', 'tint', 'pct_of_full', 'puck_ml', 'spare_pct', 'scale', 'room_c', 'mix_min', 'weighed');
        $softener = $in->objectOrNull('softener')?->only('name', 'sg', 'max');
        if (($softener === null) === ! $in->has('tint')) {
            throw BadInput::at($in->at('softener'), 'Say what rises in the series: the softener, or the tint.');
        }

        return self::of(
            Base::from($in->object('base')),
            $in->has('additives') ? array_map(Additive::from(...), $in->objects('additives')) : [],
            $softener === null ? null : Additive::from(Fields::of(['name' => $softener->text('name'), 'amount' => 0, 'basis' => 'pct_of_ab', 'into' => 'after', 'sg' => $softener->positive('sg'), 'max' => $softener->numberOrNull('max', 0.0, 1000.0)], 'softener')),
            $in->textOrNull('tint'),
            $softener === null ? $in->numbers('pct_of_full', 0.0, 100.0) : $in->numbers('pct_of_ab', 0.0, 500.0),
            $in,
        );
    }

    /**
     * With base and additives already read from the shelf; `puck_ml`, `spare_pct`, `scale`, `room_c` and `mix_min` from the maker.
     *
     * @param  list<Additive>  $additives
     * @param  list<float>  $steps
     *
     * @throws BadInput
     */
    public static function of(Base $base, array $additives, ?Additive $softener, ?string $stepped, array $steps, Fields $in): self
    {
        $field = $softener === null ? 'pct_of_full' : 'pct_of_ab';
        if ($steps === [] || count($steps) > self::MOST_PUCKS) {
            throw BadInput::at($in->at($field), sprintf('A series is one to %d pucks. Write the percentages, such as 0, 30, 60, 90.', self::MOST_PUCKS));
        }
        if (count(array_unique(array_map(strval(...), $steps))) !== count($steps)) {
            throw BadInput::at($in->at($field), 'Two pucks have the same percentage. Change one: a series tells most when its steps differ.');
        }
        sort($steps);

        return new self(
            $base, $additives, $softener, $stepped, $steps, Millilitres::of($in->positive('puck_ml', 1000.0)), $in->number('spare_pct', 0.0, 100.0),
            Scale::from($in->object('scale')), Celsius::of($in->number('room_c', Celsius::COLDEST, Celsius::HOTTEST)), Minutes::of($in->number('mix_min', 0.0, 60.0)),
        );
    }
}

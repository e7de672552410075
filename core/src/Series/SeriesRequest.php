<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\CureRequest;
use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Additive;
use Apalos\Core\Mix\Base;
use Apalos\Core\Mix\Scale;
use Apalos\Core\Phrase\Phrase;
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
     * @param  list<Additive>  $additives  what every puck has; in a tint ladder those in `rising` are what rises
     * @param  list<string>  $rising  their codes; none in a series of softener
     * @param  list<float>  $steps  softener in per cent of A+B, or shares of the full tint in per cent
     */
    public function __construct(
        public Base $base, public array $additives, public ?Additive $softener, public array $rising, public array $steps,
        public Millilitres $puck, public float $sparePct, public Scale $scale, public Celsius $room, public Minutes $mixing,
        public ?CureModel $clock,
    ) {}

    /**
     * Read from the contract: `softener` with `pct_of_ab` for a hardness series, `tint` (a list of names among the additives) with
     * `pct_of_full` for a ladder.
     *
     * @throws BadInput
     */
    public static function from(Fields $in): self
    {
        $in->only(
            'base', 'additives', 'softener', 'pct_of_ab', 'tint', 'pct_of_full', 'puck_ml', 'spare_pct', 'scale', 'room_c', 'mix_min',
            'weighed', 'logs', 'clock',
        );
        $softener = $in->objectOrNull('softener')?->only('code', 'name', 'sg', 'max');
        if (($softener === null) === ! $in->has('tint')) {
            throw BadInput::at($in->at('softener'), Phrase::of('series.nothing_rises'));
        }

        return self::of(
            Base::from($in->object('base')),
            $in->has('additives') ? array_map(Additive::from(...), $in->objects('additives')) : [],
            $softener === null
                ? null
                : Additive::from(
                    Fields::of([...$softener->toArray(), 'amount' => 0, 'basis' => 'pct_of_ab', 'into' => 'after'], 'softener'),
                ),
            $in->has('tint') ? $in->strings('tint') : [],
            $softener === null ? $in->numbers('pct_of_full', 0.0, 100.0) : $in->numbers('pct_of_ab', 0.0, 500.0),
            $in,
            $in->has('clock')
                ? CureModel::from($in->object('clock'))
                : CureModel::learnt(
                    CureSheet::read($in->object('base')),
                    $in->has('logs') ? CureRequest::logs($in, CureSheet::read($in->object('base'))) : [],
                ),
        );
    }

    /**
     * With base and additives already read from the shelf; `puck_ml`, `spare_pct`, `scale`, `room_c` and `mix_min` from the maker.
     *
     * @param  list<Additive>  $additives
     * @param  list<string>  $rising
     * @param  list<float>  $steps
     *
     * @throws BadInput
     */
    public static function of(
        Base $base,
        array $additives,
        ?Additive $softener,
        array $rising,
        array $steps,
        Fields $in,
        ?CureModel $clock,
    ): self {
        $field = $softener === null ? 'pct_of_full' : 'pct_of_ab';
        if ($steps === [] || count($steps) > self::MOST_PUCKS) {
            throw BadInput::at($in->at($field), Phrase::of('series.how_many', ['most' => self::MOST_PUCKS]));
        }
        if (count(array_unique(array_map(strval(...), $steps))) !== count($steps)) {
            throw BadInput::at($in->at($field), Phrase::of('series.same_twice'));
        }
        $codes = array_map(static fn (Additive $a): string => $a->code, $additives);
        foreach ($rising as $code) {
            if (! in_array($code, $codes, true)) {
                throw BadInput::at('tint', Phrase::of('series.not_in_the_formula', ['code' => $code]));
            }
        }
        sort($steps);

        return new self(
            $base, $additives, $softener, $rising, $steps, Millilitres::of($in->positive('puck_ml', 1000.0)),
            $in->number('spare_pct', 0.0, 100.0),
            Scale::from($in->object('scale')), Celsius::of($in->number('room_c', Celsius::COLDEST, Celsius::HOTTEST)),
            Minutes::of($in->number('mix_min', 0.0, 60.0)), $clock,
        );
    }

    /** @return list<Additive> what every puck has, without what rises */
    public function common(): array
    {
        return array_values(array_filter($this->additives, fn (Additive $a): bool => ! in_array($a->code, $this->rising, true)));
    }

    /**
     * Written down when its weighing begins: whatever a sheet says tomorrow, these pucks were planned from this.
     *
     * @return array<string, mixed> as {@see self::from} reads it
     */
    public function toArray(): array
    {
        $rises = $this->softener === null
            ? ['tint' => $this->rising, 'pct_of_full' => $this->steps]
            : [
                'softener' => [
                    'code' => $this->softener->code, 'name' => $this->softener->name, 'sg' => $this->softener->sg->gPerMl,
                    'max' => $this->softener->max,
                ],
                'pct_of_ab' => $this->steps,
            ];

        return [
            'base' => $this->base->toArray(), 'additives' => array_map(static fn (Additive $a): array => $a->toArray(), $this->additives),
            ...$rises,
            'puck_ml' => $this->puck->ml, 'spare_pct' => $this->sparePct, 'scale' => $this->scale->toArray(),
            'room_c' => $this->room->degrees, 'mix_min' => $this->mixing->min,
            'clock' => $this->clock?->toArray(),
        ];
    }
}

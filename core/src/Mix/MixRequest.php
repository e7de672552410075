<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\CureRequest;
use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;

/** Everything `mix` is asked: which base, how much, what goes in, on which scale, in which cup, in which room, by which clock. */
final readonly class MixRequest
{
    /**
     * @param  list<Additive>  $additives
     * @param  CureModel|null  $clock  null where only grams are asked: then nothing is limited by minutes
     */
    public function __construct(
        public Base $base,
        public MixTarget $target,
        public array $additives,
        public Scale $scale,
        public ?Vessel $vessel,
        public Celsius $room,
        public Minutes $mixing,
        public Minutes $degassing,
        public ?float $pourGramsPerMinute,
        public ?CureModel $clock,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('base', 'target', 'additives', 'scale', 'vessel', 'room_c', 'mix_min', 'degas_min', 'pour_g_per_min', 'logs');
        $vessel = $in->objectOrNull('vessel');
        $base = Base::from($in->object('base'));
        // Without a factor for ten degrees the pot life in another room would be a guess.
        $in->object('base')->number('q10', 1.0, 10.0);
        $sheet = CureSheet::read($in->object('base'));

        return new self(
            $base,
            MixTarget::from($in->object('target')),
            array_map(Additive::from(...), $in->objects('additives')),
            Scale::from($in->object('scale')),
            $vessel === null ? null : Vessel::from($vessel),
            Celsius::of($in->number('room_c', Celsius::COLDEST, Celsius::HOTTEST)),
            Minutes::of($in->number('mix_min', 0.0, 600.0)),
            Minutes::of($in->numberOrNull('degas_min', 0.0, 600.0) ?? 0.0),
            $in->positiveOrNull('pour_g_per_min'),
            CureModel::learnt($sheet, $in->has('logs') ? CureRequest::logs($in, $sheet) : []),
        );
    }

    /** @return list<Additive> what is stirred into this side, in the order given */
    public function into(Into $side): array
    {
        return array_values(array_filter($this->additives, static fn (Additive $a): bool => $a->into === $side));
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;

/** Everything `mix` is asked: which base, how much, what goes in, on which scale, in which cup, in which room. */
final readonly class MixRequest
{
    /** @param  list<Additive>  $additives */
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
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('base', 'target', 'additives', 'scale', 'vessel', 'room_c', 'mix_min', 'degas_min', 'pour_g_per_min');
        $vessel = $in->objectOrNull('vessel');

        return new self(
            Base::from($in->object('base')),
            MixTarget::from($in->object('target')),
            array_map(Additive::from(...), $in->objects('additives')),
            Scale::from($in->object('scale')),
            $vessel === null ? null : Vessel::from($vessel),
            Celsius::of($in->number('room_c', Celsius::COLDEST, Celsius::HOTTEST)),
            Minutes::of($in->number('mix_min', 0.0, 600.0)),
            Minutes::of($in->numberOrNull('degas_min', 0.0, 600.0) ?? 0.0),
            $in->positiveOrNull('pour_g_per_min'),
        );
    }

    /** @return list<Additive> what is stirred into this side, in the order given */
    public function into(Into $side): array
    {
        return array_values(array_filter($this->additives, static fn (Additive $a): bool => $a->into === $side));
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Result\Say;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;

/** How long the mix pours in this room, and how large one batch may therefore be. */
final readonly class BatchLimit
{
    /** Past four fifths of its pot life a mix is too thick to trust. */
    private const POURABLE_SHARE = 0.8;

    private function __construct(
        public ?Minutes $potLife,
        public ?Minutes $usable,
        public ?Minutes $demould,
        public ?Limit $by,
        public ?Grams $largest,
    ) {}

    /** @throws BadInput when no minute is left for pouring, or the cup alone overloads the scale */
    public static function of(MixRequest $request, Composition $composition): self
    {
        $slowed = $request->base->slowedBy($request->room);
        $potLife = $request->base->potLife?->times($slowed);
        $usable = $potLife === null ? null : self::usable($potLife, $request);

        $limits = [];
        if ($request->vessel !== null) {
            $limits[Limit::Vessel->value] = $request->vessel->largestBatch($composition->density)->g;
        }
        if ($request->scale->capacity !== null) {
            $limits[Limit::Scale->value] = self::scaleRoom($request, $request->scale->capacity);
        }
        if ($usable !== null && $request->pourGramsPerMinute !== null) {
            $limits[Limit::PotLife->value] = $usable->min * $request->pourGramsPerMinute;
        }
        asort($limits);
        $by = array_key_first($limits);

        return new self(
            $potLife,
            $usable,
            $request->base->demould?->times($slowed),
            $by === null ? null : Limit::from($by),
            $by === null ? null : Grams::of($limits[$by]),
        );
    }

    private static function usable(Minutes $potLife, MixRequest $request): Minutes
    {
        $busy = $request->mixing->min + $request->degassing->min;
        $usable = self::POURABLE_SHARE * $potLife->min - $busy;
        if ($usable <= 0.0) {
            throw BadInput::at('room_c', sprintf(
                'At %s °C this base pours for %s, and mixing%s takes %s: no time is left to pour. %s',
                Say::number($request->room->degrees),
                Say::minutes(self::POURABLE_SHARE * $potLife->min),
                $request->degassing->min > 0.0 ? ' and de-airing' : '',
                Say::minutes($busy),
                self::whatHelps($request, $busy),
            ));
        }

        return Minutes::of($usable);
    }

    private static function whatHelps(MixRequest $request, float $busy): string
    {
        $help = [];
        $sheet = self::POURABLE_SHARE * ($request->base->potLife->min ?? 0.0);
        if ($request->base->q10 > 1.0) {
            $coolest = $request->base->reference->degrees - 10.0 * log($busy / $sheet) / log($request->base->q10);
            $help[] = $coolest > 5.0
                ? 'Work in a room below '.Say::number($coolest).' °C'
                : 'Cool both parts before they meet';
        }
        $help[] = 'take a slower base';
        if ($request->degassing->min > 0.0 && self::POURABLE_SHARE * ($request->base->potLife->min ?? 0.0) * $request->base->slowedBy($request->room) > $request->mixing->min) {
            $help[] = 'leave out the vacuum';
        }
        $help[] = 'make a smaller pour that is mixed faster';

        return ucfirst(implode(', ', array_slice($help, 0, -1))).' or '.$help[count($help) - 1].'.';
    }

    private static function scaleRoom(MixRequest $request, Grams $capacity): float
    {
        $room = $capacity->g - ($request->vessel->tare->g ?? 0.0);
        if ($room <= 0.0) {
            throw BadInput::at('vessel.tare_g', 'The empty cup alone is as heavy as the scale can carry. Take a lighter cup or a larger scale.');
        }

        return $room;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;

/**
 * How large one batch may be, and how long it then pours. A base that heats itself pours the shorter the more of it stands in
 * one cup: its largest batch is the mass that is just poured when it is too thick, found where the two lines cross.
 */
final readonly class BatchLimit
{
    /** Past four fifths of its pot life a mix is too thick to trust. */
    private const POURABLE_SHARE = 0.8;

    /** More cups than this in one pour is a slip in the volume or the cup. */
    private const MOST_BATCHES = 60;

    /** Nobody works in a colder room: then the parts are cooled instead. */
    private const COLDEST_ROOM_C = 5.0;

    private function __construct(
        public ?Minutes $potLife,
        public ?Minutes $usable,
        public ?Minutes $demould,
        public ?Limit $by,
        public ?Grams $largest,
        public int $count,
    ) {}

    /** @throws BadInput when no minute is left for pouring, the cup alone overloads the scale, or it takes too many batches */
    public static function of(MixRequest $request, Composition $composition, Grams $all): self
    {
        $limits = [];
        if ($request->vessel !== null) {
            $limits[Limit::Vessel->value] = $request->vessel->largestBatch($composition->density)->g;
        }
        if ($request->scale->capacity !== null) {
            $limits[Limit::Scale->value] = self::scaleRoom($request, $request->scale->capacity);
        }
        $poured = self::pouredInTime($request);
        if ($poured !== null) {
            $limits[Limit::PotLife->value] = $poured;
        }
        asort($limits);
        $by = array_key_first($limits);
        $limit = $by === null ? null : Limit::from($by);
        $count = self::count($request, $all, $limit, $by === null ? null : $limits[$by]);
        $batch = Grams::of($all->g / $count);

        return new self(
            self::lasts($request, Milestone::PotLife, $batch), self::usable($request, $batch),
            self::lasts($request, Milestone::Demould, $batch),
            $limit, $by === null ? null : Grams::of($limits[$by]), $count,
        );
    }

    private static function lasts(MixRequest $request, Milestone $milestone, Grams $batch): ?Minutes
    {
        return $request->clock?->band($milestone, $request->room, $request->clock->massThatCounts($batch))?->likely;
    }

    /** Grams that are out of the cup before they are too thick; null where nobody says how long it pours or how fast. */
    private static function pouredInTime(MixRequest $request): ?float
    {
        $rate = $request->pourGramsPerMinute;
        if ($rate === null || $request->clock?->band(Milestone::PotLife, $request->room, null) === null) {
            return null;
        }
        $left = static fn (float $grams): float => $rate * self::minutesLeft($request, Grams::of($grams));
        if ($request->clock->sheet->alpha <= 0.0) {
            return $left(0.0) > 0.0 ? $left(0.0) : self::refuse($request, Grams::of(0.0));
        }
        // Falling against rising: they cross once. Doubled until past it, then halved onto it.
        $high = 1.0;
        while ($left($high) > $high) {
            $high *= 2.0;
        }
        $low = 0.0;
        for ($i = 0; $i < 100; $i++) {
            $middle = ($low + $high) / 2.0;
            $left($middle) > $middle ? $low = $middle : $high = $middle;
        }

        return $low;
    }

    private static function count(MixRequest $request, Grams $all, ?Limit $limit, ?float $largest): int
    {
        if ($largest === null) {
            return 1;
        }
        // A target that fills the limit to the last drop must not become two batches through a rounding in the last bit.
        $count = $largest > 0.0 ? max(1, (int) ceil(min(1e9, $all->g / $largest) - 1e-9)) : PHP_INT_MAX;
        if ($count <= self::MOST_BATCHES) {
            return $count;
        }
        if ($limit === Limit::PotLife && self::minutesLeft($request, Grams::of(CureModel::SHEET_MASS_G)) <= 0.0) {
            self::refuse($request, Grams::of(CureModel::SHEET_MASS_G));
        }
        throw BadInput::at(
            $limit === Limit::Vessel ? 'vessel.capacity_ml' : 'target',
            Phrase::of('mix.too_many_batches', ['count' => number_format($count), 'batch' => Quantity::mass($largest)]),
        );
    }

    /**
     * How long one can still pour of a pot life.
     *
     * @param  float  $spentMin  minutes of it that mixing and de-airing take
     */
    public static function pourable(Minutes $potLife, float $spentMin = 0.0): Minutes
    {
        return Minutes::of(max(0.0, self::POURABLE_SHARE * $potLife->min - $spentMin));
    }

    /** The pot life that is wanted where so long has to be poured in it. */
    public static function potLifeFor(Minutes $busy): Minutes
    {
        return Minutes::of($busy->min / self::POURABLE_SHARE);
    }

    private static function minutesLeft(MixRequest $request, Grams $batch): float
    {
        $pot = self::lasts($request, Milestone::PotLife, $batch)->min ?? INF;

        return self::POURABLE_SHARE * $pot - $request->mixing->min - $request->degassing->min;
    }

    private static function usable(MixRequest $request, Grams $batch): ?Minutes
    {
        $left = self::minutesLeft($request, $batch);
        if (is_infinite($left)) {
            return null;
        }

        return $left > 0.0 ? Minutes::of($left) : self::refuse($request, $batch);
    }

    private static function refuse(MixRequest $request, Grams $batch): never
    {
        $busy = $request->mixing->min + $request->degassing->min;
        $pours = self::pourable(self::lasts($request, Milestone::PotLife, $batch) ?? Minutes::of(0.0))->min;
        throw BadInput::at('room_c', Phrase::of($request->degassing->min > 0.0 ? 'mix.no_time_with_vacuum' : 'mix.no_time', [
            'room' => Quantity::temperature($request->room), 'pours' => Quantity::duration($pours), 'busy' => Quantity::duration($busy),
            'help' => Phrase::of('mix.what_helps', ['ways' => self::whatHelps($request, $batch, $busy, $pours)]),
        ]));
    }

    /** @return list<Phrase> */
    private static function whatHelps(MixRequest $request, Grams $batch, float $busy, float $pours): array
    {
        $help = [];
        $coolest = $request->clock?->roomFor(
            Milestone::PotLife, self::potLifeFor(Minutes::of($busy)), $request->clock->massThatCounts($batch),
        );
        if ($coolest !== null) {
            $help[] = $coolest > self::COLDEST_ROOM_C
                ? Phrase::of('mix.cooler_room', ['room' => Quantity::temperature($coolest)])
                : Phrase::of('mix.cool_the_parts');
        }
        $help[] = Phrase::of('mix.slower_base');
        if ($request->degassing->min > 0.0 && $pours > $request->mixing->min) {
            $help[] = Phrase::of('mix.no_vacuum');
        }
        $help[] = Phrase::of('mix.smaller_pour');

        return $help;
    }

    private static function scaleRoom(MixRequest $request, Grams $capacity): float
    {
        $room = $capacity->g - ($request->vessel->tare->g ?? 0.0);
        if ($room <= 0.0) {
            throw BadInput::at('vessel.tare_g', Phrase::of('mix.cup_too_heavy'));
        }

        return $room;
    }
}

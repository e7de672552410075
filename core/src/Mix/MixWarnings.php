<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Cure\Clock;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/** What a maker should hear before weighing. The codes are part of the contract, the sentences are for people. */
final readonly class MixWarnings
{
    /** Parts whose densities differ by more are not measured by volume where their ratio is by weight. */
    private const SAME_DENSITY_PCT = 3.0;

    private const COLD = 18.0;

    private const HOT = 29.0;

    /** An ingredient the scale cannot show to one part in twenty is coloured by luck. */
    private const POOR_WEIGHING = 0.05;

    private const LITTLE_TIME_MIN = 5.0;

    private const LEAST_RISE = 2.0;

    public function __construct(private Clock $clock = new Clock) {}

    public function on(MixResult $result, MixRequest $request, Composition $composition): MixResult
    {
        $cups = CupsResult::of($request, $result);
        $inTime = $cups?->warning($result);
        $warnings = [
            ...$this->room($request),
            ...(
                $request->clock === null ? [] : iterator_to_array($this->clock->beyondTheRoom($request->clock, $result->batchMass()), false)
            ),
            ...$this->scale($result, $request, $composition),
            ...$this->time($result),
            ...($inTime === null ? [] : [$inTime]),
            ...$this->limits($request),
            ...$this->volume($request),
            ...$this->headroom($request),
        ];

        return new MixResult(
            $result->mass, $result->volume, $result->density, $result->parts, $result->batches, $result->potLife, $result->usable,
            $result->demould, $result->ratioErrorPct, $result->smallestBatch, $result->limit, $result->byVolume, $warnings,
            $result->working, $cups,
        );
    }

    /** @return \Generator<int, Warning> */
    private function room(MixRequest $request): \Generator
    {
        $room = $request->room->degrees;
        // Of the room alone: what the mass does is said elsewhere.
        $factor = $request->clock?->factor($request->room, null) ?? 1.0;
        if ($room < self::COLD) {
            yield new Warning('cold_room', Phrase::of('mix.cold_room', ['room' => Quantity::temperature($room), 'factor' => $factor]));
        }
        if ($room > self::HOT) {
            yield new Warning('hot_room', Phrase::of('mix.hot_room', ['room' => Quantity::temperature($room), 'share' => $factor * 100.0]));
        }
    }

    /** @return \Generator<int, Warning> */
    private function scale(MixResult $result, MixRequest $request, Composition $composition): \Generator
    {
        $count = count($result->batches);
        $ab = $result->mass->g / $composition->massPerAB / $count;
        $division = $request->scale->division->g;
        if ($ab < $result->smallestBatch->g) {
            yield new Warning('batch_below_scale', Phrase::of('mix.batch_below_scale', [
                'ab' => Quantity::mass($ab), 'pct' => $result->ratioErrorPct, 'least' => Quantity::mass($result->smallestBatch->g),
            ]));
        }
        foreach ($request->additives as $additive) {
            $grams = $result->parts[$additive->code]->g / $count;
            if ($grams > 0.0 && $division / 2.0 / $grams > self::POOR_WEIGHING) {
                yield new Warning('batch_below_scale', Phrase::of('mix.pinch_below_scale', [
                    'name' => $additive->name, 'grams' => Quantity::mass($grams), 'division' => Quantity::mass($division),
                    'pct' => $division / 2.0 / $grams * 100.0,
                ]));
            }
        }
    }

    /** @return \Generator<int, Warning> */
    private function time(MixResult $result): \Generator
    {
        if ($result->usable === null) {
            return;
        }
        if ($result->limit === Limit::PotLife && count($result->batches) > 1) {
            yield new Warning('pot_life_short', Phrase::of('mix.batches_by_pot_life', [
                'batch' => Quantity::mass($result->mass->g / count($result->batches)), 'count' => count($result->batches),
            ]));
        } elseif ($result->usable->min < self::LITTLE_TIME_MIN) {
            yield new Warning('pot_life_short', Phrase::of('mix.little_time', ['usable' => Quantity::duration($result->usable->min)]));
        }
    }

    /** @return \Generator<int, Warning> */
    private function limits(MixRequest $request): \Generator
    {
        foreach ($request->additives as $additive) {
            if ($additive->max !== null && $additive->amount > $additive->max) {
                yield new Warning('over_max', Phrase::of('mix.over_max', [
                    'name' => $additive->name, 'amount' => $additive->amount, 'of' => $additive->basis->inWords(), 'max' => $additive->max,
                ]));
            }
        }
    }

    /** @return \Generator<int, Warning> */
    private function volume(MixRequest $request): \Generator
    {
        $base = $request->base;
        if ($base->ratio->isOnePart()) {
            return;
        }
        if ($base->ratio->by === RatioBy::Volume && ! $base->measuredByVolumeOk) {
            yield new Warning('by_volume_unsafe', Phrase::of('mix.volume_not_allowed'));
        }
        if ($base->ratio->by === RatioBy::Weight && $base->measuredByVolumeOk && $base->sgA !== null && $base->sgB !== null) {
            $off = abs($base->sgA->gPerMl / $base->sgB->gPerMl - 1.0) * 100.0;
            if ($off > self::SAME_DENSITY_PCT) {
                yield new Warning('by_volume_unsafe', Phrase::of('mix.marks_are_not_the_ratio', ['pct' => $off]));
            }
        }
    }

    /** @return \Generator<int, Warning> */
    private function headroom(MixRequest $request): \Generator
    {
        if ($request->vessel !== null && $request->vessel->degas && $request->vessel->riseFactor < self::LEAST_RISE) {
            yield new Warning('vessel_headroom', Phrase::of('mix.headroom', ['times' => $request->vessel->riseFactor]));
        }
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Cure\Clock;
use Apalos\Core\Result\Say;
use Apalos\Core\Result\Warning;

/** What a maker should hear before weighing. The codes are part of the contract, the sentences are for people. */
final readonly class MixWarnings
{
    private const COLD = 18.0;

    private const HOT = 29.0;

    /** An ingredient the scale cannot show to one part in twenty is coloured by luck. */
    private const POOR_WEIGHING = 0.05;

    private const LITTLE_TIME_MIN = 5.0;

    private const LEAST_RISE = 2.0;

    public function __construct(private Clock $clock = new Clock) {}

    public function on(MixResult $result, MixRequest $request, Composition $composition): MixResult
    {
        $warnings = [
            ...$this->room($request),
            ...($request->clock === null ? [] : iterator_to_array($this->clock->beyondTheRoom($request->clock, $result->batchMass()), false)),
            ...$this->scale($result, $request, $composition),
            ...$this->time($result),
            ...$this->limits($request),
            ...$this->volume($request),
            ...$this->headroom($request),
        ];

        return new MixResult(
            $result->mass, $result->volume, $result->density, $result->parts, $result->batches, $result->potLife, $result->usable,
            $result->demould, $result->ratioErrorPct, $result->smallestBatch, $result->limit, $result->byVolume, $warnings, $result->working,
        );
    }

    /** @return \Generator<int, Warning> */
    private function room(MixRequest $request): \Generator
    {
        $room = $request->room->degrees;
        // Of the room alone: what the mass does is said elsewhere.
        $factor = $request->clock?->factor($request->room, null) ?? 1.0;
        if ($room < self::COLD) {
            yield new Warning('cold_room', sprintf('The room is at %s °C: everything takes %s times as long as on the sheet, and very cold rubber may not cure right through. Warm the room, not the cup.', Say::number($room), Say::number($factor, 2)));
        }
        if ($room > self::HOT) {
            yield new Warning('hot_room', sprintf('The room is at %s °C: you have %s %% of the sheet’s time. Cool the parts or pour less at once.', Say::number($room), Say::number($factor * 100.0, 0)));
        }
    }

    /** @return \Generator<int, Warning> */
    private function scale(MixResult $result, MixRequest $request, Composition $composition): \Generator
    {
        $count = count($result->batches);
        $ab = $result->mass->g / $composition->massPerAB / $count;
        $division = $request->scale->division->g;
        if ($ab < $result->smallestBatch->g) {
            yield new Warning('batch_below_scale', sprintf('%s of A+B is less than this scale can portion to 1 %%: the ratio may be off by %s %%. Mix at least %s, or use a finer scale.', Say::grams($ab), Say::number($result->ratioErrorPct), Say::grams($result->smallestBatch->g)));
        }
        foreach ($request->additives as $additive) {
            $grams = $result->parts[$additive->code]->g / $count;
            if ($grams > 0.0 && $division / 2.0 / $grams > self::POOR_WEIGHING) {
                yield new Warning('batch_below_scale', sprintf('%s is only %s a batch on a scale that shows %s: up to %s %% out. Weigh a stronger pre-mix, or use a finer scale.', ucfirst($additive->name), Say::grams($grams), Say::grams($division), Say::number($division / 2.0 / $grams * 100.0, 0)));
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
            yield new Warning('pot_life_short', sprintf('The pot life allows only %s a batch: %d batches, each mixed when the last is in the mould.', Say::grams($result->mass->g / count($result->batches)), count($result->batches)));
        } elseif ($result->usable->min < self::LITTLE_TIME_MIN) {
            yield new Warning('pot_life_short', sprintf('Only %s remain to pour after mixing. Have everything open, released and within reach.', Say::minutes($result->usable->min)));
        }
    }

    /** @return \Generator<int, Warning> */
    private function limits(MixRequest $request): \Generator
    {
        foreach ($request->additives as $additive) {
            if ($additive->max !== null && $additive->amount > $additive->max) {
                yield new Warning('over_max', sprintf('%s %s %s is past the sheet’s limit of %s. It may weaken, sweat out or stop the cure.', ucfirst($additive->name), Say::number($additive->amount, 2), $additive->basis->inWords(), Say::number($additive->max, 2)));
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
            yield new Warning('by_volume_unsafe', 'The ratio is by volume, but this sheet does not allow measuring by volume. Weigh the grams given here.');
        }
        if ($base->ratio->by === RatioBy::Weight && $base->measuredByVolumeOk && $base->sgA !== null && $base->sgB !== null) {
            $off = abs($base->sgA->gPerMl / $base->sgB->gPerMl - 1.0) * 100.0;
            if ($off > 1.0) {
                yield new Warning('by_volume_unsafe', sprintf('The ratio is by weight and the parts differ in density by %s %%: equal marks on a cup are not the ratio. Weigh, or use exactly the millilitres given here.', Say::number($off)));
            }
        }
    }

    /** @return \Generator<int, Warning> */
    private function headroom(MixRequest $request): \Generator
    {
        if ($request->vessel !== null && $request->vessel->degas && $request->vessel->riseFactor < self::LEAST_RISE) {
            yield new Warning('vessel_headroom', sprintf('Rubber rises to two to five times its volume under vacuum; room for %s times will climb over the rim. Fill less, or take a larger cup.', Say::number($request->vessel->riseFactor)));
        }
    }
}

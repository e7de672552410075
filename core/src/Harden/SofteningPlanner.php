<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;

/** Softener for a hardness, and hardness for a softener, resting on the shop's own pucks. */
final readonly class SofteningPlanner
{
    private const WEAK_FROM_PCT = 60.0;

    public function answer(HardenRequest $request): HardenResult
    {
        $model = SoftenerModel::learnt($request->base, $request->k, $request->swatches);
        $curve = $this->curve($request);
        $target = $request->target === null ? null : $this->forTarget($model, $request, $request->target);
        $pucks = Contradictions::among($request->base, $request->k, $request->swatches);

        return new HardenResult(
            $model->c, $model->k, $curve, $pucks, $target, count($request->swatches),
            iterator_to_array($this->warnings($pucks, $request, $target), false),
        );
    }

    /** @return list<CurvePoint> how hard it is at each softener that was asked for, without holding the pucks against each other */
    public function curve(HardenRequest $request): array
    {
        $model = SoftenerModel::learnt($request->base, $request->k, $request->swatches);

        return array_map(static fn (float $pct): CurvePoint => self::point($model, $pct), $request->at);
    }

    private static function point(SoftenerModel $model, float $pct): CurvePoint
    {
        $shore = Shore::ofModulus(exp($model->lnModulus($pct / 100.0)));
        $other = Shore::ofModulusOn(
            $shore->scale === ShoreScale::A ? ShoreScale::DoubleO : ShoreScale::A, exp($model->lnModulus($pct / 100.0)),
        );

        return new CurvePoint(
            $pct, $shore, $other,
            Shore::ofModulusOn($shore->scale, exp($model->edge($pct / 100.0, -1)))->reading,
            Shore::ofModulusOn($shore->scale, exp($model->edge($pct / 100.0, 1)))->reading,
        );
    }

    /** Null where the target is harder than the base alone: softener only softens. */
    private function forTarget(SoftenerModel $model, HardenRequest $request, Shore $target): ?SoftenerAnswer
    {
        $wanted = log($target->modulus());
        if ($wanted > $model->lnModulus(0.0)) {
            return null;
        }
        $pct = 100.0 * $model->shareFor($wanted, 0);

        return new SoftenerAnswer(
            $pct, $pct / $request->weightFractionOfA, 100.0 * $model->shareFor($wanted, -1), 100.0 * $model->shareFor($wanted, 1),
        );
    }

    /**
     * @param  list<JudgedPuck>  $pucks
     * @return \Generator<Warning>
     */
    private function warnings(array $pucks, HardenRequest $request, ?SoftenerAnswer $target): \Generator
    {
        yield from array_filter(array_map(static fn (JudgedPuck $puck): ?Warning => $puck->question(), $pucks));
        yield from $this->scales($request);
        $percentages = array_map(static fn (SoftenedPuck $swatch): float => $swatch->pctOfAB, $request->swatches);
        if (count($percentages) > 1 && max($percentages) - min($percentages) < 5.0) {
            yield new Warning('one_percentage', Phrase::of('harden.one_percentage', ['pct' => $percentages[0]]));
        }
        if ($request->target !== null && $target === null) {
            yield new Warning('harder_than_base', Phrase::of('harden.harder_than_base'));
        }
        $farthest = max([...$request->at, $target->pctOfAB ?? 0.0]);
        if ($percentages !== [] && $farthest > max($percentages) + 1e-9) {
            yield new Warning('beyond_swatches', Phrase::of('harden.beyond_swatches', ['pct' => max($percentages)]));
        }
        if ($target !== null && $target->pctOfAB > $request->maxPct) {
            yield new Warning('over_max', Phrase::of('harden.over_max', ['pct' => $target->pctOfAB, 'max' => $request->maxPct]));
        } elseif ($target !== null && $target->pctOfAB > self::WEAK_FROM_PCT) {
            yield new Warning('weak', Phrase::of('harden.weak', ['pct' => $target->pctOfAB]));
        }
    }

    /** @return \Generator<Warning> */
    private function scales(HardenRequest $request): \Generator
    {
        foreach ([
            ...array_map(static fn (SoftenedPuck $swatch): Shore => $swatch->shore, $request->swatches),
            ...($request->target === null ? [] : [$request->target]),
        ] as $shore) {
            $question = $shore->scaleQuestion();
            if ($question !== null) {
                yield new Warning('wrong_scale', $question);
            }
        }
    }
}

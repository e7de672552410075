<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Result\Say;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;

/** Softener for a hardness, and hardness for a softener, resting on the shop's own pucks. */
final readonly class Hardener
{
    /** A puck farther than this from the line was misread, mismixed or read on the wrong scale. */
    private const OUTLIER_SD = 2.5;

    private const WEAK_FROM_PCT = 60.0;

    public function answer(HardenRequest $request): HardenResult
    {
        $model = SoftenerModel::learnt($request->base, $request->k, $request->swatches);
        $curve = array_map(static fn (float $pct): CurvePoint => self::point($model, $pct), $request->at);
        $target = $request->target === null ? null : $this->forTarget($model, $request, $request->target);

        return new HardenResult($model->c, $model->k, $curve, $target, count($request->swatches), iterator_to_array($this->warnings($model, $request, $target), false));
    }

    private static function point(SoftenerModel $model, float $pct): CurvePoint
    {
        $shore = Shore::ofModulus(exp($model->lnModulus($pct / 100.0)));
        $other = Shore::ofModulusOn($shore->scale === ShoreScale::A ? ShoreScale::DoubleO : ShoreScale::A, exp($model->lnModulus($pct / 100.0)));

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

        return new SoftenerAnswer($pct, $pct / $request->weightFractionOfA, 100.0 * $model->shareFor($wanted, -1), 100.0 * $model->shareFor($wanted, 1));
    }

    /** @return \Generator<Warning> */
    private function warnings(SoftenerModel $model, HardenRequest $request, ?SoftenerAnswer $target): \Generator
    {
        foreach ($request->swatches as $swatch) {
            if (abs($model->residual($swatch)) > self::OUTLIER_SD) {
                yield new Warning('outlier', sprintf('The puck at %s %% reads far from the others: misread, mismixed, or on the other scale. Read it again or leave it out.', Say::number($swatch->pctOfAB)));
            }
        }
        yield from $this->scales($request);
        $percentages = array_map(static fn (Swatch $swatch): float => $swatch->pctOfAB, $request->swatches);
        if (count($percentages) > 1 && max($percentages) - min($percentages) < 5.0) {
            yield new Warning('one_percentage', sprintf('All pucks have about %s %% softener: they say how hard that is, and nothing of what more softener does. Make one at another percentage.', Say::number($percentages[0])));
        }
        if ($request->target !== null && $target === null) {
            yield new Warning('harder_than_base', 'That is harder than the base alone. Softener only softens: take a harder base.');
        }
        $farthest = max([...$request->at, $target->pctOfAB ?? 0.0]);
        if ($percentages !== [] && $farthest > max($percentages) + 1e-9) {
            yield new Warning('beyond_swatches', sprintf('Beyond the softest puck (%s %%) the line is only drawn on. Make a puck there before a piece depends on it.', Say::number(max($percentages))));
        }
        if ($target !== null && $target->pctOfAB > $request->maxPct) {
            yield new Warning('over_max', sprintf('%s %% is past the sheet’s limit of %s %%: it will sweat softener and tear. Take a softer base.', Say::number($target->pctOfAB), Say::number($request->maxPct)));
        } elseif ($target !== null && $target->pctOfAB > self::WEAK_FROM_PCT) {
            yield new Warning('weak', sprintf('At %s %% tear strength and stretch are well below the sheet’s, and thin edges tear first. Pot life grows a little too.', Say::number($target->pctOfAB)));
        }
    }

    /** @return \Generator<Warning> */
    private function scales(HardenRequest $request): \Generator
    {
        foreach ([...array_map(static fn (Swatch $swatch): Shore => $swatch->shore, $request->swatches), ...($request->target === null ? [] : [$request->target])] as $shore) {
            if ($shore->scale === ShoreScale::A && $shore->reading < Shore::LEAST_ON_A) {
                yield new Warning('wrong_scale', sprintf('A %s is too soft for the A scale to tell. Read it on 00.', Say::number($shore->reading)));
            }
            if ($shore->scale === ShoreScale::DoubleO && $shore->reading > Shore::TOO_HARD_FOR_00) {
                yield new Warning('wrong_scale', sprintf('00-%s is too hard for the 00 scale to tell. Read it on A.', Say::number($shore->reading)));
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

use Apalos\Core\Result\Say;
use Apalos\Core\Result\Warning;

/** From measurements to millilitres of rubber, and back from what was used to what to expect next time. */
final readonly class VolumeEstimator
{
    /** Where a plan and what was used differ by more, one of the figures behind them is wrong. */
    private const AGREE_PCT = 5.0;

    /** A spread this wide decides whether the mould fills. */
    private const WIDE = 0.15;

    public function estimate(VolumeRequest $request): VolumeResult
    {
        $measurement = $request->measurement;
        $factor = (1.0 + $request->allowancePct / 100.0) * (1.0 + $request->correctionPct / 100.0);
        $rubber = $measurement->rubber->times($factor);
        $reconciliation = $request->used === null ? null : $this->reconcile($request, $request->used);

        return new VolumeResult(
            $rubber,
            $this->advice($request, $rubber),
            [...$measurement->working, ...$this->factorsInWords($request, $rubber)],
            $reconciliation,
            iterator_to_array($this->warnings($request, $rubber, $reconciliation), false),
        );
    }

    private function reconcile(VolumeRequest $request, Used $used): Reconciliation
    {
        $usedMl = $used->mass->volumeAt($used->density)->ml;
        $allowance = 1.0 + $request->allowancePct / 100.0;
        $uncorrected = $request->measurement->rubber->likely * $allowance;
        $container = $request->measurement->container;

        return new Reconciliation(
            $usedMl,
            $container === null ? null : max(0.0, $container->volume->ml - $usedMl / $allowance),
            ($usedMl / $uncorrected - 1.0) * 100.0,
        );
    }

    private function byOuterBox(VolumeRequest $request): bool
    {
        return $request->measurement->container?->part?->byOuterBox === true;
    }

    private function advice(VolumeRequest $request, Spread $rubber): string
    {
        $wide = $rubber->likely > 0.0 && ($rubber->high - $rubber->low) / $rubber->likely > self::WIDE;
        if ($this->byOuterBox($request)) {
            return sprintf('The part is known by its outer box only, so between %s and %s ml may be needed. Mix the last batch only when you see the level, or measure the part in water or rice.', Say::number($rubber->low, 0), Say::number($rubber->high, 0));
        }
        if ($wide) {
            return sprintf('Between %s and %s ml may be needed: have the last batch ready to weigh, and mix it only when the level is seen.', Say::number($rubber->low, 0), Say::number($rubber->high, 0));
        }

        return sprintf('Mix for %s ml; the measurement itself is good to about ± %s ml.', Say::number($rubber->likely, 0), Say::number(($rubber->high - $rubber->low) / 2.0, 0));
    }

    /** @return list<string> */
    private function factorsInWords(VolumeRequest $request, Spread $rubber): array
    {
        $words = [];
        if ($request->measurement->container?->part !== null) {
            $words[] = sprintf('What is left is rubber: %s ml.', Say::number($request->measurement->rubber->likely));
        }
        if ($request->allowancePct > 0.0) {
            $words[] = sprintf('Allowance for cup walls, sprue and overflow: + %s %%.', Say::number($request->allowancePct));
        }
        if (abs($request->correctionPct) > 1e-9) {
            $words[] = sprintf('Learnt from earlier pours: %s%s %%.', $request->correctionPct > 0.0 ? '+ ' : '− ', Say::number(abs($request->correctionPct)));
        }
        $words[] = sprintf('To mix: %s ml.', Say::number($rubber->likely));

        return $words;
    }

    /** @return \Generator<Warning> */
    private function warnings(VolumeRequest $request, Spread $rubber, ?Reconciliation $reconciliation): \Generator
    {
        if ($this->byOuterBox($request)) {
            yield new Warning('outer_box', sprintf('A part measured by its outer box is easily over-estimated: the rubber may run short by up to %s ml.', Say::number($rubber->high - $rubber->likely, 0)));
        }
        if ($rubber->low <= 0.0) {
            yield new Warning('may_not_fit', 'At its largest the part would fill its box: measure it in water or rice before you mix.');
        }
        if ($reconciliation === null) {
            return;
        }
        $off = ($reconciliation->usedMl / max($rubber->likely, 1e-9) - 1.0) * 100.0;
        if (abs($off) > self::AGREE_PCT) {
            yield new Warning('used_differs', sprintf('%s ml were used where %s ml were planned (%s%s %%). If the level was right, the sheet’s density or yield is wrong, or the part was measured badly.', Say::number($reconciliation->usedMl), Say::number($rubber->likely), $off > 0.0 ? '+' : '−', Say::number(abs($off))));
        }
    }
}

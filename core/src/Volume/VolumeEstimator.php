<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
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
        $need = $measurement->rubber->times(1.0 + $request->correctionPct / 100.0);
        $rubber = $need->times(1.0 + $request->allowancePct / 100.0);
        $reconciliation = $request->used === null ? null : $this->reconcile($request, $request->used);

        return new VolumeResult(
            $rubber,
            $need->likely,
            $this->advice($request, $rubber),
            [...$measurement->working, ...$this->factorsInWords($request, $rubber)],
            $reconciliation,
            iterator_to_array($this->warnings($request, $need, $reconciliation), false),
        );
    }

    private function reconcile(VolumeRequest $request, Used $used): Reconciliation
    {
        $usedMl = $used->mass->volumeAt($used->density)->ml;
        $container = $request->measurement->container;

        return new Reconciliation(
            $usedMl,
            $container === null ? null : max(0.0, $container->volume->ml - $usedMl),
            ($usedMl / max($request->measurement->rubber->likely, 1e-9) - 1.0) * 100.0,
        );
    }

    private function byOuterBox(VolumeRequest $request): bool
    {
        return $request->measurement->container?->part?->byOuterBox === true;
    }

    private function advice(VolumeRequest $request, Spread $rubber): Phrase
    {
        $wide = $rubber->likely > 0.0 && ($rubber->high - $rubber->low) / $rubber->likely > self::WIDE;
        if ($this->byOuterBox($request)) {
            return Phrase::of('volume.advice_outer_box', [
                'low' => Quantity::volume($rubber->low), 'high' => Quantity::volume($rubber->high),
            ]);
        }
        if ($wide) {
            return Phrase::of('volume.advice_wide', ['low' => Quantity::volume($rubber->low), 'high' => Quantity::volume($rubber->high)]);
        }

        return Phrase::of('volume.advice', [
            'likely' => Quantity::volume($rubber->likely), 'give_or_take' => Quantity::volume(($rubber->high - $rubber->low) / 2.0),
        ]);
    }

    /** @return list<Phrase> */
    private function factorsInWords(VolumeRequest $request, Spread $rubber): array
    {
        $words = [];
        if ($request->measurement->container?->part !== null) {
            $words[] = Phrase::of('volume.working_left', ['ml' => Quantity::volume($request->measurement->rubber->likely)]);
        }
        if ($request->allowancePct > 0.0) {
            $words[] = Phrase::of('volume.working_allowance', ['pct' => $request->allowancePct]);
        }
        if (abs($request->correctionPct) > 1e-9) {
            $words[] = Phrase::of(
                $request->correctionPct > 0.0 ? 'volume.working_learnt_more' : 'volume.working_learnt_less',
                ['pct' => abs($request->correctionPct)],
            );
        }
        $words[] = Phrase::of('volume.working_to_mix', ['ml' => Quantity::volume($rubber->likely)]);

        return $words;
    }

    /** @return \Generator<Warning> */
    private function warnings(VolumeRequest $request, Spread $need, ?Reconciliation $reconciliation): \Generator
    {
        if ($this->byOuterBox($request)) {
            yield new Warning('outer_box', Phrase::of('volume.outer_box', ['short' => Quantity::volume($need->high - $need->likely)]));
        }
        if ($need->low <= 0.0) {
            yield new Warning('may_not_fit', Phrase::of('volume.may_not_fit'));
        }
        if ($reconciliation === null) {
            return;
        }
        $off = ($reconciliation->usedMl / max($need->likely, 1e-9) - 1.0) * 100.0;
        if (abs($off) > self::AGREE_PCT) {
            yield new Warning('used_differs', Phrase::of($off > 0.0 ? 'volume.used_more' : 'volume.used_less', [
                'used' => Quantity::volume($reconciliation->usedMl), 'planned' => Quantity::volume($need->likely), 'pct' => abs($off),
            ]));
        }
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/** Predicts the colour of a recipe and finds the recipe of a colour; shows both thin, medium and thick, over light and dark. */
final readonly class Tinter
{
    private const CHIPS_MM = [1.0, 3.0, 8.0];

    private const ALTERNATIVES = 2;

    /** ΔE00 that a trained eye just sees side by side. */
    private const SEEN = 1.0;

    private const THICKEST_MM = 60.0;

    /** Fewer steps of the scale than this and a pinch is a guess. */
    private const LEAST_STEPS = 10;

    /** Under this nobody tells two colours apart side by side; over FAR everybody does. */
    private const FAR = 3.0;

    /** Points of what shows through that anybody sees. */
    private const SHALLOW = 8.0;

    /** So many pigments are named in one sentence. */
    private const NAMED = 12;

    /**
     * @return array{delta_e: float}|TintResult
     *
     * @throws BadInput
     */
    public function ask(Fields $in): array|TintResult
    {
        if (! $in->has('delta_e')) {
            return $this->answer(TintRequest::from($in));
        }
        $pair = $in->only('delta_e')->object('delta_e')->only('from', 'to');

        return ['delta_e' => Difference::between(Lab::from($pair, 'from'), Lab::from($pair, 'to'))];
    }

    public function answer(TintRequest $request): TintResult
    {
        $mixture = new Mixture($request->base, $request->mm, Spectrum::of($request->backing));
        $recipes = $request->loads === null && $request->target !== null
            ? (new Matcher($request, Aim::at($request, $mixture, $request->target)))->best()
            : [];
        $recipe = $recipes[0] ?? $this->shown($request, $mixture);
        $fewer = array_values(
            array_filter(
                $recipes,
                static fn (PigmentLoads $other): bool => $other !== $recipe && count($other->loads) < max(1, count($recipe->loads)),
            ),
        );

        return new TintResult(
            $recipe, $request->target !== null, $this->chips($request, $recipe), $this->hidesFrom($request, $recipe),
            array_slice($fewer, 0, self::ALTERNATIVES), iterator_to_array($this->warnings($request, $recipe), false),
        );
    }

    private function shown(TintRequest $request, Mixture $mixture): PigmentLoads
    {
        $loads = $request->loads ?? [];
        [$pigments, $amounts] = $this->split($request, $loads);
        $lab = $mixture->lab($pigments, $amounts);

        $through = array_map(
            static fn (array $behind): Lab => (
                new Mixture($request->base, $request->depth->mm ?? $request->mm, Spectrum::of(Lab::of(...$behind)))
            )->lab($pigments, $amounts),
            [Depth::LIGHT, Depth::DARK],
        );

        return new PigmentLoads(
            $loads, $lab, $request->target === null ? 0.0 : Difference::between($request->target, $lab),
            $request->depth === null ? null : Depth::shown(...$through),
        );
    }

    /**
     * @param  array<string, float>  $loads
     * @return array{list<Colourant>, list<float>}
     */
    private function split(TintRequest $request, array $loads): array
    {
        $pigments = array_values(array_filter($request->pigments, static fn (Colourant $pigment): bool => isset($loads[$pigment->name])));

        return [$pigments, array_map(static fn (Colourant $pigment): float => $loads[$pigment->name], $pigments)];
    }

    /** @return list<array{thickness_mm: float, backing: 'light'|'dark', lab: Lab}> */
    private function chips(TintRequest $request, PigmentLoads $recipe): array
    {
        [$pigments, $amounts] = $this->split($request, $recipe->loads);
        $chips = [];
        foreach (['light' => Depth::LIGHT, 'dark' => Depth::DARK] as $name => $lab) {
            $backing = Spectrum::of(Lab::of(...$lab));
            foreach (self::CHIPS_MM as $mm) {
                $chips[] = [
                    'thickness_mm' => $mm, 'backing' => $name,
                    'lab' => (new Mixture($request->base, $mm, $backing))->lab($pigments, $amounts),
                ];
            }
        }

        return $chips;
    }

    /**
     * The thickness in mm from which nobody tells what lies behind: light and dark backing come within ΔE00 1 of each other.
     * By halving, for the difference falls all the way with the thickness. Null where it shows through at any thickness met.
     */
    private function hidesFrom(TintRequest $request, PigmentLoads $recipe): ?float
    {
        [$pigments, $amounts] = $this->split($request, $recipe->loads);
        [$light, $dark] = [Spectrum::of(Lab::of(...Depth::LIGHT)), Spectrum::of(Lab::of(...Depth::DARK))];
        $shows = static fn (float $mm): bool => Difference::between(
            (new Mixture($request->base, $mm, $light))->lab($pigments, $amounts),
            (new Mixture($request->base, $mm, $dark))->lab($pigments, $amounts),
        ) > self::SEEN;
        [$low, $high] = [0.05, self::THICKEST_MM];
        if ($shows($high)) {
            return null;
        }
        for ($i = 0; $i < 14; $i++) {
            $middle = sqrt($low * $high);
            $shows($middle) ? $low = $middle : $high = $middle;
        }

        return $high;
    }

    /** @return \Generator<Warning> */
    private function warnings(TintRequest $request, PigmentLoads $recipe): \Generator
    {
        $rough = array_map(
            static fn (Colourant $one): string => $one->name,
            array_filter([$request->base, ...$request->pigments], static fn (Colourant $one): bool => $one->isRough),
        );
        if ($rough !== []) {
            yield new Warning('roughly_known', Phrase::of('tint.roughly_known', [
                'names' => implode(', ', array_slice($rough, 0, self::NAMED)),
            ]));
        }
        if ($request->budget->isShort()) {
            yield new Warning('best_so_far', Phrase::of('tint.best_so_far'));
        }
        $sum = array_sum($recipe->loads);
        if ($sum > $request->maxLoad + 1e-9) {
            yield new Warning('over_max', Phrase::of('tint.over_max', ['pct' => $sum, 'max' => $request->maxLoad]));
        }
        if ($request->target !== null && $recipe->deltaE > self::FAR) {
            yield new Warning('out_of_reach', Phrase::of('tint.out_of_reach', ['delta_e' => $recipe->deltaE]));
        }
        $wanted = $request->depth?->shows;
        if ($wanted !== null && $recipe->showsPct !== null && abs($recipe->showsPct - $wanted) > self::SHALLOW) {
            yield new Warning('depth_out_of_reach', Phrase::of('tint.depth_out_of_reach', [
                'shows' => $recipe->showsPct, 'wanted' => $wanted,
            ]));
        }
        $coarse = [];
        foreach ($request->stepPct === null ? [] : $recipe->loads as $name => $load) {
            $steps = (int) round($load / $request->stepPct);
            if ($steps < self::LEAST_STEPS) {
                $coarse[] = sprintf('%s is %d %s', $name, $steps, $steps === 1 ? 'step' : 'steps');
            }
        }
        if ($coarse !== []) {
            yield new Warning('batch_below_scale', Phrase::of('tint.batch_below_scale', ['coarse' => implode(', ', $coarse)]));
        }
        if ($request->pigments === []) {
            yield new Warning('no_pigments', Phrase::of('tint.no_pigments'));
        }
    }
}

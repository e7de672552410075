<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Result\Budget;

/**
 * Finds the loads that come nearest a colour. Each set of up to n pigments is fitted by damped Gauss–Newton in Lab, loads kept
 * at or above zero and their sum within the limit; the best few are then refined on ΔE00 itself, on the grid of what the scale
 * can weigh where there is one. Larger sets are grown from the best smaller ones, the promising first: where there are more than one
 * question may cost, the rest is left out.
 */
final readonly class Matcher
{
    private const ROUNDS = 10;

    /** Squared distance in Lab under which a fit is done. */
    private const CLOSE = 1e-4;

    /** How many of the best sets get another pigment. */
    private const GROWN = 14;

    /** Sets that go on to the fine search. */
    private const REFINED = 4;

    /** Steps of the fine search, in per cent of load, where no scale sets them. */
    private const FINEST_PCT = 0.0005;

    /** Less than a hundredth of a gram in a kilo is no pinch. */
    private const LEAST_PCT = 0.001;

    /** A weighed pinch must be at least this many steps of the scale. */
    private const LEAST_STEPS = 1;

    /** Of what each size of set may cost, the most that goes into fitting. */
    private const FITTING = 0.75;

    /** Of all that a question with a depth may cost, what looking for its colour alone may take. */
    private const COLOUR_ALONE = 0.25;

    public function __construct(private TintRequest $request, private Aim $aim) {}

    /**
     * With a depth there are two valleys, thin layers and dense ones: what meets the colour alone is walked on from as well.
     *
     * @return list<PigmentLoads> the best with up to n pigments, then the best with fewer and fewer
     */
    public function best(): array
    {
        $colour = $this->aim->ofColour();
        $seeds = $colour === null
            ? []
            : array_map(
                fn (PigmentLoads $one): PigmentLoads => $this->onFrom($one),
                (new self($this->request, $colour))->searched($this->request->budget->part(self::COLOUR_ALONE)),
            );

        return self::inOrder([...$this->searched($this->request->budget), ...$seeds]);
    }

    private function onFrom(PigmentLoads $seed): PigmentLoads
    {
        $at = array_flip(array_map(static fn (Colourant $pigment): string => $pigment->name, $this->request->pigments));

        return $this->refine(
            array_map(static fn (string $name): int => $at[$name], array_keys($seed->loads)), array_values($seed->loads),
            $this->request->budget,
        );
    }

    /**
     * @param  list<PigmentLoads>  $recipes
     * @return list<PigmentLoads> the nearest first, of as near ones that with fewer pigments
     */
    private static function inOrder(array $recipes): array
    {
        usort($recipes, static fn (PigmentLoads $a, PigmentLoads $b): int => [$a->miss, count($a->loads)] <=> [$b->miss, count($b->loads)]);

        return $recipes;
    }

    /** @return list<PigmentLoads> */
    private function searched(Budget $whole): array
    {
        $recipes = [];
        $parents = [['set' => [], 'loads' => [], 'error' => INF]];
        $sizes = min($this->request->mostPigments, count($this->request->pigments));
        for ($size = 1; $size <= $sizes; $size++) {
            $budget = $whole->part(min(1.0, 2.0 / (1 + $sizes - $size)));
            $fitted = $this->fitted($this->grown($parents, $size), $budget->part(self::FITTING));
            usort($fitted, static fn (array $a, array $b): int => $a['error'] <=> $b['error']);
            // One pigment grows into every pair; of pairs and more only the promising grow on.
            $parents = $size === 1 ? $fitted : array_slice($fitted, 0, self::GROWN);
            $refined = array_map(
                fn (array $fit): PigmentLoads => $this->refine($fit['set'], $fit['loads'], $budget), array_slice($fitted, 0, self::REFINED),
            );
            usort($refined, static fn (PigmentLoads $a, PigmentLoads $b): int => $a->miss <=> $b->miss);
            if ($refined !== []) {
                $recipes[] = $refined[0];
            }
        }

        return self::inOrder($recipes);
    }

    /**
     * @param  list<array{set: list<int>, loads: array<int, float>}>  $starts
     * @return list<array{set: list<int>, loads: array<int, float>, error: float}>
     */
    private function fitted(array $starts, Budget $budget): array
    {
        $fitted = [];
        foreach ($starts as $start) {
            if ($budget->isShort()) {
                break;
            }
            $fitted[] = $this->fit($start, $budget);
        }

        return $fitted;
    }

    /**
     * Every parent with one more pigment, each set once, with loads to start from: the parent's, and a little of the new one.
     *
     * @param  list<array{set: list<int>, loads: array<int, float>, error: float}>  $parents
     * @return list<array{set: list<int>, loads: array<int, float>}>
     */
    private function grown(array $parents, int $size): array
    {
        $grown = [];
        foreach ($parents as $parent) {
            foreach (array_keys($this->request->pigments) as $pigment) {
                if (in_array($pigment, $parent['set'], true)) {
                    continue;
                }
                $set = [...$parent['set'], $pigment];
                $name = $set;
                sort($name);
                $grown[implode(',', $name)] ??= ['set' => $set, 'loads' => [...$parent['loads'], 0.1 * $this->request->maxLoad / $size]];
            }
        }

        return array_values($grown);
    }

    /**
     * @param  array{set: list<int>, loads: array<int, float>}  $start
     * @return array{set: list<int>, loads: array<int, float>, error: float}
     */
    private function fit(array $start, Budget $budget): array
    {
        $pigments = $this->of($start['set']);
        $loads = $this->within($start['loads']);
        $residual = $this->aim->residual($pigments, $loads);
        $error = Aim::square($residual);
        $damping = 1e-3;
        for (
            $round = 0; $round < self::ROUNDS
            && $error > self::CLOSE
            && $budget->spend((2 + count($loads)) * $this->aim->looking(count($loads))); $round++
        ) {
            $tried = $this->within($this->step($pigments, $loads, $residual, $damping));
            $after = $this->aim->residual($pigments, $tried);
            $gain = $error - Aim::square($after);
            if ($gain > 0.0) {
                [$loads, $residual, $error, $damping] = [$tried, $after, $error - $gain, $damping / 4.0];
                if ($gain < 0.002 * $error) {
                    break;
                }
            } else {
                $damping *= 10.0;
            }
        }

        return ['set' => $start['set'], 'loads' => $loads, 'error' => $error];
    }

    /**
     * @param  list<Colourant>  $pigments
     * @param  array<int, float>  $loads
     * @param  list<float>  $residual
     * @return array<int, float>
     */
    private function step(array $pigments, array $loads, array $residual, float $damping): array
    {
        $n = count($loads);
        $slopes = [];
        for ($j = 0; $j < $n; $j++) {
            $moved = $loads;
            $h = max(1e-5, 1e-4 * $loads[$j]);
            $moved[$j] += $h;
            $slopes[$j] = array_map(
                static fn (float $after, float $before): float => ($after - $before) / $h, $this->aim->residual($pigments, $moved),
                $residual,
            );
        }
        $matrix = [];
        $right = [];
        for ($i = 0; $i < $n; $i++) {
            for ($j = 0; $j < $n; $j++) {
                $matrix[$i][$j] = Aim::dot($slopes[$i], $slopes[$j]);
            }
            $matrix[$i][$i] = $matrix[$i][$i] * (1.0 + $damping) + 1e-9;
            $right[$i] = -Aim::dot($slopes[$i], $residual);
        }
        $step = LinearSystem::solve($matrix, $right);

        return array_map(static fn (float $load, float $by): float => $load + $by, $loads, $step);
    }

    /**
     * @param  array<int, float>  $loads
     * @return array<int, float> not below zero, and together within the limit
     */
    private function within(array $loads): array
    {
        $loads = array_map(static fn (float $load): float => max(0.0, $load), $loads);
        $sum = array_sum($loads);

        return $sum > $this->request->maxLoad
            ? array_map(fn (float $load): float => $load * $this->request->maxLoad / $sum, $loads)
            : $loads;
    }

    /**
     * Walks on ΔE00, and on the depth where that counts, from a fit, one load at a time, in ever smaller steps down to what can be weighed.
     *
     * @param  list<int>  $set
     * @param  array<int, float>  $loads
     */
    private function refine(array $set, array $loads, Budget $budget): PigmentLoads
    {
        $pigments = $this->of($set);
        $grid = $this->request->stepPct;
        $finest = $grid ?? self::FINEST_PCT;
        $loads = $grid === null ? $loads : $this->weighable($loads, $grid);
        $error = $this->aim->off($pigments, $loads);
        for ($step = $grid === null ? 0.1 : 8.0 * $grid; $step >= $finest - 1e-12; $step /= 2.0) {
            for (
                $round = 0,
                $better = true; $better && $round < 12 && $budget->spend(2 * count($loads) * $this->aim->looking(count($loads))); $round++
            ) {
                $better = false;
                foreach (array_keys($loads) as $j) {
                    foreach ([$step, -$step] as $by) {
                        $tried = $loads;
                        $tried[$j] = max(0.0, $tried[$j] + $by);
                        if (array_sum($tried) > $this->request->maxLoad + 1e-9) {
                            continue;
                        }
                        $after = $this->aim->off($pigments, $tried);
                        if ($after < $error - 1e-9) {
                            [$loads, $error, $better] = [$tried, $after, true];
                        }
                    }
                }
            }
        }
        $least = $grid === null ? self::LEAST_PCT : (self::LEAST_STEPS - 0.5) * $grid;
        $loads = array_map(static fn (float $load): float => $load < $least ? 0.0 : $load, $loads);
        $named = [];
        foreach ($set as $i => $pigment) {
            if ($loads[$i] > 0.0) {
                $named[$this->request->pigments[$pigment]->name] = $loads[$i];
            }
        }

        return $this->aim->hit($named, $pigments, $loads);
    }

    /**
     * @param  array<int, float>  $loads
     * @return array<int, float> to whole steps of the scale, still within the limit
     */
    private function weighable(array $loads, float $grid): array
    {
        $steps = array_map(static fn (float $load): float => round($load / $grid), $loads);
        while (array_sum($steps) * $grid > $this->request->maxLoad + 1e-9) {
            arsort($steps);
            $steps[(int) array_key_first($steps)] -= 1.0;
        }

        ksort($steps);

        return array_map(static fn (float $n): float => $n * $grid, $steps);
    }

    /**
     * @param  list<int>  $set
     * @return list<Colourant>
     */
    private function of(array $set): array
    {
        return array_map(fn (int $i): Colourant => $this->request->pigments[$i], $set);
    }
}

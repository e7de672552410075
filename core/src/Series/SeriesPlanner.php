<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Additive;
use Apalos\Core\Mix\Composition;
use Apalos\Core\Mix\Line;
use Apalos\Core\Mix\MixPlanner;
use Apalos\Core\Mix\MixRequest;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Mix\MixTarget;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Minutes;

/**
 * Plans a series of pucks so that a bench scale can weigh it. A puck is too small to weigh A, B and a pinch of pigment for each:
 * so one cup of A+B is mixed for all, and each puck takes its share and its own softener. A ladder of tint takes from two cups,
 * one in full colour and one without, for a tenth of a pinch cannot be weighed but a tenth of a cup can.
 */
final readonly class SeriesPlanner
{
    private const MINUTES_A_PUCK = 1.5;

    /** Fewer steps of the scale than this and the last digit decides the puck. */
    private const LEAST_STEPS = 10.0;

    /** No full cup is mixed larger than this, in g, for the sake of its pinch. */
    private const LARGEST_FOR_A_PINCH_G = 120.0;

    /** The cup without what rises, and the one with all of it. */
    public const PLAIN = 'plain-cup';

    public const FULL = 'full-cup';

    public function __construct(private MixPlanner $mixes = new MixPlanner) {}

    /**
     * The plan, and, where it is said what is `weighed` so far, what comes `next`.
     *
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function ask(Fields $in): array
    {
        $request = SeriesRequest::from($in);
        $plan = $this->plan($request);
        $weighed = $in->objectOrNull('weighed');

        return [
            ...$plan->toArray(),
            ...(
                $weighed === null
                ? []
                : ['next' => (new WeighUp)->next($plan, Weighed::from($weighed, $plan), $request->scale->division)?->toArray()]
            ),
        ];
    }

    /** @throws BadInput */
    public function plan(SeriesRequest $request): SeriesResult
    {
        [$amounts, $full] = $request->softener !== null ? [$this->softened($request, $request->softener), null] : $this->ladder($request);
        foreach ($amounts as $amount) {
            array_sum($amount) >= $request->scale->division->g ?: throw self::tooSmall();
        }
        $cups = [];
        foreach ([self::PLAIN => $request->common(), self::FULL => $full] as $name => $additives) {
            $taken = array_sum(array_map(static fn (array $amount): float => $amount[$name] ?? 0.0, $amounts));
            if ($additives !== null && $taken > 0.0) {
                $cups[$name] = $this->cup($request, $additives, max($taken, $name === self::FULL ? self::forItsPinch($request) : 0.0));
            }
        }
        $strength = isset($cups[self::FULL]) ? self::strength($request, $cups[self::FULL]->batches[0]->lines) : 1.0;
        $pucks = array_map(
            fn (array $amount, float $step): SeriesPuck => $this->puck($request, $amount, $step, $strength), $amounts, $request->steps,
        );
        $usable = array_filter(
            array_map(static fn (MixResult $mix): ?float => $mix->usable?->min, $cups), static fn (?float $min): bool => $min !== null,
        );
        $minutes = self::MINUTES_A_PUCK * count($pucks);

        return new SeriesResult(
            $cups, $pucks, $minutes, $usable === [] ? null : min($usable),
            iterator_to_array($this->warnings($request, $cups, $pucks, $minutes, $usable === [] ? INF : min($usable)), false),
            $this->working($request, $pucks),
        );
    }

    private static function tooSmall(): BadInput
    {
        return BadInput::at('puck_ml', Phrase::of('series.too_small'));
    }

    /** @return list<array<string, float>> grams of each thing in each puck */
    private function softened(SeriesRequest $request, Additive $softener): array
    {
        return array_map(static function (float $pct) use ($request, $softener): array {
            $with = $softener->amounting($pct);
            $mass = $request->puck->massAt(Composition::of($request->base, [...$request->additives, $with])->density)->g;
            $common = Composition::of($request->base, $request->additives)->massPerAB;
            // The plain cup holds A+B and what every puck has; softener is counted on the A+B in it.
            $share = $mass / ($common + $pct / 100.0) * $common;

            return array_filter(
                [self::PLAIN => $share, $softener->code => $mass - $share], static fn (float $grams): bool => $grams > 1e-9,
            );
        }, $request->steps);
    }

    /** @return array{list<array<string, float>>, list<Additive>} */
    private function ladder(SeriesRequest $request): array
    {
        $full = Composition::of($request->base, $request->additives)->density;
        $plain = Composition::of($request->base, $request->common())->density;
        $amounts = array_map(static function (float $pct) use ($request, $full, $plain): array {
            $f = $pct / 100.0;
            $mass = $request->puck->massAt(Density::together([[$f, $full], [1.0 - $f, $plain]]))->g;

            return array_filter(
                [self::FULL => $f * $mass, self::PLAIN => (1.0 - $f) * $mass], static fn (float $grams): bool => $grams > 1e-9,
            );
        }, $request->steps);

        return [$amounts, $request->additives];
    }

    /**
     * How strong the full cup is with the grams the display showed, against what the formula says: a pinch of pigment is rounded
     * far more than the rubber round it.
     *
     * @param  list<Line>  $lines
     */
    public static function strength(SeriesRequest $request, array $lines): float
    {
        $composition = Composition::of($request->base, $request->additives);
        $wanted = array_sum(array_intersect_key($composition->parts, array_flip($request->rising))) / $composition->massPerAB;
        $total = array_sum(array_map(static fn (Line $line): float => $line->grams->g, $lines));
        $shown = array_sum(
            array_map(static fn (Line $line): float => in_array($line->code, $request->rising, true) ? $line->grams->g : 0.0, $lines),
        );

        return $wanted <= 0.0 || $total <= 0.0 ? 1.0 : $shown / $total / $wanted;
    }

    /** @param  array<string, float>  $amount */
    private function puck(SeriesRequest $request, array $amount, float $step, float $strength): SeriesPuck
    {
        $lines = Line::listed(
            $amount, $request->scale->division,
            names: [
                self::PLAIN => SeriesResult::called(self::PLAIN), self::FULL => SeriesResult::called(self::FULL),
                ...($request->softener === null ? [] : [$request->softener->code => $request->softener->name]),
            ],
        );
        $shown = [];
        foreach ($lines as $line) {
            $shown[$line->code] = $line->grams->g;
        }
        $total = array_sum($shown);
        if ($total <= 0.0) {
            throw self::tooSmall();
        }
        $plain = $shown[self::PLAIN] ?? 0.0;
        $true = $request->softener === null
            ? 100.0 * $strength * ($shown[self::FULL] ?? 0.0) / $total
            : (
                $plain <= 0.0
                ? 0.0
                : 100.0 * ($shown[$request->softener->code] ?? 0.0) / (
                    $plain / Composition::of($request->base, $request->additives)->massPerAB
                )
            );

        return new SeriesPuck($step, $true, $total, $lines);
    }

    /**
     * How much must be taken from a full cup, in g, for each of its rising pinches to be ten steps of the scale; within reason, for
     * what the pucks do not take is left over.
     */
    private static function forItsPinch(SeriesRequest $request): float
    {
        $composition = Composition::of($request->base, $request->additives);
        $rising = array_filter(
            array_intersect_key($composition->parts, array_flip($request->rising)), static fn (float $part): bool => $part > 0.0,
        );
        $needed = $rising === [] ? 0.0 : self::LEAST_STEPS * $request->scale->division->g * $composition->massPerAB / min($rising);

        return min($needed, self::LARGEST_FOR_A_PINCH_G) / (1.0 + $request->sparePct / 100.0);
    }

    /** @param  list<Additive>  $additives */
    private function cup(SeriesRequest $request, array $additives, float $taken): MixResult
    {
        return $this->mixes->plan(new MixRequest(
            $request->base, MixTarget::from(Fields::of(['mass_g' => $taken, 'waste_pct' => $request->sparePct])), $additives,
            $request->scale, null, $request->room, $request->mixing, Minutes::of(0.0), null, $request->clock,
        ));
    }

    /**
     * @param  array<string, MixResult>  $cups
     * @param  list<SeriesPuck>  $pucks
     * @return \Generator<Warning>
     */
    private function warnings(SeriesRequest $request, array $cups, array $pucks, float $minutes, float $usable): \Generator
    {
        foreach ($pucks as $puck) {
            foreach ($puck->lines as $line) {
                if ($line->grams->g < self::LEAST_STEPS * $request->scale->division->g) {
                    yield new Warning('batch_below_scale', Phrase::of('series.below_scale', [
                        'name' => $line->add, 'pct' => $puck->wantedPct, 'grams' => Quantity::mass($line->grams->g),
                    ]));
                }
            }
        }
        $beyond = array_filter($request->steps, static fn (float $step): bool => $step > ($request->softener->max ?? INF));
        if ($beyond !== []) {
            yield new Warning('over_max', Phrase::of('series.over_max', [
                'max' => $request->softener->max ?? 0.0, 'softener' => $request->softener->name ?? '', 'beyond' => array_values($beyond),
            ]));
        }
        if ($minutes > $usable) {
            yield new Warning('pot_life_short', Phrase::of('series.pot_life_short', [
                'count' => count($pucks), 'minutes' => Quantity::duration($minutes), 'usable' => Quantity::duration($usable),
            ]));
        }
        if (count($pucks) > 1 && ($request->steps[count($request->steps) - 1] ?? 0.0) - ($request->steps[0] ?? 0.0) < 15.0) {
            yield new Warning('narrow', Phrase::of('series.narrow'));
        }
        $taken = array_sum(
            array_map(
                static fn (SeriesPuck $puck): float => array_sum(
                    array_map(static fn (Line $line): float => $line->code === self::FULL ? $line->grams->g : 0.0, $puck->lines),
                ),
                $pucks,
            ),
        );
        $full = $cups[self::FULL]->mass->g ?? 0.0;
        if ($full > 1.05 * $taken * (1.0 + $request->sparePct / 100.0)) {
            yield new Warning('larger_cup', Phrase::of('series.larger_cup', [
                'full' => Quantity::mass($full), 'taken' => Quantity::mass($taken),
            ]));
        }
        foreach ($cups as $name => $mix) {
            foreach ($mix->warnings as $warning) {
                yield new Warning($warning->code, Phrase::of('series.of_a_cup', [
                    'cup' => SeriesResult::called($name), 'message' => $warning->message,
                ]));
            }
        }
    }

    /**
     * @param  list<SeriesPuck>  $pucks
     * @return list<Phrase>
     */
    private function working(SeriesRequest $request, array $pucks): array
    {
        $working = [Phrase::of('series.working', ['ml' => Quantity::volume($request->puck), 'pct' => $request->sparePct])];
        foreach ($pucks as $puck) {
            $working[] = Phrase::of('series.working_puck', [
                'wanted' => $puck->wantedPct, 'true' => $puck->truePct, 'mass' => Quantity::mass($puck->massG),
            ]);
        }

        return $working;
    }
}

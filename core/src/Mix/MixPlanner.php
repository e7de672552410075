<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Grams;

/** From what is wanted to what is weighed: masses, densities, batches and weigh-up lines. */
final readonly class MixPlanner
{
    /** A ratio is safe while the scale's own rounding moves it by one per cent at most. */
    private const SAFE_RATIO_ERROR = 0.01;

    public function __construct(private MixWarnings $warnings = new MixWarnings) {}

    /** @throws BadInput */
    public function plan(MixRequest $request): MixResult
    {
        $composition = Composition::of($request->base, $request->additives);
        $mass = $request->target->massAt($composition->density);
        if ($mass->g < $request->scale->division->g) {
            throw BadInput::at('target', Phrase::of('mix.nothing_to_weigh', ['division' => Quantity::mass($request->scale->division->g)]));
        }
        $ab = $mass->g / $composition->massPerAB;
        $limit = BatchLimit::of($request, $composition, $mass);
        $count = $limit->count;

        $parts = array_map(static fn (float $perAB): Grams => Grams::of($perAB * $ab), $composition->parts);
        $batch = $this->batch($request, array_map(static fn (Grams $grams): float => $grams->g / $count, $parts));
        $half = $request->scale->division->g / 2.0;
        [$a, $b] = [$parts['A']->g / $count, ($parts['B']->g ?? 0.0) / $count];
        $onePart = $request->base->ratio->isOnePart();
        $wA = $composition->weightFractionOfA;

        $result = new MixResult(
            mass: $mass,
            volume: $mass->volumeAt($composition->density),
            density: $composition->density,
            parts: $parts,
            batches: array_fill(0, $count, $batch),
            potLife: $limit->potLife,
            usable: $limit->usable,
            demould: $limit->demould,
            ratioErrorPct: $onePart ? 0.0 : ($half / $a + $half / $b) * 100.0,
            smallestBatch: Grams::of($onePart ? 0.0 : $half * (1.0 / $wA + 1.0 / (1.0 - $wA)) / self::SAFE_RATIO_ERROR),
            limit: $limit->by,
            byVolume: $this->byVolume($request, $a, $b),
            warnings: [],
            working: $this->working($request, $composition, $mass, $ab, $limit, $count),
        );

        return $this->warnings->on($result, $request, $composition);
    }

    /** @param  array<string, float>  $amounts grams by code in one batch */
    private function batch(MixRequest $request, array $amounts): Batch
    {
        [$first, $second] = $request->base->pourBFirst && isset($amounts['B']) ? [Into::B, Into::A] : [Into::A, Into::B];
        $ordered = [];
        foreach ([$first, $second, Into::After] as $side) {
            $part = strtoupper($side->value);
            if (isset($amounts[$part])) {
                $ordered[$part] = $amounts[$part];
            }
            foreach ($request->into($side) as $additive) {
                if ($additive->amount > 0.0) {
                    $ordered[$additive->code] = $amounts[$additive->code];
                }
            }
        }
        $names = [];
        foreach ($request->additives as $additive) {
            $names[$additive->code] = $additive->name;
        }
        $lines = Line::listed($ordered, $request->scale->division, names: $names);

        return new Batch($lines === [] ? Grams::of(0.0) : $lines[count($lines) - 1]->running, $lines);
    }

    /** @return array{a_ml: float, b_ml: float}|null for one batch */
    private function byVolume(MixRequest $request, float $a, float $b): ?array
    {
        $base = $request->base;
        if (! $base->measuredByVolumeOk || $base->sgA === null || $base->sgB === null || $base->ratio->isOnePart()) {
            return null;
        }

        return ['a_ml' => $a / $base->sgA->gPerMl, 'b_ml' => $b / $base->sgB->gPerMl];
    }

    /** @return list<Phrase> */
    private function working(MixRequest $request, Composition $composition, Grams $mass, float $ab, BatchLimit $limit, int $count): array
    {
        $wA = $composition->weightFractionOfA;
        $working = [
            Phrase::of('mix.working_density', ['sg' => Quantity::density($composition->density)]),
            Phrase::of('mix.working_mass', [
                'volume' => Quantity::volume($mass->volumeAt($composition->density)), 'mass' => Quantity::mass($mass),
            ]),
            Phrase::of('mix.working_ab', [
                'mass' => Quantity::mass($mass), 'times' => $composition->massPerAB, 'ab' => Quantity::mass($ab), 'pct' => $wA * 100.0,
            ]),
        ];
        if ($limit->potLife !== null && $limit->usable !== null) {
            $working[] = Phrase::of($request->degassing->min > 0.0 ? 'mix.working_time_with_vacuum' : 'mix.working_time', [
                'room' => Quantity::temperature($request->room),
                'times' => $request->clock?->factor($request->room, $request->clock->massThatCounts($mass->times(1.0 / $count))) ?? 1.0,
                'pot' => Quantity::duration($limit->potLife), 'left' => Quantity::duration($limit->usable),
            ]);
        }
        if ($limit->largest !== null && $limit->by !== null) {
            $working[] = Phrase::of("mix.working_by_{$limit->by->value}", [
                'largest' => Quantity::mass($limit->largest), 'count' => $count, 'each' => Quantity::mass($mass->g / $count),
            ]);
        }

        return $working;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Result\Say;
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
            throw BadInput::at('target', sprintf('That is less than one step of the scale, %s: nothing of it can be weighed. Ask for more.', Say::grams($request->scale->division->g)));
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

    /** @return list<string> */
    private function working(MixRequest $request, Composition $composition, Grams $mass, float $ab, BatchLimit $limit, int $count): array
    {
        $wA = $composition->weightFractionOfA;
        $working = [
            sprintf('Density of the mix: volumes add, so %s g/ml.', Say::number($composition->density->gPerMl, 4)),
            sprintf('Mass: %s ml at that density is %s.', Say::number($mass->volumeAt($composition->density)->ml), Say::grams($mass->g)),
            sprintf('A+B: %s ÷ %s = %s, of which A %s %% by weight.', Say::grams($mass->g), Say::number($composition->massPerAB, 4), Say::grams($ab), Say::number($wA * 100.0, 2)),
        ];
        if ($limit->potLife !== null && $limit->usable !== null) {
            $working[] = sprintf(
                'Pot life at %s °C: × %s = %s; four fifths of it less mixing%s leaves %s to pour.',
                Say::number($request->room->degrees),
                Say::number($request->clock?->factor($request->room, $request->clock->massThatCounts($mass->times(1.0 / $count))) ?? 1.0, 3),
                Say::minutes($limit->potLife->min),
                $request->degassing->min > 0.0 ? ' and de-airing' : '',
                Say::minutes($limit->usable->min),
            );
        }
        if ($limit->largest !== null && $limit->by !== null) {
            $by = ['vessel' => 'cup', 'scale' => 'scale', 'pot_life' => 'pot life'][$limit->by->value];
            $working[] = sprintf('Largest batch: %s, set by the %s; so %d of %s.', Say::grams($limit->largest->g), $by, $count, Say::grams($mass->g / $count));
        }

        return $working;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Grams;

/**
 * Rescues a mis-weighed cup: nothing can be taken out, so everything else is raised to the largest over-pour.
 * k = max(1, max poured ÷ planned); the new plan is k × the old one; what is still to add is the difference.
 */
final readonly class Topup
{
    /** Rounding of floating point, far below any scale. */
    private const NOTHING = 1e-9;

    public function rescue(TopupRequest $request): TopupResult
    {
        $over = 1.0;
        foreach ($request->poured as $name => $grams) {
            $planned = $request->planned[$name]->g ?? 0.0;
            $over = $planned > 0.0 ? max($over, $grams->g / $planned) : $over;
        }
        $beyond = $over > 1.0 + $request->tolerancePct / 100.0 + self::NOTHING;
        $k = $beyond ? $over : 1.0;

        $plan = array_map(static fn (Grams $grams): Grams => $grams->times($k), $request->planned);
        $toAdd = $this->toAdd($plan, $request);
        $before = array_sum(array_map(static fn (Grams $grams): float => $grams->g, $request->poured));
        $planned = array_sum(array_map(static fn (Grams $grams): float => $grams->g, $request->planned));
        $volume = $request->density === null ? null : Grams::of($k * $planned)->volumeAt($request->density);
        $fits = $volume === null || $request->capacity === null || $volume->ml <= $request->capacity->ml + self::NOTHING;
        $ignored = $this->errorIfIgnored($request);

        return new TopupResult(
            needed: $beyond && $toAdd !== [],
            k: $k,
            planned: $plan,
            lines: Line::listed($toAdd, $request->division, $before),
            extra: Grams::of(($k - 1.0) * $planned),
            fits: $fits,
            ratioErrorIfIgnoredPct: $ignored,
            warnings: $this->warnings($fits, $volume->ml ?? 0.0, $request, $k),
        );
    }

    /**
     * @param  array<string, Grams>  $plan
     * @return array<string, float>
     */
    private function toAdd(array $plan, TopupRequest $request): array
    {
        $toAdd = [];
        foreach ($plan as $name => $grams) {
            $missing = $grams->g - ($request->poured[$name]->g ?? 0.0);
            if ($missing > max(self::NOTHING, $request->division->g / 2.0 - self::NOTHING)) {
                $toAdd[(string) $name] = $missing;
            }
        }

        return $toAdd;
    }

    /** The widest proportion between two ingredients if the rest is poured as first planned, against the plan, in per cent. */
    private function errorIfIgnored(TopupRequest $request): float
    {
        $shares = [];
        foreach ($request->planned as $name => $grams) {
            if ($grams->g > 0.0) {
                $shares[] = max($grams->g, $request->poured[$name]->g ?? 0.0) / $grams->g;
            }
        }

        return count($shares) < 2 ? 0.0 : (max($shares) / min($shares) - 1.0) * 100.0;
    }

    /** @return list<Warning> */
    private function warnings(bool $fits, float $volumeMl, TopupRequest $request, float $k): array
    {
        $warnings = [];
        if (! $fits) {
            $warnings[] = new Warning('overflow', Phrase::of('mix.rescue_overflows', [
                'volume' => Quantity::volume($volumeMl), 'capacity' => Quantity::volume($request->capacity->ml ?? 0.0),
            ]));
        }
        if ($k > 1.25) {
            $warnings[] = new Warning('large_rescue', Phrase::of('mix.large_rescue', ['pct' => ($k - 1.0) * 100.0]));
        }

        return $warnings;
    }
}

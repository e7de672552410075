<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Cure\Gauss;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/**
 * How many casts a mould has left. Its life N is lognormal about what is usual for its rubber and what is cast in it, ln N ~ N(μ, spread),
 * and what is usual is known only so well, μ ~ N(ln median, 0.6). Other moulds of the shop teach μ: those that ended by their casts, those
 * that live by having lasted so long. This one has more than its casts, and its condition says which share of it is spent. A look outranks
 * the count: where hardly any life fits both, it is as far as it looks, however few casts there were.
 */
final class MouldLife
{
    private const SPREAD = 0.45;

    /** How well the median of a pairing is known: of its logarithm. */
    private const KNOWN = 0.6;

    /** Outside what its condition tells. */
    private const OUTSIDE = 0.02;

    /** Of all lives it may have: where fewer fit its look and its count together, the count tells nothing of how it was treated. */
    private const FITS = 0.015;

    private const STEPS = 161;

    /** A μ that is so unlikely, against the likeliest, moves nothing. */
    private const NEGLIGIBLE = 1e-9;

    private const REACH = 5.0;

    private const MOST_CASTS = 100_000;

    private const MOST_OTHERS = 500;

    /** Fewer than so many left, and it is time for the next. */
    private const SOON = 5;

    /** @throws BadInput */
    public function ask(Fields $in): LifeResult
    {
        $in->only('pairing', 'others', 'casts', 'condition', 'ahead');
        $pairing = $in->object('pairing')->only('median', 'spread');
        $median = $pairing->number('median', 1.0, self::MOST_CASTS);
        $spread = $pairing->has('spread') ? $pairing->number('spread', 0.05, 2.0) : self::SPREAD;
        $casts = self::whole($in, 'casts');
        $condition = $in->has('condition') ? $in->choice('condition', Condition::class) : null;
        $ahead = $in->has('ahead') ? self::whole($in, 'ahead') : null;
        $others = $in->objects('others', self::MOST_OTHERS);
        // Where no other mould teaches, both spreads together are one.
        [$means, $weights] = $others === [] ? [[log($median)], [1.0]] : $this->learnt(log($median), $spread, $others);
        $lasts = self::lasts($means, $weights, $others === [] ? hypot($spread, self::KNOWN) : $spread);
        $worn = $condition === null ? $casts : $this->asItLooks($lasts, $casts, $condition);
        $upTo = $this->upTo($lasts, $worn, $condition);
        [$low, $likely, $high] = array_map(static fn (float $share): int => self::quantile($upTo, $worn, $share) - $worn, [0.1, 0.5, 0.9]);
        $chance = $ahead === null ? null : ($upTo(INF) > 0.0 ? 1.0 - $upTo($worn + $ahead - 1.0) / $upTo(INF) : ($ahead <= 1 ? 1.0 : 0.0));

        return new LifeResult(
            $low, $likely, $high, $chance, count($others), $this->advice($likely, $low, $chance),
            [
                ...$this->warnings($others, $casts, $median),
                ...($worn > $casts ? [new Warning('look_outranks', Phrase::of('care.look_outranks', ['casts' => $casts]))] : []),
            ],
        );
    }

    /** @throws BadInput */
    private static function whole(Fields $in, string $key): int
    {
        $number = $in->number($key, 0.0, self::MOST_CASTS);

        return $number === floor($number) ? (int) $number : throw BadInput::at($in->at($key), Phrase::of('care.whole_casts'));
    }

    /**
     * What μ may be, and how likely each is after the shop's other moulds.
     *
     * @param  list<Fields>  $others
     * @return array{list<float>, list<float>}
     */
    private function learnt(float $prior, float $spread, array $others): array
    {
        $seen = [];
        foreach ($others as $other) {
            $other->only('casts', 'ended');
            $seen[] = [$other->number('casts', 0.0, self::MOST_CASTS), $other->bool('ended')];
        }
        $means = $logs = [];
        for ($i = 0; $i < self::STEPS; $i++) {
            $mean = $prior + self::KNOWN * self::REACH * (2.0 * $i / (self::STEPS - 1) - 1.0);
            $log = -(($mean - $prior) / self::KNOWN) ** 2 / 2.0;
            foreach ($seen as [$casts, $ended]) {
                $log += $ended
                    ? -((log(max(0.5, $casts)) - $mean) / $spread) ** 2 / 2.0
                    : log(max(1e-300, 1.0 - Gauss::below((log(max(0.5, $casts)) - $mean) / $spread)));
            }
            $means[] = $mean;
            $logs[] = $log;
        }
        $most = max($logs);

        return [$means, array_map(static fn (float $log): float => exp($log - $most), $logs)];
    }

    /**
     * How likely it is that a mould stands more than so many casts: over all that μ may be.
     *
     * @param  list<float>  $means
     * @param  list<float>  $weights
     * @return callable(float): float
     */
    private static function lasts(array $means, array $weights, float $spread): callable
    {
        $all = array_sum($weights);
        $count = array_filter($weights, static fn (float $weight): bool => $weight > self::NEGLIGIBLE);

        return static function (float $casts) use ($means, $count, $spread, $all): float {
            if ($casts <= 0.0 || is_infinite($casts)) {
                return $casts <= 0.0 ? 1.0 : 0.0;
            }
            $sum = 0.0;
            foreach ($count as $i => $weight) {
                $sum += $weight * (1.0 - Gauss::below((log($casts) - $means[$i]) / $spread));
            }

            return $sum / $all;
        };
    }

    /**
     * The casts it is as worn as: its own, or, where it looks far older than so few can have made it, those its look stands for.
     *
     * @param  callable(float): float  $lasts
     */
    private function asItLooks(callable $lasts, int $casts, Condition $condition): int
    {
        [$least, $most] = $condition->spent();
        $until = $least > 0.0 ? floor($casts / $least + 1e-9) : INF;
        if ($lasts($casts + 0.5) - $lasts($until + 0.5) >= self::FITS * $lasts($casts + 0.5)) {
            return $casts;
        }
        $life = self::quantile($this->upTo($lasts, 0, null), 0, 0.5);

        return max($casts, (int) round(($least + $most) / 2.0 * $life));
    }

    /**
     * The weight of all lives of whole casts from the next one up to so many: a life counts fully where its condition says that such a
     * share of it is spent, and hardly outside.
     *
     * @param  callable(float): float  $lasts
     * @return callable(float): float
     */
    private function upTo(callable $lasts, int $casts, ?Condition $condition): callable
    {
        [$least, $most] = $condition?->spent() ?? [0.0, 1.0];
        $from = max($casts + 1.0, ceil($casts / $most - 1e-9));
        $until = $least > 0.0 ? floor($casts / $least + 1e-9) : INF;
        $between = static fn (float $first, float $last): float => $last < $first ? 0.0 : $lasts($first - 0.5) - $lasts($last + 0.5);

        return static fn (float $n): float => self::OUTSIDE * $between($casts + 1.0, $n)
            + (1.0 - self::OUTSIDE) * $between($from, min($n, $until));
    }

    /** @param  callable(float): float  $upTo */
    private static function quantile(callable $upTo, int $casts, float $share): int
    {
        $wanted = $share * $upTo(INF);
        if ($wanted <= 0.0) {
            return $casts + 1;
        }
        [$low, $high] = [$casts, $casts + 1];
        while ($upTo((float) $high) < $wanted && $high < 20 * self::MOST_CASTS) {
            [$low, $high] = [$high, 2 * $high];
        }
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            $upTo((float) $middle) >= $wanted ? $high = $middle : $low = $middle;
        }

        return $high;
    }

    private function advice(int $likely, int $low, ?float $chance): Phrase
    {
        return match (true) {
            $likely <= self::SOON => Phrase::of('care.remake_now', ['likely' => $likely]),
            $chance !== null && $chance < 0.5 => Phrase::of('care.remake_before', ['chance' => 100.0 * $chance]),
            $low <= self::SOON => Phrase::of('care.remake_soon', ['low' => $low]),
            default => Phrase::of('care.goes_on', ['likely' => $likely]),
        };
    }

    /**
     * @param  list<Fields>  $others
     * @return list<Warning>
     */
    private function warnings(array $others, int $casts, float $median): array
    {
        return $others === [] && $casts === 0
            ? [new Warning('rests_on_usual', Phrase::of('care.rests_on_usual', ['median' => $median]))]
            : [];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Keep;

use Apalos\Core\Cure\Gauss;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/**
 * How many casts a mould has left. Its life N is lognormal about what is usual for its rubber and what is cast in it, ln N ~ N(μ, spread),
 * and what is usual is known only so well, μ ~ N(ln median, 0.6). Other moulds of the shop teach μ: those that ended by their casts, those
 * that live by having lasted so long. This one has more than its casts, and its condition says which share of it is spent.
 */
final class MouldLife
{
    private const SPREAD = 0.45;

    /** How well the median of a pairing is known: of its logarithm. */
    private const KNOWN = 0.6;

    /** Outside what its condition tells. */
    private const OUTSIDE = 0.02;

    private const STEPS = 161;

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
        [$means, $weights] = $this->learnt(log($median), $spread, $others);
        $lives = $this->lives($means, $weights, $spread, $casts, $condition);
        [$low, $likely, $high] = self::quantiles($lives, $casts);
        $chance = $ahead === null ? null : self::chance($lives, $casts, $ahead);

        return new LifeResult($low, $likely, $high, $chance, count($others), $this->advice($likely, $low, $chance), $this->warnings($others, $casts, $median));
    }

    /** @throws BadInput */
    private static function whole(Fields $in, string $key): int
    {
        $number = $in->number($key, 0.0, self::MOST_CASTS);

        return $number === floor($number) ? (int) $number : throw BadInput::at($in->at($key), Phrase::of('keep.whole_casts'));
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
                $log += $ended ? -((log(max(0.5, $casts)) - $mean) / $spread) ** 2 / 2.0 : log(max(1e-300, 1.0 - Gauss::below((log(max(0.5, $casts)) - $mean) / $spread)));
            }
            $means[] = $mean;
            $logs[] = $log;
        }
        $most = max($logs);

        return [$means, array_map(static fn (float $log): float => exp($log - $most), $logs)];
    }

    /**
     * How likely each whole number of casts is, from the next one on.
     *
     * @param  list<float>  $means
     * @param  list<float>  $weights
     * @return array<int, float> summing to one
     */
    private function lives(array $means, array $weights, float $spread, int $casts, ?Condition $condition): array
    {
        $all = array_sum($weights);
        $above = static function (float $n) use ($means, $weights, $spread, $all): float {
            $sum = 0.0;
            foreach ($means as $i => $mean) {
                $sum += $weights[$i] * (1.0 - Gauss::below((log($n) - $mean) / $spread));
            }

            return $sum / $all;
        };
        $lives = [];
        $before = $above($casts + 0.5);
        $floor = 1e-6 * max($before, 1e-12);
        // Far out lives are counted in strides: nobody asks whether it is 4000 or 4001.
        for ($n = $casts + 1, $stride = 1; $n < 20 * self::MOST_CASTS && $before > $floor; $n += $stride, $stride = max(1, intdiv($n, 400))) {
            $after = $above($n + $stride - 0.5);
            $spent = $casts / ($n + ($stride - 1) / 2.0);
            [$least, $most] = $condition?->spent() ?? [0.0, 1.0];
            $lives[$n + intdiv($stride, 2)] = ($before - $after) * ($spent >= $least && $spent <= $most ? 1.0 : self::OUTSIDE);
            $before = $after;
        }
        $sum = array_sum($lives);

        return $sum > 0.0 ? array_map(static fn (float $one): float => $one / $sum, $lives) : [$casts + 1 => 1.0];
    }

    /**
     * @param  array<int, float>  $lives
     * @return array{int, int, int} casts left at 10, 50 and 90 %
     */
    private static function quantiles(array $lives, int $casts): array
    {
        $found = [];
        foreach ([0.1, 0.5, 0.9] as $share) {
            $sum = 0.0;
            $at = (int) array_key_last($lives);
            foreach ($lives as $n => $one) {
                $sum += $one;
                if ($sum >= $share) {
                    $at = $n;
                    break;
                }
            }
            $found[] = $at - $casts;
        }

        return [$found[0], $found[1], $found[2]];
    }

    /** @param  array<int, float>  $lives */
    private static function chance(array $lives, int $casts, int $ahead): float
    {
        return array_sum(array_filter($lives, static fn (int $n): bool => $n - $casts >= $ahead, ARRAY_FILTER_USE_KEY));
    }

    private function advice(int $likely, int $low, ?float $chance): Phrase
    {
        return match (true) {
            $likely <= self::SOON => Phrase::of('keep.remake_now', ['likely' => $likely]),
            $chance !== null && $chance < 0.5 => Phrase::of('keep.remake_before', ['chance' => 100.0 * $chance]),
            $low <= self::SOON => Phrase::of('keep.remake_soon', ['low' => $low]),
            default => Phrase::of('keep.goes_on', ['likely' => $likely]),
        };
    }

    /**
     * @param  list<Fields>  $others
     * @return list<Warning>
     */
    private function warnings(array $others, int $casts, float $median): array
    {
        return $others === [] && $casts === 0 ? [new Warning('rests_on_usual', Phrase::of('keep.rests_on_usual', ['median' => $median]))] : [];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Cure\Gauss;

/**
 * How many moulds so many casts take. Each lasts N casts, ln N ~ N(μ, spread), and what is usual is known only so well, μ ~
 * N(ln median, 0.6)
 * as in {@see MouldLife}. The sum of n lives is taken for lognormal with the mean and the variance it has (Fenton 1960), over all that μ
 * may be.
 */
final readonly class Campaign
{
    /** Of its logarithm, as of a single mould. */
    private const KNOWN = 0.6;

    private const STEPS = 81;

    private const REACH = 4.0;

    /** So likely they shall be enough. */
    private const ENOUGH = 0.8;

    private const MOST = 500;

    /**
     * @param  int  $moulds  the fewest that are likely enough
     * @param  float  $chance  that those are enough
     * @param  float  $oneMore  that one more is
     * @param  int  $remakeAfter  casts of one: nine in ten still stand them; then it is time for the next
     */
    private function __construct(public int $moulds, public float $chance, public float $oneMore, public int $remakeAfter) {}

    public static function of(int $casts, Pairing $pairing): self
    {
        // A mould that is broken or dries with its cast gives one.
        if ($pairing->median <= 1.0) {
            return new self($casts, 1.0, 1.0, 1);
        }
        $moulds = 1;
        // From below in powers of two, then halved: more moulds never make it less likely.
        while ($moulds < self::MOST && self::chance($casts, $moulds, $pairing) < self::ENOUGH) {
            $moulds *= 2;
        }
        [$low, $high] = [intdiv($moulds, 2), min(self::MOST, $moulds)];
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            self::chance($casts, $middle, $pairing) >= self::ENOUGH ? $high = $middle : $low = $middle;
        }
        $z = -1.2815515655446004;

        return new self(
            $high, self::chance($casts, $high, $pairing), self::chance($casts, $high + 1, $pairing),
            max(1, (int) floor($pairing->median * exp($z * hypot($pairing->spread, self::KNOWN)))),
        );
    }

    /** That n moulds stand so many casts together. */
    public static function chance(int $casts, int $moulds, Pairing $pairing): float
    {
        $variance = $pairing->spread ** 2;
        // Of the sum: its logarithm spreads less, the more there are.
        $spread = sqrt(log(1.0 + (exp($variance) - 1.0) / $moulds));
        $shift = log($moulds) + $variance / 2.0 - $spread ** 2 / 2.0;
        $sum = $all = 0.0;
        for ($i = 0; $i < self::STEPS; $i++) {
            $off = self::REACH * (2.0 * $i / (self::STEPS - 1) - 1.0);
            $weight = exp(-$off * $off / 2.0);
            $mean = log($pairing->median) + self::KNOWN * $off + $shift;
            $sum += $weight * (1.0 - Gauss::below((log($casts) - $mean) / $spread));
            $all += $weight;
        }

        return $sum / $all;
    }

    /** @return array{moulds: int, chance: float, one_more: float, remake_after: int} */
    public function toArray(): array
    {
        return ['moulds' => $this->moulds, 'chance' => $this->chance, 'one_more' => $this->oneMore, 'remake_after' => $this->remakeAfter];
    }
}

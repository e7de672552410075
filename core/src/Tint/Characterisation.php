<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Result\Budget;

/**
 * K and S of a pigment (or a base) from the colours of its drawdowns. A colour has three numbers and a spectrum many, so of all
 * K and S that give these colours the smoothest are taken: Gauss–Newton on ln K and ln S per band, the colours held to a fifth
 * of a Lab unit, the second differences kept small. It starts from the spectra of the drawdowns, solved band by band. Of more drawdowns
 * than the budget allows some are taken, evenly from thin and pale to thick and strong, and the answer is rough.
 */
final readonly class Characterisation
{
    private const ROUNDS = 30;

    private const SD_LAB = 0.2;

    private const SMOOTH = 4.0;

    private const NEAR_START = 0.01;

    private const LEAST = 1e-5;

    /** Steps to solve for all bands, and to take in one drawdown. */
    private const SOLVING = 30_000;

    private const OBSERVING = 15_000;

    /** In so many rounds it has come nearly all the way. */
    private const ENOUGH = 8;

    /** From so many drawdowns at most it starts. */
    private const STARTS_FROM = 6;

    /**
     * @param  list<Drawdown>  $drawdowns
     * @return array{list<float>, list<float>, bool} K and S per mm for one per cent of load, and whether they are rough
     */
    public static function of(array $drawdowns, ?Colourant $base, Budget $budget): array
    {
        $all = count($drawdowns);
        $drawdowns = self::some($drawdowns, max(2, intdiv(intdiv($budget->left(), self::ENOUGH) - self::SOLVING, self::OBSERVING)));
        $start = self::start(self::some($drawdowns, self::STARTS_FROM), $base);
        $theta = $start;
        $n = Observer::BANDS;
        $damping = 1e-3;
        $error = self::error($theta, $start, $drawdowns, $base);
        for ($round = 0; $round < self::ROUNDS && $budget->spend(self::SOLVING + self::OBSERVING * count($drawdowns)); $round++) {
            [$matrix, $right] = self::normal($theta, $start, $drawdowns, $base);
            for ($i = 0; $i < 2 * $n; $i++) {
                $matrix[$i][$i] *= 1.0 + $damping;
            }
            $step = LinearSystem::positive($matrix, $right);
            $tried = array_map(
                static fn (float $value, float $by): float => max(-14.0, min(6.0, $value + max(-1.5, min(1.5, $by)))), $theta, $step,
            );
            $better = self::error($tried, $start, $drawdowns, $base);
            if ($better < $error) {
                $gain = $error - $better;
                [$theta, $error, $damping] = [$tried, $better, max(1e-7, $damping / 5.0)];
                if ($gain < 1e-3 * ($error + 1e-9)) {
                    break;
                }
            } else {
                $damping *= 8.0;
                if ($damping > 1e8) {
                    break;
                }
            }
        }

        return [
            array_map(exp(...), array_slice($theta, 0, $n)), array_map(exp(...), array_slice($theta, $n)),
            $budget->isShort() || count($drawdowns) < $all,
        ];
    }

    /**
     * @param  list<Drawdown>  $drawdowns
     * @return list<Drawdown> so many at most, the thinnest and the strongest among them
     */
    private static function some(array $drawdowns, int $most): array
    {
        $n = count($drawdowns);
        if ($n <= $most) {
            return $drawdowns;
        }
        usort($drawdowns, static fn (Drawdown $one, Drawdown $other): int => $one->load * $one->mm <=> $other->load * $other->mm);

        return array_map(static fn (int $i): Drawdown => $drawdowns[intdiv($i * ($n - 1), $most - 1)], range(0, $most - 1));
    }

    /**
     * @param  list<Drawdown>  $drawdowns
     * @return list<float> ln K of every band, then ln S
     */
    private static function start(array $drawdowns, ?Colourant $base): array
    {
        $n = Observer::BANDS;
        [$k, $s] = [array_fill(0, $n, 0.0), array_fill(0, $n, 0.0)];
        $weight = 0.0;
        foreach ($drawdowns as $drawdown) {
            [$overW, $overB] = [Spectrum::of($drawdown->overWhite), Spectrum::of($drawdown->overBlack)];
            $last = [0.05, 0.05];
            for ($i = 0; $i < $n; $i++) {
                $last = KubelkaMunk::solve($overW[$i], $drawdown->whiteCard[$i], $overB[$i], $drawdown->blackCard[$i], $drawdown->mm)
                    ?? $last;
                $k[$i] += $drawdown->load * max(0.0, $last[0] - ($base->k[$i] ?? 0.0));
                $s[$i] += $drawdown->load * max(0.0, $last[1] - ($base->s[$i] ?? 0.0));
            }
            $weight += $drawdown->load ** 2;
        }

        return array_map(static fn (float $sum): float => log(max(self::LEAST, $sum / $weight)), [...$k, ...$s]);
    }

    /**
     * @param  list<float>  $theta
     * @param  list<float>  $card
     * @return list<float>
     */
    private static function reflectance(array $theta, Drawdown $drawdown, array $card, ?Colourant $base): array
    {
        $n = Observer::BANDS;
        $seen = [];
        for ($i = 0; $i < $n; $i++) {
            $seen[] = KubelkaMunk::reflectance(
                ($base->k[$i] ?? 0.0) + $drawdown->load * exp($theta[$i]), ($base->s[$i] ?? 0.0) + $drawdown->load * exp($theta[$n + $i]),
                $drawdown->mm, $card[$i],
            );
        }

        return $seen;
    }

    /**
     * @param  list<float>  $theta
     * @param  list<float>  $start
     * @param  list<Drawdown>  $drawdowns
     */
    private static function error(array $theta, array $start, array $drawdowns, ?Colourant $base): float
    {
        $error = 0.0;
        foreach ($drawdowns as $drawdown) {
            foreach ($drawdown->seen() as [$card, $lab]) {
                foreach (Observer::lab(self::reflectance($theta, $drawdown, $card, $base))->toArray() as $i => $value) {
                    $error += (($value - $lab->toArray()[$i]) / self::SD_LAB) ** 2;
                }
            }
        }
        foreach (self::bends($theta) as $bend) {
            $error += self::SMOOTH * $bend['value'] ** 2;
        }
        foreach ($theta as $i => $value) {
            $error += self::NEAR_START * ($value - $start[$i]) ** 2;
        }

        return $error;
    }

    /**
     * @param  list<float>  $theta
     * @return list<array{at: int, value: float}> second differences of ln K and of ln S
     */
    private static function bends(array $theta): array
    {
        $n = Observer::BANDS;
        $bends = [];
        foreach ([0, $n] as $from) {
            for ($i = $from + 1; $i < $from + $n - 1; $i++) {
                $bends[] = ['at' => $i, 'value' => $theta[$i - 1] - 2.0 * $theta[$i] + $theta[$i + 1]];
            }
        }

        return $bends;
    }

    /**
     * @param  list<float>  $theta
     * @param  list<float>  $start
     * @param  list<Drawdown>  $drawdowns
     * @return array{array<int, array<int, float>>, array<int, float>} on and under the diagonal, and the right side
     */
    private static function normal(array $theta, array $start, array $drawdowns, ?Colourant $base): array
    {
        $n = Observer::BANDS;
        $matrix = array_fill(0, 2 * $n, array_fill(0, 2 * $n, 0.0));
        $right = array_fill(0, 2 * $n, 0.0);
        foreach ($drawdowns as $drawdown) {
            foreach ($drawdown->seen() as [$card, $lab]) {
                foreach (self::slopes($theta, $drawdown, $card, $base) as $axis => $row) {
                    self::add(
                        $matrix, $right, array_map(static fn (float $slope): float => $slope / self::SD_LAB, $row['slopes']),
                        ($row['value'] - $lab->toArray()[$axis]) / self::SD_LAB,
                    );
                }
            }
        }
        $root = sqrt(self::SMOOTH);
        foreach (self::bends($theta) as ['at' => $i, 'value' => $value]) {
            self::add($matrix, $right, [$i - 1 => $root, $i => -2.0 * $root, $i + 1 => $root], $root * $value);
        }
        foreach ($theta as $i => $value) {
            self::add($matrix, $right, [$i => sqrt(self::NEAR_START)], sqrt(self::NEAR_START) * ($value - $start[$i]));
        }

        return [$matrix, $right];
    }

    /**
     * One more observation into the normal equations, on and under the diagonal: a row of slopes in order, and what is left over.
     *
     * @param  array<int, array<int, float>>  $matrix
     * @param  array<int, float>  $right
     * @param  array<int, float>  $row
     */
    private static function add(array &$matrix, array &$right, array $row, float $residual): void
    {
        foreach ($row as $i => $value) {
            $right[$i] -= $value * $residual;
            $line = &$matrix[$i];
            foreach ($row as $j => $other) {
                if ($j > $i) {
                    break;
                }
                $line[$j] += $value * $other;
            }
            unset($line);
        }
    }

    /**
     * L, a and b of one drawdown over one card, and how each moves with every unknown.
     *
     * @param  list<float>  $theta
     * @param  list<float>  $card
     * @return list<array{value: float, slopes: array<int, float>}>
     */
    private static function slopes(array $theta, Drawdown $drawdown, array $card, ?Colourant $base): array
    {
        $n = Observer::BANDS;
        $now = self::reflectance($theta, $drawdown, $card, $base);
        $xyz = Observer::xyz($now);
        $lab = Lab::ofXyz($xyz)->toArray();
        $weights = [Observer::WX, Observer::WY, Observer::WZ];
        $toLab = [];
        foreach ([0, 1, 2] as $j) {
            $moved = $xyz;
            $moved[$j] += 1e-6;
            $toLab[$j] = array_map(
                static fn (float $after, float $before): float => ($after - $before) / 1e-6, Lab::ofXyz($moved)->toArray(), $lab,
            );
        }
        $rows = array_map(static fn (float $value): array => ['value' => $value, 'slopes' => []], $lab);
        for ($i = 0; $i < $n; $i++) {
            [$k, $s] = [
                ($base->k[$i] ?? 0.0) + $drawdown->load * exp($theta[$i]), ($base->s[$i] ?? 0.0) + $drawdown->load * exp($theta[$n + $i]),
            ];
            foreach ([$i => [1e-5, 0.0], $n + $i => [0.0, 1e-5]] as $unknown => [$dk, $ds]) {
                $after = KubelkaMunk::reflectance(
                    $k + $dk * $drawdown->load * exp($theta[$i]), $s + $ds * $drawdown->load * exp($theta[$n + $i]), $drawdown->mm,
                    $card[$i],
                );
                $slope = ($after - $now[$i]) / 1e-5;
                foreach ([0, 1, 2] as $axis) {
                    $rows[$axis]['slopes'][$unknown] = $slope * (
                        $toLab[0][$axis] * $weights[0][$i] + $toLab[1][$axis] * $weights[1][$i] + $toLab[2][$axis] * $weights[2][$i]
                    );
                }
            }
        }

        foreach ($rows as &$row) {
            ksort($row['slopes']);
        }

        return $rows;
    }
}

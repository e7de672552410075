<?php

declare(strict_types=1);

namespace Apalos\Core\Trial;

use Apalos\Core\Chance\Holm;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/**
 * Which of some variants came out best, from equal cups graded the same way: the best mean against each of the others by an exact
 * permutation test of the difference (Fisher, Pitman 1937), corrected for as many comparisons (Holm).
 */
final readonly class CupsCompared
{
    public const FEWEST = 2;

    public const MOST = 6;

    public const MOST_CUPS = 8;

    private const SURE = 0.05;

    private const LEANS = 0.2;

    /**
     * @param  array<string, list<float>>  $scores  by variant: what each of its cups was graded, the higher the better
     * @param  string|null  $alone  the variant that was left alone: every other is held against it first
     *
     * @throws BadInput
     */
    public function of(array $scores, ?string $alone = null): VerdictResult
    {
        $graded = array_filter($scores, static fn (array $cups): bool => $cups !== []);
        if (count($graded) < self::FEWEST) {
            return new VerdictResult(VerdictResult::OPEN, null, [], Phrase::of('trial.nothing_yet'));
        }
        $means = array_map(static fn (array $cups): float => array_sum($cups) / count($cups), $graded);
        arsort($means);
        $best = (string) array_key_first($means);
        [$chances, $least, $beats] = [[], [], []];
        foreach ($means as $name => $mean) {
            $name = (string) $name;
            if ($name !== $best) {
                [$chances[$name], $least[$name]] = $this->permuted($graded[$best], $graded[$name]);
                $beats[$name] = self::beats($graded[$best], $graded[$name]);
            }
        }
        $against = [];
        foreach (Holm::corrected($chances) as $name => $corrected) {
            $against[] = [
                'variant' => $name, 'mean' => $means[$name], 'beats' => $beats[$name], 'chance' => $chances[$name],
                'corrected' => $corrected,
            ];
        }
        usort($against, static fn (array $a, array $b): int => $b['corrected'] <=> $a['corrected']);

        return $this->said(
            $best, $means[$best], $against, max([0.0, ...array_values($least)]) * count($least), $this->pairs($graded, $alone),
        );
    }

    /**
     * Every two of them. Those with what was left alone are one question, those among the others another: each is corrected for as many
     * comparisons as it makes, so that many variants beside do not hide what one of them does.
     *
     * @param  array<string, list<float>>  $graded
     * @return list<array{
     *     one: string, other: string, one_mean: float, other_mean: float, beats: float, chance: float, corrected: float, left_alone: bool,
     * }>
     */
    private function pairs(array $graded, ?string $alone): array
    {
        $names = array_map(strval(...), array_keys($graded));
        $chances = [[], []];
        foreach ($names as $i => $one) {
            foreach (array_slice($names, $i + 1) as $other) {
                $chances[$one === $alone || $other === $alone ? 0 : 1][json_encode([$one, $other], JSON_THROW_ON_ERROR)] = $this->permuted(
                    $graded[$one], $graded[$other],
                )[0];
            }
        }
        $mean = static fn (string $name): float => array_sum($graded[$name]) / count($graded[$name]);
        $pairs = [];
        foreach ($chances as $group => $of) {
            $corrected = Holm::corrected($of);
            foreach ($of as $key => $chance) {
                /** @var array{string, string} $pair */
                $pair = json_decode((string) $key, true, 2, JSON_THROW_ON_ERROR);
                // The one that came out better is named first.
                [$one, $other] = $mean($pair[0]) >= $mean($pair[1]) ? $pair : [$pair[1], $pair[0]];
                $pairs[] = [
                    'one' => $one, 'other' => $other, 'one_mean' => $mean($one), 'other_mean' => $mean($other),
                    'beats' => self::beats($graded[$one], $graded[$other]), 'chance' => $chance, 'corrected' => $corrected[$key],
                    'left_alone' => $group === 0,
                ];
            }
        }

        return $pairs;
    }

    /**
     * @param  list<array{variant: string, mean: float, beats: float, chance: float, corrected: float}>  $against
     * @param list<array{
     *     one: string, other: string, one_mean: float, other_mean: float, beats: float, chance: float, corrected: float, left_alone: bool,
     * }>  $pairs
     */
    private function said(string $best, float $mean, array $against, float $least, array $pairs): VerdictResult
    {
        $nearest = $against[0];
        $values = [
            'best' => $best, 'next' => $nearest['variant'], 'beats' => 100.0 * $nearest['beats'], 'chance' => 100.0 * $nearest['corrected'],
        ];
        [$word, $says] = match (true) {
            $nearest['corrected'] < self::SURE => [VerdictResult::SURE, Phrase::of('trial.sure', $values)],
            $least >= self::SURE && $nearest['mean'] < $mean => [VerdictResult::CANNOT, Phrase::of('trial.cannot_know', $values)],
            $nearest['corrected'] < self::LEANS => [VerdictResult::LEANS, Phrase::of('trial.leans', $values)],
            default => [VerdictResult::SAME, Phrase::of('trial.same', $values)],
        };

        return new VerdictResult($word, $best, $against, $says, $pairs);
    }

    /**
     * Two-sided: of all ways to deal the grades to the two, how many set them as far apart.
     *
     * @param  list<float>  $one
     * @param  list<float>  $two
     * @return array{float, float} its chance, and the least any grades of so many cups could have
     */
    private function permuted(array $one, array $two): array
    {
        $all = [...$one, ...$two];
        $n = count($one);
        $sum = array_sum($all);
        $apart = static fn (float $first): float => abs($first / $n - ($sum - $first) / count($two));
        $seen = $apart(array_sum($one));
        // How many ways reach each sum with so many cups: grades are few, so sums are few.
        $ways = [0 => ['0' => 1.0]];
        foreach ($all as $score) {
            for ($k = min($n, count($all)) - 1; $k >= 0; $k--) {
                foreach ($ways[$k] ?? [] as $reached => $count) {
                    $next = (string) ((float) $reached + $score);
                    $ways[$k + 1][$next] = ($ways[$k + 1][$next] ?? 0.0) + $count;
                }
            }
        }
        $far = $total = 0.0;
        foreach ($ways[$n] as $reached => $count) {
            $total += $count;
            $far += $apart((float) $reached) >= $seen - 1e-9 ? $count : 0.0;
        }

        return [$far / $total, ($n === count($two) ? 2.0 : 1.0) / $total];
    }

    /**
     * How often a cup of the one came out better than a cup of the other; a draw counts half.
     *
     * @param  list<float>  $one
     * @param  list<float>  $two
     */
    private static function beats(array $one, array $two): float
    {
        $sum = 0.0;
        foreach ($one as $a) {
            foreach ($two as $b) {
                $sum += $a > $b ? 1.0 : ($a === $b ? 0.5 : 0.0);
            }
        }

        return $sum / (count($one) * count($two));
    }
}

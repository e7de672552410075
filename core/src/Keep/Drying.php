<?php

declare(strict_types=1);

namespace Apalos\Core\Keep;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/**
 * Is the plaster dry. What it weighs falls towards its dry mass, m = m∞ + c·e^(−t/τ): fitted by least squares over τ, with m∞ and c in
 * closed form for each; dry when what is left to lose is under a share of the dry mass.
 */
final class Drying
{
    private const SHORTEST_H = 0.5;

    private const LONGEST_H = 400.0;

    private const LEAST = 3;

    private const STEPS = 400;

    /** @throws BadInput */
    public function ask(Fields $in): DryResult
    {
        $in->only('weighings', 'until_pct');
        $until = $in->has('until_pct') ? $in->number('until_pct', 0.01, 50.0) : 0.5;
        [$hours, $masses] = $this->weighed($in);
        $tau = $this->tau($hours, $masses);
        [$dry, $lost] = self::line($hours, $masses, $tau);
        if ($lost <= 0.0 || $dry <= 0.0) {
            return new DryResult(null, null, null, null, [new Warning('does_not_dry', Phrase::of('keep.does_not_dry'))]);
        }
        $last = $hours[count($hours) - 1];
        $left = 100.0 * $lost * exp(-$last / $tau) / $dry;
        $at = $tau * log(100.0 * $lost / ($until * $dry));
        $warnings = [];
        if ($tau > 0.98 * self::LONGEST_H) {
            $warnings[] = new Warning('too_early_to_tell', Phrase::of('keep.too_early_to_tell'));
        } elseif ($last < $tau) {
            $warnings[] = new Warning('early', Phrase::of('keep.weigh_again', ['tau' => Quantity::duration(60.0 * $tau)]));
        }

        return new DryResult(max(0.0, $at), $dry, max(0.0, $left), $tau, $warnings);
    }

    /**
     * Of weighings as they were told at a bench, in minutes: `dry_at_h` counts from the first of them.
     *
     * @param  list<array{at: float, mass_g: float}>  $weighings
     *
     * @throws BadInput where they are too few, or grow
     */
    public function watched(array $weighings): DryResult
    {
        $first = $weighings === [] ? 0.0 : min(array_column($weighings, 'at'));

        return $this->ask(Fields::of(['weighings' => array_map(static fn (array $one): array => ['hours' => ($one['at'] - $first) / 60.0, 'mass_g' => $one['mass_g']], $weighings)]));
    }

    /**
     * @return array{non-empty-list<float>, non-empty-list<float>} hours rising, and grams
     *
     * @throws BadInput
     */
    private function weighed(Fields $in): array
    {
        $weighings = [];
        foreach ($in->objects('weighings', 500) as $one) {
            $one->only('hours', 'mass_g');
            $weighings[] = [$one->number('hours', 0.0, 20_000.0), $one->positive('mass_g')];
        }
        usort($weighings, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $hours = array_column($weighings, 0);
        $masses = array_column($weighings, 1);
        if (count(array_unique(array_map(static fn (float $h): string => (string) $h, $hours))) < self::LEAST || $hours === [] || $masses === []) {
            throw BadInput::at($in->at('weighings'), Phrase::of('keep.three_weighings'));
        }
        if ($masses[count($masses) - 1] >= $masses[0]) {
            throw BadInput::at($in->at('weighings'), Phrase::of('keep.weighings_grow'));
        }

        return [$hours, $masses];
    }

    /**
     * @param  non-empty-list<float>  $hours
     * @param  non-empty-list<float>  $masses
     */
    private function tau(array $hours, array $masses): float
    {
        $at = static fn (float $step): float => self::SHORTEST_H * (self::LONGEST_H / self::SHORTEST_H) ** ($step / self::STEPS);
        $best = [INF, 0.0];
        for ($i = 0; $i <= self::STEPS; $i++) {
            $miss = self::misses($hours, $masses, $at((float) $i));
            $best = $miss < $best[0] ? [$miss, (float) $i] : $best;
        }
        // Golden section about the best step.
        [$low, $high] = [max(0.0, $best[1] - 1.0), min((float) self::STEPS, $best[1] + 1.0)];
        $ratio = (sqrt(5.0) - 1.0) / 2.0;
        for ($i = 0; $i < 60; $i++) {
            [$one, $two] = [$high - $ratio * ($high - $low), $low + $ratio * ($high - $low)];
            self::misses($hours, $masses, $at($one)) < self::misses($hours, $masses, $at($two)) ? $high = $two : $low = $one;
        }

        return $at(($low + $high) / 2.0);
    }

    /**
     * @param  non-empty-list<float>  $hours
     * @param  non-empty-list<float>  $masses
     */
    private static function misses(array $hours, array $masses, float $tau): float
    {
        [$dry, $lost] = self::line($hours, $masses, $tau);

        return array_sum(array_map(static fn (float $h, float $m): float => ($m - $dry - $lost * exp(-$h / $tau)) ** 2, $hours, $masses));
    }

    /**
     * @param  non-empty-list<float>  $hours
     * @param  non-empty-list<float>  $masses
     * @return array{float, float} m∞ and c
     */
    private static function line(array $hours, array $masses, float $tau): array
    {
        $fade = array_map(static fn (float $h): float => exp(-$h / $tau), $hours);
        $n = count($hours);
        [$x, $y] = [array_sum($fade) / $n, array_sum($masses) / $n];
        $xy = $xx = 0.0;
        foreach ($fade as $i => $f) {
            $xy += ($f - $x) * ($masses[$i] - $y);
            $xx += ($f - $x) ** 2;
        }
        $lost = $xx > 1e-15 ? $xy / $xx : 0.0;

        return [$y - $lost * $x, $lost];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\FactKind;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/**
 * Is the plaster dry. While it is wet it loses at a constant rate: nothing can be told from that. Then what it weighs falls towards its
 * dry mass, m = m∞ + c·e^(−t/τ): fitted by least squares over τ, with m∞ and c in closed form for each; likely dry when what is left to
 * lose is under a share of the dry mass. Proved dry it is when weighings half a day apart stand still.
 */
final class Drying
{
    private const SHORTEST_H = 0.5;

    private const LONGEST_H = 400.0;

    private const LEAST = 3;

    private const STEPS = 400;

    /** What set plaster binds of water: 1½ molecules a molecule of powder, 18.6 g in 100 g. */
    private const BINDS = 1.186;

    private const STANDS_H = 12.0;

    private const STANDS_STEPS = 2.0;

    /** How far from what it should weigh it may stand still. */
    private const EXPECTED_WITHIN = 0.02;

    /** So much above its dry mass water still runs to its surface as fast as it leaves. */
    private const FAR_ABOVE = 1.15;

    private const USUAL_STEP_G = 0.1;

    /** Of a straight line, in steps of the scale: reading errors are that large. */
    private const STRAIGHT_WITHIN_STEPS = 1.5;

    /** @throws BadInput */
    public function ask(Fields $in): DryResult
    {
        $in->only('weighings', 'until_pct', 'step_g', 'plaster_g', 'water_g', 'poured_g');
        $until = $in->has('until_pct') ? $in->number('until_pct', 0.01, 50.0) : 0.5;
        $step = $in->positiveOrNull('step_g', 1000.0) ?? self::USUAL_STEP_G;
        $expected = self::expected($in);
        [$hours, $masses] = $this->weighed($in);
        $last = count($hours) - 1;
        $warnings = [];
        $since = self::standsSince($hours, $masses, $step);
        if ($since !== null) {
            if ($expected === null || abs($masses[$last] - $expected) <= self::EXPECTED_WITHIN * $expected) {
                return new DryResult(DryState::Dry, $since, $masses[$last], 0.0, null, $expected, []);
            }
            $warnings[] = new Warning('stands_elsewhere', Phrase::of('care.stands_elsewhere', [
                'mass' => Quantity::mass($masses[$last]), 'expected' => Quantity::mass($expected),
            ]));
        }
        $this->refuse($in, $hours, $masses, $step);
        // Lighter than it can become: one of the numbers is another's.
        if (
            $since === null && $expected !== null && $masses[$last] < (1.0 - self::EXPECTED_WITHIN) * $expected - self::STANDS_STEPS * $step
        ) {
            $warnings[] = new Warning('too_light', Phrase::of('care.too_light', [
                'mass' => Quantity::mass($masses[$last]), 'expected' => Quantity::mass($expected),
            ]));
        }
        if ($since !== null) {
            return new DryResult(DryState::Wet, null, null, null, null, $expected, $warnings);
        }
        if (max($masses) - min($masses) <= self::STANDS_STEPS * $step) {
            return new DryResult(DryState::Wet, null, null, null, null, $expected, [
                ...$warnings,
                new Warning('too_soon', Phrase::of('care.too_soon_to_stand', ['hours' => Quantity::duration(60.0 * self::STANDS_H)])),
            ]);
        }
        if (($expected !== null && $masses[$last] > self::FAR_ABOVE * $expected) || self::isStraight($hours, $masses, $step)) {
            return new DryResult(DryState::Wet, null, null, null, null, $expected, [
                ...$warnings, new Warning('constant_rate', Phrase::of('care.constant_rate')),
            ]);
        }
        $tau = $this->tau($hours, $masses);
        [$dry, $lost] = self::line($hours, $masses, $tau);
        if ($lost <= 0.0 || $dry <= 0.0) {
            return new DryResult(DryState::Wet, null, null, null, null, $expected, [
                ...$warnings, new Warning('does_not_dry', Phrase::of('care.does_not_dry')),
            ]);
        }
        $left = 100.0 * $lost * exp(-$hours[$last] / $tau) / $dry;
        $at = $tau * log(100.0 * $lost / ($until * $dry));
        if ($tau > 0.98 * self::LONGEST_H) {
            $warnings[] = new Warning('too_early_to_tell', Phrase::of('care.too_early_to_tell'));
        } elseif ($hours[$last] < $tau) {
            $warnings[] = new Warning('early', Phrase::of('care.weigh_again', ['tau' => Quantity::duration(60.0 * $tau)]));
        }

        return new DryResult(DryState::Drying, max(0.0, $at), $dry, max(0.0, $left), $tau, $expected, $warnings);
    }

    /**
     * @template K of FactKind
     *
     * @param  Fact<K>  $fact
     * @return array{at: float, mass_g: float, step_g?: float} one weighing as it was told: with the step of the scale it stood on, where
     *   that was kept
     */
    public static function weighing(float $at, Fact $fact): array
    {
        $step = $fact->number('step_g');

        return ['at' => $at, 'mass_g' => (float) $fact->number('mass_g'), ...($step === null || $step <= 0.0 ? [] : ['step_g' => $step])];
    }

    /** What was poured dries towards its powder and the water that binds; null where nobody said what was mixed. */
    private static function expected(Fields $in): ?float
    {
        $powder = $in->positiveOrNull('plaster_g');
        $water = $in->numberOrNull('water_g');
        if ($powder === null) {
            return null;
        }
        $poured = $in->positiveOrNull('poured_g');

        return self::BINDS * $powder * ($poured === null || $water === null ? 1.0 : $poured / ($powder + $water));
    }

    /**
     * The hour of the earlier of two weighings half a day apart that stand still, the later of them the last; null where none do.
     *
     * @param  non-empty-list<float>  $hours
     * @param  non-empty-list<float>  $masses
     */
    private static function standsSince(array $hours, array $masses, float $step): ?float
    {
        $last = count($hours) - 1;
        $since = null;
        for ($i = $last; $i >= 0; $i--) {
            if (abs($masses[$i] - $masses[$last]) > self::STANDS_STEPS * $step + 1e-9) {
                break;
            }
            $since = self::STANDS_H - 1e-9 <= $hours[$last] - $hours[$i] ? $hours[$i] : $since;
        }

        return $since;
    }

    /**
     * It loses as much every hour, as far as the scale can tell.
     *
     * @param  non-empty-list<float>  $hours
     * @param  non-empty-list<float>  $masses
     */
    private static function isStraight(array $hours, array $masses, float $step): bool
    {
        $n = count($hours);
        [$x, $y] = [array_sum($hours) / $n, array_sum($masses) / $n];
        $xy = $xx = 0.0;
        foreach ($hours as $i => $h) {
            $xy += ($h - $x) * ($masses[$i] - $y);
            $xx += ($h - $x) ** 2;
        }
        $slope = $xx > 0.0 ? $xy / $xx : 0.0;
        $misses = array_map(static fn (float $h, float $m): float => abs($m - $y - $slope * ($h - $x)), $hours, $masses);

        return max($misses) <= self::STRAIGHT_WITHIN_STEPS * $step;
    }

    /**
     * Of weighings as they were told at a bench, in minutes: `dry_at_h` counts from the first of them. Two scales are no finer than the
     * coarser.
     *
     * @param  list<array{at: float, mass_g: float, step_g?: float}>  $weighings
     * @param  array{plaster_g?: float, water_g?: float, poured_g?: float}  $poured  as far as it is known
     *
     * @throws BadInput where they are too few, or grow
     */
    public function watched(array $weighings, array $poured = []): DryResult
    {
        $first = $weighings === [] ? 0.0 : min(array_column($weighings, 'at'));

        $steps = array_column($weighings, 'step_g');

        return $this->ask(Fields::of([
            ...$poured, ...($steps === [] ? [] : ['step_g' => max($steps)]),
            'weighings' => array_map(
                static fn (array $one): array => ['hours' => ($one['at'] - $first) / 60.0, 'mass_g' => $one['mass_g']], $weighings,
            ),
        ]));
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
        if ($hours === [] || $masses === []) {
            throw BadInput::at($in->at('weighings'), Phrase::of('care.three_weighings'));
        }

        return [$hours, $masses];
    }

    /**
     * @param  non-empty-list<float>  $hours
     * @param  non-empty-list<float>  $masses
     *
     * @throws BadInput for too few weighings, or such as grow by more than the scale may err
     */
    private function refuse(Fields $in, array $hours, array $masses, float $step): void
    {
        if (count(array_unique(array_map(static fn (float $h): string => (string) $h, $hours))) < self::LEAST) {
            throw BadInput::at($in->at('weighings'), Phrase::of('care.three_weighings'));
        }
        if ($masses[count($masses) - 1] >= $masses[0] + self::STANDS_STEPS * $step) {
            throw BadInput::at($in->at('weighings'), Phrase::of('care.weighings_grow'));
        }
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

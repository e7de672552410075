<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/** What a plan comes to, held against what was measured of its piece: where two numbers of the same thing differ, one of them is wrong. */
final readonly class HeldAgainst
{
    /** Foil, clay and rice measure about so well. */
    private const MEASURED_WITHIN = 0.3;

    /** Parts of one whole are counted, not measured. */
    private const COUNTED_WITHIN = 0.05;

    /** Of a hollow that is turned: more runs out, or never spreads. */
    private const PASS_FILLS_AT_MOST = 0.5;

    /** @return list<Warning> */
    public static function of(BuildPlan $plan): array
    {
        return array_values(
            array_filter(
                [self::blanket($plan), self::shells($plan), self::halves($plan), ...self::passes($plan)],
                static fn (?Warning $one): bool => $one !== null,
            ),
        );
    }

    /** A wall over an area is a volume: what the clay of it measured should be about that. */
    private static function blanket(BuildPlan $plan): ?Warning
    {
        $measured = $plan->measured;
        $poured = array_filter(
            $plan->operations,
            static fn (Operation $one): bool => $one->kind === OperationKind::Pour
                && $one->mixing?->ml !== null
                && $one->mixing->thickness === null
                && $one->mixing->against === Against::Original,
        );
        if ($measured->area === null || $measured->wall === null || $measured->ml === null || $poured === []) {
            return null;
        }
        $low = $measured->area * $measured->wall['least'] / 1000.0;
        $high = $measured->area * $measured->wall['most'] / 1000.0;

        return $measured->ml >= $low * (1.0 - self::MEASURED_WITHIN) && $measured->ml <= $high * (1.0 + self::MEASURED_WITHIN) ? null
            : new Warning('blanket_against_ml', Phrase::of('build.blanket_against_ml', [
                'low' => Quantity::volume($low), 'high' => Quantity::volume($high), 'ml' => Quantity::volume($measured->ml),
            ]));
    }

    private static function shells(BuildPlan $plan): ?Warning
    {
        $jackets = array_values(
            array_filter(
                $plan->operations, static fn (Operation $one): bool => $one->mixing?->part === Part::Jacket && $one->mixing->area !== null,
            ),
        );
        $covered = $plan->measured->covered();
        if ($jackets === [] || $covered === null) {
            return null;
        }
        $area = array_sum(array_map(static fn (Operation $one): float => (float) $one->mixing?->area, $jackets));

        return abs($area - $covered) <= self::COUNTED_WITHIN * $covered ? null
            : new Warning('shells_against_area', Phrase::of('build.shells_against_area', [
                'area' => Quantity::area($area), 'covered' => Quantity::area($covered),
            ]));
    }

    private static function halves(BuildPlan $plan): ?Warning
    {
        $halves = array_values(
            array_filter(
                $plan->operations, static fn (Operation $one): bool => $one->mixing?->part === Part::Half && $one->mixing->ml !== null,
            ),
        );
        if ($halves === [] || $plan->measured->ml === null) {
            return null;
        }
        $ml = array_sum(array_map(static fn (Operation $one): float => (float) $one->mixing?->ml, $halves));

        return abs($ml - $plan->measured->ml) <= self::COUNTED_WITHIN * $plan->measured->ml ? null
            : new Warning('halves_against_ml', Phrase::of('build.halves_against_ml', [
                'ml' => Quantity::volume($ml), 'measured' => Quantity::volume($plan->measured->ml),
            ]));
    }

    /** @return list<Warning> of what is turned in a hollow */
    private static function passes(BuildPlan $plan): array
    {
        $hollow = $plan->measured->ml;
        $warnings = [];
        foreach ($plan->operations as $one) {
            $ml = $one->mixing?->casting === 'rotated' ? $one->mixing->volume() : null;
            if ($hollow !== null && $ml !== null && $ml > self::PASS_FILLS_AT_MOST * $hollow) {
                $warnings[] = new Warning('pass_against_hollow', Phrase::of('build.pass_against_hollow', [
                    'pass' => $one->name, 'ml' => Quantity::volume($ml), 'hollow' => Quantity::volume($hollow),
                ]));
            }
        }

        return $warnings;
    }
}

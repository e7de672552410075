<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/** What one would say of a plan over somebody's shoulder: it can be built so, but. */
final readonly class BuildDoubts
{
    /** @return list<Warning> */
    public static function of(BuildPlan $plan): array
    {
        $coats = array_values(
            array_filter(
                $plan->operations,
                static fn (Operation $one): bool => $one->kind === OperationKind::Coat && $one->mixing?->thickness !== null,
            ),
        );
        $wall = array_sum(array_map(static fn (Operation $one): float => (float) $one->mixing?->thickness, $coats));
        $doubts = [];
        foreach ($coats as $coat) {
            if ($coat->mixing?->area === null) {
                $doubts[] = new Warning('no_area', Phrase::of('build.coat_without_area', ['coat' => $coat->name]));
            }
        }
        if ($wall > BrushedMould::PEELS_MM) {
            $doubts[] = new Warning('too_thick', Phrase::of('build.too_thick', [
                'wall' => Quantity::length($wall), 'most' => Quantity::length(BrushedMould::PEELS_MM),
            ]));
        }
        $thickest = array_reduce(
            $coats, static fn (float $most, Operation $one): float => max($most, (float) $one->mixing?->thickness), 0.0,
        );
        if ($thickest > BrushedMould::SAGS_MM) {
            $doubts[] = new Warning('too_thick', Phrase::of('build.sags', [
                'coat' => Quantity::length($thickest), 'most' => Quantity::length(BrushedMould::SAGS_MM),
            ]));
        }
        foreach (array_slice($coats, 1) as $i => $coat) {
            if ($coat->mixing?->tint === $coats[$i]->mixing?->tint && $coat->mixing?->base === $coats[$i]->mixing?->base) {
                $doubts[] = new Warning('one_tint', Phrase::of('build.same_tint', ['one' => $coats[$i]->name, 'other' => $coat->name]));
                break;
            }
        }

        return [...$doubts, ...HeldAgainst::of($plan)];
    }
}

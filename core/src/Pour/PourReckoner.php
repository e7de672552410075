<?php

declare(strict_types=1);

namespace Apalos\Core\Pour;

use Apalos\Core\Casting\Cooling;
use Apalos\Core\Cure\Clock;
use Apalos\Core\Cure\CureModel;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Mix\Limit;
use Apalos\Core\Mix\MixPlanner;
use Apalos\Core\Mix\MixRequest;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Mix\MixTarget;
use Apalos\Core\Mix\Scale;
use Apalos\Core\Mix\Vessel;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;
use Apalos\Core\Volume\VolumeEstimator;
use Apalos\Core\Volume\VolumeRequest;
use Apalos\Core\Volume\VolumeResult;

/**
 * A pour sheet from top to bottom: volume, formula, plan, clock. Each part is answered as far as it can be, and what is
 * wrong in one of them is said there, so that a slip in the volume does not blank the formula.
 */
final readonly class PourReckoner
{
    public function __construct(
        private VolumeEstimator $volumes = new VolumeEstimator,
        private MixPlanner $mixes = new MixPlanner,
        private Clock $clock = new Clock,
    ) {}

    /**
     * @param  Fields  $sheet  `volume`, `target`, `formula`, `plan` as the maker has filled them in so far
     * @param  CureModel|null  $clock  of the base without softener, as the shop has learnt it; null where there is no such base
     * @param  Cooling|null  $cooling  of what is cast hot; null where it cures
     */
    public function reckon(Fields $sheet, Shelf $shelf, Celsius $room, ?CureModel $clock, ?Cooling $cooling = null): PourReckoning
    {
        $errors = [];
        $try = static function (callable $answer) use (&$errors): mixed {
            try {
                return $answer();
            } catch (BadInput $wrong) {
                $errors[] = $wrong;

                return null;
            }
        };

        $byMass = $sheet->objectOrNull('target')?->has('mass_g') === true;
        /** @var VolumeResult|null $volume */
        $volume = $try(
            fn (): ?VolumeResult => $byMass && ! $sheet->has('volume')
                ? null
                : $this->volumes->estimate(VolumeRequest::from($sheet->object('volume'))),
        );
        /** @var Recipe|null $recipe */
        $recipe = $try(static fn (): Recipe => Recipe::from($sheet->object('formula'), $shelf));
        // What is stirred in changes how long it pours: one figure for the plan and for the clock.
        $clock = $recipe === null ? null : $clock?->pouring($recipe->poursLonger());
        /** @var float $cools */
        $cools = $cooling === null ? 1.0 : $try(static fn (): float => $cooling->times(self::thickest($sheet))) ?? 1.0;
        $clock = $clock?->cooling($cools);
        /** @var MixResult|null $mix */
        $mix = $recipe === null || ($volume === null && ! $byMass) ? null
            : $try(fn (): MixResult => $this->mix($sheet, $recipe, $byMass ? null : $volume, $room, $clock));
        $cure = $recipe === null || $clock === null
            ? null
            : $this->clock->tell($clock, $room, $mix === null ? null : $clock->massThatCounts($mix->batchMass()));

        return new PourReckoning(
            $volume, $recipe, $mix, $cure, $errors, $recipe === null || $mix === null ? [] : self::slower($recipe, $mix, $shelf), $cools,
        );
    }

    /** @throws BadInput */
    private static function thickest(Fields $sheet): ?float
    {
        return $sheet->objectOrNull('plan')?->numberOrNull('thickest_mm', Cooling::LEAST_MM, Cooling::MOST_MM);
    }

    /** @return list<string> the quickest first */
    private static function slower(Recipe $recipe, MixResult $mix, Shelf $shelf): array
    {
        if ($mix->cups === null || $mix->potLife === null || $mix->limit !== Limit::PotLife) {
            return [];
        }
        $here = $recipe->base->times['pot_life_min']->min ?? null;
        // As the room makes this one, so it makes another of its chemistry.
        $wanted = $here === null ? INF : $mix->cups->slower->min * $here / $mix->potLife->min;
        $slower = array_filter(
            $shelf->bases,
            static fn (BaseSheet $base): bool => $base->family === $recipe->base->family
                && ($base->times['pot_life_min']->min ?? 0.0) >= $wanted
                && (! $recipe->base->isForSkin() || $base->isForSkin()),
        );
        uasort(
            $slower,
            static fn (BaseSheet $one, BaseSheet $other): int => $one->times['pot_life_min']->min <=> $other->times['pot_life_min']->min,
        );

        return array_values(array_map(static fn (BaseSheet $base): string => $base->name, array_slice($slower, 0, 3)));
    }

    private function mix(Fields $sheet, Recipe $recipe, ?VolumeResult $volume, Celsius $room, ?CureModel $clock): MixResult
    {
        $plan = $sheet->object('plan')->only('scale', 'vessel', 'mix_min', 'degas_min', 'pour_g_per_min', 'thickest_mm');
        $vessel = $plan->objectOrNull('vessel');
        $vessel = $vessel === null ? null : Vessel::from($vessel);
        $degassing = $vessel?->degas === true ? $plan->number('degas_min', 0.0, 600.0) : 0.0;
        $target = $sheet->object('target');
        $wanted = $volume === null
            ? ['mass_g' => $target->positive('mass_g'), 'waste_pct' => $target->number('waste_pct', 0.0, 100.0)]
            : ['volume_ml' => $volume->rubber->likely, 'waste_pct' => $target->number('waste_pct', 0.0, 100.0)];

        return $this->mixes->plan(new MixRequest(
            $recipe->base->forMixing(),
            MixTarget::from(Fields::of($wanted, 'target')),
            $recipe->additives(),
            Scale::from($plan->object('scale')),
            $vessel,
            $room,
            Minutes::of($plan->number('mix_min', 0.0, 600.0)),
            Minutes::of($degassing),
            $plan->positiveOrNull('pour_g_per_min'),
            $clock,
        ));
    }
}

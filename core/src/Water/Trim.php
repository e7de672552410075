<?php

declare(strict_types=1);

namespace Apalos\Core\Water;

use Apalos\Core\Mesh\Direction;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/**
 * Where the ballast goes so that a body hangs as wanted. Under water it turns until its centre of mass lies straight below the centre
 * of what it displaces; the body lies along x and its belly is −z. For an angle the two must stand apart by tan of it.
 */
final class Trim
{
    /** How far below the middle the ballast is laid when nothing is wanted, as a share of the cube root of the volume. */
    private const BELLY = 0.35;

    /** mm. */
    private const ONE_PLACE = 1e-3;

    /**
     * @return array{array{float, float, float}|null, list<array{mass_g: float, at_mm: array{float, float, float}}>|null, list<Warning>}
     */
    public function place(BallastRequest $asked, float $ballast, float $resin): array
    {
        if ($asked->centre === null) {
            return [null, null, []];
        }
        if ($asked->ballastAt !== null) {
            return [$asked->ballastAt, null, []];
        }
        foreach ($asked->hardware as $one) {
            if ($one->at === null && $one->mass > 0.0) {
                return [null, null, [new Warning('hardware_nowhere', Phrase::of('water.hardware_nowhere', ['name' => $one->name]))]];
            }
        }
        [$mass, $moment, $displaced, $lift] = $this->sums($asked, $resin);
        $low = $asked->centre[2] - self::BELLY * (1000.0 * $asked->volume) ** (1.0 / 3.0);
        // The weight of the water the ballast itself displaces goes with it when it hangs outside.
        $ballastMl = $ballast / $asked->ballastSg;
        $all = $mass + $ballast;
        $place = function (float $z) use ($asked, $ballast, $moment, $displaced, $lift, $ballastMl, $all): array {
            $outside = $asked->inside ? 0.0 : $ballastMl;
            $inside = $asked->inside ? $asked->resin->sg * $ballastMl : 0.0;
            // Mass·x over all = lift·x over all + depth·tan(trim), solved for where the ballast lies.
            $solve = static fn (float $m, float $l, float $shift): float => ($l / ($displaced + $outside) * $all + $shift * $all - $m)
                / ($ballast - $inside - $outside / ($displaced + $outside) * $all);
            $gz = ($moment[2] + ($ballast - $inside) * $z) / $all;
            $bz = ($lift[2] + $outside * $z) / ($displaced + $outside);
            $tan = tan(deg2rad($asked->trim ?? 0.0));

            return [$solve($moment[0], $lift[0], ($bz - $gz) * $tan), $solve($moment[1], $lift[1], 0.0), $z, $bz - $gz];
        };
        [$x, $y, $z, $stiff] = $place($low);
        $warnings = [];
        if ($stiff <= 0.0) {
            $warnings[] = new Warning('turns_over', Phrase::of('water.turns_over'));
        }
        $reach = 0.75 * (1000.0 * $asked->volume) ** (1.0 / 3.0) * 2.0;
        if (abs($x - $asked->centre[0]) > $reach) {
            $warnings[] = new Warning('ballast_outside', Phrase::of('water.ballast_outside', [
                'mm' => Quantity::length(abs($x - $asked->centre[0])),
            ]));
        }

        return [[$x, $y, $z], $this->split($asked, $ballast, [$x, $y, $z], $reach), $warnings];
    }

    /**
     * Where all its weight lies.
     *
     * @param  array{float, float, float}|null  $at  of the ballast
     * @return array{float, float, float}|null  null where not all is known
     */
    public function centre(BallastRequest $asked, ?array $at, float $ballast): ?array
    {
        foreach ($asked->hardware as $one) {
            if ($one->at === null && $one->mass > 0.0) {
                return null;
            }
        }
        if ($asked->centre === null) {
            return null;
        }
        $pushed = $asked->inside ? $ballast * (1.0 - $asked->resin->sg / $asked->ballastSg) : $ballast;
        $in = array_sum(array_map(static fn (Hardware $one): float => $one->inside ? $one->volume() : 0.0, $asked->hardware));
        [$mass, $moment] = $this->sums($asked, $asked->resin->sg * ($asked->volume - $in));
        $all = $mass + $pushed;
        $there = $at ?? [0.0, 0.0, 0.0];

        return [
            ($moment[0] + $pushed * $there[0]) / $all, ($moment[1] + $pushed * $there[1]) / $all, ($moment[2] + $pushed * $there[2]) / $all,
        ];
    }

    /**
     * How it hangs under water: which way is up for it, how far its nose hangs below its tail (it lies along x) and how far it leans to the
     * side, in degrees. Null where not all is known, or where weight and lift lie in one place: then it lies any way.
     *
     * @param  array{float, float, float}|null  $at  of the ballast
     * @return array{up: array{float, float, float}, trim_deg: float, lean_deg: float}|null
     */
    public function hangs(BallastRequest $asked, ?array $at, float $ballast): ?array
    {
        $weight = $this->centre($asked, $at, $ballast);
        if ($weight === null) {
            return null;
        }
        [, , $displaced, $lift] = $this->sums($asked, 0.0);
        $outside = $asked->inside ? 0.0 : $ballast / $asked->ballastSg;
        $there = $at ?? [0.0, 0.0, 0.0];
        $way = array_map(
            static fn (int $i): float => ($lift[$i] + $outside * $there[$i]) / ($displaced + $outside) - $weight[$i], [0, 1, 2],
        );
        if (sqrt($way[0] ** 2 + $way[1] ** 2 + $way[2] ** 2) < self::ONE_PLACE) {
            return null;
        }

        return [
            'up' => Direction::of($way[0], $way[1], $way[2])->toArray(), 'trim_deg' => rad2deg(atan2(-$way[0], $way[2])),
            'lean_deg' => rad2deg(atan2($way[1], hypot($way[0], $way[2]))),
        ];
    }

    /**
     * Without the ballast, but with the resin that it pushes out already gone.
     *
     * @return array{float, array{float, float, float}, float, array{float, float, float}} grams, moment in g·mm; ml displaced, and its
     *   moment
     */
    private function sums(BallastRequest $asked, float $resin): array
    {
        $centre = $asked->centre ?? [0.0, 0.0, 0.0];
        $mass = $resin;
        // The resin is the whole body, less what lies inside it.
        $full = $asked->resin->sg * $asked->volume;
        $own = $asked->balance ?? $centre;
        $moment = [$full * $own[0], $full * $own[1], $full * $own[2]];
        $displaced = $asked->volume;
        $lift = [$displaced * $centre[0], $displaced * $centre[1], $displaced * $centre[2]];
        foreach ($asked->hardware as $one) {
            $at = $one->at ?? $centre;
            $mass += $one->mass;
            foreach ([0, 1, 2] as $i) {
                $moment[$i] += ($one->mass - ($one->inside ? $asked->resin->sg * $one->volume() : 0.0)) * $at[$i];
                $lift[$i] += $one->inside ? 0.0 : $one->volume() * $at[$i];
            }
            $displaced += $one->inside ? 0.0 : $one->volume();
        }

        return [$mass, $moment, $displaced, $lift];
    }

    /**
     * In two, fore and aft of where it would lie in one: of all such pairs that keep its centre the one with the least squares, equal
     * halves.
     *
     * @param  array{float, float, float}  $at
     * @return list<array{mass_g: float, at_mm: array{float, float, float}}>
     */
    private function split(BallastRequest $asked, float $ballast, array $at, float $reach): array
    {
        $apart = 0.4 * min($reach, max(2.0, $reach - abs($at[0] - ($asked->centre[0] ?? 0.0))));

        return [
            ['mass_g' => $ballast / 2.0, 'at_mm' => [$at[0] - $apart, $at[1], $at[2]]],
            ['mass_g' => $ballast / 2.0, 'at_mm' => [$at[0] + $apart, $at[1], $at[2]]],
        ];
    }
}

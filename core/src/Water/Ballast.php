<?php

declare(strict_types=1);

namespace Apalos\Core\Water;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/**
 * How heavy the ballast must be. Whole weight = k·ρw·(volume displaced), k = 1 + target/100. What lies inside takes the place of resin;
 * what hangs outside displaces water of its own:
 * inside  m = (k·ρw·(V + V_out) − ρr·(V − V_in) − hardware)/(1 − ρr/ρb);  outside: the last bracket is (1 − k·ρw/ρb).
 * Under water the centre of mass comes to hang below the centre of what is displaced.
 */
final class Ballast
{
    private const G = 9.80665;

    /** Drag of a plump body across its way, of the area of a ball as large: a guess one refines in the tank. */
    private const DRAG = 0.5;

    /** Hollow glass, where one has to float more: g/ml. */
    private const LIGHT_FILLER = 0.17;

    public function reckon(BallastRequest $asked): BallastResult
    {
        $k = 1.0 + $asked->targetPct / 100.0;
        [$in, $out, $hardware] = [0.0, 0.0, 0.0];
        foreach ($asked->hardware as $one) {
            $hardware += $one->mass;
            $one->inside ? $in += $one->volume() : $out += $one->volume();
        }
        $short = $k * $asked->waterSg * ($asked->volume + $out) - $asked->resin->sg * ($asked->volume - $in) - $hardware;
        $ballast = $short / (1.0 - ($asked->inside ? $asked->resin->sg : $k * $asked->waterSg) / $asked->ballastSg);
        $ballastMl = $ballast / $asked->ballastSg;
        $displaced = $asked->volume + $out + ($asked->inside ? 0.0 : $ballastMl);
        $resin = $asked->resin->sg * ($asked->volume - $in - ($asked->inside ? $ballastMl : 0.0));
        $whole = $resin + $hardware + $ballast;
        $warnings = [];
        if ($ballast < 0.0) {
            $warnings[] = self::tooHeavy($asked, $k, $in, $out, $hardware);
        }
        if ($asked->inside && $ballastMl > 0.5 * ($asked->volume - $in)) {
            $warnings[] = new Warning('much_ballast', Phrase::of('water.much_ballast', ['ml' => Quantity::volume($ballastMl)]));
        }
        [$at, $split, $trimWarnings] = $ballast > 0.0 ? (new Trim)->place($asked, $ballast, $resin) : [null, null, []];
        $nowhere = $at === null && $ballast > 0.0;
        [$centre, $hangs] = $nowhere
            ? [null, null]
            : [(new Trim)->centre($asked, $at, max(0.0, $ballast)), (new Trim)->hangs($asked, $at, max(0.0, $ballast))];
        if ($asked->ballastAt !== null && $hangs !== null && $hangs['up'][2] <= 0.0) {
            $trimWarnings[] = new Warning('turns_over', Phrase::of('water.turns_over'));
        }

        return new BallastResult(
            $asked->resin->sg, $ballast, $short, $at, $split, $whole, self::sinks($whole, $displaced, $asked->waterSg),
            [...$warnings, ...$trimWarnings], $centre, $hangs,
        );
    }

    private static function tooHeavy(BallastRequest $asked, float $k, float $in, float $out, float $hardware): Warning
    {
        // So light would the resin have to be for no ballast at all.
        $needed = ($k * $asked->waterSg * ($asked->volume + $out) - $hardware) / ($asked->volume - $in);
        $base = $asked->resin->baseSg ?? $asked->resin->sg;
        $filler = $asked->resin->fillerSg ?? self::LIGHT_FILLER;
        $pct = $needed > 0.0 && $filler < $base ? Resin::fillerFor($needed, $base, $filler) : null;

        return new Warning('floats_less_impossible', $pct === null
            ? Phrase::of('water.too_heavy')
            : Phrase::of('water.too_heavy_filler', ['pct' => $pct, 'filler' => $filler, 'sg' => $needed]));
    }

    /** In mm/s; null for one that floats. */
    private static function sinks(float $whole, float $displacedMl, float $waterSg): ?float
    {
        $heavy = $whole - $waterSg * $displacedMl;
        if ($heavy <= 1e-9) {
            return null;
        }
        $radius = (3.0 * $displacedMl / (4.0 * M_PI)) ** (1.0 / 3.0) / 100.0;

        return 1000.0 * sqrt(2.0 * $heavy / 1000.0 * self::G / (1000.0 * $waterSg * self::DRAG * M_PI * $radius * $radius));
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

use Apalos\Core\Mix\Line;
use Apalos\Core\Mix\Topup;
use Apalos\Core\Mix\TopupRequest;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Grams;

/**
 * Leads through the weigh-up of a series, cup by cup and puck by puck. What was poured stays poured: the other part follows the
 * first, softener follows its share of the cup, and a part too much of is made good with the other.
 */
final readonly class WeighUp
{
    private const TOLERANCE_PCT = 1.0;

    private const PARTS = ['A', 'B'];

    /** @return WeighingResult|null null when everything is in */
    public function next(SeriesResult $plan, Weighed $weighed, Grams $division): ?WeighingResult
    {
        foreach ($plan->vessels() as $vessel => $lines) {
            $next = $this->in($vessel, $lines, $weighed->in($vessel, count($lines)), isset($plan->cups[$vessel]), $division);
            if ($next !== null) {
                return $next;
            }
        }

        return null;
    }

    /**
     * @param  list<Line>  $lines
     * @param  list<?float>  $shown
     */
    private function in(string $vessel, array $lines, array $shown, bool $isCup, Grams $division): ?WeighingResult
    {
        // A part of which nothing is in is still to come, whatever was written down.
        $shown = array_map(
            static fn (Line $line, ?float $g): ?float => $g === 0.0 && $isCup && in_array($line->code, self::PARTS, true) ? null : $g,
            $lines, $shown,
        );
        $open = array_search(null, $shown, true);
        if ($open === false) {
            return $isCup ? $this->rescue($vessel, $lines, $shown, $division) : null;
        }
        $lead = self::lead($lines, $shown, $isCup);
        $k = $lead === null ? 1.0 : $shown[$lead] / $lines[$lead]->grams->g;
        $grams = $lines[$open]->grams->times($k)->toDivision($division);
        $because = abs($grams->g - $lines[$open]->grams->g) < $division->g / 2.0 || $lead === null ? null : Phrase::of('series.follows', [
            'lead' => $lines[$lead]->add, 'was' => Quantity::mass((float) $shown[$lead]), 'planned' => Quantity::mass($lines[$lead]->grams),
            'add' => $lines[$open]->add, 'now' => Quantity::mass($grams), 'then' => Quantity::mass($lines[$open]->grams),
        ]);
        $meets = $isCup && $lead !== null && in_array($lines[$open]->code, self::PARTS, true);

        return self::weighing($vessel, $open, $lines[$open], $grams, $shown, $division, $meets, $because);
    }

    /**
     * The line others are proportioned to: the first part that is in, or the share of a cup in a puck.
     *
     * @param  list<Line>  $lines
     * @param  list<?float>  $shown
     */
    private static function lead(array $lines, array $shown, bool $isCup): ?int
    {
        foreach ($lines as $i => $line) {
            if (
                ($shown[$i] ?? 0.0) > 0.0
                && $line->grams->g > 0.0
                && in_array($line->code, $isCup ? self::PARTS : [SeriesPlanner::PLAIN, SeriesPlanner::FULL], true)
            ) {
                return $i;
            }
        }

        return null;
    }

    /**
     * All is in; if one part is too much for the other, more of the other is added. What else is in the cup is not raised: how
     * much of it there is stands on the labels.
     *
     * @param  list<Line>  $lines
     * @param  list<?float>  $shown
     */
    private function rescue(string $vessel, array $lines, array $shown, Grams $division): ?WeighingResult
    {
        $at = array_filter(
            array_flip(array_map(static fn (Line $line): string => $line->code, $lines)),
            static fn (string $name): bool => in_array($name, self::PARTS, true), ARRAY_FILTER_USE_KEY,
        );
        if (count($at) < 2) {
            return null;
        }
        $poured = array_map(static fn (int $i): Grams => Grams::of($shown[$i] ?? 0.0), $at);
        // Against the part there is least of: a cup that holds a little more or less of both is no cup to rescue.
        $least = min(array_map(static fn (int $i): float => ($shown[$i] ?? 0.0) / max(1e-9, $lines[$i]->grams->g), $at));
        $planned = array_map(static fn (int $i): Grams => $lines[$i]->grams->times($least), $at);
        $rescue = (new Topup)->rescue(new TopupRequest($planned, $poured, null, null, $division, self::TOLERANCE_PCT));
        if (! $rescue->needed) {
            return null;
        }
        $short = $rescue->lines[0];
        $over = $short->code === 'A' ? 'B' : 'A';

        return self::weighing(
            $vessel, $at[$short->code], $short, $short->grams, $shown, $division, false,
            Phrase::of('series.make_good', ['over' => $over, 'short' => $short->add, 'grams' => Quantity::mass($short->grams)]),
        );
    }

    /** @param  list<?float>  $shown */
    private static function weighing(
        string $vessel,
        int $line,
        Line $what,
        Grams $grams,
        array $shown,
        Grams $division,
        bool $meets,
        ?Phrase $because,
    ): WeighingResult {
        $before = Grams::of(array_sum($shown))->toDivision($division)->g;
        $running = Grams::of($before + $grams->g)->toDivision($division)->g;
        $slack = max($grams->g * self::TOLERANCE_PCT / 100.0, $division->g);

        return new WeighingResult(
            $vessel, $line, $what->code, $what->add, $grams->g, $before, $running, max($before, $running - $slack), $running + $slack,
            array_filter($shown, static fn (?float $g): bool => $g !== null) === [], $meets, $because,
        );
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

/**
 * What follows if the line at hand of a cup is over-poured, for whoever has to know it where nothing can be reckoned: between which readings
 * of the display the same holds, which ingredient the rest is raised to, and which lines are then added to. There
 * k = in[over] ÷ planned[over], and each line is k · planned − in, rounded to the scale; {@see \Apalos\Core\Mix\Topup}.
 *
 * Only what needs no word of warning stands in it: a cup that would be too small, or a rescue so large that one asks whether it is worth it,
 * is asked of whoever can reckon.
 *
 * @phpstan-type OverPourShape array{from_g: float, to_g: float, over: string, lines: list<string>, in: array<string, float>, least: float}
 */
final readonly class OverPour
{
    /** Raised by more than this it is asked about. */
    private const MOST_OF_LINE = 0.25;

    /** Between what is good and what is certainly over: an over-pour of less than this is read as none. */
    private const CRUMB_G = 1e-6;

    /** So often is a stretch in which not the same holds cut in half. */
    private const MOST_CUTS = 14;

    /**
     * @param  string  $over  the ingredient all else is raised to
     * @param  list<string>  $lines  what is still to add then, in order; none where nothing follows from it
     * @param  array<string, float>  $in  grams that count as being in, by code, but for what is over
     * @param  float  $least  the smallest share of any ingredient, of what was planned for it, 1 or more
     */
    private function __construct(public float $from, public float $to, public string $over, public array $lines, public array $in, public float $least) {}

    /** @return list<self> by reading of the display, grams; what lies in none of them is not known here */
    public static function of(MixingCup $cup): array
    {
        $line = $cup->current();
        if ($line === null) {
            return [];
        }
        $from = $line['to'] + self::CRUMB_G;

        return self::stretches($cup, $from, $line['running'] + max($line['grams'], $line['to'] - $line['running']) * (1.0 + self::MOST_OF_LINE), self::MOST_CUTS);
    }

    /** @return list<self> */
    private static function stretches(MixingCup $cup, float $from, float $to, int $cuts): array
    {
        $middle = ($from + $to) / 2.0;
        $found = array_map(static fn (float $reading): ?self => self::at($cup, $reading), [$from, $middle, $to]);
        if ($found[0] === null && $found[1] === null && $found[2] === null) {
            return [];
        }
        if ($found[0]?->like($found[1]) === true && $found[0]->like($found[2])) {
            return [new self($from, $to, $found[0]->over, $found[0]->lines, $found[0]->in, $found[0]->least)];
        }
        if ($cuts === 0) {
            return [];
        }
        [$low, $high] = [self::stretches($cup, $from, $middle, $cuts - 1), self::stretches($cup, $middle, $to, $cuts - 1)];
        [$last, $first] = [$low[count($low) - 1] ?? null, $high[0] ?? null];

        return $last?->like($first) === true && $first !== null && $last->to === $first->from
            ? [...array_slice($low, 0, -1), new self($last->from, $first->to, $last->over, $last->lines, $last->in, $last->least), ...array_slice($high, 1)]
            : [...$low, ...$high];
    }

    private static function at(MixingCup $cup, float $reading): ?self
    {
        $line = $cup->current()['add'] ?? '';
        $over = $cup->weighed($reading, 0.0);
        $rescue = $over->rescue();
        if (! $over->overPoured || $rescue->warnings !== [] || $over->inTwoCups($rescue) !== null) {
            return null;
        }
        $in = $over->withoutSlack();
        if (! $rescue->needed) {
            return new self($reading, $reading, $line, [], array_diff_key($in, [$line => 0]), 1.0);
        }
        $shares = [];
        foreach ($over->planned as $code => $planned) {
            if ($planned > 0.0) {
                $shares[(string) $code] = max($planned, $in[$code] ?? 0.0) / $planned;
            }
        }
        if ($shares === []) {
            return null;
        }
        $most = (string) array_search(max($shares), $shares, true);

        // What is over from before, or something else beside it, is asked of whoever can reckon.
        return $most !== $line ? null : new self($reading, $reading, $most, array_map(static fn (object $one): string => $one->code, $rescue->lines), array_diff_key($in, [$most => 0]), min($shares));
    }

    private function like(?self $other): bool
    {
        return $other !== null && [$this->over, $this->lines, $this->in, $this->least] === [$other->over, $other->lines, $other->in, $other->least];
    }

    /** @return OverPourShape */
    public function toArray(): array
    {
        return ['from_g' => $this->from, 'to_g' => $this->to, 'over' => $this->over, 'lines' => $this->lines, 'in' => $this->in, 'least' => $this->least];
    }
}

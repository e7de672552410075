<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

/**
 * What follows if the line at hand of a cup is over-poured, for whoever has to know it where nothing can be reckoned: between which
 * readings of the display the same holds, which ingredient the rest is raised to, and which lines are then added to. There k = in[over] ÷
 * planned[over], and each line is k · planned − in, rounded to the scale; {@see \Apalos\Core\Mix\Topup}.
 *
 * Only what needs no word of warning stands in it: a cup that would be too small, or a rescue so large that one asks whether it is worth
 * it, is asked of whoever can reckon.
 *
 * @phpstan-type OverPourShape array{from_g: float, to_g: float, over: string, lines: list<string>, in: array<string, float>, least: float}
 */
final readonly class OverPour
{
    /** Raised by more than this it is asked about. */
    private const MOST_OF_LINE = 0.25;

    /** Between what is good and what is certainly over: an over-pour of less than this is read as none. */
    private const CRUMB_G = 1e-6;

    /** So often is a stretch in which not the same holds cut in half: to the thousandth of what is looked at. */
    private const MOST_CUTS = 12;

    /**
     * @param  string  $over  the ingredient all else is raised to
     * @param  list<string>  $lines  what is still to add then, in order; none where nothing follows from it
     * @param  array<string, float>  $in  grams that count as being in, by code, but for what is over
     * @param  float  $least  the smallest share of any ingredient, of what was planned for it, 1 or more
     */
    private function __construct(
        public float $from,
        public float $to,
        public string $over,
        public array $lines,
        public array $in,
        public float $least,
    ) {}

    /** @return list<self> by reading of the display, grams; what lies in none of them is not known here */
    public static function of(MixingCup $cup): array
    {
        $line = $cup->current();
        if ($line === null) {
            return [];
        }
        $from = $line['to'] + self::CRUMB_G;

        $to = $line['running'] + max($line['grams'], $line['to'] - $line['running']) * self::MOST_OF_LINE * 2.0;

        return self::stretches($cup, [$from, self::at($cup, $from)], [$to, self::at($cup, $to)], self::MOST_CUTS);
    }

    /**
     * More of a line never takes back what less of it began: what holds at both ends of half a stretch holds in all of it.
     *
     * @param  array{float, self|null}  $low  a reading, and what follows there
     * @param  array{float, self|null}  $high
     * @return list<self>
     */
    private static function stretches(MixingCup $cup, array $low, array $high, int $cuts): array
    {
        $middle = ($low[0] + $high[0]) / 2.0;
        $found = [];
        foreach ([[$low, $half = [$middle, self::at($cup, $middle)]], [$half, $high]] as [$from, $to]) {
            $alike = self::like($from[1], $to[1]);
            $some = match (true) {
                $alike && $from[1] === null => [],
                $alike => [new self($from[0], $to[0], $from[1]->over, $from[1]->lines, $from[1]->in, $from[1]->least)],
                $cuts === 0 => [],
                default => self::stretches($cup, $from, $to, $cuts - 1),
            };
            $last = $found[count($found) - 1] ?? null;
            if ($last !== null && $some !== [] && $last->to === $some[0]->from && self::like($last, $some[0])) {
                $some[0] = new self($last->from, $some[0]->to, $last->over, $last->lines, $last->in, $last->least);
                array_pop($found);
            }
            $found = [...$found, ...$some];
        }

        return $found;
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
        return $most !== $line
            ? null
            : new self(
                $reading, $reading, $most, array_map(static fn (object $one): string => $one->code, $rescue->lines),
                array_diff_key($in, [$most => 0]), min($shares),
            );
    }

    private static function like(?self $one, ?self $other): bool
    {
        return $one === null || $other === null
            ? $one === $other
            : [$one->over, $one->lines, $one->in, $one->least] === [$other->over, $other->lines, $other->in, $other->least];
    }

    /** @return OverPourShape */
    public function toArray(): array
    {
        return [
            'from_g' => $this->from, 'to_g' => $this->to, 'over' => $this->over, 'lines' => $this->lines, 'in' => $this->in,
            'least' => $this->least,
        ];
    }
}

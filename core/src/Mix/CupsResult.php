<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;
use Apalos\Core\Units\Minutes;

/**
 * Several cups as one pour, all of it weighed ahead but the meeting. Of m minutes of mixing, d in the chamber and p of pouring, one pair of
 * hands mixes the next cup while the last one is in the chamber, where that leaves it time (d ≥ m); two pairs mix and pour side by side. A
 * cup then follows the last after c₁ = d ≥ m ? max(d, m + p) : m + d + p, or c₂ = max(m, d, p), and from the first meeting to the last
 * drop n cups take m + d + p + (n − 1)·c minutes; where one pair mixes on meanwhile, the second follows the first after d alone. Between
 * the meeting of one cup and the first drop of the next lie m + d + c at most.
 *
 * @phpstan-type CupsShape array{
 *     count: int, total_min: float, hands: int|null, gap_min: float, joins: 'wet'|'tacky'|'set', all_in_ml: float, slower_min: float,
 *     ahead: list<string>,
 * }
 */
final readonly class CupsResult
{
    /** @param  list<string>  $ahead  codes of what is weighed into each cup before the first of them meets */
    private function __construct(
        public int $count,
        /** From the first meeting to the last drop, with as many hands as it needs, or two where no number does. */
        public Minutes $total,
        /** Pairs of hands it needs to be through before the first cup is too thick; null where two are not enough. */
        public ?int $hands,
        /** From the meeting of one cup to the first drop of the next. */
        public Minutes $gap,
        public Join $joins,
        /** What a cup must hold that takes all of it at once. */
        public Millilitres $allIn,
        /** The pot life of a base with which one cup of it all would be poured in time. */
        public Minutes $slower,
        public array $ahead,
        private Minutes $potLife,
    ) {}

    /** Null for one cup, and where nobody says how long it pours or how fast. */
    public static function of(MixRequest $request, MixResult $result): ?self
    {
        $count = count($result->batches);
        $rate = $request->pourGramsPerMinute;
        if ($count < 2 || $rate === null || $result->potLife === null) {
            return null;
        }
        [$mix, $air, $pour] = [$request->mixing->min, $request->degassing->min, $result->batchMass()->g / $rate];
        $after = [1 => $air >= $mix ? max($air, $mix + $pour) : $mix + $air + $pour, 2 => max($mix, $air, $pour)];
        $first = [1 => $air >= $mix ? $air : $after[1], 2 => $after[2]];
        $total = array_map(
            static fn (float $cycle, float $second): float => $mix + $air + $pour + $second + ($count - 2) * $cycle, $after, $first,
        );
        $total = [1 => $total[0], 2 => $total[1]];
        $inTime = BatchLimit::pourable($result->potLife)->min;
        $hands = match (true) {
            $total[1] <= $inTime => 1,
            $total[2] <= $inTime => 2,
            default => null,
        };
        $gap = Minutes::of($mix + $air + $after[$hands ?? 2]);
        $vessel = $request->vessel;

        return new self(
            $count, Minutes::of($total[$hands ?? 2]), $hands, $gap, self::joined($request, $result, $gap),
            $result->volume->times($vessel === null ? 1.0 : $vessel->capacity->ml / $vessel->takes()->ml),
            BatchLimit::potLifeFor(Minutes::of($mix + $air + $result->mass->g / $rate)),
            self::ahead($request, $result), $result->potLife,
        );
    }

    private static function joined(MixRequest $request, MixResult $result, Minutes $gap): Join
    {
        $lasts = static fn (Milestone $milestone): ?float => $request->clock?->band(
            $milestone, $request->room, $request->clock->massThatCounts($result->batchMass()),
        )?->likely->min;

        return match (true) {
            $gap->min <= ($result->potLife->min ?? 0.0) => Join::Wet,
            $gap->min <= ($lasts(Milestone::RecoatClose) ?? 0.0) => Join::Tacky,
            default => Join::Set,
        };
    }

    /** @return list<string> */
    private static function ahead(MixRequest $request, MixResult $result): array
    {
        $codes = array_map(static fn (Line $line): string => $line->code, $result->batches[0]->lines);
        $second = array_search($request->base->pourBFirst ? 'A' : 'B', $codes, true);

        return $request->base->ratio->isOnePart() || $second === false ? [] : array_slice($codes, 0, $second);
    }

    public function warning(MixResult $result): ?Warning
    {
        if ($this->hands === 1 && $this->joins === Join::Wet) {
            return null;
        }
        $values = [
            'count' => $this->count, 'total' => Quantity::duration($this->total), 'pot' => Quantity::duration($this->potLife),
            'gap' => Quantity::duration($this->gap),
            'all_in' => Quantity::volume($this->allIn), 'slower' => Quantity::duration($this->slower),
            'mass' => Quantity::mass(Grams::of($result->mass->g)),
        ];
        $says = match (true) {
            $this->joins === Join::Set => 'mix.cups_set_between',
            $this->hands === 2 => 'mix.cups_want_two',
            default => 'mix.cups_take_too_long',
        };

        return new Warning('cups_in_time', Phrase::of($says, [
            ...$values, 'help' => Phrase::of($result->limit === Limit::PotLife ? 'mix.cups_slower' : 'mix.cups_bigger', $values),
        ]));
    }

    /** @return CupsShape */
    public function toArray(): array
    {
        return [
            'count' => $this->count, 'total_min' => $this->total->min, 'hands' => $this->hands, 'gap_min' => $this->gap->min,
            'joins' => $this->joins->value,
            'all_in_ml' => $this->allIn->ml, 'slower_min' => $this->slower->min, 'ahead' => $this->ahead,
        ];
    }
}

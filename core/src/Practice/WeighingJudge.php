<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Fault\FaultBook;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Run\RunFactKind;

/** How it was weighed: the ratio that is really in each cup, over-pours, lids, and a scale that was not to be believed. */
final readonly class WeighingJudge
{
    /** Off its ratio by so much of what a chemistry bears, nobody would know it. */
    private const NEAR = 0.4;

    /** Where nobody says what a chemistry bears, per cent. */
    private const BEARS_PCT = 3.0;

    public function __construct(private FaultBook $book) {}

    public function judge(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        foreach ($run->state()->cups as $batch => $cup) {
            $cup->metAt === null || $this->ratio($run, $truth, $batch, $found);
        }
        $this->overPours($run, $found);
        $this->lids($run, $truth, $found);
        $this->scale($run, $truth, $found);
        $this->tubes($run, $truth, $found);
    }

    /** How far B is from its measure of A, in per cent; null where there are not two parts. */
    private static function off(PracticedRun $run, Truth $truth, int $batch): ?float
    {
        [$in, $planned] = [$run->inCup($batch, $truth), $run->plan->batches[$batch - 1] ?? []];
        [$a, $b, $pa, $pb] = [$in['A'] ?? 0.0, $in['B'] ?? 0.0, $planned['A'] ?? 0.0, $planned['B'] ?? 0.0];
        if ($pa <= 0.0 || $pb <= 0.0 || $a + $b <= 0.0) {
            return null;
        }

        return $a <= 0.0 || $b <= 0.0 ? 1000.0 : 100.0 * abs(($b / $a) / ($pb / $pa) - 1.0);
    }

    private function ratio(PracticedRun $run, Truth $truth, int $batch, FoundSoFar $found): void
    {
        $off = self::off($run, $truth, $batch);
        if ($off === null) {
            return;
        }
        $bears = $this->book->ratioBears[$run->family] ?? self::BEARS_PCT;
        $last = self::lastWeighed($run, $batch);
        $found->worst('ratio_error_pct', min(1000.0, $off));
        $say = static fn (string $code, bool $good): Finding => new Finding(
            $code, Skill::Weighing, $good, $run->of, $run->at($last->at ?? 0.0), $last?->id,
            ['off' => $off, 'bears' => $bears, 'cup' => $batch],
        );
        match (true) {
            $off >= 1000.0 => $found->add($say('one_part_alone', false), 'never-set'),
            $off > $bears => $found->add($say('off_ratio', false), 'sticky', 'soft-spots'),
            $off > self::NEAR * $bears => $found->add($say('ratio_near', true)),
            default => $found->add($say('ratio_kept', true)),
        };
        $off > $bears && $found->where ??= 'all';
    }

    /** @return Fact<RunFactKind>|null what decided over the parts of a cup */
    private static function lastWeighed(PracticedRun $run, int $batch): ?Fact
    {
        $of = array_filter($run->facts, static fn (Fact $fact, int $i): bool => in_array(
            $fact->kind, [RunFactKind::Weighed, RunFactKind::Kept, RunFactKind::Rescued], true,
        ) && $run->before($i)->step->batch === $batch
            && (
                $fact->kind !== RunFactKind::Weighed || in_array($run->before($i)->cup()->current()['add'] ?? '', ['A', 'B'], true)
            ), ARRAY_FILTER_USE_BOTH);

        return end($of) ?: null;
    }

    private function overPours(PracticedRun $run, FoundSoFar $found): void
    {
        foreach ($run->told(RunFactKind::Rescued) as $i => $fact) {
            $extra = $run->before($i)->cup()->rescue()->extra->g;
            $found->add(
                new Finding(
                    'rescued', Skill::Weighing, true, $run->of, $run->at($fact->at), $fact->id, ['extra' => Quantity::mass($extra)], $extra,
                ),
            );
        }
        foreach ($run->told(RunFactKind::Kept) as $i => $fact) {
            $off = $run->before($i)->cup()->rescue()->ratioErrorIfIgnoredPct;
            $small = $off <= self::NEAR * ($this->book->ratioBears[$run->family] ?? self::BEARS_PCT);
            $found->add(
                new Finding(
                    $small ? 'kept_small' : 'kept_over', Skill::Weighing, $small, $run->of, $run->at($fact->at), $fact->id, ['off' => $off],
                ),
            );
        }
    }

    private function lids(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        foreach (array_filter($truth->lids, static fn (array $one): bool => $one['of'] === $run->of) as $lid) {
            $found->add(
                new Finding(
                    $lid['poured'] ? 'wrong_lid' : 'read_lid', Skill::Watchfulness, ! $lid['poured'], $run->of, $lid['at_min'],
                    self::next($run, $lid['at_min'])?->id,
                ),
            );
        }
    }

    private function scale(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        foreach ([
            'silent' => ['weighed_blind', 'waited_for_scale'], 'leans' => ['weighed_leaning', 'saw_leaning'],
        ] as $what => [$bad, $good]) {
            foreach ($truth->spans($what, $run->of) as $span) {
                $blind = self::weighedWithin($run, $span['from_min'], $span['to_min'] ?? INF);
                $found->add(
                    new Finding(
                        $blind === null ? $good : $bad, Skill::Watchfulness, $blind === null, $run->of, $span['from_min'],
                        ($blind ?? self::next($run, $span['from_min']))?->id, ['by' => Quantity::mass($span['by'])],
                    ),
                );
            }
        }
    }

    private function tubes(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        foreach ($truth->spans('tube', $run->of) as $span) {
            $short = self::weighedWithin($run, $span['from_min'], $span['to_min'] ?? INF);
            $finding = static fn (string $code, bool $isGood): Finding => new Finding(
                $code, Skill::Watchfulness, $isGood, $run->of, $span['from_min'], ($short ?? self::next($run, $span['from_min']))?->id,
                ['meant' => Quantity::mass($span['by'])],
            );
            $short === null ? $found->add($finding('fetched_tube', true)) : $found->add($finding('left_short', false), 'colour-off');
            $short === null || $found->facts['pigment_weighed'] = false;
        }
    }

    /** @return Fact<RunFactKind>|null the first weighing between two minutes of the practice */
    private static function weighedWithin(PracticedRun $run, float $from, float $to): ?Fact
    {
        foreach ($run->told(RunFactKind::Weighed) as $fact) {
            if ($run->at($fact->at) > $from && $run->at($fact->at) < $to) {
                return $fact;
            }
        }

        return null;
    }

    /** @return Fact<RunFactKind>|null the first thing told from a minute of the practice on */
    private static function next(PracticedRun $run, float $from): ?Fact
    {
        foreach ($run->facts as $fact) {
            if ($run->at($fact->at) >= $from) {
                return $fact;
            }
        }

        return null;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Cost\Money;
use Apalos\Core\Fault\FaultBook;
use Apalos\Core\Fault\FaultFinder;
use Apalos\Core\Fault\FaultRequest;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/**
 * What a practice came to: how it was really weighed, mixed, timed and laid, each with the moment that decided it, what it lost, and what
 * the cast would have been.
 */
final readonly class Debrief
{
    private const MOST_RUNS = 30;

    /** What makes a cast waste; all else leaves it usable. */
    private const SPOILS = ['scorched', 'never-set', 'sticky', 'fused', 'delaminated', 'short-fill', 'tear'];

    private const CAUSES = 3;

    /** What is no fault of the rubber: gives less than so many grams away, and nobody speaks of it. */
    private const CRUMBS_G = 0.05;

    public function __construct(private FaultBook $faults) {}

    /**
     * @param  Fields  $in  `scenario`, `truth`, `runs`, `build`, `ended_min`
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function ask(Fields $in): array
    {
        $in->only('scenario', 'truth', 'runs', 'build', 'ended_min');
        $scenario = Scenario::from($in->object('scenario'));
        $truth = Truth::from($in->object('truth'));
        $runs = $in->has('runs') ? array_map(PracticedRun::from(...), $in->objects('runs', self::MOST_RUNS)) : [];
        $build = ($of = $in->objectOrNull('build')) === null ? null : PracticedBuild::from($of, $runs, $truth);
        if ($runs === [] && $build === null) {
            throw BadInput::at($in->at('runs'), Phrase::of('practice.nothing_done'));
        }

        return $this->of($scenario, $truth, $runs, $build, $in->number('ended_min'));
    }

    /**
     * @param  list<PracticedRun>  $runs
     * @return array<string, mixed>
     */
    private function of(Scenario $scenario, Truth $truth, array $runs, ?PracticedBuild $build, float $ended): array
    {
        $found = new FoundSoFar;
        foreach ($runs as $run) {
            (new GroundJudge)->judge($run, $truth, $found);
            (new WeighingJudge($this->faults))->judge($run, $truth, $found);
            (new TimeJudge)->judge($run, $scenario, $truth, $found);
            (new HeatJudge)->judge($run, $scenario, $truth, $found);
            $this->knows($run, $truth, $found);
        }
        $build === null || (new BuildJudge)->judge($build, $runs, $truth, $ended, $found);
        $poured = array_filter($runs, static fn (PracticedRun $run): bool => $run->state()->filledAt !== []);
        $seen = $poured === [] ? [] : array_keys($found->seen);
        $would = match (true) {
            $poured === [] => 'nothing',
            array_intersect($seen, self::SPOILS) !== [] => 'spoilt',
            $seen !== [] => 'usable',
            default => 'good',
        };
        $all = array_sum(array_map(static fn (PracticedRun $run): float => $run->state()->weighedGrams(), $poured));
        // What went into a cast that is no good is lost whole, whatever else was.
        $lost = $would === 'spoilt' ? max($all, array_sum($found->lost)) : min(max($all, array_sum($found->lost)), array_sum($found->lost));
        usort(
            $found->all, static fn (Finding $one, Finding $other): int => [$one->at, $one->fact ?? 0] <=> [$other->at, $other->fact ?? 0],
        );

        return [
            'would' => $would,
            'seen' => array_map(fn (string $id): string => $id, $seen),
            'causes' => $this->causes($seen, $found),
            'findings' => array_map(static fn (Finding $one): array => $one->toArray($scenario), $found->all),
            'waste' => [
                'grams' => $lost < self::CRUMBS_G ? 0.0 : round($lost, 1),
                'money' => $lost < self::CRUMBS_G ? Money::none()->toString() : $scenario->price($lost)->toString(),
            ],
            'skills' => self::skills($found->all),
            'warnings' => Warning::all($poured === [] ? [new Warning('nothing_poured', Phrase::of('practice.nothing_poured'))] : []),
        ];
    }

    /** What the faults ask of a pour. */
    private function knows(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        $met = $run->state()->lastMetAt();
        if ($met === null) {
            return;
        }
        $found->facts['ref_c'] = $run->sheet->reference->degrees;
        foreach ($truth->room as $one) {
            if ($one['from_min'] <= $run->at($met)) {
                $found->facts['room_c'] = $one['c'];
            }
        }
        $found->worst('batch_g', max([
            0.0, ...array_map(static fn (int $batch): float => array_sum($run->inCup($batch, $truth)), array_keys($run->state()->cups)),
        ]));
        in_array($run->family, $this->faults->families, true) && $found->facts['family'] = $run->family;
    }

    /**
     * @param  list<string>  $seen
     * @return list<array{id: string, name: string, share: float, next: Phrase}>
     */
    private function causes(array $seen, FoundSoFar $found): array
    {
        $known = array_values(array_intersect($seen, $this->faults->symptoms));
        if ($known === []) {
            return [];
        }
        $request = FaultRequest::from(
            Fields::of(['seen' => $known, ...($found->where === null ? [] : ['where' => $found->where]), 'facts' => $found->facts]),
            $this->faults,
        );

        return array_map(
            static fn (array $cause): array => [
                'id' => $cause['id'], 'name' => $cause['name'], 'share' => round($cause['share'], 4), 'next' => $cause['next'],
            ],
            array_slice((new FaultFinder($this->faults))->find($request)->causes, 0, self::CAUSES),
        );
    }

    /**
     * @param  list<Finding>  $findings
     * @return array<string, array{good: int, bad: int}>
     */
    private static function skills(array $findings): array
    {
        $skills = [];
        foreach ($findings as $one) {
            $skills[$one->skill->value] ??= ['good' => 0, 'bad' => 0];
            $skills[$one->skill->value][$one->good ? 'good' : 'bad']++;
        }

        return $skills;
    }
}

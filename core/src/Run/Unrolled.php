<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

use Apalos\Core\Facts\Fact;

/**
 * A run from where it stands to its end, as it goes if every step is confirmed and every line weighed as planned: so that it can be walked
 * where nothing can be reckoned. Several lines of a cup are one step of it, which ends when so many are left.
 *
 * @phpstan-import-type OverPourShape from OverPour
 *
 * @phpstan-type UnrolledStepShape array{kind: string, batch: int, left: int}
 * @phpstan-type UnrolledCupShape array{
 *     batch: int, planned: array<string, float>, poured: array<string, float>, weighings: int, display_g: float, k: float,
 *     met_min: float|null,
 *     queue: list<array{add: string, grams: float, over: list<OverPourShape>}>
 * }
 */
final readonly class Unrolled
{
    /** Steps of a run; three hundred cups of a few lines are fewer. */
    private const MOST_STEPS = 6_000;

    private const ENDS = [StepKind::Wait, StepKind::Grade, StepKind::Done, StepKind::GivenUp];

    /**
     * @param  list<UnrolledStepShape>  $steps  from the one at hand
     * @param  list<UnrolledCupShape>  $cups
     */
    private function __construct(public array $steps, public array $cups) {}

    /** @param  int  $near  of so many lines ahead it is known what follows an over-pour */
    public static function of(RunState $state, int $near): self
    {
        $steps = [];
        [$over, $lines] = [[], 0];
        $now = $state->step->kind === StepKind::Rescue ? $state->after(self::fact($state, RunFactKind::Kept)) : $state;
        for ($i = 0; $i < self::MOST_STEPS && ! in_array($now->step->kind, self::ENDS, true); $i++) {
            $step = $now->step;
            $next = self::expected($now);
            if ($step->kind === StepKind::Weigh) {
                $over[$step->batch][] = $lines++ < $near
                    ? array_map(static fn (OverPour $one): array => $one->toArray(), OverPour::of($now->cup()))
                    : [];
                if ($next->step->kind === StepKind::Weigh && $next->step->batch === $step->batch) {
                    $now = $next;

                    continue;
                }
            }
            if ($next->step->key() === $step->key()) {
                break;
            }
            $steps[] = [
                'kind' => $step->kind->value, 'batch' => $step->batch,
                'left' => $step->kind === StepKind::Weigh ? count($next->cups[$step->batch]->queue) : 0,
            ];
            $now = $next;
        }
        foreach ($now->plan->endsLaid ? [StepKind::Done] : [StepKind::Wait, StepKind::Grade, StepKind::Done] as $end) {
            $steps[] = ['kind' => $end->value, 'batch' => 0, 'left' => 0];
        }

        return new self($steps, self::cups($state, $over));
    }

    /** Where it stands once what is at hand is done as planned. */
    private static function expected(RunState $state): RunState
    {
        if ($state->step->kind === StepKind::Weigh) {
            $line = $state->cup()->current();

            return $line === null ? $state : $state->after(self::fact($state, RunFactKind::Weighed, ['reading_g' => $line['running']]));
        }
        foreach ($state->step->kind === StepKind::Contacts ? $state->unchecked() : [] as $item) {
            $state = $state->after(self::fact($state, RunFactKind::Checked, ['item' => $item]));
        }

        return $state->after(self::fact($state, RunFactKind::Confirmed));
    }

    /**
     * @param  array<string, mixed>  $more
     * @return Fact<RunFactKind>
     */
    private static function fact(RunState $state, RunFactKind $kind, array $more = []): Fact
    {
        return new Fact(0, $kind, $state->since, ['step' => $state->step->key(), ...$more]);
    }

    /**
     * @param  array<int, list<list<OverPourShape>>>  $over  by batch, line after line
     * @return list<UnrolledCupShape>
     */
    private static function cups(RunState $state, array $over): array
    {
        $cups = [];
        foreach (array_keys($state->plan->batches) as $i) {
            $cup = $state->cups[$i + 1] ?? MixingCup::empty($state->plan, $i + 1);
            $cups[] = [
                'batch' => $i + 1, 'planned' => $cup->planned, 'poured' => $cup->poured, 'weighings' => count($cup->weighings),
                'display_g' => $cup->display, 'k' => $cup->k, 'met_min' => $cup->metAt,
                'queue' => array_map(
                    static fn (array $line, int $n): array => [...$line, 'over' => $over[$i + 1][$n] ?? []], $cup->queue,
                    array_keys($cup->queue),
                ),
            ];
        }

        return $cups;
    }
}

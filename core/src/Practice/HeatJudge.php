<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Casting\Heat;
use Apalos\Core\Facts\Fact;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\StepKind;

/** How it was heated: as warm as it must be and never over it, read with the thermometer, and poured before it was too cool. */
final readonly class HeatJudge
{
    /** A reading is written down to so many degrees. */
    private const READ_C = 6.0;

    /** It runs thick at so many degrees below where it is ready. */
    private const THICK_C = 15.0;

    public function judge(PracticedRun $run, Scenario $scenario, Truth $truth, FoundSoFar $found): void
    {
        $heat = $run->plan->heat;
        if ($heat === null) {
            return;
        }
        foreach ($run->state()->cups as $batch => $cup) {
            if ($cup->metAt === null) {
                continue;
            }
            $pot = SimulatedPot::from($truth->pots[$run->of][$batch] ?? [], $scenario->roomC, $scenario->plate());
            $off = self::told($run, $batch, RunFactKind::Confirmed, StepKind::Heat);
            $this->warm($run, $heat, $batch, $pot, $run->at($cup->metAt), end($off) ?: null, $found);
            $this->readings($run, $batch, $pot, end($off) ?: null, $found);
            $this->poured($run, $heat, $batch, $pot, $found);
        }
    }

    /** @param  Fact<RunFactKind>|null  $off */
    private function warm(
        PracticedRun $run, Heat $heat, int $batch, SimulatedPot $pot, float $offAt, ?Fact $off, FoundSoFar $found,
    ): void {
        [$most, $c] = [$pot->most(60.0 * $offAt), $pot->celsius(60.0 * $offAt)];
        $found->worst('vinyl_c', $most, $most < $heat->from->degrees);
        $isOver = $most > $heat->over->degrees;
        $isBelow = ! $isOver && $most < $heat->from->degrees;
        $code = $isOver ? 'heat_scorched' : ($isBelow ? 'heat_too_cool' : 'heat_right');
        $found->add(
            new Finding($code, Skill::Heat, ! $isOver && ! $isBelow, $run->of, $offAt, $off?->id, [
                'most' => Quantity::temperature($most), 'over' => Quantity::temperature($heat->over->degrees),
                'from' => Quantity::temperature($heat->from->degrees), 'c' => Quantity::temperature($c), 'cup' => $batch,
            ]),
            ...match (true) {
                $isOver => ['scorched'],
                $isBelow => ['tear', 'bloom'],
                default => [],
            },
        );
        $isOver || $isBelow ? $found->where ??= 'all' : null;
    }

    /** @param  Fact<RunFactKind>|null  $off */
    private function readings(PracticedRun $run, int $batch, SimulatedPot $pot, ?Fact $off, FoundSoFar $found): void
    {
        $read = array_filter(
            $run->told(RunFactKind::Heated),
            static fn (Fact $fact, int $i): bool => max(1, $run->before($i)->step->batch) === $batch,
            ARRAY_FILTER_USE_BOTH,
        );
        $say = static fn (string $code, bool $good, ?Fact $of, float $told = 0.0, float $was = 0.0): Finding => new Finding(
            $code, Skill::Watchfulness, $good, $run->of, $run->at($of->at ?? 0.0), $of?->id,
            ['times' => count($read), 'told' => Quantity::temperature($told), 'was' => Quantity::temperature($was)],
        );
        if ($read === []) {
            $found->add($say('heat_unread', false, $off));

            return;
        }
        foreach ($read as $fact) {
            [$told, $was] = [(float) $fact->number('c'), $pot->celsius(60.0 * $run->at($fact->at))];
            if (abs($told - $was) > self::READ_C) {
                $found->add($say('heat_misread', false, $fact, $told, $was));

                return;
            }
        }
        $found->add($say('heat_read', true, $read[array_key_last($read)]));
    }

    private function poured(PracticedRun $run, Heat $heat, int $batch, SimulatedPot $pot, FoundSoFar $found): void
    {
        $filled = $run->state()->filledAt[$batch] ?? null;
        if ($filled === null) {
            return;
        }
        $c = $pot->celsius(60.0 * $run->at($filled));
        $fill = self::told($run, $batch, RunFactKind::Confirmed, StepKind::Fill);
        $isWarm = $c >= $heat->from->degrees - self::THICK_C;
        $found->add(
            new Finding(
                $isWarm ? 'poured_warm' : 'poured_thick', Skill::Heat, $isWarm, $run->of, $run->at($filled), (end($fill) ?: null)?->id,
                ['c' => Quantity::temperature($c), 'from' => Quantity::temperature($heat->from->degrees)],
            ),
            ...$isWarm ? [] : ['lines', 'short-fill'],
        );
    }

    /** @return list<Fact<RunFactKind>> */
    private static function told(PracticedRun $run, int $batch, RunFactKind $kind, StepKind $at): array
    {
        return array_values(
            array_filter(
                $run->told($kind),
                static fn (Fact $fact, int $i): bool => $run->before($i)->step->kind === $at && $run->before($i)->step->batch === $batch,
                ARRAY_FILTER_USE_BOTH,
            ),
        );
    }
}

<?php

declare(strict_types=1);

namespace Database\Seeders;

use Apalos\Core\Input\Fields;
use Apalos\Core\Run\StepKind;
use App\Builds\BuildStreams;
use App\Builds\MixOperation;
use App\Builds\PlanBuild;
use App\Facts\AppendFact;
use App\Log\RecordedRun;
use App\Models\Build;
use App\Models\Impression;
use App\Models\Pour;
use App\Models\PourState;
use App\Pours\RunStreams;
use App\Pours\StartPour;
use Carbon\CarbonImmutable;

/** Pours as a maker would, through the same actions the screens use, but at any moment of the past. */
final class Hands
{
    private int $fact = 0;

    public function __construct(
        private readonly StartPour $start,
        private readonly AppendFact $append,
        private readonly PlanBuild $build,
        private readonly MixOperation $mix,
        private readonly DemoPeople $people,
    ) {}

    /** @param  array<string, mixed>  $sheet */
    public function plan(Impression $impression, array $sheet): Pour
    {
        return $impression->pours()->create(['sheet' => $sheet, 'state' => PourState::Draft]);
    }

    /** @param  array<string, mixed>  $measured */
    public function build(Impression $impression, string $kind, array $measured, CarbonImmutable $at): Build
    {
        return ($this->build)($impression->load('job'), Fields::of(['kind' => $kind, 'measured' => $measured]), $at);
    }

    /** @param  array<string, mixed>  $payload */
    public function tell(Build $build, string $kind, array $payload, CarbonImmutable $at): void
    {
        ($this->append)(
            app(BuildStreams::class), $build->id,
            Fields::of(['key' => 'demo-'.(++$this->fact), 'kind' => $kind, 'payload' => $payload]), $at,
        );
    }

    /** Weighs up and lays on what an operation mixes; when it lies. */
    public function lay(Build $build, string $operation, CarbonImmutable $at): CarbonImmutable
    {
        return $this->pour(($this->mix)($build, $operation, $at), $at, static fn (): bool => false);
    }

    /**
     * Works through the run from the start until the step, confirming each as it comes.
     *
     * @param  callable(RecordedRun): bool  $until
     * @param  array<string, float>  $slips  grams too much of an ingredient, by name, in the first cup
     * @return CarbonImmutable when the last thing was done
     */
    public function pour(Pour $pour, CarbonImmutable $at, callable $until, array $slips = []): CarbonImmutable
    {
        $this->people->next();
        $pour = ($this->start)($pour, $pour->edition, null, $at);
        for ($i = 0; $i < 200; $i++) {
            $run = RecordedRun::of($pour);
            if ($until($run) || in_array($run->state->step->kind, [StepKind::Wait, StepKind::Grade, StepKind::Done], true)) {
                return $at;
            }
            $step = $run->state->step;
            foreach ($step->kind === StepKind::Contacts ? $run->state->unchecked() : [] as $item) {
                $at = $at->addSeconds(20);
                $this->do($pour, 'checked', ['item' => $item], $at);
            }
            $line = $run->state->cup()->current();
            [$kind, $payload, $seconds] = match ($step->kind) {
                StepKind::Weigh => [
                    'weighed',
                    [
                        'reading_g' => $this->display($line['running'] ?? 0.0, $slips[$line['add'] ?? ''] ?? 0.0), 'by' => 'scale',
                        'stable' => true,
                    ],
                    40,
                ],
                StepKind::Rescue => ['rescued', [], 15],
                StepKind::Mix => ['confirmed', [], (int) ($run->plan->mixing->min * 60) + 20],
                StepKind::Degas => ['confirmed', [], (int) ($run->plan->degassing->min * 60) + 15],
                StepKind::Heat => ($run->state->heated[$step->batch] ?? []) === []
                    ? ['heated', ['c' => 172, 'by' => 'probe'], 340]
                    : ['confirmed', [], 20],
                StepKind::Fill => ['confirmed', [], 120],
                default => ['confirmed', [], 45],
            };
            if (isset($line['add']) && $step->batch === 1) {
                unset($slips[$line['add']]);
            }
            $at = $at->addSeconds($seconds);
            $this->do($pour, $kind, ['step' => $step->key(), ...$payload], $at);
        }

        return $at;
    }

    /** @param  array<string, mixed>  $payload */
    public function do(Pour $pour, string $kind, array $payload, CarbonImmutable $at): void
    {
        ($this->append)(
            app(RunStreams::class), $pour->id,
            Fields::of(['key' => 'demo-'.(++$this->fact), 'kind' => $kind, 'payload' => $payload]), $at,
        );
    }

    public function gel(Pour $pour, CarbonImmutable $at): void
    {
        $this->do($pour, 'gelled', [], $at);
    }

    public function open(Pour $pour, CarbonImmutable $at): void
    {
        $this->do($pour, 'opened', ['step' => '0:wait'], $at);
    }

    /** @param  list<string>  $faults */
    public function grade(Pour $pour, CarbonImmutable $at, string $grade, array $faults, float $usedG, string $note, int $pieces = 1): void
    {
        $this->do(
            $pour, 'graded',
            ['step' => '0:grade', 'grade' => $grade, 'faults' => $faults, 'used_g' => $usedG, 'pieces' => $pieces, 'note' => $note], $at,
        );
    }

    private function display(float $target, float $slip): float
    {
        return round($target + $slip, 1);
    }
}

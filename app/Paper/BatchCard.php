<?php

declare(strict_types=1);

namespace App\Paper;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Mix\Line;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\RunPlan;
use App\Builds\RecordedBuild;
use App\Log\Freezer;
use App\Log\RecordedRun;
use App\Models\Pour;
use App\Pours\PlanRun;
use App\PourSheets\PourSheetReckoner;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;

/**
 * What to weigh in what order, what the display reads, in which cups, how long it pours, what must be ready before: with boxes to tick and
 * to write in. Typed in afterwards it becomes the run. Of a sheet as it stands, or of a run as it was begun.
 */
final readonly class BatchCard
{
    private const STAMP = 6;

    public function __construct(
        private PourSheetReckoner $reckoner,
        private PlanRun $plan,
        private Freezer $freezer,
        private CureClock $clock,
        private RoomTemperature $room,
    ) {}

    /** @throws BadInput where the sheet does not add up yet */
    public function of(Pour $pour): Paper
    {
        $pour->load('impression.job', 'build', 'snapshot');
        $title = "{$pour->impression->job->name} · {$pour->impression->name}";
        $holds = $pour->started_at === null ? $this->planned($pour) : $this->begun($pour);

        return new Paper('batch-card', $title, "batch-{$pour->id}", "/pours/{$pour->id}", [
            'no' => $pour->id, 'job' => $pour->impression->job->name, 'link' => $pour->impression->name,
            'operation' => $pour->build->plain ? null : ($pour->build->planned()->operation($pour->operation)->name ?? null), ...$holds,
        ]);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    private function planned(Pour $pour): array
    {
        $now = CarbonImmutable::now();
        $reckoning = $this->reckoner->reckon($pour->sheet);
        if ($reckoning->mix === null || $reckoning->recipe === null || ! $reckoning->isPourable()) {
            throw $reckoning->errors[0] ?? BadInput::at('volume', Phrase::of('bench.sheet_not_complete_yet'));
        }
        // As it would begin: what the card asks for is what the run will ask for.
        $run = $this->plan->of($pour, $reckoning, $now, null, true);
        $base = $reckoning->recipe->base;
        $bands = $reckoning->cure->bands ?? [];
        $band = static fn (string $of): ?array => isset($bands[$of])
            ? [$bands[$of]->low->min, $bands[$of]->likely->min, $bands[$of]->high->min]
            : null;
        $name = $pour->sheet['formula_name'] ?? null;

        return [
            'formula' => is_string($name) && $name !== '' ? $name : $base->name,
            'base' => $base->name, 'room_c' => $this->room->now()->degrees,
            'volume_ml' => $reckoning->mix->volume->ml, 'pot' => $band('pot_life_min'),
            'open' => $run->run->endsLaid ? null : $band('demould_min'),
            'coat' => $run->run->endsLaid && isset($bands['recoat_open_min'])
                ? [$bands['recoat_open_min']->likely->min, ($bands['recoat_close_min'] ?? null)?->likely->min]
                : null,
            ...$this->steps($run->run, $reckoning->recipe->names(), array_diff(array_column($run->run->checklist, 'id'), $run->done)),
            'gear' => self::gear($this->freezer->cautions($reckoning->recipe, $run->run, $run->cautions)),
            ...$this->window($pour, $now), 'done' => null, 'stamp' => self::short($reckoning->mix->stamp()),
        ];
    }

    /** By so much of it one tells one plan of the cups from another. */
    public static function short(string $stamp): string
    {
        return substr($stamp, 0, self::STAMP);
    }

    /**
     * @param  array<string, string>  $names  by code
     * @param  array<int, string>  $asked  of its checklist, what nobody has seen yet
     * @return array<string, mixed> what a plan says of its steps
     */
    private function steps(RunPlan $plan, array $names, array $asked): array
    {
        return [
            'batches' => array_map(
                static fn (array $batch): array => [
                    'grams' => array_sum($batch),
                    'lines' => array_map(
                        static fn (Line $line): array => ['add' => $line->add, 'grams' => $line->grams->g, 'running' => $line->running->g],
                        Line::listed($batch, $plan->division, 0.0, $names),
                    ),
                ],
                $plan->batches,
            ),
            'total_g' => array_sum(array_map(array_sum(...), $plan->batches)),
            'cup_ml' => $plan->capacity?->ml, 'vacuum' => $plan->degassing->min > 0.0,
            'mix_min' => $plan->mixing->min, 'degas_min' => $plan->degassing->min,
            'list' => array_map(
                static fn (array $item): array => ['text' => $item['text'], 'done' => ! in_array($item['id'], $asked, true)],
                $plan->checklist,
            ),
            'one_part' => $plan->onePart,
            'heat' => $plan->heat === null ? null : [$plan->heat->from->degrees, $plan->heat->to->degrees],
        ];
    }

    /**
     * @param  array<array-key, array{gear: list<string>}>  $cautions
     * @return list<string>
     */
    private static function gear(array $cautions): array
    {
        return array_values(
            array_unique(array_merge(...array_map(static fn (array $one): array => $one['gear'], array_values($cautions)))),
        );
    }

    /** @return array<string, mixed> from when until when an operation of a build may go on, as its clock has it */
    private function window(Pour $pour, CarbonImmutable $now): array
    {
        $recorded = $pour->build->plain ? null : RecordedBuild::of($pour->build->load('impression.job'), $now);
        $stands = $recorded?->state->operations[$pour->operation] ?? null;

        return [
            'opens_ms' => $recorded?->ms($stands?->opensAt), 'shuts_ms' => $recorded?->ms($stands?->shutsAt),
            'waits_for' => array_map(
                static fn (string $id): string => $recorded?->state->plan->operation($id)->name ?? $id, $stands->waitsFor ?? [],
            ),
        ];
    }

    /** @return array<string, mixed> */
    private function begun(Pour $pour): array
    {
        $run = RecordedRun::of($pour);
        $pot = $this->clock->potLifeNow($run->frozen->clock, $run->plan->mixing, $run->plan->degassing);
        /** @var list<array{gear: list<string>}> $cautions */
        $cautions = $pour->snapshot->content['cautions'] ?? [];

        return [
            'formula' => $run->frozen->formula, 'base' => $run->frozen->base, 'room_c' => $run->frozen->roomC,
            'volume_ml' => $run->frozen->likelyMl,
            'pot' => $pot === null ? null : [null, $pot->whole->min, null], 'open' => null, 'coat' => null, 'opens_ms' => null,
            'shuts_ms' => null, 'waits_for' => [],
            ...$this->steps($run->plan, $run->frozen->names, $run->state->unchecked()),
            'gear' => self::gear($cautions), 'stamp' => null,
            'done' => ['weighed_g' => $run->state->weighedGrams(), 'at_ms' => (int) ($pour->started_at?->getTimestampMs() ?? 0)],
        ];
    }
}

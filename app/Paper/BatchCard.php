<?php

declare(strict_types=1);

namespace App\Paper;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Mix\Batch;
use Apalos\Core\Mix\Line;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Units\Grams;
use App\Contacts\JobContacts;
use App\Library\Library;
use App\Log\RecordedRun;
use App\Models\Pour;
use App\PourSheets\PourSheetReckoner;
use App\Room\CureClock;
use App\Room\RoomTemperature;

/**
 * What to weigh in what order, what the display reads, in which cups, how long it pours, what must be ready before: with boxes to tick and
 * to write in. Typed in afterwards it becomes the run. Of a sheet as it stands, or of a run as it was begun.
 */
final readonly class BatchCard
{
    private const STAMP = 6;

    public function __construct(
        private PourSheetReckoner $reckoner,
        private JobContacts $contacts,
        private Library $library,
        private Phrasebook $words,
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
        $reckoning = $this->reckoner->reckon($pour->sheet);
        if ($reckoning->mix === null || $reckoning->recipe === null || ! $reckoning->isPourable()) {
            throw $reckoning->errors[0] ?? BadInput::at('volume', Phrase::of('bench.sheet_not_complete_yet'));
        }
        $base = $reckoning->recipe->base;
        $bands = $reckoning->cure->bands ?? [];
        $plan = is_array($pour->sheet['plan'] ?? null) ? $pour->sheet['plan'] : [];
        $number = static fn (string $key): float => is_numeric($plan[$key] ?? null) ? (float) $plan[$key] : 0.0;
        $vessel = is_array($plan['vessel'] ?? null) ? $plan['vessel'] : [];
        $hazards = [
            ...$base->hazards, ...array_merge(...array_map(static fn ($sheet): array => $sheet->hazards, $reckoning->recipe->sheets())),
        ];

        return [
            'formula' => is_string($pour->sheet['formula_name'] ?? null) && $pour->sheet['formula_name'] !== ''
                ? $pour->sheet['formula_name']
                : $base->name,
            'base' => $base->name, 'room_c' => $this->room->now()->degrees,
            'batches' => array_map(
                static fn (Batch $batch): array => [
                    'grams' => $batch->mass->g,
                    'lines' => array_map(
                        static fn (Line $line): array => ['add' => $line->add, 'grams' => $line->grams->g, 'running' => $line->running->g],
                        $batch->lines,
                    ),
                ],
                $reckoning->mix->batches,
            ),
            'total_g' => array_sum(array_map(static fn (Batch $batch): float => $batch->mass->g, $reckoning->mix->batches)),
            'volume_ml' => $reckoning->mix->volume->ml,
            'cup_ml' => is_numeric($vessel['capacity_ml'] ?? null) ? (float) $vessel['capacity_ml'] : null,
            'vacuum' => ($vessel['degas'] ?? false) === true,
            'mix_min' => $number('mix_min'), 'degas_min' => ($vessel['degas'] ?? false) === true ? $number('degas_min') : 0.0,
            'pot' => isset($bands['pot_life_min'])
                ? [$bands['pot_life_min']->low->min, $bands['pot_life_min']->likely->min, $bands['pot_life_min']->high->min]
                : null,
            'open' => isset($bands['demould_min'])
                ? [$bands['demould_min']->low->min, $bands['demould_min']->likely->min, $bands['demould_min']->high->min]
                : null,
            'list' => $this->list($pour, $base->code), 'gear' => $this->gear($hazards), 'one_part' => $base->ratio->isOnePart(),
            'heat' => $this->heat($base), 'done' => null, 'stamp' => self::short($reckoning->mix->stamp()),
        ];
    }

    /** By so much of it one tells one plan of the cups from another. */
    public static function short(string $stamp): string
    {
        return substr($stamp, 0, self::STAMP);
    }

    /** @return array{float, float}|null how warm it is made, °C */
    private function heat(BaseSheet $base): ?array
    {
        $heat = $this->library->castingsHere()->choose($base->casting, $base->family, $base->ratio->isOnePart(), false)->heat;

        return $heat === null ? null : [$heat->from->degrees, $heat->to->degrees];
    }

    /** @return list<string> what has to be seen ready, as the run will ask it */
    private function list(Pour $pour, string $base): array
    {
        $link = clone $pour->impression;
        $link->material = $base;
        $texts = [];
        foreach ($this->contacts->of($link, $this->contacts->chain($pour->impression->job->load('impressions'))) as $contact) {
            $texts[] = "{$contact->touch->with}: {$this->words->say($contact->result->inShort)}";
            $texts = [...$texts, ...array_column($contact->checklist($this->words, $this->contacts->sealer($contact)), 'text')];
        }

        return $texts;
    }

    /**
     * @param  array<int, string>  $hazards
     * @return list<string>
     */
    private function gear(array $hazards): array
    {
        $cautions = array_intersect_key($this->library->cautions(), array_flip($hazards));

        return array_values(
            array_unique(array_merge(...array_map(static fn (array $one): array => $one['gear'], array_values($cautions)))),
        );
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
            'batches' => array_map(
                fn (array $batch): array => [
                    'grams' => array_sum($batch),
                    'lines' => array_map(
                        static fn (Line $line): array => ['add' => $line->add, 'grams' => $line->grams->g, 'running' => $line->running->g],
                        Line::listed($batch, Grams::of($run->plan->division->g), 0.0, $run->frozen->names),
                    ),
                ],
                $run->plan->batches,
            ),
            'total_g' => array_sum(array_map(array_sum(...), $run->plan->batches)), 'volume_ml' => $run->frozen->likelyMl,
            'cup_ml' => $run->plan->capacity?->ml, 'vacuum' => $run->plan->degassing->min > 0.0,
            'mix_min' => $run->plan->mixing->min, 'degas_min' => $run->plan->degassing->min,
            'pot' => $pot === null ? null : [null, $pot->whole->min, null], 'open' => null,
            'list' => array_column($run->plan->checklist, 'text'),
            'gear' => array_values(array_unique(array_merge(...array_map(static fn (array $one): array => $one['gear'], $cautions)))),
            'one_part' => $run->plan->onePart, 'stamp' => null,
            'heat' => $run->plan->heat === null ? null : [$run->plan->heat->from->degrees, $run->plan->heat->to->degrees],
            'done' => ['weighed_g' => $run->state->weighedGrams(), 'at_ms' => (int) ($pour->started_at?->getTimestampMs() ?? 0)],
        ];
    }
}

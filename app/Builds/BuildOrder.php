<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\OperationStands;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Build\Part;
use Apalos\Core\Contact\Intent;
use Apalos\Core\Contact\Verdict;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Units\Minutes;
use App\Models\Build;
use App\Models\Pour;
use App\Models\Workshop;
use App\PourSheets\MixAhead;
use Carbon\CarbonImmutable;

/** Whether an operation of a build may be mixed now, and what has to be seen before it is. */
final readonly class BuildOrder
{
    public function __construct(private Layers $layers, private BuildBook $book, private Phrasebook $words, private Workshop $workshop) {}

    /**
     * @param  string|null  $why  it goes on before its window opens, because somebody knows better
     * @param  bool  $later  nothing is begun: what it waits for may still be to come
     *
     * @throws BadInput for what waits for something else, or would not hold on what it is laid on
     */
    public function step(Pour $pour, CarbonImmutable $now, ?string $why = null, bool $later = false): BuildStep
    {
        $recorded = RecordedBuild::of(Build::query()->with('impression.job')->lockForUpdate()->findOrFail($pour->build_id), $now);
        $stands = $recorded->state->operations[$pour->operation] ?? null;
        if ($stands === null || $recorded->state->isOver()) {
            throw BadInput::at('build', Phrase::of('bench.operation_no_longer_in'));
        }
        $opens = $stands->state === OperationState::Waits ? $recorded->at($stands->opensAt) : null;
        // Weighed up and mixed it is ready as the window opens: that is no beginning before it.
        $ahead = $why === null
            && $opens !== null
            && $stands->waitsFor === []
            && $now >= $opens->subMilliseconds(Minutes::ms(MixAhead::minutes($pour)));
        $early = $ahead || $later ? null : $this->mayBegin($recorded, $stands, $why);
        $checklist = $ahead
            ? [
                [
                    'id' => 'lays-from',
                    'text' => $this->words->say(Phrase::of('bench.weighed_ahead', [
                        'operation' => $stands->operation->name, 'at' => $this->workshop->said($opens, $now),
                    ])),
                    'minutes' => 0.0,
                ],
            ]
            : [];
        if (
            $stands->state === OperationState::Missed && ($save = $this->layers->save($recorded, $stands->operation, $this->book)) !== null
        ) {
            $checklist[] = [
                'id' => 'missed-window', 'text' => $this->words->say(Phrase::of('bench.window_shut_save', ['save' => $save])),
                'minutes' => 0.0,
            ];
        }
        $care = BuildCare::of($recorded);
        $done = [];
        foreach ($this->layers->contacts($recorded, $stands->operation) as $contact) {
            if ($contact->result->blocks() && $contact->result->verdict === Verdict::Stop) {
                throw BadInput::at('build', Phrase::of('bench.layer_stands', [
                    'operation' => $stands->operation->name, 'below' => $contact->touch->with,
                    'why' => $contact->result->because[0]['text'],
                ]));
            }
            if ($contact->request->intent === Intent::Bond) {
                $checklist[] = [
                    'id' => "bond-{$contact->touch->key}",
                    'text' => $this->words->say(Phrase::of('bench.tacky_clean_dry_without', ['with' => $contact->touch->with])),
                    'minutes' => 0.0,
                ];
            }
            $lay = $recorded->state->operations[str_replace('layer-', '', $contact->touch->key)]->endedAt ?? null;
            foreach ($contact->checklist($this->words) as $item) {
                $checklist[] = $item;
                $done = $care->doneAt($item['act'] ?? '', $lay) === null ? $done : [...$done, $item['id']];
            }
        }

        return new BuildStep(
            $checklist, $this->layers->meetsOriginal($recorded, $stands->operation), $early, $care, $done,
            $stands->operation->mixing?->part === Part::Half ? $this->layers->liesOnBed($recorded, $stands->operation) : null,
            $stands->operation->mixing?->casting, $ahead ? $opens : null,
        );
    }

    /**
     * @return string|null what is noted of it where it goes on early
     *
     * @throws BadInput
     */
    private function mayBegin(RecordedBuild $recorded, OperationStands $stands, ?string $why): ?string
    {
        if ($stands->waitsFor !== []) {
            $names = array_map(static fn (string $id): string => $recorded->state->plan->operation($id)->name ?? $id, $stands->waitsFor);
            throw BadInput::at('build', Phrase::of('bench.operation_waits', ['operation' => $stands->operation->name, 'for' => $names]));
        }
        if ($stands->state !== OperationState::Waits) {
            return null;
        }
        $opens = $this->workshop->said($recorded->at($stands->opensAt) ?? $recorded->now, $recorded->now);

        return $why === null
            ? throw BadInput::at('early', Phrase::of('bench.not_open_yet', ['operation' => $stands->operation->name, 'at' => $opens]))
            : $this->words->say(Phrase::of('bench.went_on_before', [
                'operation' => $stands->operation->name, 'at' => $opens, 'why' => $why,
            ]));
    }
}

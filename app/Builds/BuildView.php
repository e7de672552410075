<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\BuildDoubts;
use Apalos\Core\Build\BuildFactKind;
use Apalos\Core\Build\Care;
use Apalos\Core\Build\Felt;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\OperationKind;
use Apalos\Core\Build\OperationStands;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Contact\Intent;
use Apalos\Core\Contact\Verdict;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Minutes;
use App\Contacts\Dryness;
use App\Contacts\DrynessView;
use App\Library\Library;
use App\Looks\Look;
use App\Models\Build;
use App\Models\Pour;
use App\People\Names;
use App\PourSheets\MixAhead;
use App\Stock\Prices;
use App\Types\View;

/**
 * A build as its screen shows it: the impression in section, its operations with their windows, and what to do now.
 *
 * @phpstan-import-type DryShape from DrynessView
 *
 * @phpstan-type LayerShape array{verdict: string, below: string, words: Phrase, why: Phrase, separates: bool}
 * @phpstan-type CareShape array{
 *     key: string, link: int, edition: int, act: string, with: string, what: Phrase|null, coats: int, minutes: float,
 *     chosen: string|null, choices: list<array{id: string, name: string}>, blocks: bool,
 * }
 * @phpstan-type MetShape array{layers: list<LayerShape>, care: list<CareShape>}
 * @phpstan-type BuildOperationShape array{
 *     id: string, kind: string, name: string, how: Phrase, minutes: float, uses: list<string>, state: string, started_ms: int|null,
 *     ended_ms: int|null, opens_ms: int|null, shuts_ms: int|null, shut_by: string|null,
 *     waits_for: list<string>, after: list<array{op: string, from: float|string, until: float|string|null}>, mixes: bool,
 *     base: string|null, base_name: string|null, mix: array<string, mixed>|null,
 *     thickness_mm: float|null, volume_ml: float|null, grams: float|null, pour_id: int|null, pour_state: string|null,
 *     touches: list<array{at_ms: int, finger: string, left_out: bool}>, dry: DryShape|null,
 *     said: string|null, by: string|null, acts: list<string>, weighed: bool, own_cautions: list<string>,
 *     layers: list<LayerShape>, care: list<CareShape>,
 *     ahead_ms: int|null, late_on: string|null, save_coat_mm: float|null, save: string|null, wanted_ms: int|null,
 *     cautions: list<array{title: string, text: Phrase}>
 * }
 */
final readonly class BuildView implements View
{
    /** What is judged of contacts changes with hours and with what is told. */
    private const HOLDS_S = 30;

    /** Of more, the last stand on the page. */
    private const NOTES = 60;

    private const COPIES = 60;

    public function __construct(
        private RecordedBuild $recorded,
        private Layers $layers,
        private BuildBook $book,
        private Library $library,
        private CareAsked $asked,
        private Prices $prices,
        private StepHazards $hazards,
        private Names $names,
        private Look $look,
        private InSection $section,
    ) {}

    /**
     * @return array{
     *     id: int, job_id: int, job: string, link: string, link_id: int, makes: string, name: string, kind: string, now_ms: int,
     *     edition: int, begun: bool, through: bool, wanted_on: string|null,
     *     copies: list<array{id: int, copy: int, wanted_on: string|null, state: string}>,
     *     grade: array{grade: string, faults: list<string>, pieces: int, note: string}|null, given_up: string|null, main_pour: int|null,
     *     next: string|null,
     *     operations: list<BuildOperationShape>,
     *     section: list<array{
     *         id: string, kind: string, name: string, thickness_mm: float, colour: string, state: string, jacket: bool, half: bool,
     *     }>,
     *     inside: list<string>, laid_mm: float, wall_mm: float, doubts: list<array{code: string, message: Phrase}>,
     *     notes: list<array{at_ms: int, text: string}>, notes_before: int,
     *     take_back: array{of: int, kind: string, about: string|null, name: string|null}|null,
     *     faults: list<array{id: string, name: string}>, last_fact_id: int
     * }
     */
    public function toArray(): array
    {
        $state = $this->recorded->state;
        $build = $this->recorded->build;
        $section = $this->section->of($this->recorded);
        $met = $this->met();
        $grade = $state->grade === null ? null : Fields::of($state->grade);
        $thickness = static fn (array $layer): float => $layer['kind'] === OperationKind::Coat->value ? $layer['thickness_mm'] : 0.0;

        return [
            'id' => $build->id, 'job_id' => $build->impression->job_id, 'job' => $build->impression->job->name,
            'link' => $build->impression->name, 'link_id' => $build->impression_id, 'makes' => $build->impression->kind->value,
            'name' => $build->name, 'kind' => $build->kind, 'now_ms' => (int) $this->recorded->now->getTimestampMs(),
            'edition' => $state->edition, 'begun' => $state->hasBegun(), 'through' => $state->isThrough(),
            'wanted_on' => $build->wantedOn()?->toDateString(), 'copies' => $this->copies(),
            'grade' => $grade === null
                ? null
                : [
                    'grade' => $grade->text('grade'), 'faults' => $grade->strings('faults'), 'pieces' => (int) $grade->number('pieces'),
                    'note' => $grade->textOrNull('note') ?? '',
                ],
            'main_pour' => $this->recorded->main()?->id,
            'given_up' => $state->givenUp === null ? null : (Fields::of($state->givenUp)->textOrNull('note') ?? ''),
            'next' => $state->isOver() ? null : $state->next()?->operation->id,
            'operations' => array_map(
                fn (OperationStands $stands): array => $this->operation($stands, $met['operations'][$stands->operation->id] ?? null),
                array_values($state->operations),
            ),
            'section' => $section,
            'inside' => $met['inside'],
            'laid_mm' => array_sum(
                array_map($thickness, array_filter($section, static fn (array $layer): bool => $layer['state'] === 'laid')),
            ),
            'wall_mm' => array_sum(array_map($thickness, $section)),
            'doubts' => $state->isOver() ? [] : Warning::all([...BuildDoubts::of($state->plan), ...$this->short()]),
            'notes_before' => max(0, count($state->notes) - self::NOTES),
            'notes' => array_map(
                fn (array $note): array => ['at_ms' => (int) $this->recorded->ms($note['at']), 'text' => $note['text']],
                array_slice($state->notes, -self::NOTES),
            ),
            'take_back' => $this->takeBack(),
            'faults' => array_map(
                static fn (string $id, array $fault): array => ['id' => $id, 'name' => $fault['name']],
                array_keys($this->library->faults()), array_values($this->library->faults()),
            ),
            'last_fact_id' => $this->recorded->lastFactId(),
        ];
    }

    /**
     * @return list<Warning> what is still to be mixed, against what the stores hold of it; where no kit is written down nothing is known
     */
    private function short(): array
    {
        $needed = [];
        foreach ($this->recorded->state->operations as $stands) {
            $base = $stands->operation->mixing === null || $stands->state->isOver() || $stands->startedAt !== null
                ? null
                : $this->layers->base($this->recorded, $stands->operation);
            $volume = $stands->operation->mixing?->volume();
            if ($base !== null && $volume !== null) {
                $needed[$base->code] = ($needed[$base->code] ?? 0.0) + $volume * $base->density()->gPerMl;
            }
        }
        $held = $this->prices->onHand(array_keys($needed));

        return array_values(array_map(
            fn (string $code): Warning => new Warning(
                'more_than_on_hand',
                Phrase::of('bench.more_than_on_hand', [
                    'needed' => Quantity::mass($needed[$code]), 'base' => $this->library->shelf()->bases[$code]->name ?? $code,
                    'held' => Quantity::mass($held[$code]),
                ]),
            ),
            array_filter(
                array_map(strval(...), array_keys($needed)),
                static fn (string $code): bool => isset($held[$code]) && $needed[$code] > $held[$code],
            ),
        ));
    }

    /** @return list<array{id: int, copy: int, wanted_on: string|null, state: string}> what is built the same way, with itself */
    private function copies(): array
    {
        if ($this->recorded->build->copies_of === null) {
            return [];
        }

        $copies = $this->recorded->build->copies()->reorder()->orderByDesc('copy')->limit(self::COPIES)->get()->reverse();

        return array_values($copies->map(static fn (Build $one): array => [
            'id' => $one->id, 'copy' => $one->copy, 'wanted_on' => $one->wanted_on?->toDateString(),
            'state' => $one->ended_at !== null ? 'built' : ($one->begun_at !== null ? 'being built' : 'planned'),
        ])->all());
    }

    /**
     * What each operation still to be done meets, and what is asked of it for that. It rests on hours and on what is told, and takes a
     * moment to judge.
     *
     * @return array{inside: list<string>, operations: array<string, MetShape>}
     */
    private function met(): array
    {
        $open = array_filter($this->recorded->state->operations, static fn (OperationStands $one): bool => ! $one->state->isOver());

        return $this->look->of(
            "build:{$this->recorded->build->id}", $this->look->changes(), $this->recorded->now, self::HOLDS_S,
            fn (): array => [
                'inside' => $this->asked->inside($this->recorded),
                'operations' => array_map(fn (OperationStands $one): array => [
                    'layers' => $this->layersOf($one->operation), 'care' => $this->asked->of($this->recorded, $one->operation),
                ], $open),
            ],
        );
    }

    /**
     * @param  MetShape|null  $met  null where it is over
     * @return BuildOperationShape
     */
    private function operation(OperationStands $stands, ?array $met): array
    {
        $operation = $stands->operation;
        $pour = $this->recorded->pours[$operation->id] ?? null;
        $base = $this->layers->base($this->recorded, $operation);
        $written = $operation->toArray();
        $known = $this->library->cautions();

        return [
            'id' => $operation->id, 'kind' => $operation->kind->value, 'name' => $operation->name,
            'how' => Phrase::written($operation->how), 'minutes' => $operation->minutes, 'uses' => $operation->uses,
            'state' => $stands->state->value,
            'started_ms' => $this->recorded->ms($stands->startedAt), 'ended_ms' => $this->recorded->ms($stands->endedAt),
            'opens_ms' => $this->recorded->ms($stands->opensAt), 'shuts_ms' => $this->recorded->ms($stands->shutsAt),
            'shut_by' => $stands->shutBy === null ? null : $this->called($stands->shutBy),
            'waits_for' => array_map($this->called(...), $stands->waitsFor), 'after' => $written['after'],
            'mixes' => $operation->mixing !== null, 'base' => $base?->code, 'base_name' => $base?->name, 'mix' => $written['mix'],
            'thickness_mm' => $operation->mixing?->thickness, 'volume_ml' => $operation->mixing?->volume(), 'grams' => $pour?->weighed_g,
            'pour_id' => $pour?->id, 'pour_state' => $pour?->state->value,
            'touches' => array_map(
                fn (Felt $touch): array => [
                    'at_ms' => (int) $this->recorded->ms($touch->at), 'finger' => $touch->finger->value, 'left_out' => $touch->leftOut,
                ],
                $this->recorded->state->touches[$operation->id] ?? [],
            ),
            'dry' => $this->dry($operation),
            'said' => $this->said($operation->id), 'by' => $this->by($operation->id, $pour), 'acts' => $written['care'],
            'weighed' => $operation->weighed,
            'own_cautions' => $operation->cautions,
            'layers' => $met['layers'] ?? [],
            'care' => $met['care'] ?? [],
            'late_on' => $stands->state === OperationState::Missed ? $stands->shutBy : null,
            'save_coat_mm' => $stands->state === OperationState::Missed
                ? $this->layers->savingCoat($this->recorded, $operation, $this->book)
                : null,
            'save' => $stands->state === OperationState::Missed ? $this->layers->save($this->recorded, $operation, $this->book) : null,
            'ahead_ms' => $operation->mixing !== null && $stands->state === OperationState::Waits && $stands->opensAt !== null
                ? (int) $this->recorded->ms($stands->opensAt) - Minutes::ms(MixAhead::minutes($pour))
                : null,
            'wanted_ms' => $this->recorded->ms($this->recorded->state->put[$operation->id] ?? null),
            'cautions' => array_values(
                array_map(
                    static fn (string $id): array => ['title' => $known[$id]['title'], 'text' => Phrase::written($known[$id]['text'])],
                    array_filter(
                        $stands->state->isOver() ? [] : $this->hazards->of($this->recorded, $operation),
                        static fn (string $id): bool => isset($known[$id]),
                    ),
                ),
            ),
        ];
    }

    /** @return DryShape|null what its weighings say, where it is looked at for being dry */
    private function dry(Operation $operation): ?array
    {
        $weighings = $this->recorded->state->weighings[$operation->id] ?? [];
        $asked = $operation->kind === OperationKind::Check && ($operation->weighed || in_array(Care::Dry, $operation->care, true));

        return $weighings === [] && ! $asked
            ? null
            : (
                new DrynessView(
                    $weighings, Dryness::of($weighings, in_array(Care::Dry, $operation->care, true) ? null : $this->recorded->main()),
                    $this->recorded->ms(...),
                )
            )->toArray();
    }

    /**
     * @return list<array{verdict: string, below: string, words: Phrase, why: Phrase, separates: bool}> what it touches in this build, and
     *   has to bond to or let go of
     */
    private function layersOf(Operation $operation): array
    {
        $layers = [];
        foreach ($this->layers->contacts($this->recorded, $operation) as $contact) {
            $bonds = $contact->request->intent === Intent::Bond;
            if (! $bonds || $contact->result->verdict !== Verdict::Clear) {
                $layers[] = [
                    'verdict' => $contact->result->verdict->value, 'below' => $contact->touch->with, 'words' => $contact->result->inShort,
                    'why' => $contact->result->because[0]['text'], 'separates' => ! $bonds,
                ];
            }
        }

        return $layers;
    }

    /** Why it went before its time, or what was wrong with it, as somebody said last. */
    private function said(string $operation): ?string
    {
        $said = null;
        foreach ($this->recorded->facts as $fact) {
            if (
                ($fact->payload['op'] ?? null) === $operation
                && in_array(
                    $fact->kind,
                    [BuildFactKind::Begun->value, BuildFactKind::Done->value, BuildFactKind::Failed->value, BuildFactKind::LeftOut->value],
                    true,
                )
            ) {
                $why = $fact->payload['early'] ?? $fact->payload['why'] ?? null;
                $said = is_string($why) && $why !== '' ? $why : $said;
            }
        }

        return $said;
    }

    /** By whose hands it was done, or begun: of what is mixed whoever laid it on. */
    private function by(string $operation, ?Pour $pour): ?string
    {
        $by = $pour?->graded_by === null ? null : $this->names->of($pour->graded_by);
        foreach ($this->recorded->facts as $fact) {
            if (
                ($fact->payload['op'] ?? null) === $operation
                && in_array($fact->kind, [BuildFactKind::Begun->value, BuildFactKind::Done->value, BuildFactKind::Failed->value], true)
            ) {
                $by = $this->names->by($fact->person, $fact->witness) ?? $by;
            }
        }

        return $by;
    }

    private function called(string $id): string
    {
        return $this->recorded->state->plan->operation($id)->name ?? $id;
    }

    /** @return array{of: int, kind: string, about: string|null, name: string|null}|null */
    private function takeBack(): ?array
    {
        $id = $this->recorded->state->takeBack;
        $fact = $id === null ? null : $this->recorded->fact($id);

        return $fact === null
            ? null
            : [
                'of' => $fact->id, 'kind' => $fact->kind, 'about' => is_string($op = $fact->payload['op'] ?? null) ? $op : null,
                'name' => is_string($op) ? $this->called($op) : null,
            ];
    }
}

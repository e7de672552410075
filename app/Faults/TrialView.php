<?php

declare(strict_types=1);

namespace App\Faults;

use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\Grade;
use Apalos\Core\Units\Grams;
use App\Contacts\ContactBook;
use App\Library\Library;
use App\Models\Formula;
use App\Models\FormulaVersion;
use App\PourSheets\PlannedBatch;
use App\Types\View;

/** One trial: its cups, how each was graded, and what they say. */
final readonly class TrialView implements View
{
    private const FORMULAS_OFFERED = 40;

    /** Beside what the cups take: what stays on sides and stick. */
    private const SPARE = 1.08;

    public function __construct(
        private RecordedTrial $recorded,
        private Library $library,
        private ContactBook $contacts,
        private PlannedBatch $batch,
    ) {}

    /**
     * @return array{
     *     id: int, name: string, about: string, note: string|null, base: string|null, surface: string|null, at_ms: int, ended: bool,
     *     became: string|null, cups: int, cup_g: float, all_g: float,
     *     variants: list<array{
     *         name: string, release: string|null, vacuum_min: float|null, pot_min: float|null, alone: bool, grades: list<string|null>,
     *         counts: list<int|null>,
     *     }>,
     *     grades: list<string>,
     *     counted: string|null, labels: list<array{label: int, variant: int, cup: int, grade: string|null, n: int|null}>,
     *     batch: list<array{name: string, grams: float}>,
     *     verdict: array{
     *         word: string, best: string|null,
     *         against: list<array{variant: string, mean: float, beats: float, chance: float, corrected: float}>, says: Phrase,
     *         pairs: list<array{
     *             one: string, other: string, one_mean: float, other_mean: float, beats: float, chance: float, corrected: float,
     *             left_alone: bool,
     *         }>,
     *     },
     *     take_back: int|null,
     *     causes: array<string, string>, formulas: list<array{id: int, name: string}>, can_be_contact: bool
     * }
     */
    public function toArray(): array
    {
        $trial = $this->recorded->trial;
        $verdict = $this->recorded->verdict();
        $knowledge = $this->contacts->knowledge();
        $surface = $trial->variants[0]['surface'] ?? null;
        $what = $trial->became['what'] ?? null;
        $versions = FormulaVersion::query()
            ->with('formula')
            ->whereIn('formula_id', Formula::query()->whereNull('retired_at')->select('id'))
            ->orderByDesc('id')
            ->limit(self::FORMULAS_OFFERED)
            ->get(['id', 'workshop_id', 'formula_id', 'number']);

        return [
            'id' => $trial->id, 'name' => $trial->name, 'about' => $trial->about, 'note' => $trial->note,
            'base' => $this->library->shelf()->bases[$trial->base_code ?? '']->name ?? $trial->base_code,
            'surface' => $surface === null ? null : ($knowledge->surfaces[$surface]->name ?? $surface),
            'at_ms' => (int) $trial->created_at->getTimestampMs(), 'ended' => $trial->ended_at !== null,
            'became' => is_string($what) ? $what : null, 'cups' => $trial->cups, 'cup_g' => $trial->cup_g,
            'all_g' => $trial->cup_g * $trial->cups * count($trial->variants),
            'variants' => array_map(fn (array $variant, int $i): array => [
                'name' => $variant['name'],
                'release' => ($variant['release'] ?? null) === null
                    ? null
                    : ($knowledge->releases[$variant['release']]->name ?? $variant['release']),
                'vacuum_min' => $variant['vacuum_min'] ?? null, 'pot_min' => $variant['pot_min'] ?? null, 'alone' => $trial->control === $i,
                'grades' => array_map(
                    fn (int $cup): ?string => ($this->recorded->state->grades[$i][$cup] ?? null)?->value, range(0, $trial->cups - 1),
                ),
                'counts' => array_map(fn (int $cup): ?int => $this->recorded->state->counts[$i][$cup] ?? null, range(0, $trial->cups - 1)),
            ], $trial->variants, array_keys($trial->variants)),
            'grades' => array_map(static fn (Grade $grade): string => $grade->value, Grade::cases()),
            'counted' => $trial->counted, 'labels' => $this->labels(), 'batch' => $this->batch(),
            'verdict' => $verdict->toArray(),
            'take_back' => $this->recorded->state->takeBack,
            'causes' => array_map(static fn ($cause): string => $cause->name, $this->library->faultBook()->causes),
            'formulas' => array_values(
                $versions->map(static fn (FormulaVersion $version): array => ['id' => $version->id, 'name' => $version->called()])->all(),
            ),
            'can_be_contact' => $surface !== null && $trial->base_code !== null,
        ];
    }

    /**
     * Cups by the number on them; of a trial from before they were numbered, one after the other.
     *
     * @return list<array{label: int, variant: int, cup: int, grade: string|null, n: int|null}>
     */
    private function labels(): array
    {
        [$trial, $state] = [$this->recorded->trial, $this->recorded->state];
        $labels = $trial->labels ?? array_merge(
            ...array_map(
                static fn (int $variant): array => array_map(static fn (int $cup): array => [$variant, $cup], range(0, $trial->cups - 1)),
                array_keys($trial->variants),
            ),
        );

        return array_map(
            static fn (array $of, int $i): array => [
                'label' => $i + 1, 'variant' => $of[0], 'cup' => $of[1], 'grade' => ($state->grades[$of[0]][$of[1]] ?? null)?->value,
                'n' => $state->counts[$of[0]][$of[1]] ?? null,
            ],
            $labels, array_keys($labels),
        );
    }

    /** @return list<array{name: string, grams: float}> what to weigh for all cups in one batch; nothing where no base is said */
    private function batch(): array
    {
        $trial = $this->recorded->trial;
        $base = $this->library->shelf()->bases[$trial->base_code ?? ''] ?? null;
        if ($base === null) {
            return [];
        }
        $mix = $this->batch->weigh($base, [], Fields::of([
            'mass_g' => self::SPARE * $trial->cup_g * $trial->cups * count($trial->variants),
        ]));

        return array_map(
            static fn (string $code, Grams $grams): array => ['name' => $base->partNames[strtolower($code)] ?? $code, 'grams' => $grams->g],
            array_keys($mix->parts), array_values($mix->parts),
        );
    }
}

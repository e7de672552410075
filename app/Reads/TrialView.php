<?php

declare(strict_types=1);

namespace App\Reads;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\Grade;
use App\Keeping\RecordedTrial;
use App\Models\Formula;
use App\Models\FormulaVersion;
use App\Workshop\ContactBook;
use App\Workshop\Library;

/** One trial: its cups, how each was graded, and what they say. */
final readonly class TrialView implements View
{
    private const FORMULAS_OFFERED = 40;

    public function __construct(private RecordedTrial $recorded, private Library $library, private ContactBook $contacts) {}

    /**
     * @return array{
     *     id: int, name: string, about: string, note: string|null, base: string|null, surface: string|null, at_ms: int, ended: bool, became: string|null, cups: int, cup_g: float, all_g: float,
     *     variants: list<array{name: string, release: string|null, grades: list<string|null>}>, grades: list<string>,
     *     verdict: array{word: string, best: string|null, against: list<array{variant: string, mean: float, beats: float, chance: float, corrected: float}>, says: Phrase}, take_back: int|null,
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
        $versions = FormulaVersion::query()->with('formula')->whereIn('formula_id', Formula::query()->whereNull('retired_at')->select('id'))->orderByDesc('id')->limit(self::FORMULAS_OFFERED)->get(['id', 'workshop_id', 'formula_id', 'number']);

        return [
            'id' => $trial->id, 'name' => $trial->name, 'about' => $trial->about, 'note' => $trial->note, 'base' => $this->library->shelf()->bases[$trial->base_code ?? '']->name ?? $trial->base_code, 'surface' => $surface === null ? null : ($knowledge->surfaces[$surface]->name ?? $surface),
            'at_ms' => (int) $trial->created_at->getTimestampMs(), 'ended' => $trial->ended_at !== null, 'became' => is_string($what) ? $what : null, 'cups' => $trial->cups, 'cup_g' => $trial->cup_g, 'all_g' => $trial->cup_g * $trial->cups * count($trial->variants),
            'variants' => array_map(fn (array $variant, int $i): array => [
                'name' => $variant['name'], 'release' => ($variant['release'] ?? null) === null ? null : ($knowledge->releases[$variant['release']]->name ?? $variant['release']),
                'grades' => array_map(fn (int $cup): ?string => ($this->recorded->state->grades[$i][$cup] ?? null)?->value, range(0, $trial->cups - 1)),
            ], $trial->variants, array_keys($trial->variants)),
            'grades' => array_map(static fn (Grade $grade): string => $grade->value, Grade::cases()),
            'verdict' => $verdict->toArray(),
            'take_back' => $this->recorded->state->takeBack, 'causes' => array_map(static fn ($cause): string => $cause->name, $this->library->faultBook()->causes),
            'formulas' => array_values($versions->map(static fn (FormulaVersion $version): array => ['id' => $version->id, 'name' => $version->called()])->all()), 'can_be_contact' => $surface !== null && $trial->base_code !== null,
        ];
    }
}

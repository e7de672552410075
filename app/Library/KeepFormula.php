<?php

declare(strict_types=1);

namespace App\Library;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Pour\Recipe;
use App\Models\Formula;
use App\Models\FormulaKind;
use App\Models\FormulaVersion;
use App\Models\Workshop;
use Illuminate\Support\Facades\DB;

/** Keeps a recipe as a version of a named formula. What that formula already says is not kept twice. */
final readonly class KeepFormula
{
    private const LONGEST_NAME = 120;

    public function __construct(private Workshop $workshop, private Library $library) {}

    /**
     * @param  Fields  $recipe  `base` and `additives`
     * @param  int|null  $parent  the version it was derived from; else the latest of its formula
     *
     * @throws BadInput
     */
    public function __invoke(
        string $name,
        Fields $recipe,
        FormulaKind $kind = FormulaKind::Mix,
        ?int $parent = null,
        ?string $note = null,
        ?string $photo = null,
    ): FormulaVersion {
        $name = self::named($name);
        $content = $this->content($recipe);
        $parent = $parent === null
            ? null
            : FormulaVersion::query()->whereHas(
                'formula', fn ($formula) => $formula->where('workshop_id', $this->workshop->id),
            )->find($parent)?->id;

        return DB::transaction(function () use ($name, $content, $kind, $parent, $note, $photo): FormulaVersion {
            $formula = $this->workshop->formulas()->firstOrCreate(['name' => $name], ['kind' => $kind]);
            // One at a time: the next number is the last one and one more.
            $this->workshop->formulas()->whereKey($formula->id)->lockForUpdate()->first(['id']);
            $same = $note === null && $photo === null ? $this->kept($formula, $content) : null;
            if ($same !== null) {
                return $same->setRelation('formula', $formula);
            }
            $latest = $formula->versions()->reorder()->orderByDesc('number')->first(['id', 'number', 'workshop_id']);

            return $formula->versions()->create([
                'number' => ($latest->number ?? 0) + 1, 'recipe' => $content,
                'parent_id' => $parent ?? ($formula->kind === FormulaKind::Trial ? null : $latest?->id), 'note' => $note, 'photo' => $photo,
            ])->setRelation('formula', $formula);
        }, 3);
    }

    /**
     * The newest version of the formula that says this, with this note where one is asked for.
     *
     * @param  array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>}  $content
     */
    public function kept(Formula $formula, array $content, ?string $note = null, bool $anyNote = true): ?FormulaVersion
    {
        return $formula
            ->versions()
            ->reorder()
            ->where('recipe_hash', FormulaVersion::hashOf($content))
            ->when(! $anyNote, static fn ($query) => $query->where('note', $note))
            ->orderByDesc('number')
            ->first();
    }

    /** @throws BadInput */
    public static function named(string $name): string
    {
        $name = trim($name);
        if ($name === '' || mb_strlen($name) > self::LONGEST_NAME) {
            throw BadInput::at('name', Phrase::of('bench.give_formula_name_letters', ['most' => self::LONGEST_NAME]));
        }

        return $name;
    }

    /**
     * The recipe as it is kept, once it is sure that it adds up.
     *
     * @return array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>}
     */
    public function content(Fields $recipe): array
    {
        Recipe::from($recipe, $this->library->shelf())->composition();

        return [
            'base' => $recipe->text('base'),
            'additives' => array_map(static fn (Fields $line): array => [
                'code' => $line->text('code'), 'amount' => $line->number('amount'), 'basis' => $line->text('basis'),
                'into' => $line->text('into'),
            ], $recipe->objects('additives')),
        ];
    }
}

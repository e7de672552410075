<?php

declare(strict_types=1);

namespace App\Paper;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Library\Library;
use App\Library\Recipes;
use App\Models\FormulaVersion;

/** A formula on both bases, and what a kilogram of it takes. */
final readonly class FormulaCard
{
    private const GRAMS = 1000.0;

    public function __construct(private Library $library, private Recipes $recipes) {}

    /** @throws BadInput where something of it is no longer on the shelf */
    public function of(FormulaVersion $version): Paper
    {
        $recipe = $this->recipes->of($version->load('formula')) ?? throw BadInput::at('formula', Phrase::of('bench.formula_not_on_shelf'));
        $composition = $recipe->composition();
        $names = $recipe->names();
        $shares = $composition->onBothBases();
        $lines = [];
        foreach ($composition->parts as $code => $part) {
            $lines[] = [
                'name' => in_array($code, ['A', 'B'], true) ? "{$names[$code]} of {$recipe->base->name}" : $names[$code],
                'pct_of_ab' => $shares[$code]['pct_of_ab'] ?? null, 'pct_of_one_part' => $shares[$code]['pct_of_one_part'] ?? null,
                'grams' => self::GRAMS * $part / $composition->massPerAB,
            ];
        }

        $name = "formula-{$version->formula_id}-{$version->number}";

        return new Paper('formula-card', $version->called(), $name, "/formulas/{$version->formula_id}", [
            'name' => $version->formula->name, 'number' => $version->number, 'note' => $version->note, 'base' => $recipe->base->name,
            'one_part' => $recipe->base->ratio->isOnePart(), 'lines' => $lines, 'sum_g' => array_sum(array_column($lines, 'grams')),
            'density' => $composition->density->gPerMl,
            'times' => array_map(static fn ($minutes): float => $minutes->min, $recipe->base->times),
            'ref_c' => $recipe->base->reference->degrees, 'kept_ms' => (int) $version->created_at->getTimestampMs(),
            'gear' => array_values(
                array_unique(
                    array_merge(
                        ...array_map(
                            static fn (array $one): array => $one['gear'],
                            array_values(array_intersect_key($this->library->cautions(), array_flip($recipe->hazards()))),
                        ),
                    ),
                ),
            ),
        ]);
    }
}

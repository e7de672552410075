<?php

declare(strict_types=1);

namespace App\Formulas;

use Apalos\Core\Units\Shore;
use App\Library\Recipes;
use App\Models\Formula;
use App\Swatches\HardnessBook;
use App\Types\View;

/** Formulas whose softness can be aimed at: what is written down, as hard as its softener and the pucks make it. */
final readonly class AsSoftView implements View
{
    private const MOST = 40;

    public function __construct(
        private FormulaQuery $formulas,
        private Recipes $recipes,
        private HardnessBook $hardness,
        private string $words,
    ) {}

    /** @return array{formulas: list<array{id: int, name: string, shore: string, scale: string, reading: float}>, more: bool} */
    public function toArray(): array
    {
        $found = ($this->formulas)('mix', $this->words)->with('newest')->orderByDesc('id')->limit(self::MOST + 1)->get();

        return [
            'formulas' => array_values(array_filter($found->take(self::MOST)->map($this->soft(...))->all())),
            'more' => $found->count() > self::MOST,
        ];
    }

    /** @return array{id: int, name: string, shore: string, scale: string, reading: float}|null */
    private function soft(Formula $formula): ?array
    {
        $recipe = $formula->newest === null ? null : $this->recipes->of($formula->newest);
        $shore = $recipe === null ? null : $this->hardness->expectedShore($recipe);

        $shore = $shore === null ? null : Shore::of($shore->scale, max(0.0, round($shore->reading)));

        return $shore === null
            ? null
            : [
                'id' => $formula->id, 'name' => $formula->name, 'shore' => $shore->written(), 'scale' => $shore->scale->value,
                'reading' => $shore->reading,
            ];
    }
}

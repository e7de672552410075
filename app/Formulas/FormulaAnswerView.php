<?php

declare(strict_types=1);

namespace App\Formulas;

use Apalos\Core\Harden\SofteningEffectsResult;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Result\Warning;
use App\Library\Library;
use App\Types\View;

/**
 * A formula worked out: grams and both bases, how hard it will be, what to mind.
 *
 * @phpstan-import-type MixShape from MixResult
 * @phpstan-import-type CostShape from SofteningEffectsResult
 */
final readonly class FormulaAnswerView implements View
{
    public function __construct(
        private Recipe $recipe,
        private MixResult $mix,
        private ?string $hardness,
        private ?SofteningEffectsResult $cost,
        private bool $asPaint,
        private Library $library,
    ) {}

    /**
     * @return array{
     *     additives: list<array{pct_of_ab: float, pct_of_one_part: float, grams: float}>, mix: MixShape,
     *     hardness: string|null, cost: CostShape|null,
     *     warnings: list<array{code: string, message: Phrase}>, cautions: list<array{title: string, text: Phrase}>, gear: list<string>
     * }
     */
    public function toArray(): array
    {
        $shares = $this->recipe->composition()->onBothBases();
        $known = array_intersect_key($this->library->cautions(), array_flip($this->recipe->hazards()));

        return [
            'additives' => array_map(
                fn (string $name): array => [...$shares[$name], 'grams' => $this->mix->parts[$name]->g ?? 0.0], array_keys($shares),
            ),
            'mix' => $this->mix->toArray(),
            'hardness' => $this->hardness,
            'cost' => $this->cost?->toArray(),
            // What a pot of paint asks of the scale is told with the pot.
            'warnings' => Warning::all([
                ...$this->recipe->warnings($this->asPaint),
                ...($this->asPaint ? [] : [...$this->mix->warnings, ...($this->cost->warnings ?? [])]),
            ]),
            'cautions' => array_values(
                array_map(
                    static fn (array $caution): array => ['title' => $caution['title'], 'text' => Phrase::written($caution['text'])],
                    $known,
                ),
            ),
            'gear' => array_values(
                array_unique(array_merge(...array_values(array_map(static fn (array $caution): array => $caution['gear'], $known)))),
            ),
        ];
    }
}

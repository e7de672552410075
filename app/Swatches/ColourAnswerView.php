<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Tint\Colourant;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Tint\TintResult;
use App\Library\Library;
use App\PourSheets\EqualCups;
use App\Types\View;

/**
 * A colour answered: the recipe in per cent and grams, its chips, its ladder, and what thickness does to it.
 *
 * @phpstan-import-type TintShape from TintResult
 *
 * @phpstan-type PinchShape array{code: string, name: string, colour: string, pct: float, grams: float|null}
 */
final readonly class ColourAnswerView implements View
{
    /**
     * @param  array<string, Colourant>  $pigments  by house code
     * @param  list<array{share_pct: float, light: Lab, dark: Lab, here: Lab}>  $ladder
     */
    public function __construct(
        private TintResult $tint, private ?Lab $target, private array $pigments, private Library $library, private float $maxLoad,
        private ?EqualCups $cup, private ?Phrase $batchWrong, private array $ladder,
    ) {}

    /**
     * @return array{
     *     tint: TintShape, target: array{lab: array{float, float, float}, srgb: string}|null, max_load_pct: float,
     *     recipe: list<PinchShape>,
     *     alternatives: list<array{recipe: list<PinchShape>, srgb: string, delta_e: float, shows_pct: float|null}>,
     *     ladder: list<array{share_pct: float, light: string, dark: string, here: string}>,
     *     depth: Phrase, cup: array{mass_g: float, cups: int}|null, batch_wrong: Phrase|null
     * }
     */
    public function toArray(): array
    {
        return [
            'tint' => $this->tint->toArray(),
            'target' => $this->target === null ? null : ['lab' => $this->target->toArray(), 'srgb' => $this->target->srgb()],
            'max_load_pct' => $this->maxLoad,
            'recipe' => $this->pinches($this->tint->recipe->loads),
            'alternatives' => array_map(
                fn ($recipe): array => [
                    'recipe' => $this->pinches($recipe->loads), 'srgb' => $recipe->lab->srgb(), 'delta_e' => $recipe->deltaE,
                    'shows_pct' => $recipe->showsPct,
                ],
                $this->tint->alternatives,
            ),
            'ladder' => array_map(
                static fn (array $rung): array => [
                    'share_pct' => $rung['share_pct'], 'light' => $rung['light']->srgb(), 'dark' => $rung['dark']->srgb(),
                    'here' => $rung['here']->srgb(),
                ],
                $this->ladder,
            ),
            'depth' => $this->tint->depth(),
            'cup' => $this->cup === null ? null : ['mass_g' => $this->cup->each, 'cups' => $this->cup->cups],
            'batch_wrong' => $this->batchWrong,
        ];
    }

    /**
     * @param  array<string, float>  $loads  by name
     * @return list<PinchShape>
     */
    private function pinches(array $loads): array
    {
        $pinches = [];
        foreach ($this->pigments as $code => $pigment) {
            $pct = $loads[$pigment->name] ?? 0.0;
            if ($pct > 0.0) {
                $pinches[] = [
                    'code' => $code, 'name' => $pigment->name, 'colour' => $this->library->shelf()->additives[$code]->colour, 'pct' => $pct,
                    'grams' => $this->cup === null ? null : $this->cup->each * $pct / 100.0,
                ];
            }
        }

        return $pinches;
    }
}

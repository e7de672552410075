<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Material\BaseSheet;
use App\Library\Library;
use App\Models\ColourTarget;
use App\Models\Workshop;
use App\PourSheets\Drafts;
use App\PourSheets\DraftView;
use App\Types\View;

/**
 * What the colour screen can be asked: bases that take pigment, what is known of them and of each pigment, colours wanted
 * before, and the sheets that are being planned.
 *
 * @phpstan-import-type DraftShape from DraftView
 */
final readonly class ColourView implements View
{
    public function __construct(
        private Library $library,
        private ColourBook $colours,
        private ColourAnswers $tint,
        private Workshop $workshop,
        private Drafts $drafts,
        private string $base,
    ) {}

    /**
     * @return array{
     *     base: string, bases: list<array{code: string, name: string}>, max_load_pct: float, pigment_into: string,
     *     softeners: list<array{code: string, name: string, basis: string, into: string}>,
     *     pigments: list<array{code: string, name: string, colour: string, drawdowns: int, of: string|null}>,
     *     targets: list<array{
     *         id: int, edition: int, name: string, lab: array{float, float, float}, shows_pct: float|null, at_mm: float|null,
     *     }>,
     *     drafts: list<DraftShape>
     * }
     */
    public function toArray(): array
    {
        $shelf = $this->library->shelf();
        $takes = array_filter(
            $shelf->bases,
            fn (BaseSheet $base): bool => $base->code === $this->base
                || (isset($this->library->atHand()->bases[$base->code]) && $base->limitFor(AdditiveRole::Pigment) !== null),
        );

        return [
            'base' => $this->base,
            'bases' => array_values(
                array_map(static fn (BaseSheet $base): array => ['code' => $base->code, 'name' => $base->name], $takes),
            ),
            'max_load_pct' => $this->tint->limit($this->base),
            'pigment_into' => $shelf->base($this->base)->limitFor(AdditiveRole::Pigment)->into->value ?? 'a',
            'softeners' => array_values(
                array_map(
                    static fn ($a): array => [
                        'code' => $a->code, 'name' => $a->name, 'basis' => $a->basis->value, 'into' => $a->into->value,
                    ],
                    array_filter($shelf->additives, fn ($a): bool => $a->role->isSoftener() && $a->suits($shelf->base($this->base))),
                ),
            ),
            'pigments' => array_map(static fn (array $p): array => [
                'code' => $p['sheet']->code, 'name' => $p['sheet']->name, 'colour' => $p['sheet']->colour, 'drawdowns' => $p['drawdowns'],
                'of' => $p['of'] === null ? null : $shelf->bases[$p['of']]->name,
            ], $this->colours->pigments($this->base)),
            'targets' => array_values(
                $this->workshop
                    ->colourTargets()
                    ->orderBy('name')
                    ->get()
                    ->map(
                        static fn (ColourTarget $target): array => [
                            'id' => $target->id, 'edition' => $target->edition, 'name' => $target->name, 'lab' => $target->lab,
                            ...$target->depth(),
                        ],
                    )
                    ->all(),
            ),
            'drafts' => DraftView::all($this->drafts),
        ];
    }
}

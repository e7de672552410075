<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Phrase\Measures;
use App\Models\ColourTarget;
use App\Models\Formula;
use App\Models\FormulaVersion;
use App\Models\Swatch;
use App\Models\SwatchReading;
use App\Models\Workshop;

/** Formulas, swatches and colour targets as others can read them. What it writes, SwatchImport takes in. */
final readonly class SwatchExport
{
    public const FORMAT = 'apalos-swatches';

    public const VERSION = 1;

    public const SWATCH_COLUMNS = [
        'swatch', 'formula', 'recipe', 'thickness_mm', 'poured_at', 'demoulded_at', 'note', 'kind', 'at', 'scale', 'readings', 'median',
        'backing', 'l', 'a', 'b', 'source', 'within_delta_e', 'left_out',
    ];

    public const FORMULA_COLUMNS = ['formula', 'kind', 'version', 'parent', 'note', 'recipe', 'retired'];

    public const TARGET_COLUMNS = ['name', 'l', 'a', 'b', 'shows_pct', 'at_mm'];

    public function __construct(private Workshop $workshop) {}

    /** @return array<string, mixed> per library/schema/exchange/swatches.schema.json */
    public function everything(): array
    {
        return [
            'format' => self::FORMAT, 'version' => self::VERSION,
            'formulas' => $this->formulas()->map(static fn (Formula $formula): array => [
                'name' => $formula->name, 'kind' => $formula->kind->value, 'retired' => $formula->retired_at !== null,
                'versions' => $formula->versions->map(
                    static fn (FormulaVersion $version): array => [
                        'number' => $version->number, 'recipe' => $version->recipe, 'parent' => $version->parent?->called(),
                        'note' => $version->note,
                    ],
                )->all(),
            ])->values()->all(),
            'swatches' => $this->swatches()->map(static fn (Swatch $swatch): array => [
                'name' => $swatch->name, 'formula' => $swatch->version->called(), 'thickness_mm' => $swatch->thickness_mm,
                'poured_at' => $swatch->poured_at->toIso8601ZuluString('millisecond'),
                'demoulded_at' => $swatch->demoulded_at?->toIso8601ZuluString('millisecond'), 'note' => $swatch->note,
                'readings' => $swatch->readings->map(static fn (SwatchReading $r): array => array_filter([
                    'kind' => $r->kind, 'at' => $r->at->toIso8601ZuluString('millisecond'), 'scale' => $r->scale,
                    'readings' => $r->readings, 'backing' => $r->backing, 'lab' => $r->lab,
                    'card_lab' => $r->card_lab, 'source' => $r->source, 'within_delta_e' => $r->within_delta_e, 'left_out' => $r->left_out,
                ], static fn (mixed $value): bool => $value !== null))->all(),
            ])->values()->all(),
            'targets' => $this->workshop
                ->colourTargets()
                ->orderBy('name')
                ->get()
                ->map(static fn (ColourTarget $target): array => ['name' => $target->name, 'lab' => $target->lab, ...$target->depthSaid()])
                ->values()
                ->all(),
        ];
    }

    /** @return iterable<list<mixed>> a row for each reading; one without for a swatch that was never read */
    public function swatchRows(): iterable
    {
        foreach ($this->swatches() as $swatch) {
            $head = [
                $swatch->name, $swatch->version->called(), self::line($swatch->version->recipe), $swatch->thickness_mm,
                $swatch->poured_at->toIso8601ZuluString('millisecond'), $swatch->demoulded_at?->toIso8601ZuluString('millisecond'),
                $swatch->note,
            ];
            foreach ($swatch->readings as $r) {
                $median = $r->hardness()?->median()->reading;
                yield [...$head, $r->kind, $r->at->toIso8601ZuluString('millisecond'), $r->scale, implode(
                    ' ', array_map(static fn (float $v): string => Measures::figure($v, 2), array_map(floatval(...), $r->readings ?? [])),
                ), $median,
                    $r->backing, $r->lab[0] ?? null, $r->lab[1] ?? null, $r->lab[2] ?? null, $r->source, $r->within_delta_e, $r->left_out];
            }
            if ($swatch->readings->isEmpty()) {
                yield [...$head, ...array_fill(0, count(self::SWATCH_COLUMNS) - count($head), null)];
            }
        }
    }

    /** @return iterable<list<mixed>> a row for each version */
    public function formulaRows(): iterable
    {
        foreach ($this->formulas() as $formula) {
            foreach ($formula->versions as $version) {
                yield [
                    $formula->name, $formula->kind->value, $version->number, $version->parent?->called(), $version->note,
                    self::line($version->recipe), $formula->retired_at !== null,
                ];
            }
        }
    }

    /** @return iterable<list<mixed>> */
    public function targetRows(): iterable
    {
        foreach ($this->workshop->colourTargets()->orderBy('name')->get() as $target) {
            yield [$target->name, ...$target->lab, $target->shows_pct, $target->at_mm];
        }
    }

    /**
     * A recipe in one line: the base, then what goes in, in order: `pr-10 | pi-fawn 0.8 pct_of_total b | sf-1 60 pct_of_ab after`.
     *
     * @param  array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>}  $recipe
     */
    public static function line(array $recipe): string
    {
        return implode(' | ', [
            $recipe['base'],
            ...array_map(
                static fn (array $line): string => implode(' ', [
                    $line['code'], Measures::figure((float) $line['amount'], 6), $line['basis'], $line['into'],
                ]),
                $recipe['additives'],
            ),
        ]);
    }

    /** @return \Illuminate\Database\Eloquent\Collection<int, Formula> */
    private function formulas(): \Illuminate\Database\Eloquent\Collection
    {
        return $this->workshop->formulas()->with(['versions.parent.formula', 'versions.formula'])->orderBy('name')->get();
    }

    /** @return \Illuminate\Database\Eloquent\Collection<int, Swatch> */
    private function swatches(): \Illuminate\Database\Eloquent\Collection
    {
        return $this->workshop->swatches()->with(['version.formula', 'readings'])->orderBy('id')->get();
    }
}

<?php

declare(strict_types=1);

namespace App\Paper;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Batch;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Phrase\Quantity;
use App\Library\Library;
use App\Log\RecordedRun;
use App\Models\Lot;
use App\Models\LotPart;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\Swatch;
use App\PourSheets\PourSheetReckoner;

/**
 * Labels of moulds, kits, swatches and pucks on sheets of labels: so many across and down, with these margins, beginning at any of them.
 */
final readonly class LabelSheet
{
    private const MOST = 400;

    private const POURS = 20;

    public function __construct(private Library $library, private Phrasebook $words, private PourSheetReckoner $reckoner) {}

    /**
     * @param  Fields  $in `moulds`, `lots`, `swatches`, `cups` (of these pours): numbers, with commas; `across`, `down`, `top_mm`,
     *   `left_mm`, `gap_x_mm`, `gap_y_mm`, `start`
     *
     * @throws BadInput
     */
    public function of(Fields $in, PaperSize $size): Paper
    {
        $across = (int) $in->number('across', 1.0, 12.0);
        $down = (int) $in->number('down', 1.0, 30.0);
        [$top, $left] = [$in->number('top_mm', 0.0, 60.0), $in->number('left_mm', 0.0, 60.0)];
        [$gapX, $gapY] = [$in->numberOrNull('gap_x_mm', 0.0, 40.0) ?? 0.0, $in->numberOrNull('gap_y_mm', 0.0, 40.0) ?? 0.0];
        $start = (int) ($in->numberOrNull('start', 1.0, (float) ($across * $down)) ?? 1.0);
        $labels = [...$this->moulds($in), ...$this->lots($in), ...$this->swatches($in), ...$this->cups($in)];
        $labels !== [] || throw BadInput::at('labels', Phrase::of('bench.no_label_to_print'));
        [$w, $h] = [
            ($size->width() - 2.0 * $left - ($across - 1) * $gapX) / $across, ($size->height() - 2.0 * $top - ($down - 1) * $gapY) / $down,
        ];
        $w >= 20.0 && $h >= 10.0 || throw BadInput::at('across', Phrase::of('bench.labels_too_small'));
        $places = $across * $down;
        $pages = [];
        foreach ($labels as $i => $label) {
            $place = $i + $start - 1;
            $at = $place % $places;
            $pages[intdiv($place, $places)][] = [
                ...$label, 'code' => $label['code'], 'x' => $left + ($at % $across) * ($w + $gapX),
                'y' => $top + intdiv($at, $across) * ($h + $gapY),
            ];
        }

        return new Paper(
            'labels', 'Labels', 'labels', '/swatches/labels', ['pages' => array_values($pages), 'w' => $w, 'h' => $h], [0.0, 0.0, 0.0, 0.0],
        );
    }

    /** @return list<int> */
    private static function numbers(Fields $in, string $key): array
    {
        $said = $in->toArray()[$key] ?? null;
        $said = is_float($said) ? (string) (int) $said : (is_string($said) ? $said : null);

        return $said === null
            ? []
            : array_slice(
                array_values(array_filter(array_map(intval(...), explode(',', $said)), static fn (int $id): bool => $id > 0)), 0,
                self::MOST,
            );
    }

    /** @return list<array{code: string, name: string, lines: list<string|Phrase>, href: string}> */
    private function moulds(Fields $in): array
    {
        $bases = $this->library->shelf()->bases;

        return array_values(
            Mould::query()
                ->with('job')
                ->whereKey(self::numbers($in, 'moulds'))
                ->orderBy('id')
                ->get()
                ->map(
                    static fn (Mould $mould): array => [
                        'code' => $mould->code(), 'name' => $mould->name,
                        'lines' => array_values(array_filter([
                            $mould->job->name ?? '', $bases[$mould->material ?? '']->name ?? '', $mould->place ?? '',
                        ])),
                        'href' => "/rack/{$mould->id}",
                    ],
                )
                ->all(),
        );
    }

    /** @return list<array{code: string, name: string, lines: list<string|Phrase>, href: string}> */
    private function lots(Fields $in): array
    {
        $shelf = $this->library->shelf();

        return array_values(Lot::query()->with('parts')->whereKey(
            self::numbers($in, 'lots'),
        )->orderBy('id')->get()->map(fn (Lot $lot): array => [
            'code' => $lot->label(), 'name' => $shelf->bases[$lot->code]->name ?? $shelf->additives[$lot->code]->name ?? $lot->code,
            'lines' => [
                ...array_values($lot->parts->map(static fn (LotPart $part): string => "{$part->part} ".($part->maker_number ?? ''))->all()),
                $this->words->say(Phrase::of($lot->best_before === null ? 'bench.lot_came' : 'bench.came_best_before', [
                    'day' => $lot->got_on, 'until' => (string) $lot->best_before,
                ])),
            ],
            'href' => "/stores/lots/{$lot->id}",
        ])->all());
    }

    /** @return list<array{code: string, name: string, lines: list<string|Phrase>, href: string}> */
    private function swatches(Fields $in): array
    {
        $swatches = Swatch::query()
            ->with('version.formula')
            ->whereKey(self::numbers($in, 'swatches'))
            ->orderBy('id')
            ->limit(self::MOST)
            ->get();

        return array_values(
            $swatches->map(
                fn (Swatch $swatch): array => [
                    'code' => $swatch->name, 'name' => $this->library->shelf()->bases[$swatch->version->recipe['base']]->name ?? '',
                    'lines' => [$swatch->version->called(), "no. {$swatch->id}"], 'href' => "/swatches/drawer#swatch-{$swatch->id}",
                ],
            )->all(),
        );
    }

    /** @return list<array{code: string, name: string, lines: list<string|Phrase>, href: string}> each cup, with room for its times */
    private function cups(Fields $in): array
    {
        $labels = [];
        $pours = Pour::query()->with('impression.job')->whereKey(self::numbers($in, 'cups'))->orderBy('id')->limit(self::POURS)->get();
        foreach ($pours as $pour) {
            [$formula, $batches] = $pour->started_at === null ? $this->planned($pour) : self::begun($pour);
            foreach ($batches as $i => $grams) {
                $labels[] = [
                    'code' => count($batches) === 1 ? 'Cup' : 'Cup '.($i + 1), 'name' => $formula,
                    'lines' => [
                        "{$pour->impression->job->name} · {$pour->impression->name}",
                        Phrase::of('bench.label_of_cup', ['grams' => Quantity::mass($grams)]),
                    ],
                    'href' => "/pours/{$pour->id}",
                ];
            }
        }

        return array_slice($labels, 0, self::MOST);
    }

    /** @return array{string, list<float>} the formula, and grams of each cup; none where the sheet does not add up yet */
    private function planned(Pour $pour): array
    {
        $reckoning = $this->reckoner->reckon($pour->sheet);
        $name = $pour->sheet['formula_name'] ?? null;

        return [
            is_string($name) && $name !== '' ? $name : ($reckoning->recipe->base->name ?? ''),
            array_map(static fn (Batch $batch): float => $batch->mass->g, $reckoning->mix->batches ?? []),
        ];
    }

    /** @return array{string, list<float>} */
    private static function begun(Pour $pour): array
    {
        $run = RecordedRun::of($pour);

        return [$run->frozen->formula, array_map(array_sum(...), $run->plan->batches)];
    }
}

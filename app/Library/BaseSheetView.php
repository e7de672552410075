<?php

declare(strict_types=1);

namespace App\Library;

use Apalos\Core\Cure\Clock;
use Apalos\Core\Cure\CureModel;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Phrase\Phrase;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use App\Types\View;

/**
 * The sheet of a base to read, with its times as they are in the room now.
 *
 * @phpstan-type BaseSheetShape array{
 *     code: string, name: string, family: string, summary: string, shore: string|null, colour: string, ratio: string,
 *     part_names: array{a: string, b?: string},
 *     sg: array{a: float|null, b: float|null, mixed: float|null}, times: array<string, float>,
 *     here: array<string, array{low: float, likely: float, high: float}>,
 *     rests_on: int, of_g: float|null, ref_c: float, by_volume_ok: bool, vacuum: string, brushed: bool, moisture: bool, skin_safe: bool,
 *     facts: array<string, float|null>, limits: list<array{role: string, max: float, basis: string, into: string}>,
 *     cautions: list<array{title: string, text: Phrase}>, measured: list<string>, typical: list<string>, left_open: list<string>,
 *     notes: string
 * }
 */
final readonly class BaseSheetView implements View
{
    public function __construct(
        private BaseSheet $base,
        private Library $library,
        private RoomTemperature $room,
        private CureClock $clock,
    ) {}

    /** @return BaseSheetShape */
    public function toArray(): array
    {
        $base = $this->base;
        $sheet = $base->sheet();
        $cure = (new Clock)->tell($this->clock->model($base), $this->room->now(), null);

        return [
            'code' => $base->code,
            'name' => $base->name,
            'family' => $base->family,
            'summary' => $sheet->textOrNull('summary') ?? '',
            'shore' => $base->shore(),
            'colour' => $base->colour,
            'ratio' => $base->ratio->isOnePart() ? 'one part' : "{$base->ratio->a} : {$base->ratio->b} by {$base->ratio->by->value}",
            'part_names' => $base->partNames,
            'sg' => ['a' => $base->sgA?->gPerMl, 'b' => $base->sgB?->gPerMl, 'mixed' => $base->sgMixed?->gPerMl],
            'times' => array_map(static fn ($minutes): float => $minutes->min, $base->times),
            'here' => array_map(static fn ($band): array => $band->toArray(), $cure->bands),
            'rests_on' => $cure->restsOn,
            // Where more of it in one cup is sooner hot and sooner set, its times are those of so much.
            'of_g' => $base->alpha > 0.0 ? CureModel::SHEET_MASS_G : null,
            'ref_c' => $base->reference->degrees,
            'by_volume_ok' => $base->measuredByVolumeOk,
            'vacuum' => $base->vacuum,
            'brushed' => $base->brushed,
            'moisture' => $sheet->bool('moisture_sensitive'),
            'skin_safe' => $base->isForSkin(),
            'facts' => [
                'elongation_pct' => $sheet->numberOrNull('elongation_pct'),
                'tear_n_mm' => $sheet->numberOrNull('tear_n_mm'),
                'viscosity_pas' => $sheet->numberOrNull('viscosity_pas'),
                'shrinkage_pct' => $sheet->numberOrNull('shrinkage_pct', -100.0),
                'q10' => $base->q10,
                'bears_c' => $this->library->bearsHeat($base->code)?->degrees,
                'yield_ml_per_kg' => $sheet->numberOrNull('yield_ml_per_kg'),
            ],
            'limits' => array_map(static fn ($limit): array => $limit->toArray(), $base->limits),
            'cautions' => SheetCautions::of($base->hazards, $this->library),
            'measured' => $sheet->strings('measured'),
            // What its own sheet is silent of is what its chemistry usually bears.
            'typical' => [...$sheet->strings('typical'), ...($base->bearsHeat() === null ? ['bears_c'] : [])],
            'left_open' => $base->leftOpen,
            'notes' => $sheet->textOrNull('notes') ?? '',
        ];
    }
}

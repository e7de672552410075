<?php

declare(strict_types=1);

namespace App\Reads;

use Apalos\Core\Cure\Clock;
use Apalos\Core\Cure\CureModel;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Phrase\Phrase;
use App\Workshop\CureClock;
use App\Workshop\Library;
use App\Workshop\RoomTemperature;

/**
 * The shelf: every sheet to read, with its times as they are in the room now.
 *
 * @phpstan-type AdditiveSheetShape array{
 *     code: string, name: string, role: string, summary: string, colour: string, families: list<string>, sg: float, basis: Phrase, into: string, max: float,
 *     softening: list<array{pct_of_ab: float, stiffness: float, tear: float, stretch: float, pot_life: float}>, bleed_from_pct: float|null, flash_min: float|null, paint_only: bool,
 *     cautions: list<array{title: string, text: Phrase}>, measured: list<string>, typical: list<string>, notes: string
 * }
 */
final readonly class StoresView implements View
{
    /** Loads at which a softener’s sheet is read out, in per cent of A+B. */
    private const SHOWN_PCT = [10.0, 30.0, 60.0, 90.0];

    public function __construct(private Library $library, private RoomTemperature $room, private CureClock $clock, private ?string $open) {}

    /**
     * @return array{
     *     open: string|null,
     *     bases: list<array{
     *         code: string, name: string, family: string, summary: string, shore: string|null, colour: string, ratio: string, part_names: array{a: string, b?: string},
     *         sg: array{a: float|null, b: float|null, mixed: float|null}, times: array<string, float>, here: array<string, array{low: float, likely: float, high: float}>,
     *         rests_on: int, of_g: float|null, ref_c: float, by_volume_ok: bool, vacuum: string, brushed: bool, moisture: bool, skin_safe: bool,
     *         facts: array<string, float|null>, limits: list<array{role: string, max: float, basis: string, into: string}>,
     *         cautions: list<array{title: string, text: Phrase}>, measured: list<string>, typical: list<string>, notes: string
     *     }>,
     *     additives: list<AdditiveSheetShape>
     * }
     */
    public function toArray(): array
    {
        $this->clock->learn(array_keys($this->library->shelf()->bases));

        return [
            'open' => $this->open,
            'bases' => array_values(array_map($this->base(...), $this->library->shelf()->bases)),
            'additives' => array_values(array_map($this->additive(...), $this->library->shelf()->additives)),
        ];
    }

    /**
     * @return array{
     *     code: string, name: string, family: string, summary: string, shore: string|null, colour: string, ratio: string, part_names: array{a: string, b?: string},
     *     sg: array{a: float|null, b: float|null, mixed: float|null}, times: array<string, float>, here: array<string, array{low: float, likely: float, high: float}>,
     *     rests_on: int, of_g: float|null, ref_c: float, by_volume_ok: bool, vacuum: string, brushed: bool, moisture: bool, skin_safe: bool,
     *     facts: array<string, float|null>, limits: list<array{role: string, max: float, basis: string, into: string}>,
     *     cautions: list<array{title: string, text: Phrase}>, measured: list<string>, typical: list<string>, notes: string
     * }
     */
    private function base(BaseSheet $base): array
    {
        $sheet = $base->sheet();
        $cure = (new Clock)->tell($this->clock->model($base), $this->room->now(), null);

        return [
            'code' => $base->code,
            'name' => $base->name,
            'family' => $base->family,
            'summary' => $sheet->text('summary'),
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
            'skin_safe' => $sheet->bool('skin_safe'),
            'facts' => [
                'elongation_pct' => $sheet->numberOrNull('elongation_pct'),
                'tear_n_mm' => $sheet->numberOrNull('tear_n_mm'),
                'viscosity_pas' => $sheet->numberOrNull('viscosity_pas'),
                'shrinkage_pct' => $sheet->numberOrNull('shrinkage_pct', -100.0),
                'q10' => $base->q10,
                'yield_ml_per_kg' => $sheet->numberOrNull('yield_ml_per_kg'),
            ],
            'limits' => array_map(static fn ($limit): array => $limit->toArray(), $base->limits),
            'cautions' => $this->cautions($base->hazards),
            'measured' => $sheet->strings('measured'),
            'typical' => $sheet->strings('typical'),
            'notes' => $sheet->textOrNull('notes') ?? '',
        ];
    }

    /** @return AdditiveSheetShape */
    private function additive(AdditiveSheet $additive): array
    {
        $sheet = $additive->sheet();

        return [
            'code' => $additive->code,
            'name' => $additive->name,
            'role' => $additive->role->value,
            'summary' => $sheet->text('summary'),
            'colour' => $additive->colour,
            'families' => $additive->families,
            'sg' => $additive->sg->gPerMl,
            'basis' => $additive->basis->inWords(),
            'into' => $additive->into->value,
            'max' => $additive->max,
            'softening' => $additive->softening === null ? [] : array_map(static fn (float $pct): array => ['pct_of_ab' => $pct, ...$additive->softening->leaves($pct)], self::SHOWN_PCT),
            'bleed_from_pct' => $additive->softening?->bleedFromPct,
            'flash_min' => $additive->flash?->min,
            'paint_only' => $additive->paintOnly,
            'cautions' => $this->cautions($additive->hazards),
            'measured' => $sheet->strings('measured'),
            'typical' => $sheet->strings('typical'),
            'notes' => $sheet->textOrNull('notes') ?? '',
        ];
    }

    /**
     * @param  list<string>  $ids
     * @return list<array{title: string, text: Phrase}>
     */
    private function cautions(array $ids): array
    {
        $all = $this->library->cautions();
        $cautions = [];
        foreach ($ids as $id) {
            if (isset($all[$id])) {
                $cautions[] = ['title' => $all[$id]['title'], 'text' => Phrase::written($all[$id]['text'])];
            }
        }

        return $cautions;
    }
}

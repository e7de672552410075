<?php

declare(strict_types=1);

namespace App\PourSheets;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Vessel;
use Apalos\Core\Pour\PourReckoner;
use Apalos\Core\Pour\PourReckoning;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;
use App\Library\Library;
use App\Models\Workshop;
use App\Room\CureClock;
use App\Room\RoomTemperature;

/** Answers a pour sheet with this shop's shelf, its room and what it has watched. */
final readonly class PourSheetReckoner
{
    /** The cup of a sheet is still the shop's to choose. */
    public const FITS = 'fits';

    public function __construct(
        private Workshop $workshop,
        private Library $library,
        private RoomTemperature $room,
        private CureClock $clock,
        private PourReckoner $reckoner,
    ) {}

    /**
     * The sheet with the smallest cup of the shop that holds it all, or else its largest, where nobody has chosen one.
     *
     * @param  array<string, mixed>  $sheet
     * @return array{sheet: array<string, mixed>, cup: array{ml: float, tare_g: float|null}|null}
     */
    public function fitted(array $sheet): array
    {
        $cups = $this->workshop->cups ?? [];
        $vessel = $sheet['plan']['vessel'] ?? null;
        if (($sheet['cup'] ?? null) !== self::FITS || $cups === [] || ! is_array($vessel)) {
            return ['sheet' => $sheet, 'cup' => null];
        }
        $most = $cups[count($cups) - 1];
        $reckoned = $this->reckon(array_replace_recursive($sheet, [
            'plan' => ['vessel' => ['capacity_ml' => $most['ml'], 'tare_g' => $most['tare_g'] ?? 0]],
        ]));
        if ($reckoned->mix === null) {
            return ['sheet' => $sheet, 'cup' => null];
        }
        $degas = ($vessel['degas'] ?? false) === true;
        $rises = is_numeric($vessel['rise_factor'] ?? null) ? (float) $vessel['rise_factor'] : 1.0;
        foreach ($cups as $cup) {
            if (
                (
                    new Vessel(Millilitres::of($cup['ml']), Grams::of(0.0), $degas, max(1.0, $rises))
                )->takes()->ml >= $reckoned->mix->volume->ml
                - 1e-9
            ) {
                break;
            }
        }
        data_set($sheet, 'plan.vessel.capacity_ml', $cup['ml']);
        $cup['tare_g'] === null || data_set($sheet, 'plan.vessel.tare_g', $cup['tare_g']);

        return ['sheet' => $sheet, 'cup' => $cup];
    }

    /**
     * @param  array<string, mixed>  $sheet
     *
     * @throws BadInput only where the sheet is not even a sheet
     */
    public function reckon(array $sheet): PourReckoning
    {
        $in = Fields::of($sheet)->only('volume', 'target', 'formula', 'plan', 'formula_name', 'formula_from', 'carried', 'cup');
        $shelf = $this->library->shelf();
        $formula = $sheet['formula'] ?? null;
        $code = is_array($formula) && is_string($formula['base'] ?? null) ? $formula['base'] : '';
        $base = $shelf->bases[$code] ?? null;
        $plan = $sheet['plan'] ?? null;
        // What is heated counts from the heat: neither stirring nor a vacuum takes of its clock.
        $way = $base === null ? null : $this->library->way($base);
        if (is_array($plan) && $way?->heat !== null) {
            $in = Fields::of([...$in->toArray(), 'plan' => [...$plan, 'mix_min' => 0, 'degas_min' => 0]]);
        }

        return $this->reckoner->reckon($in, $shelf, $this->room->now(), $base === null ? null : $this->clock->model($base), $way?->cooling);
    }
}

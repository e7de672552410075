<?php

declare(strict_types=1);

namespace App\Library;

use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Phrase\Phrase;
use App\Types\View;

/**
 * The sheet of something stirred in, to read.
 *
 * @phpstan-type AdditiveSheetShape array{
 *     code: string, name: string, role: string, summary: string, colour: string, families: list<string>, sg: float, basis: Phrase,
 *     into: string, max: float,
 *     softening: list<array{pct_of_ab: float, stiffness: float, tear: float, stretch: float, pot_life: float}>,
 *     bleed_from_pct: float|null, flash_min: float|null, paint_only: bool,
 *     cautions: list<array{title: string, text: Phrase}>, measured: list<string>, typical: list<string>, left_open: list<string>,
 *     notes: string
 * }
 */
final readonly class AdditiveSheetView implements View
{
    /** Loads at which a softener’s sheet is read out, in per cent of A+B. */
    private const SHOWN_PCT = [10.0, 30.0, 60.0, 90.0];

    public function __construct(private AdditiveSheet $additive, private Library $library) {}

    /** @return AdditiveSheetShape */
    public function toArray(): array
    {
        $additive = $this->additive;
        $sheet = $additive->sheet();

        return [
            'code' => $additive->code,
            'name' => $additive->name,
            'role' => $additive->role->value,
            'summary' => $sheet->textOrNull('summary') ?? '',
            'colour' => $additive->colour,
            'families' => $additive->families,
            'sg' => $additive->sg->gPerMl,
            'basis' => $additive->basis->inWords(),
            'into' => $additive->into->value,
            'max' => $additive->max,
            'softening' => $additive->softening === null
                ? []
                : array_map(static fn (float $pct): array => ['pct_of_ab' => $pct, ...$additive->softening->leaves($pct)], self::SHOWN_PCT),
            'bleed_from_pct' => $additive->softening?->bleedFromPct,
            'flash_min' => $additive->flash?->min,
            'paint_only' => $additive->paintOnly,
            'cautions' => SheetCautions::of($additive->hazards, $this->library),
            'measured' => $sheet->strings('measured'),
            'typical' => $sheet->strings('typical'),
            'left_open' => $additive->leftOpen,
            'notes' => $sheet->textOrNull('notes') ?? '',
        ];
    }
}

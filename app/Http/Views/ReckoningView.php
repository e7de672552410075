<?php

declare(strict_types=1);

namespace App\Http\Views;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Pour\PourReckoning;

/** A pour sheet with its answers: what could be computed, and what has to be put right before it can be poured. */
final readonly class ReckoningView implements View
{
    public function __construct(private PourReckoning $reckoning, private float $roomC) {}

    /**
     * @return array{
     *     pourable: bool, room_c: float,
     *     errors: list<array{field: string, message: string, missing: bool}>,
     *     warnings: list<array{code: string, message: string}>,
     *     volume: array{
     *         low_ml: float, likely_ml: float, high_ml: float, advice: string, working: list<string>,
     *         reconcile: array{used_ml: float, part_ml: float|null, correction_pct: float}|null,
     *         warnings: list<array{code: string, message: string}>
     *     }|null,
     *     mix: array{
     *         mass_g: float, volume_ml: float, sg: float, parts: array<string, float>,
     *         batches: list<array{mass_g: float, lines: list<array{add: string, grams: float, running: float}>}>,
     *         pot_life_min: float|null, usable_min: float|null, demould_min: float|null,
     *         ratio_error_pct: float, smallest_batch_g: float, limit: 'vessel'|'scale'|'pot_life'|null,
     *         by_volume: array{a_ml: float, b_ml: float}|null,
     *         warnings: list<array{code: string, message: string}>, working: list<string>
     *     }|null,
     *     cure: array{
     *         factor: float, q10: float, offset: float,
     *         pot_life_min?: array{low: float, likely: float, high: float},
     *         recoat_open_min?: array{low: float, likely: float, high: float},
     *         recoat_close_min?: array{low: float, likely: float, high: float},
     *         demould_min?: array{low: float, likely: float, high: float},
     *         service_min?: array{low: float, likely: float, high: float},
     *         rests_on: int, warnings: list<array{code: string, message: string}>
     *     }|null,
     *     additives: list<array{pct_of_ab: float, pct_of_one_part: float, grams: float}>
     * }
     */
    public function toArray(): array
    {
        return [
            'pourable' => $this->reckoning->isPourable(),
            'room_c' => $this->roomC,
            'errors' => array_map(static fn (BadInput $e): array => ['field' => self::place($e->field), 'message' => $e->getMessage(), 'missing' => $e->isMissing], $this->reckoning->errors),
            'warnings' => $this->reckoning->warnings(),
            'volume' => $this->reckoning->volume?->toArray(),
            'mix' => $this->reckoning->mix?->toArray(),
            'cure' => $this->reckoning->cure?->toArray(),
            'additives' => $this->onBothBases(),
        ];
    }

    /**
     * Schools differ in what a percentage is counted on, so each additive is shown both of A+B and of one part alone.
     *
     * @return list<array{pct_of_ab: float, pct_of_one_part: float, grams: float}>
     */
    private function onBothBases(): array
    {
        $mix = $this->reckoning->mix;
        if ($mix === null || $this->reckoning->recipe === null) {
            return [];
        }
        $a = $mix->parts['A']->g;
        $ab = $a + ($mix->parts['B']->g ?? 0.0);
        $rows = [];
        foreach ($this->reckoning->recipe->additives() as $additive) {
            $grams = $mix->parts[$additive->name]->g ?? 0.0;
            $rows[] = ['pct_of_ab' => $grams / $ab * 100.0, 'pct_of_one_part' => $grams / $a * 100.0, 'grams' => $grams];
        }

        return $rows;
    }

    /** The core names the fields of its own contract; the screen's sheet has them under the formula and the plan. */
    private static function place(string $field): string
    {
        return match (true) {
            str_starts_with($field, 'additives') => 'formula.'.$field,
            str_starts_with($field, 'base') => 'formula.base',
            str_starts_with($field, 'vessel'), str_starts_with($field, 'scale') => 'plan.'.$field,
            default => $field,
        };
    }
}

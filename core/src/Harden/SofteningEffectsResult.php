<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Material\Softening;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Minutes;

/**
 * What so much softener costs: tear strength and elongation fall, pot life shifts, and from some load on it sweats out. The
 * sheet of the base gives the plain values, that of the softener how fast they change; both are guides, not tests.
 *
 * @phpstan-type CostShape array{
 *     pct_of_ab: float, tear_n_mm: float|null, elongation_pct: float|null, pot_life_min: float|null, bleed: 'none'|'begins'|'sure',
 *     thinnest_mm: float|null, edge_n: float|null, warnings: list<array{code: string, message: Phrase}>
 * }
 */
final readonly class SofteningEffectsResult
{
    /** A thin edge that tears at less than this (tear strength × thickness) tears under a fingertip. */
    private const FINGERTIP_N = 4.0;

    private const HIGH_LOAD_PCT = 40.0;

    /**
     * @param  'none'|'begins'|'sure'  $bleed  sweating out
     * @param  float|null  $edgeN  newtons at which the thinnest edge tears
     * @param  list<Warning>  $warnings
     */
    private function __construct(
        public float $pctOfAB, public ?float $tearNPerMm, public ?float $elongationPct, public ?float $potLifeMin, public string $bleed,
        public ?float $thinnestMm, public ?float $edgeN, public array $warnings,
    ) {}

    /**
     * @param  float|null  $thinnestMm  the thinnest place of the piece, where it is known
     * @param  Minutes|null  $bare  how long the bare base pours here, as the clock has it
     */
    public static function of(
        BaseSheet $base,
        Softening $softening,
        float $maxPct,
        float $pctOfAB,
        ?float $thinnestMm,
        ?Minutes $bare,
    ): self {
        $leaves = $softening->leaves($pctOfAB);
        $sheet = $base->sheet();
        $scaled = static fn (?float $plain, float $factor): ?float => $plain === null ? null : $plain * $factor;
        $tear = $scaled($sheet->numberOrNull('tear_n_mm'), $leaves['tear']);
        $stretch = $scaled($sheet->numberOrNull('elongation_pct'), $leaves['stretch']);
        $potLife = $scaled($bare?->min, $leaves['pot_life']);
        $edge = $tear === null || $thinnestMm === null ? null : $tear * $thinnestMm;
        $bleed = match (true) {
            $pctOfAB > $maxPct => 'sure',
            $pctOfAB >= min($softening->bleedFromPct, 0.9 * $maxPct) => 'begins',
            default => 'none',
        };
        $cost = new self($pctOfAB, $tear, $stretch, $potLife, $bleed, $thinnestMm, $edge, []);

        return new self($pctOfAB, $tear, $stretch, $potLife, $bleed, $thinnestMm, $edge, iterator_to_array($cost->minded($maxPct), false));
    }

    /** @return \Generator<Warning> */
    private function minded(float $maxPct): \Generator
    {
        if ($this->bleed === 'sure') {
            yield new Warning('bleed', Phrase::of('harden.bleeds', ['pct' => $this->pctOfAB, 'max' => $maxPct]));
        } elseif ($this->bleed === 'begins') {
            yield new Warning('bleed', Phrase::of('harden.begins_to_bleed'));
        }
        if ($this->edgeN !== null && $this->edgeN < self::FINGERTIP_N && $this->pctOfAB >= self::HIGH_LOAD_PCT) {
            yield new Warning('thin_and_soft', Phrase::of('harden.thin_and_soft', [
                'thinnest' => Quantity::length((float) $this->thinnestMm), 'pct' => $this->pctOfAB, 'newtons' => $this->edgeN,
            ]));
        }
    }

    /** @return CostShape */
    public function toArray(): array
    {
        return [
            'pct_of_ab' => $this->pctOfAB, 'tear_n_mm' => $this->tearNPerMm, 'elongation_pct' => $this->elongationPct,
            'pot_life_min' => $this->potLifeMin,
            'bleed' => $this->bleed, 'thinnest_mm' => $this->thinnestMm, 'edge_n' => $this->edgeN,
            'warnings' => Warning::all($this->warnings),
        ];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;
use Apalos\Core\Units\Minutes;

/**
 * What to weigh, in which batches, and how long there is for it. `null` where the sheet is silent.
 *
 * @phpstan-import-type CupsShape from CupsResult
 *
 * @phpstan-type MixShape array{
 *     mass_g: float, volume_ml: float, sg: float, parts: array<string, float>,
 *     batches: list<array{mass_g: float, lines: list<array{add: string, grams: float, running: float}>}>,
 *     pot_life_min: float|null, usable_min: float|null, demould_min: float|null,
 *     ratio_error_pct: float, smallest_batch_g: float, limit: 'vessel'|'scale'|'pot_life'|null,
 *     by_volume: array{a_ml: float, b_ml: float}|null, cups: CupsShape|null,
 *     warnings: list<array{code: string, message: Phrase}>, working: list<Phrase>
 * }
 */
final readonly class MixResult
{
    /**
     * @param  array<string, Grams>  $parts  A, B and every additive, over all batches, before rounding
     * @param  list<Batch>  $batches
     * @param  array{a_ml: float, b_ml: float}|null  $byVolume  where the sheet allows measuring by volume
     * @param  list<Warning>  $warnings
     * @param  list<Phrase>  $working
     * @param  CupsResult|null  $cups  several cups as one pour
     */
    public function __construct(
        public Grams $mass,
        public Millilitres $volume,
        public Density $density,
        public array $parts,
        public array $batches,
        public ?Minutes $potLife,
        public ?Minutes $usable,
        public ?Minutes $demould,
        public float $ratioErrorPct,
        public Grams $smallestBatch,
        public ?Limit $limit,
        public ?array $byVolume,
        public array $warnings,
        public array $working,
        public ?CupsResult $cups = null,
    ) {}

    /** Differs as soon as something else is weighed: what a screen showed is what is poured, or it is asked again. */
    public function stamp(): string
    {
        $lines = array_map(
            static fn (Batch $batch): array => array_map(
                static fn (Line $line): string => $line->code.'='.round($line->grams->g, 6), $batch->lines,
            ),
            $this->batches,
        );

        return substr(hash('sha256', json_encode($lines, JSON_THROW_ON_ERROR)), 0, 16);
    }

    /** What stands in one cup, before rounding. */
    public function batchMass(): Grams
    {
        return $this->mass->times(1.0 / max(1, count($this->batches)));
    }

    /** @return MixShape */
    public function toArray(): array
    {
        return [
            'mass_g' => $this->mass->g,
            'volume_ml' => $this->volume->ml,
            'sg' => $this->density->gPerMl,
            'parts' => array_map(static fn (Grams $grams): float => $grams->g, $this->parts),
            'batches' => array_map(static fn (Batch $batch): array => $batch->toArray(), $this->batches),
            'pot_life_min' => $this->potLife?->min,
            'usable_min' => $this->usable?->min,
            'demould_min' => $this->demould?->min,
            'ratio_error_pct' => $this->ratioErrorPct,
            'smallest_batch_g' => $this->smallestBatch->g,
            'limit' => $this->limit?->value,
            'by_volume' => $this->byVolume,
            'cups' => $this->cups?->toArray(),
            'warnings' => Warning::all($this->warnings),
            'working' => $this->working,
        ];
    }
}

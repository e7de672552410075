<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Day\DayOperation;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;

/** The coats of a brushed mould, its keys, and the operations of its day. */
final readonly class BrushedMouldResult
{
    /**
     * @param  float  $wall  mm
     * @param  list<Coat>  $coats  the print coat first
     * @param  float  $embedWithin  minutes after the last coat in which it is still wet enough to set keys into
     * @param  list<DayOperation>  $operations
     * @param  list<Warning>  $warnings
     */
    public function __construct(
        public float $wall,
        public array $coats,
        public ?Millilitres $keys,
        public ?Grams $keysMass,
        public float $embedWithin,
        public array $operations,
        public array $warnings,
    ) {}

    /** Of all coats, without the keys. */
    public function mass(): Grams
    {
        return Grams::of(array_sum(array_map(static fn (Coat $coat): float => $coat->mass->g, $this->coats)));
    }

    /**
     * @return array{
     *     wall_mm: float, mass_g: float,
     *     coats: list<array{
     *         kind: string, thickness_mm: float, volume_ml: float, mass_g: float, thickener_g: float, tint: string|null, cups: int,
     *         hands_min: float,
     *     }>,
     *     keys: array{volume_ml: float, mass_g: float}|null, embed_within_min: float, ops: list<array<string, mixed>>,
     *     warnings: list<array{code: string, message: Phrase}>
     * }
     */
    public function toArray(): array
    {
        return [
            'wall_mm' => $this->wall,
            'mass_g' => $this->mass()->g,
            'coats' => array_map(static fn (Coat $coat): array => $coat->toArray(), $this->coats),
            'keys' => $this->keys === null || $this->keysMass === null
                ? null
                : ['volume_ml' => $this->keys->ml, 'mass_g' => $this->keysMass->g],
            'embed_within_min' => $this->embedWithin,
            'ops' => array_map(static fn (DayOperation $operation): array => $operation->toArray(), $this->operations),
            'warnings' => Warning::all($this->warnings),
        ];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/**
 * The clock of one pour. `factor` multiplies the sheet's minutes; `offset` is in natural logarithm.
 *
 * @phpstan-type CureShape array{
 *     factor: float, q10: float, offset: float,
 *     pot_life_min?: array{low: float, likely: float, high: float},
 *     recoat_open_min?: array{low: float, likely: float, high: float},
 *     recoat_close_min?: array{low: float, likely: float, high: float},
 *     demould_min?: array{low: float, likely: float, high: float},
 *     service_min?: array{low: float, likely: float, high: float},
 *     full_cure_min?: array{low: float, likely: float, high: float},
 *     rests_on: int, doubted: list<int>, warnings: list<array{code: string, message: Phrase}>
 * }
 */
final readonly class CureResult
{
    /**
     * @param  array<value-of<Milestone>, Band>  $bands
     * @param  list<Warning>  $warnings
     * @param  list<int>  $doubted  which of the observations do not count, being far from all the rest
     */
    public function __construct(
        public float $factor,
        public float $q10,
        public float $offset,
        public array $bands,
        public int $restsOn,
        public array $warnings,
        public array $doubted = [],
    ) {}

    public function band(Milestone $milestone): ?Band
    {
        return $this->bands[$milestone->value] ?? null;
    }

    /**
     * Times the sheet does not give are left out.
     *
     * @return CureShape
     */
    public function toArray(): array
    {
        $times = [];
        foreach ([
            'pot_life_min' => Milestone::PotLife, 'recoat_open_min' => Milestone::RecoatOpen, 'recoat_close_min' => Milestone::RecoatClose,
            'demould_min' => Milestone::Demould, 'service_min' => Milestone::Service, 'full_cure_min' => Milestone::FullCure,
        ] as $key => $milestone) {
            $band = $this->band($milestone);
            if ($band !== null) {
                $times[$key] = $band->toArray();
            }
        }

        return [
            'factor' => $this->factor,
            'q10' => $this->q10,
            'offset' => $this->offset,
            'rests_on' => $this->restsOn,
            'doubted' => $this->doubted,
            'warnings' => Warning::all($this->warnings),
            ...$times,
        ];
    }
}

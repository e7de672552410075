<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/**
 * The softener curve of a base, as far as sheet and pucks tell.
 *
 * @phpstan-type HardenShape array{
 *     c: float, k: float,
 *     curve: list<array{
 *         pct_of_ab: float, shore: array{scale: '00'|'A', reading: float}, other: array{scale: '00'|'A', reading: float}, low: float,
 *         high: float,
 *     }>,
 *     pucks: list<array{pct_of_ab: float, shore: array{scale: '00'|'A', reading: float}, off_sd: float, outlier: bool}>,
 *     for_target: array{pct_of_ab: float, pct_of_one_part: float, low: float, high: float}|null,
 *     rests_on: int, warnings: list<array{code: string, message: Phrase}>
 * }
 */
final readonly class HardenResult
{
    /**
     * @param  list<CurvePoint>  $curve
     * @param  list<JudgedPuck>  $pucks
     * @param  list<Warning>  $warnings
     */
    public function __construct(
        public float $c,
        public float $k,
        public array $curve,
        public array $pucks,
        public ?SoftenerAnswer $forTarget,
        public int $restsOn,
        public array $warnings,
    ) {}

    /** @return HardenShape */
    public function toArray(): array
    {
        return [
            'c' => $this->c,
            'k' => $this->k,
            'curve' => array_map(
                static fn (CurvePoint $p): array => [
                    'pct_of_ab' => $p->pctOfAB, 'shore' => $p->shore->toArray(), 'other' => $p->other->toArray(), 'low' => $p->low,
                    'high' => $p->high,
                ],
                $this->curve,
            ),
            'pucks' => array_map(
                static fn (JudgedPuck $p): array => [
                    'pct_of_ab' => $p->swatch->pctOfAB, 'shore' => $p->swatch->shore->toArray(), 'off_sd' => $p->offSd,
                    'outlier' => $p->isOutlier,
                ],
                $this->pucks,
            ),
            'for_target' => $this->forTarget === null ? null : [
                'pct_of_ab' => $this->forTarget->pctOfAB, 'pct_of_one_part' => $this->forTarget->pctOfOnePart,
                'low' => $this->forTarget->low, 'high' => $this->forTarget->high,
            ],
            'rests_on' => $this->restsOn,
            'warnings' => Warning::all($this->warnings),
        ];
    }
}

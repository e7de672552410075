<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/** The kinds of moulds for a piece, best first. */
final readonly class MouldResult
{
    /**
     * @param  list<RankedMould>  $ranked
     * @param  list<Phrase>  $schools
     * @param  list<Warning>  $warnings
     */
    public function __construct(public array $ranked, public array $schools, public float $marginMm, public array $warnings) {}

    /**
     * @return array{
     *     ranked: list<array{
     *         kind: string, name: string, score: float, for: list<Phrase>, against: list<Phrase>, parts: list<string>, chemistry: string,
     *         hardness: array{low: float, high: float, why: Phrase}|null, rubber_ml: float, rubber_g: float, hours: float, cost: float
     *     }>,
     *     schools: list<Phrase>, margin_mm: float, warnings: list<array{code: string, message: Phrase}>
     * }
     */
    public function toArray(): array
    {
        return [
            'ranked' => array_map(static fn (RankedMould $m): array => [
                'kind' => $m->kind, 'name' => $m->name, 'score' => $m->score, 'for' => $m->for, 'against' => $m->against,
                'parts' => $m->parts, 'chemistry' => $m->chemistry,
                'hardness' => $m->hardness, 'rubber_ml' => $m->materialMl, 'rubber_g' => $m->materialG, 'hours' => $m->hours,
                'cost' => $m->cost,
            ], $this->ranked),
            'schools' => $this->schools,
            'margin_mm' => $this->marginMm,
            'warnings' => Warning::all($this->warnings),
        ];
    }
}

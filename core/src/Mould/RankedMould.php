<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Phrase\Phrase;

/** One kind of mould for one piece: its score, the reasons, and roughly what it takes. Costs in the shop's money. */
final readonly class RankedMould
{
    /**
     * @param  list<Phrase>  $for
     * @param  list<Phrase>  $against
     * @param  list<string>  $parts
     * @param  array{low: float, high: float, why: Phrase}|null  $hardness  Shore A
     * @param  array<string, float>  $weights  how much each reason moved it, by its text
     */
    public function __construct(
        public string $kind, public string $name, public float $score, public array $for, public array $against, public array $parts,
        public string $chemistry,
        public ?array $hardness, public float $materialMl, public float $materialG, public float $hours, public float $cost,
        public array $weights = [],
    ) {}
}

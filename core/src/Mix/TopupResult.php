<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Grams;

/** What to add to a mis-weighed cup so that every proportion holds again. */
final readonly class TopupResult
{
    /**
     * @param  float  $k  factor on the plan, 1 or more
     * @param  array<string, Grams>  $planned  the new plan
     * @param  list<Line>  $lines  what is still to add; running totals count from what is in the cup
     * @param  Grams  $extra  how much more the cup makes than planned
     * @param  list<Warning>  $warnings
     */
    public function __construct(
        public bool $needed,
        public float $k,
        public array $planned,
        public array $lines,
        public Grams $extra,
        public bool $fits,
        public float $ratioErrorIfIgnoredPct,
        public array $warnings,
    ) {}

    /**
     * @return array{
     *     needed: bool, k: float, planned: array<string, float>, lines: list<array{add: string, grams: float, running: float}>,
     *     extra_g: float, fits: bool, ratio_error_if_ignored_pct: float, warnings: list<array{code: string, message: Phrase}>
     * }
     */
    public function toArray(): array
    {
        return [
            'needed' => $this->needed,
            'k' => $this->k,
            'planned' => array_map(static fn (Grams $grams): float => $grams->g, $this->planned),
            'lines' => array_map(static fn (Line $line): array => $line->toArray(), $this->lines),
            'extra_g' => $this->extra->g,
            'fits' => $this->fits,
            'ratio_error_if_ignored_pct' => $this->ratioErrorIfIgnoredPct,
            'warnings' => Warning::all($this->warnings),
        ];
    }
}

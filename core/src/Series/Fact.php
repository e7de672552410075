<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

/** One fact of the weigh-up of a series. `at` is in minutes since it began; the clock is handed in by whoever records it. */
final readonly class Fact
{
    /**
     * @param  string  $vessel  and the line of it, where the fact is about one
     * @param  float|null  $grams  what went in, or what is in
     * @param  int|null  $of  the fact that is taken back
     */
    public function __construct(public int $id, public FactKind $kind, public float $at, public string $vessel = '', public int $line = 0, public ?float $grams = null, public ?int $of = null) {}
}

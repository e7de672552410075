<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Day\DayOperation;

/** One operation on the day: what the planner moves, and what a maker sees of it. */
final readonly class DayWork
{
    /**
     * @param  string  $state  done, live, planned
     * @param  float|null  $opens  minutes of the day from which its window is open, and until when
     * @param  string  $gloves  which to put on, where it is mixed
     * @param  bool  $missed  its window has shut without it
     */
    public function __construct(
        public DayOperation $operation,
        public string $title,
        public string $name,
        public string $href,
        public string $state,
        public string $colour,
        public int $build,
        public string $step,
        public bool $moves,
        public ?float $opens = null,
        public ?float $shuts = null,
        public bool $missed = false,
        public string $gloves = '',
    ) {}
}

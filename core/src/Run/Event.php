<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

/** One fact of a run. `at` is in minutes since the run began, to the fraction; the clock is handed in by whoever records it. */
final readonly class Event
{
    /** @param  array<string, mixed>  $payload */
    public function __construct(
        public int $id,
        public EventKind $kind,
        public float $at,
        public array $payload = [],
    ) {}

    public function text(string $key): ?string
    {
        $value = $this->payload[$key] ?? null;

        return is_string($value) ? $value : null;
    }

    public function number(string $key): ?float
    {
        $value = $this->payload[$key] ?? null;

        return is_int($value) || is_float($value) ? (float) $value : null;
    }
}

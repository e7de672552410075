<?php

declare(strict_types=1);

namespace Apalos\Core\Facts;

/**
 * One thing that happened. `at` is in minutes since its stream began, to the fraction; the clock is handed in by whoever records it.
 *
 * @template-covariant K of FactKind
 */
final readonly class Fact
{
    /**
     * @param  K  $kind
     * @param  array<string, mixed>  $payload
     */
    public function __construct(
        public int $id,
        public FactKind $kind,
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

    /** When it happened, in minutes of its stream: as it was told, or as somebody said afterwards that it was. */
    public function happened(): float
    {
        return $this->number('done_min') ?? $this->at;
    }

    /** What it was to begin with: not told by anybody, and nothing to take back. */
    public function isFirst(): bool
    {
        return ($this->payload['first'] ?? false) === true;
    }

    /** The number of the fact it takes back. */
    public function undoes(): ?int
    {
        $of = $this->kind->isUndoing() ? $this->number('of') : null;

        return $of === null ? null : (int) $of;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

/**
 * When something that cures can be used, held against the day it is wanted by.
 *
 * @phpstan-type ReadyShape array{ready_ms: int|null, full: bool, wanted_on: string|null, late_days: int}
 */
final readonly class ReadyResult
{
    private const DAY_MS = 86_400_000;

    /**
     * @param  int|null  $readyMs  moment; null where its sheet has no such time
     * @param  bool  $isFull  fully cured; else it may first serve
     * @param  string|null  $wantedOn  day
     * @param  int|null  $wantedMs  the end of that day by the clock on the wall
     */
    public function __construct(public ?int $readyMs, public bool $isFull, public ?string $wantedOn, private ?int $wantedMs) {}

    /** Days it comes too late, a day begun counted whole. */
    public function lateDays(): int
    {
        return $this->readyMs === null || $this->wantedMs === null
            ? 0
            : (int) max(0, ceil(($this->readyMs - $this->wantedMs) / self::DAY_MS));
    }

    /** @return ReadyShape */
    public function toArray(): array
    {
        return ['ready_ms' => $this->readyMs, 'full' => $this->isFull, 'wanted_on' => $this->wantedOn, 'late_days' => $this->lateDays()];
    }
}

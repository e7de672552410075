<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

/** How far the run of a mixing operation is, in minutes of the build. */
final readonly class Laid
{
    /** @param  float|null  $endedAt  when the last of it was where it belongs */
    public function __construct(public float $startedAt, public ?float $endedAt) {}
}

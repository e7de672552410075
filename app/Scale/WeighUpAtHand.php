<?php

declare(strict_types=1);

namespace App\Scale;

use Apalos\Core\Scale\Expected;

/** A weigh-up that may want the scale: a run or a series, with what its display must show just now. */
final readonly class WeighUpAtHand
{
    /** @param  Expected|null  $expected  null while nothing of it stands on the scale */
    public function __construct(
        public string $stream,
        public int $id,
        public string $title,
        public string $href,
        public bool $isWeighing,
        public ?Expected $expected,
    ) {}

    public function is(self $other): bool
    {
        return $this->stream === $other->stream && $this->id === $other->id;
    }
}

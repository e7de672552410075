<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

/** A coat that was touched. */
final readonly class Felt
{
    /**
     * @param  int  $fact  number of the fact that tells it
     * @param  float  $at  minutes of the build
     * @param  bool  $sure  it was asked about, and confirmed
     * @param  bool  $leftOut  somebody found it to be a slip: it moves no window and teaches nothing
     */
    public function __construct(
        public int $fact,
        public float $at,
        public Finger $finger,
        public bool $sure = false,
        public bool $leftOut = false,
    ) {}
}

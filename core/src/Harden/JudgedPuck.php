<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Result\Say;
use Apalos\Core\Result\Warning;

/** A puck held against all the others: how far off it reads, in standard deviations of what they let expect; plus is harder. */
final readonly class JudgedPuck
{
    public function __construct(public SoftenedPuck $swatch, public float $offSd, public bool $isOutlier) {}

    /** What to ask about it, where it contradicts the rest. */
    public function question(): ?Warning
    {
        return $this->isOutlier ? new Warning('outlier', sprintf(
            'The puck at %s %% reads far %s than the sheet and the other pucks let expect (%s times the usual scatter): misread, mismixed, or on the other scale. Read it again or leave it out.',
            Say::number($this->swatch->pctOfAB), $this->offSd > 0.0 ? 'harder' : 'softer', Say::number(abs($this->offSd)),
        )) : null;
    }
}

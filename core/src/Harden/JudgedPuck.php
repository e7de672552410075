<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/** A puck held against all the others: how far off it reads, in standard deviations of what they let expect; plus is harder. */
final readonly class JudgedPuck
{
    public function __construct(public SoftenedPuck $swatch, public float $offSd, public bool $isOutlier) {}

    /** What to ask about it, where it contradicts the rest. */
    public function question(): ?Warning
    {
        return $this->isOutlier
            ? new Warning(
                'outlier',
                Phrase::of($this->offSd > 0.0 ? 'harden.outlier_harder' : 'harden.outlier_softer', [
                    'pct' => $this->swatch->pctOfAB, 'scatter' => abs($this->offSd),
                ]),
            )
            : null;
    }
}

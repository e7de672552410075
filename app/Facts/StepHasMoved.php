<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Phrase\Phrase;
use RuntimeException;

/** Somebody confirmed a step that is no longer, or not yet, the one at hand: another screen was faster. */
final class StepHasMoved extends RuntimeException
{
    public function __construct(public readonly Phrase $says)
    {
        parent::__construct($says->code);
    }
}

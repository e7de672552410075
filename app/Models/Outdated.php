<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Phrase\Phrase;
use RuntimeException;

/** It was changed elsewhere since it was shown: nothing was written, and both are there to be looked at. */
final class Outdated extends RuntimeException
{
    public function __construct(public readonly Phrase $says)
    {
        parent::__construct('It was changed since it was shown.');
    }

    public static function of(Pour|Job|Impression|Formula|ColourTarget|OwnSheet|Swatch|TestPatch|Workshop $record): self
    {
        return new self(Phrase::of('bench.changed_since', ['what' => $record->calledOnScreen()]));
    }
}

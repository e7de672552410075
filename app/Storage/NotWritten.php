<?php

declare(strict_types=1);

namespace App\Storage;

use Apalos\Core\Phrase\Phrase;
use RuntimeException;

/** A file could not be read or written: the disk is full, or somebody else's. */
final class NotWritten extends RuntimeException
{
    public function __construct(public readonly Phrase $says)
    {
        parent::__construct($says->code);
    }
}

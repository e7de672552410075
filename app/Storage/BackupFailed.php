<?php

declare(strict_types=1);

namespace App\Storage;

use Apalos\Core\Phrase\Phrase;
use RuntimeException;

/** Why a backup could not be taken or put back, in a sentence. */
final class BackupFailed extends RuntimeException
{
    public function __construct(public readonly Phrase $says)
    {
        parent::__construct($says->code);
    }
}

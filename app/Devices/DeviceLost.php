<?php

declare(strict_types=1);

namespace App\Devices;

use Apalos\Core\Phrase\Phrase;
use RuntimeException;

/** A device that does not answer, or not in words that can be understood. The message is for the maker. */
final class DeviceLost extends RuntimeException
{
    public function __construct(public readonly Phrase $says)
    {
        parent::__construct($says->code);
    }
}

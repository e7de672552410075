<?php

declare(strict_types=1);

namespace App\Devices;

use Apalos\Core\Phrase\Phrase;
use RuntimeException;

/** A label was handed over and nothing was heard of it: only somebody who looks knows whether it came out. */
final class PrinterUnsure extends RuntimeException
{
    public function __construct(public readonly Phrase $says)
    {
        parent::__construct($says->code);
    }
}

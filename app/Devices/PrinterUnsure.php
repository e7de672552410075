<?php

declare(strict_types=1);

namespace App\Devices;

use RuntimeException;

/** A label was handed over and nothing was heard of it: only somebody who looks knows whether it came out. */
final class PrinterUnsure extends RuntimeException {}

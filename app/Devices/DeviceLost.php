<?php

declare(strict_types=1);

namespace App\Devices;

use RuntimeException;

/** A device that does not answer, or not in words that can be understood. The message is for the maker. */
final class DeviceLost extends RuntimeException {}

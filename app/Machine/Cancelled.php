<?php

declare(strict_types=1);

namespace App\Machine;

use RuntimeException;

/** Somebody stopped it: what it had taken in goes out again. */
final class Cancelled extends RuntimeException {}

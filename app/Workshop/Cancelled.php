<?php

declare(strict_types=1);

namespace App\Workshop;

use RuntimeException;

/** Somebody stopped it: what it had taken in goes out again. */
final class Cancelled extends RuntimeException {}

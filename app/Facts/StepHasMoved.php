<?php

declare(strict_types=1);

namespace App\Facts;

use RuntimeException;

/** Somebody confirmed a step that is no longer, or not yet, the one at hand: another screen was faster. */
final class StepHasMoved extends RuntimeException {}

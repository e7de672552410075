<?php

declare(strict_types=1);

namespace App\Facts;

use RuntimeException;

/**
 * Under the key of a fact that is already written down, something else was sent. It is refused aloud: neither silently lost nor silently
 * taken.
 */
final class FactDiffers extends RuntimeException
{
    public static function from(string $kind): self
    {
        return new self(
            "Something else was already written down for this step (“{$kind}”), and it stands. Look at what is in, take it back if it is wrong, and enter yours again.",
        );
    }
}

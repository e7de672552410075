<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Phrase\Phrase;
use RuntimeException;

/**
 * Under the key of a fact that is already written down, something else was sent. It is refused aloud: neither silently lost nor silently
 * taken.
 */
final class FactDiffers extends RuntimeException
{
    private function __construct(public readonly Phrase $says)
    {
        parent::__construct($says->code);
    }

    public static function from(string $kind): self
    {
        return new self(Phrase::of('bench.something_else_already_written', ['kind' => $kind]));
    }
}

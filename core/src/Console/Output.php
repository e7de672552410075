<?php

declare(strict_types=1);

namespace Apalos\Core\Console;

/** What a console command leaves behind: its exit code and what it prints. */
final readonly class Output
{
    public function __construct(public int $exit, public string $text) {}
}

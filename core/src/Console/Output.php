<?php

declare(strict_types=1);

namespace Apalos\Core\Console;

/** What a console command leaves behind: its exit code, what it prints, and files it was asked to write. */
final readonly class Output
{
    /** @param  array<string, string>  $files  bytes by path */
    public function __construct(public int $exit, public string $text, public array $files = []) {}
}

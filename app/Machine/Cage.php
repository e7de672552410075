<?php

declare(strict_types=1);

namespace App\Machine;

use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;

/**
 * Work that may be too much for the machine (a mesh, a photo unpacked), in a process group of its own: so much memory, so many seconds,
 * last in the queue, and gone when its time is up or whoever started it is no more. See bin/caged.
 */
final class Cage
{
    /**
     * @param  list<string>  $script  a PHP script and what it is told
     * @param  int  $megabytes  what the script may have; what it takes to run PHP itself comes on top
     * @param  float  $seconds  of the wall clock and of the processor
     */
    public static function php(array $script, int $megabytes, float $seconds): Process
    {
        return new Process(
            [
                base_path('bin/caged'), (string) (2 * $megabytes + 512), (string) (int) ceil($seconds),
                (new PhpExecutableFinder)->find() ?: 'php', '-d', "memory_limit={$megabytes}M", ...$script,
            ],
            env: ['APALOS_JIT' => false], timeout: null,
        );
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use PHPUnit\Framework\TestCase;

/** The whole board, written out for a person: what a change of the library changes is seen there. */
final class BoardTest extends TestCase
{
    private const ROOT = __DIR__.'/../../..';

    public function test_the_board_that_is_written_out_is_the_one_that_judges(): void
    {
        exec(escapeshellarg(PHP_BINARY).' '.escapeshellarg(self::ROOT.'/bin/board').' 2>&1', $lines, $status);
        self::assertSame(0, $status, implode("\n", array_slice($lines, 0, 5)));
        self::assertSame(
            file_get_contents(self::ROOT.'/docs/board.txt'), implode("\n", $lines)."\n", 'Write it anew: bin/board > docs/board.txt',
        );
        self::assertCount(
            count(Shipped::knowledge()->families) * count(Shipped::knowledge()->surfaces),
            array_filter($lines, static fn (string $line): bool => $line !== '' && $line[0] !== ' '),
        );
    }
}

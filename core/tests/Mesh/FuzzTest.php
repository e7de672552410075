<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Mesh\Limits;
use Apalos\Core\Mesh\MeshFormat;
use Apalos\Core\Mesh\MeshReader;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use SplFileObject;

/** Files that were damaged on the way: bytes changed, cut out, doubled, swapped. Each is read, or refused with a sentence; nothing else. */
final class FuzzTest extends TestCase
{
    private const EACH = 20_000;

    private const MOST_MEMORY = 48 * Limits::MEGABYTE;

    /** @return iterable<string, array{string, string}> */
    public static function written(): iterable
    {
        yield from Files::of(Shapes::sphere(7.0, 5));
    }

    #[DataProvider('written')]
    public function test_no_damaged_file_does_harm(string $bytes, string $ending): void
    {
        $random = new Randomizer(new Mt19937(crc32($ending.strlen($bytes))));
        // In memory where there is such a place: it is written twenty thousand times.
        $path = (string) tempnam(is_writable('/dev/shm') ? '/dev/shm' : sys_get_temp_dir(), 'fuzz');
        $read = $refused = 0;
        memory_reset_peak_usage();
        $before = memory_get_usage();
        for ($i = 0; $i < self::EACH; $i++) {
            file_put_contents($path, self::damaged($bytes, $random));
            try {
                $mesh = (new MeshReader)->read(new SplFileObject($path, 'rb'), MeshFormat::from($ending))->mesh;
                self::assertGreaterThanOrEqual(0, $mesh->facets());
                $read++;
            } catch (BadInput $wrong) {
                self::assertMatchesRegularExpression('/[.?]$/u', Words::of($wrong));
                $refused++;
            }
        }
        unlink($path);

        self::assertSame(self::EACH, $read + $refused);
        self::assertGreaterThan(0, $refused);
        self::assertLessThan(self::MOST_MEMORY, memory_get_peak_usage() - $before);
    }

    private static function damaged(string $bytes, Randomizer $random): string
    {
        for ($times = $random->getInt(1, 4); $times > 0; $times--) {
            $at = $random->getInt(0, max(0, strlen($bytes) - 1));
            $long = $random->getInt(1, 40);
            $bytes = match ($random->getInt(0, 7)) {
                0 => substr_replace($bytes, $random->getBytes(1), $at, 1),
                1 => substr_replace($bytes, $random->getBytes($long), $at, $long),
                2 => substr_replace($bytes, '', $at, $long),
                3 => substr_replace($bytes, substr($bytes, $at, $long), $at, 0),
                4 => substr($bytes, 0, $at),
                5 => substr_replace(
                    $bytes,
                    [
                        "\xff\xff\xff\xff", "\0\0\0\0", "\x7f\x80\0\0", '-1', '99999999', 'nan', '1e999', '<!ENTITY', '../',
                    ][$random->getInt(0, 8)],
                    $at, 4,
                ),
                // The head is where it hurts.
                6 => substr_replace($bytes, $random->getBytes(2), $random->getInt(0, min(120, max(0, strlen($bytes) - 1))), 2),
                default => $bytes.$random->getBytes($long),
            };
        }

        return $bytes;
    }
}

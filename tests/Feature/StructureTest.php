<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** Arrows run one way: what writes does not know what a screen shows, and the craft knows no framework. */
final class StructureTest extends TestCase
{
    private const ROOT = __DIR__.'/../../';

    /** What each room of the application may rest on. */
    private const RESTS_ON = [
        'Models' => [],
        'Devices' => [],
        'Machine' => [],
        'Workshop' => ['Models', 'Devices', 'Machine'],
        'Keeping' => ['Models', 'Workshop'],
        'Facts' => ['Models', 'Workshop', 'Keeping'],
        'Actions' => ['Models', 'Workshop', 'Keeping', 'Facts', 'Machine'],
        'Exchange' => ['Models', 'Workshop', 'Actions'],
        'Database' => ['Models', 'Workshop', 'Keeping'],
        'Storage' => [],
        'Reads' => ['Models', 'Workshop', 'Keeping', 'Devices', 'Database', 'Machine'],
    ];

    /** @return iterable<string, array{string, list<string>}> */
    public static function rooms(): iterable
    {
        foreach (self::RESTS_ON as $room => $on) {
            yield $room => [$room, $on];
        }
    }

    /** @param  list<string>  $on */
    #[DataProvider('rooms')]
    public function test_a_room_rests_only_on_those_below_it(string $room, array $on): void
    {
        foreach (self::used("app/{$room}") as $file => $names) {
            foreach ($names as $name) {
                if (preg_match('/^App\\\\([A-Za-z]+)/', $name, $part) === 1 && $part[1] !== $room) {
                    self::assertContains($part[1], $on, "{$file} uses {$name}");
                }
            }
        }
        self::assertNotSame([], self::used("app/{$room}"));
    }

    public function test_no_room_rests_on_one_that_rests_on_it(): void
    {
        foreach (self::RESTS_ON as $room => $on) {
            foreach ($on as $below) {
                self::assertNotContains($room, self::RESTS_ON[$below], "{$room} and {$below}");
            }
        }
    }

    public function test_the_craft_knows_neither_the_framework_nor_the_application(): void
    {
        foreach (self::used('core/src') as $file => $names) {
            foreach ($names as $name) {
                self::assertDoesNotMatchRegularExpression('/^(App|Illuminate|Inertia|Carbon|Symfony)\\\\/', $name, $file);
            }
        }
    }

    public function test_the_craft_asks_neither_the_clock_nor_the_disk(): void
    {
        foreach (self::files('core/src') as $path) {
            $code = (string) preg_replace('#/\*.*?\*/|//[^\n]*#s', '', (string) file_get_contents($path));
            self::assertDoesNotMatchRegularExpression('/(?<![\w>:$])(?<!function )(time|microtime|hrtime|date|file_get_contents|fopen|glob|getenv|rand|mt_rand|random_int)\s*\(/', $code, $path);
        }
    }

    /** @return array<string, list<string>> what each file imports */
    private static function used(string $folder): array
    {
        $used = [];
        foreach (self::files($folder) as $path) {
            preg_match_all('/^use ([A-Za-z\\\\]+)(?: as \w+)?;$/m', (string) file_get_contents($path), $found);
            $used[basename($path)] = $found[1];
        }

        return $used;
    }

    /** @return list<string> */
    private static function files(string $folder): array
    {
        $files = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(self::ROOT.$folder, RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
                $files[] = $file->getPathname();
            }
        }

        return $files;
    }
}

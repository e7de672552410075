<?php

declare(strict_types=1);

namespace Apalos\Core\Tests;

use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** The core knows nobody: no framework, no application, no clock, no environment, no files. */
final class ArchitectureTest extends TestCase
{
    private const FORBIDDEN = '/\b(Illuminate|App\\\\|Carbon|DB::|Http\\\\|\$_(?:GET|POST|SERVER|ENV)|getenv|env\(|microtime|hrtime|time\(\)|date\(|DateTime|file_(?:get|put)_contents|fopen|glob\(|mt_rand|random_int|rand\(|static function __callStatic)/';

    private const LONGEST_FILE = 300;

    /** @return iterable<string, string> */
    private static function sources(string $folder): iterable
    {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
                yield substr($file->getPathname(), strlen($folder) + 1) => (string) file_get_contents($file->getPathname());
            }
        }
    }

    public function test_the_core_names_nothing_outside_itself(): void
    {
        $seen = 0;
        foreach (self::sources(dirname(__DIR__).'/src') as $name => $code) {
            // Comments may speak of time and of files.
            $plain = implode('', array_map(static fn ($token): string => is_array($token) ? (in_array($token[0], [T_COMMENT, T_DOC_COMMENT], true) ? '' : $token[1]) : $token, token_get_all($code)));
            self::assertDoesNotMatchRegularExpression(self::FORBIDDEN, $plain, $name);
            self::assertStringContainsString('declare(strict_types=1);', $code, $name);
            $seen++;
        }
        self::assertGreaterThan(40, $seen);
    }

    public function test_the_guard_itself_would_notice(): void
    {
        foreach (['use Illuminate\Support\Str;', 'new App\Models\Pour', '$x = time();', "env('HOME')", 'file_get_contents($f)'] as $offence) {
            self::assertMatchesRegularExpression(self::FORBIDDEN, $offence);
        }
    }

    public function test_every_file_holds_one_idea(): void
    {
        foreach ([...self::sources(dirname(__DIR__).'/src')] as $name => $code) {
            self::assertLessThanOrEqual(self::LONGEST_FILE, substr_count($code, "\n"), $name);
        }
    }
}

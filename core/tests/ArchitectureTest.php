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

    private const LONGEST_FILE = 340;

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
            $plain = implode(
                '',
                array_map(
                    static fn ($token): string => is_array($token)
                        ? (in_array($token[0], [T_COMMENT, T_DOC_COMMENT], true) ? '' : $token[1])
                        : $token,
                    token_get_all($code),
                ),
            );
            self::assertDoesNotMatchRegularExpression(self::FORBIDDEN, $plain, $name);
            self::assertStringContainsString('declare(strict_types=1);', $code, $name);
            $seen++;
        }
        self::assertGreaterThan(40, $seen);
    }

    public function test_the_guard_itself_would_notice(): void
    {
        foreach ([
            'use Illuminate\Support\Str;', 'new App\Models\Pour', '$x = time();', "env('HOME')", 'file_get_contents($f)',
        ] as $offence) {
            self::assertMatchesRegularExpression(self::FORBIDDEN, $offence);
        }
    }

    public function test_every_file_holds_one_idea(): void
    {
        foreach ([...self::sources(dirname(__DIR__).'/src')] as $name => $code) {
            self::assertLessThanOrEqual(self::LONGEST_FILE, substr_count($code, "\n"), $name);
        }
    }

    public function test_no_two_rooms_lean_on_each_other_however_far_round(): void
    {
        $leans = [];
        foreach (self::sources(dirname(__DIR__).'/src') as $name => $code) {
            $room = explode('/', $name)[0];
            preg_match_all('/\bApalos\\\\Core\\\\([A-Z][A-Za-z]*)\\\\/', $code, $named);
            $leans[$room] = array_unique([...$leans[$room] ?? [], ...array_diff($named[1], [$room])]);
        }
        self::assertSame([], self::circle(['One' => [], 'Two' => ['One']]));
        self::assertSame(['Two', 'One', 'Two'], self::circle(['One' => ['Two'], 'Two' => ['One']], 'Two'));
        foreach (array_keys($leans) as $room) {
            self::assertSame([], self::circle($leans, $room), 'Rooms that lean on each other.');
        }
    }

    /**
     * @param  array<string, array<string>>  $leans
     * @return list<string> the way round from a room to itself; nothing where there is none
     */
    private static function circle(array $leans, string $from = 'One'): array
    {
        $ways = [[$from]];
        $seen = [];
        while (($way = array_shift($ways)) !== null) {
            foreach ($leans[$way[count($way) - 1]] ?? [] as $next) {
                if ($next === $from) {
                    return [...$way, $from];
                }
                if (! isset($seen[$next])) {
                    $seen[$next] = true;
                    $ways[] = [...$way, $next];
                }
            }
        }

        return [];
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** One subject is one folder, and arrows between folders run one way: a room names only rooms that stand before it here. */
final class HouseTest extends TestCase
{
    /** From the ground up. */
    private const ROOMS = [
        // What everything stands on: records, types of what is sent, the machine, its disk and its devices.
        'Models', 'Types', 'Machine', 'Database', 'Storage', 'Devices', 'Lists', 'Labels',
        // What is told and by whom, how warm it is, what is known, what is put together once for many looks.
        'Facts', 'People', 'Room', 'Library', 'Looks',
        // The craft, subject by subject.
        'Contacts', 'Log', 'PourSheets', 'Scale', 'Swatches', 'Stock', 'Costs', 'Formulas', 'Moulds', 'Builds', 'Jobs', 'Studies', 'Pours',
        'Faults', 'Day', 'Ways', 'Practice', 'Shop', 'Exchange', 'Paper',
        // The doors: what lifts old data, what works beside the bench, what answers a browser, what is typed on the machine itself.
        'Upgrades', 'Queue', 'Http', 'Console', 'Providers',
    ];

    /** @return iterable<string, string> code by its path below `app/` */
    private static function files(): iterable
    {
        $app = dirname(__DIR__, 2).'/app';
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($app, RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
                yield substr($file->getPathname(), strlen($app) + 1) => (string) file_get_contents($file->getPathname());
            }
        }
    }

    /** @return list<string> every room a file names: imported, written out in full, in a comment or in a text */
    private static function named(string $code): array
    {
        preg_match_all('/\bApp\\\\{1,2}([A-Z][A-Za-z]*)\\\\/', $code, $found);

        return array_values(array_unique($found[1]));
    }

    public function test_every_room_has_its_place_and_names_only_those_before_it(): void
    {
        $place = array_flip(self::ROOMS);
        $seen = [];
        foreach (self::files() as $path => $code) {
            $room = explode('/', $path)[0];
            self::assertArrayHasKey(
                $room, $place, "app/{$path} lies in a room nobody has given a place: a subject has one folder, in HouseTest::ROOMS.",
            );
            $seen[$room] = true;
            foreach (self::named($code) as $other) {
                self::assertArrayHasKey($other, $place, "app/{$path} names App\\{$other}, which is no room.");
                self::assertLessThanOrEqual($place[$room], $place[$other], "app/{$path} names App\\{$other}, which stands above {$room}.");
            }
        }
        self::assertSame([], array_diff(self::ROOMS, array_keys($seen)), 'A room nobody lives in.');
    }

    public function test_the_guard_itself_would_notice(): void
    {
        self::assertSame(
            ['Pours', 'Day', 'Http', 'Jobs'],
            self::named(
                "use App\\Pours\\StartPour;\nuse App\\Pours\\RunStream; \\App\\Day\\DayDesk::class; // {@see \\App\\Http\\Reply}\n'App\\\\Jobs\\\\JobView'",
            ),
        );
        self::assertSame([], self::named('namespace Tests\\App; $happened = "an app\\log";'));
    }

    public function test_there_is_no_drawer_for_everything(): void
    {
        foreach (['Workshop', 'Keeping', 'Reads', 'Actions', 'Services', 'Helpers', 'Support', 'Utils'] as $drawer) {
            self::assertNotContains($drawer, self::ROOMS);
        }
        $files = [];
        foreach (self::files() as $path => $_) {
            $room = explode('/', $path)[0];
            $files[$room] = ($files[$room] ?? 0) + 1;
        }
        unset($files['Http']);
        self::assertLessThanOrEqual(45, max($files), 'A room of more is two subjects.');
    }

    /** What is written does not hang on what a screen shows. */
    public function test_what_is_done_names_no_view(): void
    {
        $actions = 0;
        foreach (self::files() as $path => $code) {
            if (
                preg_match('/public function __invoke\(/', $code) === 1
                && ! str_starts_with($path, 'Http/')
                && ! str_ends_with($path, 'ReadBench.php')
            ) {
                self::assertDoesNotMatchRegularExpression('/\\\\[A-Z][A-Za-z]+View;/', $code, "app/{$path}");
                $actions++;
            }
        }
        self::assertGreaterThan(30, $actions);
    }

    /** What is one text may be longer; what is code may not. */
    public function test_a_line_ends_where_an_eye_does(): void
    {
        $root = dirname(__DIR__, 2);
        $long = [];
        foreach (['app', 'config', 'core/src', 'core/tests', 'database', 'routes', 'tests'] as $folder) {
            $here = new RecursiveDirectoryIterator("{$root}/{$folder}", RecursiveDirectoryIterator::SKIP_DOTS);
            foreach (new RecursiveIteratorIterator($here) as $file) {
                if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
                    $lines = self::tooLong((string) file_get_contents($file->getPathname()));
                    $lines === [] || $long[substr($file->getPathname(), strlen($root) + 1)] = $lines;
                }
            }
        }
        self::assertSame([], $long);
        self::assertSame([2], self::tooLong("<?php\n\$a = ".str_repeat('$b + ', 40)."1;\n"));
        self::assertSame([2], self::tooLong("<?php\n// ".str_repeat('word ', 40)."\n"));
        self::assertSame([], self::tooLong("<?php\n\$a = '".str_repeat('word ', 40)."';\n"));
    }

    /** @return list<int> lines of more than 140 characters, a text in them counted as no more than 40 */
    private static function tooLong(string $code): array
    {
        $spare = [];
        $inText = false;
        foreach (\PhpToken::tokenize($code) as $token) {
            $inText = $token->text === '"' ? ! $inText : $inText;
            if ($inText || $token->is([T_CONSTANT_ENCAPSED_STRING, T_ENCAPSED_AND_WHITESPACE])) {
                foreach (explode("\n", $token->text) as $n => $part) {
                    $spare[$token->line + $n] = ($spare[$token->line + $n] ?? -40) + mb_strlen($part);
                }
            }
        }
        $lines = explode("\n", $code);

        return array_values(array_filter(
            range(1, count($lines)), static fn (int $n): bool => mb_strlen($lines[$n - 1]) - max(0, $spare[$n] ?? 0) > 140,
        ));
    }
}

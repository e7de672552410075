<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\TestCase;

/** From the name of a screen one finds its folder, its action and its test: the page that says so is true. */
final class HouseMapTest extends TestCase
{
    /** Where the core has nothing to say. */
    private const NOTHING = '–';

    public function test_every_screen_has_its_row(): void
    {
        $sent = [];
        foreach (glob(self::root().'/app/Http/Controllers/*.php') ?: [] as $file) {
            preg_match_all("/Reply::page\\('([a-z]+\\/[A-Za-z0-9]+)'/", (string) file_get_contents($file), $found);
            $sent = [...$sent, ...$found[1]];
        }
        $sent = array_values(array_unique($sent));
        sort($sent);

        self::assertSame($sent, array_column(self::rows(), 0));
    }

    public function test_every_place_a_row_names_is_there(): void
    {
        $missing = [];
        foreach (self::rows() as [$screen, $controller, $folder, $actions, $core, $tests]) {
            $places = [
                "resources/js/pages/{$screen}.svelte", "app/Http/Controllers/{$controller}.php",
                ...array_map(static fn (string $action): string => "app/{$folder}/{$action}.php", explode(' ', $actions)),
                ...($core === self::NOTHING ? [] : ["core/src/{$core}"]),
                ...array_map(
                    static fn (string $test): string => "tests/{$test}".(str_ends_with($test, '.spec') ? '.ts' : '.php'),
                    explode(' ', $tests),
                ),
            ];
            $isMissing = static fn (string $place): bool => ! file_exists(self::root()."/{$place}");
            $missing = [...$missing, ...array_filter($places, $isMissing)];
        }
        self::assertSame([], array_values($missing));
    }

    /** @return list<array{string, string, string, string, string, string}> */
    private static function rows(): array
    {
        preg_match_all(
            '/^\| ([a-z]+\/\S+) \| (\w+) \| (\w+) \| ([\w ]+) \| (\w+|–) \| ([\w\/. -]+) \|$/mu',
            (string) file_get_contents(self::root().'/docs/house.md'), $rows, PREG_SET_ORDER,
        );

        return array_map(static fn (array $row): array => [$row[1], $row[2], $row[3], $row[4], $row[5], $row[6]], $rows);
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** A word that had two meanings once has one: whoever gives it to another name says so on the page of words. */
final class OneWordTest extends TestCase
{
    private const PLACES = ['core/src', 'app', 'resources/js'];

    public function test_every_name_with_such_a_word_stands_on_its_page_and_every_name_there_is_one(): void
    {
        $names = self::names();
        $words = self::words();
        self::assertGreaterThan(15, count($words));
        foreach ($words as $word => $listed) {
            $found = array_values(array_filter($names, static fn (string $name): bool => self::has($name, $word)));
            sort($found);
            sort($listed);
            self::assertSame($listed, $found, "docs/words.md says of “{$word}” what it means, and lists the names that have it.");
        }
    }

    public function test_the_words_of_a_name_are_told_apart(): void
    {
        self::assertTrue(self::has('KeepPourSheet', 'sheet'));
        self::assertTrue(self::has('DayLook', 'look'));
        self::assertTrue(self::has('Patches', 'patch'));
        self::assertFalse(self::has('Impartial', 'part'));
        self::assertFalse(self::has('CardinalPoint', 'card'));
        self::assertFalse(self::has('Entry', 'try'));
    }

    private static function has(string $name, string $word): bool
    {
        return preg_match('/(?:^|(?<=[a-z0-9]))'.ucfirst($word).'(?:s|es)?(?=[A-Z0-9]|$)/', $name) === 1;
    }

    /** @return array<string, list<string>> the names that have it, by word */
    private static function words(): array
    {
        preg_match_all(
            '/^\| ([a-z]+) \| [^|]+ \| ([A-Za-z0-9 ]*)\|$/m',
            (string) file_get_contents(dirname(__DIR__, 2).'/docs/words.md'), $rows, PREG_SET_ORDER,
        );
        $words = [];
        foreach ($rows as [, $word, $names]) {
            $words[$word] = $word === 'word' ? [] : (preg_split('/ +/', trim($names), -1, PREG_SPLIT_NO_EMPTY) ?: []);
        }
        unset($words['word']);

        return $words;
    }

    /** @return list<string> of classes, components and modules, each once */
    private static function names(): array
    {
        $names = [];
        foreach (self::PLACES as $place) {
            $here = new RecursiveDirectoryIterator(dirname(__DIR__, 2)."/{$place}", RecursiveDirectoryIterator::SKIP_DOTS);
            foreach (new RecursiveIteratorIterator($here) as $file) {
                $called = $file instanceof SplFileInfo ? $file->getFilename() : '';
                if (preg_match('/^([A-Za-z0-9]+)(?:\.svelte)?\.(?:php|svelte|ts)$/', $called, $name) === 1) {
                    $names[ucfirst($name[1])] = true;
                }
            }
        }

        return array_keys($names);
    }
}

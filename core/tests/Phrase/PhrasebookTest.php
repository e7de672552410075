<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Phrase;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Measures;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Tests\Words;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;
use Symfony\Component\Yaml\Yaml;

/** One phrasebook turns codes and quantities into words and units, for screen, API and console alike. */
final class PhrasebookTest extends TestCase
{
    private const SENTENCES = ['t' => [
        'all' => '{name^} at {room:1}: {grams} in {n} {n#cup/cups}, {share:2} %, {sizes| × }, {steps|&}, {ways|or}.',
        'literal' => 'Stay {10 mm} from the rim at {85 °C}, with {2 spoons}.',
        'nested' => 'So {what~}!',
    ]];

    private static function say(Phrase $phrase, Measures $measures = Measures::Metric): string
    {
        return Phrasebook::of(self::SENTENCES, $measures)->say($phrase);
    }

    private static function everything(): Phrase
    {
        return Phrase::of('t.all', [
            'name' => 'softener', 'room' => Quantity::temperature(18.0), 'grams' => Quantity::mass(141.75), 'n' => 1, 'share' => 12.345,
            'sizes' => [Quantity::length(50.8), Quantity::length(25.4)], 'steps' => [10.0, 20.5, 30.0],
            'ways' => [Phrase::written('wait'), Phrase::written('stir')],
        ]);
    }

    public function test_values_are_said_as_the_sentence_asks(): void
    {
        self::assertSame(
            'Softener at 18 °C: 141.8 g in 1 cup, 12.35 %, 50.8 × 25.4 mm, 10, 20.5 and 30, wait or stir.', self::say(self::everything()),
        );
    }

    public function test_the_same_in_ounces_inches_and_degrees_fahrenheit(): void
    {
        self::assertSame(
            'Softener at 64.4 °F: 5 oz in 1 cup, 12.35 %, 2 × 1 in, 10, 20.5 and 30, wait or stir.',
            self::say(self::everything(), Measures::Imperial),
        );
    }

    public function test_quantities_that_are_part_of_the_words_are_turned_too_and_other_things_are_not(): void
    {
        self::assertSame('Stay 10 mm from the rim at 85 °C, with {2 spoons}.', self::say(Phrase::of('t.literal')));
        self::assertSame('Stay 0.39 in from the rim at 185 °F, with {2 spoons}.', self::say(Phrase::of('t.literal'), Measures::Imperial));
        self::assertSame('Hot at 170 °C, {whatever} stays.', self::say(Phrase::written('Hot at {170 °C}, {whatever} stays.')));
    }

    public function test_phrases_in_phrases_are_said_in_the_same_measures(): void
    {
        self::assertSame(
            'So stay 0.39 in from the rim at 185 °F, with {2 spoons}.!',
            self::say(Phrase::of('t.nested', ['what' => Phrase::of('t.literal')]), Measures::Imperial),
        );
    }

    /** @return iterable<string, array{Quantity, string, string}> */
    public static function quantities(): iterable
    {
        yield 'grams' => [Quantity::mass(710.93), '710.9 g', '25.077 oz'];
        yield 'a pinch' => [Quantity::mass(0.39), '0.39 g', '0.014 oz'];
        yield 'nothing' => [Quantity::mass(0.0), '0 g', '0 oz'];
        yield 'millilitres' => [Quantity::volume(163.87), '163.9 ml', '10 in³'];
        yield 'square centimetres' => [Quantity::area(64_516.0), '645.2 cm²', '100 in²'];
        yield 'minutes' => [Quantity::duration(119.0), '119 min', '119 min'];
        yield 'hours' => [Quantity::duration(150.0), '2.5 h', '2.5 h'];
        yield 'below freezing' => [Quantity::temperature(-40.0), '-40 °C', '-40 °F'];
    }

    #[DataProvider('quantities')]
    public function test_a_quantity_in_both_measures(Quantity $quantity, string $metric, string $imperial): void
    {
        self::assertSame([$metric, $imperial], [Measures::Metric->say($quantity), Measures::Imperial->say($quantity)]);
    }

    public function test_whatever_is_shown_is_told_to_its_depths(): void
    {
        $told = Phrasebook::of(self::SENTENCES)->tell(['a' => 1, 'b' => [['message' => Phrase::written('Yes.')], null, true]]);

        self::assertSame(['a' => 1, 'b' => [['message' => 'Yes.'], null, true]], $told);
        self::assertSame(
            ['error' => ['field' => 'x', 'message' => 'No.']],
            BadInput::at('x', Phrase::written('No.'))->told(Phrasebook::of(self::SENTENCES)),
        );
    }

    public function test_words_or_values_that_are_missing_are_noticed(): void
    {
        foreach ([Phrase::of('t.unheard'), Phrase::of('t.nested')] as $phrase) {
            try {
                self::say($phrase);
                self::fail('Something was said all the same.');
            } catch (LogicException $wrong) {
                self::assertStringContainsString($phrase->code, $wrong->getMessage());
            }
        }
    }

    /** Every code that stands in the core has words, and no words stand there that nobody says. */
    public function test_the_shipped_book_has_words_for_everything_the_core_says_and_for_nothing_else(): void
    {
        $source = '';
        foreach (new RecursiveIteratorIterator(
            new RecursiveDirectoryIterator(__DIR__.'/../../src', RecursiveDirectoryIterator::SKIP_DOTS),
        ) as $file) {
            $source .= $file instanceof SplFileInfo && $file->getExtension() === 'php'
                ? (string) file_get_contents($file->getPathname())
                : '';
        }
        preg_match_all("/'([a-z]+\\.[a-z0-9_-]+)'/", $source, $whole);
        preg_match_all('/"([a-z]+\\.[a-z0-9_-]*)\\{/', $source, $begun);
        $said = array_flip($whole[1]);
        $known = $said;
        foreach (Yaml::parseFile(__DIR__.'/../../../library/phrases/en.yaml') as $room => $phrases) {
            // The application's own room is held by its own test.
            foreach ($room === 'bench' ? [] : $phrases as $name => $sentence) {
                $code = "{$room}.{$name}";
                $isBegun = array_filter($begun[1], static fn (string $start): bool => str_starts_with($code, $start)) !== [];
                self::assertTrue(
                    isset($said[$code])
                        || $isBegun
                        || (str_ends_with($code, '_for_many') && isset($known[substr($code, 0, -9)]))
                        || in_array($code, self::SAID_BY_THE_APPLICATION, true),
                    "Nobody says “{$code}”.",
                );
                unset($said[$code]);
                self::assertNotSame('', trim((string) $sentence));
            }
        }
        $codes = array_filter(array_keys($said), static fn (string $code): bool => in_array(strtok($code, '.'), self::ROOMS, true));
        self::assertSame([], array_values($codes), 'These have no words.');
        self::assertSame(
            [],
            array_filter(
                $begun[1],
                static fn (string $start): bool => ! in_array(
                    strtok($start, '.'),
                    [...self::ROOMS, 'poured', 'days', 'additives', 'readings', 'rules', 'links', 'times', 'softening', 'shelf'], true,
                ),
            ),
        );
    }

    private const ROOMS = [
        'basis', 'console', 'contact', 'build', 'cost', 'cure', 'day', 'fault', 'fill', 'frame', 'harden', 'input', 'care', 'material',
        'mesh', 'mix', 'mould', 'paint', 'piece', 'pour', 'practice', 'series', 'sheet', 'tint', 'trial', 'units', 'volume', 'water',
        'ways',
    ];

    private const SAID_BY_THE_APPLICATION = [
        'piece.broke_off', 'piece.file_gone', 'piece.just', 'piece.took_too_long', 'piece.too_much_memory',
        'sheet.code_shipped', 'sheet.code_stays', 'sheet.code_taken', 'basis.pct_of_base',
    ];

    public function test_no_sentence_is_left_in_the_core(): void
    {
        foreach (new RecursiveIteratorIterator(
            new RecursiveDirectoryIterator(__DIR__.'/../../src', RecursiveDirectoryIterator::SKIP_DOTS),
        ) as $file) {
            if (! $file instanceof SplFileInfo || $file->getExtension() !== 'php') {
                continue;
            }
            foreach (token_get_all((string) file_get_contents($file->getPathname())) as $token) {
                $isText = is_array($token) && in_array($token[0], [T_CONSTANT_ENCAPSED_STRING, T_ENCAPSED_AND_WHITESPACE], true);
                // A sentence begins with a capital or a value, has three words, and ends.
                if (
                    $isText
                    && preg_match('/^.?[A-Z“]?[^\\\\\/|%]*[a-z’]+ [a-z]+ [a-z]+[^\\\\\/|]*[.?!]\W?$/u', $token[1]) === 1
                    && ! str_contains((string) $token[1], 'The phrasebook has')
                ) {
                    self::fail("{$file->getFilename()}: {$token[1]}");
                }
            }
        }
        self::assertSame('Write at least one reading.', Words::of(Phrase::of('harden.no_reading')));
    }
}

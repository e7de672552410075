<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Words;
use Apalos\Core\Tint\Lab;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Colours as they are typed, read and shown. */
final class LabTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{list<float|int|string>, string}> */
    public static function impossible(): iterable
    {
        yield 'lighter than white' => [[140, 0, 0], 'L is 0 to 100'];
        yield 'darker than black' => [[-1, 0, 0], 'L is 0 to 100'];
        yield 'a chroma nothing has' => [[50, 0, 160], '−150 to 150'];
        yield 'two numbers' => [[50, 10], 'three numbers'];
        yield 'four numbers' => [[50, 10, 10, 1], 'three numbers'];
        yield 'a strong yellow that is nearly black' => [[10, 0, 100], 'less light than none'];
        yield 'a pink that is brighter than its light' => [[98, 60, 0], 'more light than falls on it'];
        yield 'the order turned round: b, a, L' => [[18, 14, 120], 'less light than none'];
    }

    /** @param  list<float|int|string>  $lab */
    #[DataProvider('impossible')]
    public function test_what_is_no_colour_is_refused_in_a_sentence(array $lab, string $says): void
    {
        try {
            Lab::from(Fields::of(['lab' => $lab]), 'lab');
            self::fail('It was taken.');
        } catch (BadInput $wrong) {
            self::assertSame('lab', $wrong->field);
            self::assertStringContainsString($says, Words::of($wrong));
        }
    }

    /** @return iterable<string, array{array{float|int, float|int, float|int}}> */
    public static function readings(): iterable
    {
        yield 'a black card, with the noise of the instrument' => [[3, 1.2, -0.8]];
        yield 'paper with a brightener' => [[95.5, 3.2, -14.0]];
        yield 'white tile' => [[100, 0, 0]];
        yield 'forearm' => [[70, 9, 17]];
        yield 'the reddest red of a screen' => [[53.2, 80.1, 67.2]];
        yield 'the bluest blue of a screen' => [[32.3, 79.2, -107.9]];
        yield 'a yellow flower' => [[88, -2, 95]];
    }

    /** @param  array{float|int, float|int, float|int}  $lab */
    #[DataProvider('readings')]
    public function test_what_an_instrument_reads_is_taken(array $lab): void
    {
        self::assertEqualsWithDelta($lab, Lab::from(Fields::of(['lab' => $lab]), 'lab')->toArray(), 1e-12);
    }

    public function test_every_colour_a_screen_shows_comes_back_as_it_was_written(): void
    {
        $this->forAll(
            Generators::choose(0, 255), Generators::choose(0, 255), Generators::choose(0, 255),
        )->then(static function (int $r, int $g, int $b): void {
            $hex = sprintf('#%02x%02x%02x', $r, $g, $b);
            $lab = Lab::ofHex($hex);

            self::assertSame($hex, $lab->srgb());
            self::assertEqualsWithDelta($lab->toArray(), Lab::from(Fields::of(['lab' => $lab->toArray()]), 'lab')->toArray(), 1e-9);
            self::assertEqualsWithDelta($lab->toArray(), Lab::ofXyz($lab->xyz())->toArray(), 1e-6);
        });
    }
}

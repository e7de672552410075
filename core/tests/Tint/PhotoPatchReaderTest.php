<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Words;
use Apalos\Core\Tint\Difference;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Tint\PhotoPatchReader;
use Apalos\Core\Tint\PhotoPatchResult;
use Apalos\Core\Tint\Srgb;
use Apalos\Core\Tint\Translucency;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PhotoPatchReaderTest extends TestCase
{
    /**
     * What a camera makes of an even patch: the light's colour and strength, and a little noise.
     *
     * @param  array{float, float, float}  $light
     * @return list<list<int>>
     */
    private static function shot(Lab $colour, array $light, float $noise = 0.01, float $falloff = 0.0, int $pixels = 400): array
    {
        mt_srand(7);
        $shot = [];
        for ($i = 0; $i < $pixels; $i++) {
            $dim = 1.0 - $falloff * $i / $pixels;
            $shot[] = array_map(
                static fn (float $c, float $l): int => Srgb::byte(max(0.0, $c) * $l * $dim * (1.0 + $noise * mt_rand(-100, 100) / 100.0)),
                $colour->linear(), $light,
            );
        }

        return $shot;
    }

    /** @param  array<string, mixed>  $more */
    private static function read(Lab $swatch, array $light, array $more = [], float $noise = 0.01, float $falloff = 0.0): PhotoPatchResult
    {
        return (new PhotoPatchReader)->read(Fields::of([
            'card' => ['pixels' => self::shot(Lab::of(49.5, 0, 0), $light, $noise, $falloff), ...$more],
            'sample' => ['pixels' => self::shot($swatch, $light, $noise)],
        ]));
    }

    /** @return iterable<string, array{array{float, float, float}}> */
    public static function lights(): iterable
    {
        yield 'daylight' => [[1.0, 1.0, 1.0]];
        yield 'a dim room' => [[0.4, 0.4, 0.4]];
        yield 'a warm lamp' => [[1.05, 0.85, 0.7]];
        yield 'north window' => [[0.7, 0.8, 0.95]];
    }

    /** @param  array{float, float, float}  $light */
    #[DataProvider('lights')]
    public function test_the_card_takes_the_light_out_of_the_photo(array $light): void
    {
        foreach ([[68, 14, 18], [41, 28, 16], [82, 3, 14], [30, 2, 4]] as $lab) {
            $true = Lab::of(...$lab);
            $read = self::read($true, $light);

            self::assertLessThan(1.0, Difference::between($true, $read->lab));
            self::assertLessThan($read->within, Difference::between($true, $read->lab));
            self::assertSame([], $read->warnings);
        }
    }

    public function test_a_card_of_another_grey_says_so_itself(): void
    {
        $read = (new PhotoPatchReader)->read(Fields::of([
            'card' => ['pixels' => self::shot(Lab::of(70, 0, 0), [0.8, 0.8, 0.8]), 'lab' => [70, 0, 0]],
            'sample' => ['pixels' => self::shot(Lab::of(60, 20, 20), [0.8, 0.8, 0.8])],
        ]));

        self::assertLessThan(1.0, Difference::between(Lab::of(60, 20, 20), $read->lab));
    }

    public function test_noise_and_uneven_light_are_paid_for_in_certainty(): void
    {
        $swatch = Lab::of(60, 15, 20);
        $even = self::read($swatch, [0.8, 0.8, 0.8]);
        $uneven = self::read($swatch, [0.8, 0.8, 0.8], falloff: 0.4);

        self::assertGreaterThan(2.0, $even->within, 'No camera is surer than its filters.');
        self::assertGreaterThan($even->within + 1.0, $uneven->within);
        self::assertContains('uneven_light', array_map(static fn ($w): string => $w->code, $uneven->warnings));
        self::assertGreaterThan($even->within, self::read($swatch, [0.8, 0.8, 0.8], noise: 0.6)->within);
    }

    public function test_a_strongly_coloured_light_is_named(): void
    {
        self::assertContains(
            'strong_cast', array_map(static fn ($w): string => $w->code, self::read(Lab::of(60, 15, 20), [1.0, 0.6, 0.3])->warnings),
        );
    }

    public function test_dust_and_glints_do_not_count(): void
    {
        $card = self::shot(Lab::of(49.5, 0, 0), [1, 1, 1]);
        $sample = self::shot(Lab::of(60, 15, 20), [1, 1, 1]);
        for ($i = 0; $i < 25; $i++) {
            $sample[$i * 7] = $i % 2 === 0 ? [5, 5, 5] : [240, 240, 240];
        }
        $read = (new PhotoPatchReader)->read(Fields::of(['card' => ['pixels' => $card], 'sample' => ['pixels' => $sample]]));

        self::assertLessThan(0.6, Difference::between(Lab::of(60, 15, 20), $read->lab));
    }

    public function test_a_photo_that_cannot_be_read_is_refused_with_what_to_do(): void
    {
        $good = self::shot(Lab::of(49.5, 0, 0), [1, 1, 1]);
        foreach ([
            [['card' => ['pixels' => array_fill(0, 400, [255, 250, 250])], 'sample' => ['pixels' => $good]], 'card.pixels', 'burnt out'],
            [['card' => ['pixels' => $good], 'sample' => ['pixels' => array_fill(0, 400, [1, 1, 1])]], 'sample.pixels', 'black'],
            [['card' => ['pixels' => array_slice($good, 0, 8)], 'sample' => ['pixels' => $good]], 'card.pixels', 'larger'],
            [['card' => ['pixels' => $good], 'sample' => ['pixels' => [...$good, [1, 2]]]], 'sample.pixels.400', 'three numbers'],
            [['card' => ['pixels' => $good], 'sample' => ['pixels' => [...$good, [1, 2, 900]]]], 'sample.pixels.400', 'three numbers'],
            [['card' => ['pixels' => $good], 'sample' => []], 'sample.pixels', 'larger'],
            [
                ['card' => ['pixels' => array_fill(0, 400, [60, 60, 60])], 'sample' => ['pixels' => array_fill(0, 400, [200, 200, 200])]],
                'sample', 'glints',
            ],
        ] as [$in, $field, $words]) {
            try {
                (new PhotoPatchReader)->read(Fields::of($in));
                self::fail("{$field} passed.");
            } catch (BadInput $wrong) {
                self::assertSame($field, $wrong->field);
                self::assertStringContainsString($words, Words::of($wrong));
            }
        }
    }

    /** @return iterable<string, array{array{float, float, float}, array{float, float, float}, string}> */
    public static function layers(): iterable
    {
        yield 'hides everything' => [[60.0, 12.0, 16.0], [59.8, 12.0, 16.0], 'opaque'];
        yield 'a thick brow' => [[62.0, 12.0, 16.0], [60.0, 11.0, 14.0], 'nearly opaque'];
        yield 'a thin skin' => [[72.0, 10.0, 18.0], [58.0, 8.0, 10.0], 'translucent'];
        yield 'a clear gel' => [[90.0, 0.0, 3.0], [28.0, 0.0, -2.0], 'nearly clear'];
    }

    /**
     * @param  array{float, float, float}  $white
     * @param  array{float, float, float}  $black
     */
    #[DataProvider('layers')]
    public function test_what_shows_through(array $white, array $black, string $words): void
    {
        $seen = Translucency::of(Lab::of(...$white), Lab::of(...$black));

        self::assertSame($words, Words::of($seen->inWords()));
        // Y from L by its definition, worked by hand: ((L + 16)/116)³
        self::assertEqualsWithDelta(((($black[0] + 16) / 116) / (($white[0] + 16) / 116)) ** 3, $seen->contrastRatio, 1e-9);
    }

    public function test_swapped_cards_are_noticed(): void
    {
        $this->expectExceptionMessage('tint.swapped');
        Translucency::of(Lab::of(50, 0, 0), Lab::of(70, 0, 0));
    }

    public function test_a_screen_colour_goes_there_and_back(): void
    {
        foreach (['#c8a27e', '#000000', '#ffffff', '#3a6b35', '#8b1420'] as $hex) {
            self::assertSame($hex, Lab::ofHex($hex)->srgb());
        }
        $this->expectExceptionMessage('tint.no_hex');
        Lab::ofHex('#12');
    }
}

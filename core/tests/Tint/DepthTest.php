<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Tint;

use Apalos\Core\Tests\Words;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Tint\PigmentLoads;
use Apalos\Core\Tint\TintResult;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Why an edge looks other than the middle, in words of this very colour. */
final class DepthTest extends TestCase
{
    /** @return iterable<string, array{Lab, Lab, float|null, string}> thin and thick over light, where it hides */
    public static function colours(): iterable
    {
        $skin = Lab::of(62.0, 14.0, 18.0);
        yield 'the same at any thickness' => [
            $skin, Lab::of(62.2, 14.0, 18.0), 0.8, 'Over light, 1 mm looks like 8 mm. From about 0.8 mm nothing shows through.',
        ];
        yield 'a pale edge' => [Lab::of(78.0, 6.0, 10.0), $skin, null, 'it looks paler. What lies behind shows through at any thickness.'];
        yield 'another hue, no paler' => [
            Lab::of(62.0, 20.0, 18.0), $skin, 14.4, ' from an 8 mm middle. From about 14 mm nothing shows through.',
        ];
    }

    #[DataProvider('colours')]
    public function test_the_words(Lab $thin, Lab $thick, ?float $hides, string $says): void
    {
        $chips = [];
        foreach (['light' => [$thin, $thick, $thick], 'dark' => [$thick, $thick, $thick]] as $backing => $labs) {
            foreach ([1.0, 3.0, 8.0] as $i => $mm) {
                $chips[] = ['thickness_mm' => $mm, 'backing' => $backing, 'lab' => $labs[$i]];
            }
        }
        $result = new TintResult(new PigmentLoads([], $thick, 0.0), false, $chips, $hides, [], []);

        self::assertStringEndsWith($says, Words::of($result->depth()));
    }
}

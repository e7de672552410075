<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Tests\Words;
use Apalos\Core\Tint\Backings;
use Apalos\Core\Tint\Lab;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CardsTest extends TestCase
{
    public function test_where_nothing_is_said_a_drawdown_lies_on_the_usual_cards(): void
    {
        $cards = Backings::of(null, Lab::of(15.0, 1.0, -2.0));

        self::assertSame([95.0, 0.0, 0.0], $cards->white->toArray());
        self::assertSame([15.0, 1.0, -2.0], $cards->black->toArray());
    }

    /** @return iterable<string, array{Lab|null, Lab|null}> */
    public static function alike(): iterable
    {
        yield 'two white cards' => [null, Lab::of(90.0, 0.0, 3.0)];
        yield 'two black cards' => [Lab::of(14.0, 0.0, 0.0), null];
        yield 'the same grey twice' => [Lab::of(50.0, 0.0, 0.0), Lab::of(50.0, 0.0, 0.0)];
    }

    #[DataProvider('alike')]
    public function test_two_cards_alike_tell_nothing_of_scattering(?Lab $white, ?Lab $black): void
    {
        try {
            Backings::of($white, $black, 'card_lab');
            self::fail('They were taken.');
        } catch (BadInput $wrong) {
            self::assertSame('card_lab', $wrong->field);
            self::assertStringContainsString('Use a white and a black card.', Words::of($wrong));
        }
    }
}

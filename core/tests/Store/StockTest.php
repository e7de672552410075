<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Store;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Store\KitFactKind;
use Apalos\Core\Store\KitState;
use Apalos\Core\Store\LotFactKind;
use Apalos\Core\Store\LotState;
use Apalos\Core\Store\Stock;
use PHPUnit\Framework\TestCase;

final class StockTest extends TestCase
{
    public function test_a_tub_that_is_counted_between_two_cups_stays_right(): void
    {
        $stock = new Stock([7 => [new Fact(1, LotFactKind::Counted, 10.0, ['part' => 'A', 'left_g' => 500.0])]], [7 => ['A' => 900.0]]);
        $stock->draw('A', 100.0, 5.0, [7]);
        self::assertSame(800.0, $stock->left(7, 'A', 6.0));
        $stock->draw('A', 100.0, 15.0, [7]);

        self::assertSame([500.0, 400.0], [$stock->left(7, 'A', 12.0), $stock->left(7, 'A')]);
    }

    public function test_what_the_first_lacked_at_that_moment_comes_from_the_next(): void
    {
        // The first was counted later as holding more: that was not known to be in it then.
        $stock = new Stock(
            [1 => [new Fact(1, LotFactKind::Counted, 20.0, ['part' => 'A', 'left_g' => 300.0])], 2 => []],
            [1 => ['A' => 50.0], 2 => ['A' => 400.0]],
        );
        $drawn = $stock->draw('A', 80.0, 10.0, [1, 2]);

        self::assertSame([1 => 50.0, 2 => 30.0], array_map(static fn ($grams): float => $grams->g, $drawn->taken));
        self::assertSame([300.0, 370.0], [$stock->left(1, 'A'), $stock->left(2, 'A')]);
    }

    public function test_a_count_that_was_taken_back_never_was(): void
    {
        $facts = [
            new Fact(1, LotFactKind::Counted, 10.0, ['part' => 'A', 'left_g' => 1.0]), new Fact(2, LotFactKind::Undone, 30.0, ['of' => 1]),
        ];
        $stock = new Stock([1 => $facts], [1 => ['A' => 900.0]]);

        self::assertSame(900.0, $stock->left(1, 'A', 15.0));
    }

    public function test_a_first_word_is_no_last_word_and_comes_back(): void
    {
        $first = new Fact(1, LotFactKind::Priced, 0.0, ['price' => '58.40', 'first' => true]);
        $later = new Fact(2, LotFactKind::Priced, 5.0, ['price' => '71.00']);
        self::assertSame(['58.40', null], [LotState::of([$first])->price, LotState::of([$first])->takeBack]);
        self::assertSame(['71.00', 2], [LotState::of([$first, $later])->price, LotState::of([$first, $later])->takeBack]);
        $back = LotState::of([$first, $later, new Fact(3, LotFactKind::Undone, 6.0, ['of' => 2])]);
        self::assertSame(['58.40', null], [$back->price, $back->takeBack]);
    }

    public function test_what_a_kit_costs_and_when_the_next_is_ordered_are_told_apart(): void
    {
        $facts = [
            new Fact(1, KitFactKind::Priced, 1.0, ['price' => '10.00', 'mass_g' => 900.0]),
            new Fact(2, KitFactKind::Reordered, 2.0, ['reorder_g' => 200.0]),
            new Fact(3, KitFactKind::Priced, 3.0, ['price' => '12.00', 'mass_g' => 1000.0]),
        ];
        $state = KitState::of($facts);
        self::assertSame(
            ['12.00', 1000.0, 3.0, 200.0, 3], [$state->price, $state->massG, $state->pricedAt, $state->reorderG, $state->takeBack],
        );
        $back = KitState::of([...$facts, new Fact(4, KitFactKind::Undone, 4.0, ['of' => 3])]);
        self::assertSame(['10.00', 900.0, 1.0, 200.0, 2], [$back->price, $back->massG, $back->pricedAt, $back->reorderG, $back->takeBack]);
    }

    /**
     * A thousand tubs that were counted, taken from and drawn from in any order, against a book that is kept gram by gram as one would by
     * hand.
     */
    public function test_a_thousand_histories_come_to_what_a_book_kept_by_hand_says(): void
    {
        mt_srand(1910);
        for ($history = 0; $history < 1000; $history++) {
            [$facts, $draws, $id] = [[1 => [], 2 => []], [], 0];
            for ($at = 1; $at <= 14; $at++) {
                $lot = mt_rand(1, 2);
                $known = array_filter($facts[$lot], static fn (Fact $fact): bool => $fact->kind !== LotFactKind::Undone);
                match (true) {
                    ($what = mt_rand(0, 9)) < 4 => $draws[] = [(float) mt_rand(1, 80), (float) $at, mt_rand(0, 1) === 0 ? [1, 2] : [2, 1]],
                    $what < 6 => $facts[$lot][] = new Fact(++$id, LotFactKind::Counted, (float) $at, [
                        'part' => 'A', 'left_g' => (float) mt_rand(0, 300),
                    ]),
                    $what < 8 => $facts[$lot][] = new Fact(++$id, LotFactKind::Took, (float) $at, [
                        'part' => 'A', 'grams' => (float) mt_rand(1, 30),
                    ]),
                    default => $known === []
                        ? null
                        : $facts[$lot][] = new Fact(++$id, LotFactKind::Undone, (float) $at, ['of' => $known[array_rand($known)]->id]),
                };
            }
            $stock = new Stock($facts, [1 => ['A' => 200.0], 2 => ['A' => 200.0]]);
            $short = 0.0;
            foreach ($draws as [$grams, $when, $order]) {
                $drawn = $stock->draw('A', $grams, $when, $order);
                self::assertEqualsWithDelta(
                    $grams, $drawn->short->g + array_sum(array_map(static fn ($one): float => $one->g, $drawn->taken)), 1e-9,
                );
                $short += $drawn->short->g;
            }

            [$byHand, $missing] = $this->byHand($facts, $draws);
            self::assertEqualsWithDelta(
                [$byHand[1], $byHand[2], $missing], [$stock->left(1, 'A'), $stock->left(2, 'A'), $short], 1e-6, "history {$history}",
            );
        }
    }

    /**
     * Event after event, as they happened; a tub never holds less than nothing.
     *
     * @param  array<int, list<Fact<LotFactKind>>>  $facts
     * @param  list<array{float, float, list<int>}>  $draws
     * @return array{array<int, float>, float}
     */
    private function byHand(array $facts, array $draws): array
    {
        $events = array_map(static fn (array $draw): array => [$draw[1], 0, $draw], $draws);
        foreach ($facts as $lot => $told) {
            $undone = array_map(
                static fn (Fact $fact): int => $fact->undoes() ?? 0,
                array_filter($told, static fn (Fact $fact): bool => $fact->kind === LotFactKind::Undone),
            );
            foreach ($told as $fact) {
                if ($fact->kind !== LotFactKind::Undone && ! in_array($fact->id, $undone, true)) {
                    $events[] = [$fact->at, $lot, $fact];
                }
            }
        }
        usort($events, static fn (array $one, array $other): int => $one[0] <=> $other[0]);
        // What is owed is kept beside what is there: a tub that was overdrawn by a later word is empty, not negative.
        [$book, $missing] = [[1 => 200.0, 2 => 200.0], 0.0];
        foreach ($events as [, $lot, $event]) {
            if ($event instanceof Fact) {
                $book[$lot] = $event->kind === LotFactKind::Counted
                    ? (float) $event->number('left_g')
                    : $book[$lot] - (float) $event->number('grams');

                continue;
            }
            [$rest, , $order] = $event;
            foreach ($order as $from) {
                $taken = min($rest, max(0.0, $book[$from]));
                $book[$from] -= $taken;
                $rest -= $taken;
            }
            $missing += $rest;
        }

        return [array_map(static fn (float $grams): float => max(0.0, $grams), $book), $missing];
    }
}

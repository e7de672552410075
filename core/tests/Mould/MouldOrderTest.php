<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mould;

use Apalos\Core\Input\Fields;
use Apalos\Core\Mould\MouldChooser;
use Apalos\Core\Mould\MouldOrder;
use Apalos\Core\Mould\PieceRequest;
use Apalos\Core\Mould\RankedMould;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\TestCase;

/** Instead of a number out of a hundred: why one kind stands before the next, and what would bring another to the front. */
final class MouldOrderTest extends TestCase
{
    public function test_what_decides_is_the_reason_that_moves_two_neighbours_farthest_apart(): void
    {
        $kind = static fn (string $id, float $score, array $weights): RankedMould => new RankedMould(
            $id, ucfirst($id), $score, [], [], [], 'silicone-platinum', null, 1.0, 1.0, 1.0, 1.0, $weights,
        );
        $order = new MouldOrder(new MouldChooser(Shipped::shelves()->moulds, Shipped::knowledge()));
        $why = $order->between([
            $kind('block', 90.0, ['One pour, no seam.' => 25.0, 'Cheap.' => 15.0]),
            $kind('glove', 60.0, ['Cheap.' => 15.0, 'Light.' => 5.0]),
            $kind('putty', 20.0, ['Light.' => 5.0, 'Too large to press.' => -45.0, 'Cheap.' => 15.0]),
        ]);

        self::assertSame('before Glove: one pour, no seam.', Words::of($why['block']));
        self::assertSame('before Putty, against which speaks: too large to press.', Words::of($why['glove']));
        self::assertArrayNotHasKey('putty', $why);
    }

    public function test_what_is_said_to_bring_a_kind_to_the_front_does_so(): void
    {
        $chooser = new MouldChooser(Shipped::shelves()->moulds, Shipped::knowledge());
        $asked = [
            'size_mm' => ['l' => 150, 'w' => 60, 'h' => 40], 'undercuts' => 'slight', 'detail' => 'fine', 'casts' => 16,
            'casting' => ['family' => 'silicone-platinum', 'heat_c' => 25],
            'original' => ['surface' => 'clay-oil-sulphur-free', 'may_be_lost' => true], 'flat_back' => false, 'hollow' => false,
            'skin' => false, 'budget' => 'normal', 'hour_rate' => 0,
        ];
        $piece = PieceRequest::from(Fields::of($asked), Shipped::knowledge());
        $ranked = $chooser->choose($piece)->ranked;
        $swings = (new MouldOrder($chooser))->swings($piece, $ranked);

        self::assertNotSame([], $swings);
        self::assertArrayNotHasKey($ranked[0]->kind, $swings, 'The first is first already.');
        $says = [
            'it had a flat back' => ['flat_back' => true], 'it were hollow' => ['hollow' => true],
            'its undercuts were deep' => ['undercuts' => 'deep'], 'it had no undercuts' => ['undercuts' => 'none'],
            'money were short' => ['budget' => 'thrifty'], 'you wanted 200 casts or more' => ['casts' => 200],
        ];
        $tried = 0;
        foreach ($swings as $kind => $phrases) {
            foreach ($phrases as $phrase) {
                $change = $says[Words::of($phrase)] ?? null;
                if ($change !== null) {
                    $tried++;
                    self::assertSame(
                        $kind,
                        $chooser->choose(PieceRequest::from(Fields::of([...$asked, ...$change]), Shipped::knowledge()))->ranked[0]->kind,
                        Words::of($phrase),
                    );
                }
            }
        }
        self::assertGreaterThan(0, $tried);
    }
}

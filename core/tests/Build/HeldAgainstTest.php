<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Build;

use Apalos\Core\Build\BuildDoubts;
use Apalos\Core\Build\BuildPlan;
use Apalos\Core\Input\Fields;
use Apalos\Core\Result\Warning;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Two numbers of the same thing: where they differ by more than one measures by, one of them is wrong, and it is said. */
final class HeldAgainstTest extends TestCase
{
    /**
     * @param  list<array<string, mixed>>  $mixes
     * @param  array<string, mixed>  $measured
     * @return list<string>
     */
    private static function doubts(array $mixes, array $measured): array
    {
        $operations = array_map(
            static fn (int $i, array $mix): array => [
                'id' => "op{$i}", 'kind' => isset($mix['thickness_mm']) && ! isset($mix['part']) ? 'coat' : 'pour',
                'name' => "Operation {$i}", 'minutes' => 10, 'mix' => $mix,
            ],
            array_keys($mixes), $mixes,
        );
        $plan = BuildPlan::from(Fields::of(['operations' => $operations, 'measured' => $measured]));
        // What is kept of a plan is the plan.
        self::assertEquals($plan, BuildPlan::from(Fields::of($plan->toArray())));

        return array_map(static fn (Warning $one): string => $one->code, BuildDoubts::of($plan));
    }

    /** @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, list<string>}> */
    public static function plans(): iterable
    {
        // 150,000 mm² of 10 to 12 mm are 1500 to 1800 ml.
        $wall = ['area_mm2' => 150_000, 'wall_mm' => ['least' => 10, 'most' => 12]];
        yield 'a blanket that measures what it should' => [[['ml' => 1350, 'against' => 'original']], [...$wall, 'ml' => 1350], []];
        yield 'clay left in the cup' => [[['ml' => 800, 'against' => 'original']], [...$wall, 'ml' => 800], ['blanket_against_ml']];
        yield 'weighed, and written as litres' => [
            [['ml' => 2500, 'against' => 'original']], [...$wall, 'ml' => 2500], ['blanket_against_ml'],
        ];
        $shell = ['part' => 'jacket', 'thickness_mm' => 6, 'against' => 'tray', 'base' => 'rb-80'];
        yield 'two shells, half each' => [
            [[...$shell, 'area_mm2' => 40_000], [...$shell, 'area_mm2' => 40_000]], ['area_mm2' => 80_000], [],
        ];
        yield 'a shell that was changed alone' => [
            [[...$shell, 'area_mm2' => 40_000], [...$shell, 'area_mm2' => 20_000]], ['area_mm2' => 80_000], ['shells_against_area'],
        ];
        yield 'halves of one block' => [
            [['part' => 'half', 'ml' => 150], ['part' => 'half', 'ml' => 150, 'against' => 'last']], ['ml' => 300], [],
        ];
        yield 'a half that takes the rest' => [
            [['part' => 'half', 'ml' => 120], ['part' => 'half', 'ml' => 180, 'against' => 'last']], ['ml' => 300], [],
        ];
        yield 'a half that takes too little' => [
            [['part' => 'half', 'ml' => 150], ['part' => 'half', 'ml' => 90, 'against' => 'last']], ['ml' => 300], ['halves_against_ml'],
        ];
        $pass = ['casting' => 'rotated', 'thickness_mm' => 1.5, 'tint' => 'plain'];
        yield 'a pass that spreads' => [[[...$pass, 'area_mm2' => 30_000]], ['area_mm2' => 30_000, 'ml' => 400], []];
        yield 'a pass that fills more than half' => [
            [[...$pass, 'area_mm2' => 150_000]], ['area_mm2' => 150_000, 'ml' => 400], ['pass_against_hollow'],
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $mixes
     * @param  array<string, mixed>  $measured
     * @param  list<string>  $doubts
     */
    #[DataProvider('plans')]
    public function test_what_a_plan_comes_to_is_held_against_what_was_measured(array $mixes, array $measured, array $doubts): void
    {
        self::assertSame($doubts, self::doubts($mixes, $measured));
    }
}

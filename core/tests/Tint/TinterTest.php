<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Tint;

use Apalos\Core\Console\Command;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Words;
use Apalos\Core\Tint\Tinter;
use Apalos\Core\Tint\TintResult;
use PHPUnit\Framework\TestCase;

final class TinterTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private static function ask(array $more): TintResult
    {
        $answer = (new Tinter)->ask(Fields::of(Palette::question($more)));
        self::assertInstanceOf(TintResult::class, $answer);

        return $answer;
    }

    public function test_a_hidden_recipe_of_three_is_found_again_among_twelve_and_in_time(): void
    {
        foreach ([
            ['fawn' => 0.8, 'oxblood' => 0.12, 'bone' => 0.5], ['straw' => 0.4, 'slate' => 0.3, 'moss' => 0.6],
            ['soot' => 0.05, 'brick' => 0.9, 'sky' => 0.2],
        ] as $hidden) {
            $wanted = self::ask(['loads' => $hidden])->recipe->lab;
            $from = hrtime(true);
            $found = self::ask(['target' => ['lab' => $wanted->toArray()]]);

            self::assertLessThan(2.0, (hrtime(true) - $from) / 1e9);
            self::assertLessThan(0.5, $found->recipe->deltaE);
            self::assertLessThanOrEqual(3, count($found->recipe->loads));
            self::assertLessThanOrEqual(3.0 + 1e-9, array_sum($found->recipe->loads));
        }
    }

    public function test_alternatives_take_fewer_pigments_and_never_come_nearer(): void
    {
        $wanted = self::ask(['loads' => ['fawn' => 0.8, 'oxblood' => 0.12, 'bone' => 0.5]])->recipe->lab;
        $found = self::ask(['target' => ['lab' => $wanted->toArray()]]);

        self::assertNotSame([], $found->alternatives);
        foreach ($found->alternatives as $other) {
            self::assertLessThan(count($found->recipe->loads), count($other->loads));
            self::assertGreaterThanOrEqual($found->recipe->deltaE, $other->deltaE);
        }
    }

    public function test_every_load_can_be_weighed_in_the_batch_and_together_they_stay_within_the_limit(): void
    {
        // One step of 0.1 g in 40 g is a quarter of a per cent.
        $found = self::ask(['target' => ['lab' => [35, 22, 14]], 'batch_g' => 40, 'division_g' => 0.1, 'max_load_pct' => 1.1]);

        self::assertNotSame([], $found->recipe->loads);
        foreach ([$found->recipe, ...$found->alternatives] as $recipe) {
            self::assertLessThanOrEqual(1.1 + 1e-9, array_sum($recipe->loads));
            foreach ($recipe->loads as $load) {
                self::assertEqualsWithDelta(round($load / 0.25), $load / 0.25, 1e-6);
            }
        }
        self::assertContains('batch_below_scale', array_map(static fn ($w): string => $w->code, $found->warnings));
    }

    public function test_a_prediction_comes_as_fast_as_one_drags(): void
    {
        self::ask(['loads' => ['fawn' => 0.8]]);
        $question = Fields::of(Palette::question(['loads' => ['fawn' => 0.8, 'oxblood' => 0.1]]));
        $from = hrtime(true);
        (new Tinter)->ask($question);

        self::assertLessThan(20.0, (hrtime(true) - $from) / 1e6);
    }

    public function test_chips_are_shown_thin_medium_and_thick_over_light_and_dark(): void
    {
        $chips = self::ask(['loads' => ['russet' => 0.6]])->chips;

        self::assertSame(
            [[1.0, 'light'], [3.0, 'light'], [8.0, 'light'], [1.0, 'dark'], [3.0, 'dark'], [8.0, 'dark']],
            array_map(static fn (array $c): array => [$c['thickness_mm'], $c['backing']], $chips),
        );
        self::assertGreaterThan($chips[2]['lab']->l, $chips[0]['lab']->l);
        self::assertLessThan($chips[0]['lab']->l, $chips[3]['lab']->l);
    }

    public function test_it_is_told_from_which_thickness_nothing_shows_through(): void
    {
        $thin = self::ask(['loads' => ['bone' => 2.0, 'fawn' => 0.5]]);
        $clear = self::ask(['loads' => ['bone' => 0.05]]);

        self::assertNotNull($thin->hidesFromMm);
        // More pigment hides in less thickness, in proportion where the base itself does little.
        self::assertLessThan($thin->hidesFromMm, self::ask(['loads' => ['bone' => 4.0, 'fawn' => 1.0], 'max_load_pct' => 9])->hidesFromMm);
        self::assertTrue($clear->hidesFromMm === null || $clear->hidesFromMm > 3 * $thin->hidesFromMm);
    }

    public function test_a_colour_out_of_reach_is_said(): void
    {
        $codes = array_map(static fn ($w): string => $w->code, self::ask(['target' => ['lab' => [60, -100, 90]]])->warnings);

        self::assertContains('out_of_reach', $codes);
    }

    public function test_the_difference_alone_is_answered_on_the_console(): void
    {
        $output = (new Command(Shipped::shelves(), Words::book()))->run(
            ['tint'], '{"delta_e": {"from": [50, 2.6772, -79.7751], "to": [50, 0, -82.7485]}}',
        );

        self::assertSame(0, $output->exit);
        self::assertEqualsWithDelta(2.0425, json_decode($output->text, true)['delta_e'], 0.00005);
    }

    public function test_nonsense_is_refused_at_its_field(): void
    {
        foreach ([
            [['target' => ['lab' => [160, 0, 0]]], 'target.lab'], [['loads' => ['glitter' => 1]], 'loads.glitter'], [[], 'target'],
            [['loads' => ['fawn' => -1]], 'loads.fawn'],
            [['loads' => [], 'thickness_mm' => 0], 'thickness_mm'], [['loads' => [], 'backing_lab' => [1, 2]], 'backing_lab'],
            [['loads' => [], 'pigments' => [['name' => 'mystery']]], 'pigments.0.drawdowns'],
        ] as [$more, $field]) {
            try {
                self::ask($more);
                self::fail("{$field} passed.");
            } catch (BadInput $wrong) {
                self::assertSame($field, $wrong->field);
            }
        }
    }
}

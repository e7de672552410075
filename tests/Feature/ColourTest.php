<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Exchange\SwatchImport;
use App\Models\ColourTarget;
use Carbon\CarbonImmutable;
use Inertia\Testing\AssertableInertia;
use Tests\MakesSwatches;
use Tests\TestCase;

final class ColourTest extends TestCase
{
    use MakesSwatches;

    /** @param  array<string, mixed>  $more */
    private function answer(array $more = []): \Illuminate\Testing\TestResponse
    {
        return $this->postJson('/swatches/colour', [...['base' => 'pr-10', 'thickness_mm' => 4, 'backing' => 'light'], ...$more]);
    }

    public function test_a_drawdown_is_told_again_from_its_own_reading(): void
    {
        $this->drawdowns();
        // 1 % of fawn at 1.5 mm was read as L 69.7 a 12.2 b 29.7 over white; light here is a little darker than the white card.
        $lab = $this->answer(['loads' => ['pi-fawn' => 1.0], 'thickness_mm' => 1.5, 'backing' => [95, 0, 0]])->assertOk()->json('tint.lab');

        self::assertEqualsWithDelta([69.7, 12.2, 29.7], $lab, 1.0);
    }

    public function test_a_recipe_of_the_shops_pigments_is_found_again(): void
    {
        $this->drawdowns();
        $wanted = $this->answer(['loads' => ['pi-fawn' => 0.6, 'pi-oxblood' => 0.2]])->json('tint.lab');
        $found = $this->answer(['target' => ['lab' => $wanted]])->assertOk()->json();

        self::assertLessThan(0.5, $found['tint']['delta_e']);
        self::assertEqualsWithDelta(['pi-fawn' => 0.6, 'pi-oxblood' => 0.2], array_column($found['recipe'], 'pct', 'code'), 0.02);
        self::assertNotSame([], $found['alternatives']);
        self::assertCount(5, $found['ladder']);
        self::assertStringContainsString('nothing shows through', $found['depth']);
    }

    public function test_in_a_batch_every_pinch_is_one_the_scale_can_weigh(): void
    {
        $this->drawdowns();
        $found = $this->answer(['target' => ['hex' => '#a8785a'], 'batch' => ['mass_g' => 50]])->assertOk()->json();

        self::assertNotSame([], $found['recipe']);
        foreach ($found['recipe'] as $pinch) {
            self::assertEqualsWithDelta(round($pinch['grams'] * 10), $pinch['grams'] * 10, 1e-6);
        }
        self::assertLessThanOrEqual(3.0 + 1e-9, array_sum(array_column($found['recipe'], 'pct')));
    }

    public function test_a_pour_in_three_cups_has_pinches_for_one_cup(): void
    {
        $this->drawdowns();
        // A litre, in a cup of 500 ml that is filled to four fifths.
        $pour = $this->draft([
            'volume.volume_ml' => 1000,
            'formula.additives' => [['code' => 'sf-1', 'amount' => 60, 'basis' => 'pct_of_ab', 'into' => 'after']],
        ]);
        $plain = $this->answer(['target' => ['hex' => '#a8785a'], 'batch' => ['pour_id' => $pour->id]])->assertOk()->json();

        self::assertNull($plain['batch_wrong']);
        self::assertSame(3, $plain['cup']['cups']);
        self::assertLessThan(0.8 * 500 * 1.1, $plain['cup']['mass_g']);
        foreach ($plain['recipe'] as $pinch) {
            self::assertEqualsWithDelta($pinch['pct'] * $plain['cup']['mass_g'] / 100.0, $pinch['grams'], 1e-9);
            self::assertEqualsWithDelta(round($pinch['grams'] * 10), $pinch['grams'] * 10, 1e-6);
        }
    }

    public function test_the_colour_goes_into_a_sheet_that_is_planned_and_its_softener_stays(): void
    {
        $this->drawdowns();
        $pour = $this->draft(['formula.additives' => [
            ['code' => 'pi-bone', 'amount' => 2, 'basis' => 'pct_of_total', 'into' => 'b'],
            ['code' => 'sf-1', 'amount' => 60, 'basis' => 'pct_of_ab', 'into' => 'after'],
            ['code' => 'pi-fawn', 'amount' => 1, 'basis' => 'pct_of_total', 'into' => 'b'],
        ]]);
        $this->post('/swatches/colour/sheet', [
            'base' => 'pr-10', 'loads' => ['pi-fawn' => 0.61234, 'pi-oxblood' => 0.2], 'pour_id' => $pour->id,
        ])->assertRedirect("/pours/{$pour->id}");

        self::assertSame(
            ['pi-fawn' => 0.6123, 'pi-oxblood' => 0.2, 'sf-1' => 60],
            array_column($pour->refresh()->sheet['formula']['additives'], 'amount', 'code'),
        );
        self::assertSame(['b', 'b', 'after'], array_column($pour->sheet['formula']['additives'], 'into'));
    }

    public function test_no_colour_and_an_unknown_one_go_into_no_sheet(): void
    {
        $this->drawdowns();
        $pour = $this->draft();
        $before = $pour->sheet;
        foreach ([[], ['pi-moss' => 1], ['sf-1' => 1], ['pi-fawn' => -1]] as $loads) {
            $this->from('/swatches/colour')
                ->post('/swatches/colour/sheet', ['base' => 'pr-10', 'loads' => $loads, 'pour_id' => $pour->id])
                ->assertRedirect('/swatches/colour')
                ->assertSessionHasErrors('batch');
        }
        $this->from('/swatches/colour')->post('/swatches/colour/sheet', [
            'base' => 'pr-25', 'loads' => ['pi-fawn' => 1], 'pour_id' => $pour->id,
        ])->assertSessionHasErrors('batch');
        self::assertSame($before, $pour->refresh()->sheet);
    }

    public function test_a_batch_that_makes_no_sense_leaves_the_colour_and_says_so(): void
    {
        $this->drawdowns();
        foreach ([['mass_g' => 0], ['volume_ml' => 'half a cup'], ['pour_id' => 4711]] as $batch) {
            $answer = $this->answer(['loads' => ['pi-fawn' => 1.0], 'batch' => $batch])->assertOk()->json();
            self::assertNotSame('', $answer['batch_wrong'] ?? '');
            self::assertNull($answer['cup']);
            self::assertSame([null], array_column($answer['recipe'], 'grams'));
        }
    }

    public function test_pigments_that_may_not_be_used_are_not(): void
    {
        $this->drawdowns();
        $found = $this->answer(['target' => ['lab' => [55, 20, 20]], 'pigments' => ['pi-bone', 'pi-fawn']])->assertOk()->json();

        self::assertNotContains('pi-oxblood', array_column($found['recipe'], 'code'));
        self::assertSame(1, count($this->answer(['target' => ['lab' => [55, 20, 20]], 'max_pigments' => 1])->json('recipe')));
    }

    public function test_what_was_never_read_is_not_guessed(): void
    {
        $this->answer(['target' => ['lab' => [55, 20, 20]]])->assertUnprocessable()->assertJsonPath('error.field', 'base');
        $this->drawdowns();
        $this->answer(['loads' => ['pi-lichen' => 0.4]])->assertUnprocessable()->assertJsonPath(
            'error.message', 'Lichen pigment was never characterised. Make a drawdown of it and read it over white and over black.',
        );
        $this->get('/swatches/colour')->assertInertia(fn (AssertableInertia $page) => $page->component('swatches/Colour')
            ->where(
                'page.pigments',
                fn ($pigments): bool => collect($pigments)
                    ->pluck('drawdowns', 'code')
                    ->only(['pi-fawn', 'pi-lichen'])
                    ->all() === ['pi-fawn' => 2, 'pi-lichen' => 0],
            ));
    }

    public function test_a_pigment_brings_its_colour_into_another_base_once_that_was_read_bare(): void
    {
        $this->drawdowns();
        $this->answer(['base' => 'pg-30', 'loads' => ['pi-fawn' => 0.5]])->assertUnprocessable()->assertJsonPath('error.field', 'base');

        $version = $this->version('Bare gel', 'pg-30');
        $bare = $this->workshop->swatches()->create([
            'formula_version_id' => $version->id, 'name' => 'Bare gel', 'thickness_mm' => 2, 'poured_at' => $this->now,
        ]);
        foreach (['white' => [94, 0, 1], 'black' => [25, 0, -3]] as $backing => $lab) {
            $bare->readings()->create(['kind' => 'colour', 'at' => $this->now, 'backing' => $backing, 'lab' => $lab]);
        }
        $this->inTheDrawer($bare);
        $this->answer(['base' => 'pg-30', 'loads' => ['pi-fawn' => 0.5]])->assertOk();
        self::assertSame(
            'Platinum rubber A 10, medium',
            collect(
                $this->get('/swatches/colour?base=pg-30')->inertiaPage()['props']['page']['pigments'],
            )->firstWhere('code', 'pi-fawn')['of'],
        );
    }

    public function test_a_drawdown_left_out_is_no_longer_asked(): void
    {
        $this->drawdowns();
        $before = $this->answer(['loads' => ['pi-fawn' => 0.5]])->json('tint.lab');
        $odd = $this->drawdown('pi-fawn', 0.5, [20, 60, 10], [15, 40, 8]);
        self::assertNotEqualsWithDelta($before, $this->answer(['loads' => ['pi-fawn' => 0.5]])->json('tint.lab'), 3.0);
        foreach ($odd->readings()->get() as $reading) {
            $this->put("/swatches/readings/{$reading->id}", ['left_out' => true]);
        }
        self::assertEqualsWithDelta($before, $this->answer(['loads' => ['pi-fawn' => 0.5]])->json('tint.lab'), 1e-9);
    }

    public function test_nonsense_is_answered_at_its_field(): void
    {
        $this->drawdowns();
        foreach ([
            [['target' => ['hex' => 'reddish']], 'target.hex'], [['target' => ['lab' => [300, 0, 0]]], 'target.lab'],
            [['thickness_mm' => 0, 'loads' => []], 'thickness_mm'], [['backing' => 'plaid', 'loads' => []], 'backing'],
            [['loads' => ['pi-fawn' => -1]], 'pi-fawn'], [['base' => 'pr-99'], 'base'], [['batch' => 50, 'loads' => []], 'batch'],
        ] as [$more, $field]) {
            $error = $this->answer($more)->assertUnprocessable()->json('error.field');
            self::assertStringEndsWith($field, $error);
        }
    }

    public function test_a_colour_is_kept_with_its_depth_goes_out_and_comes_back(): void
    {
        $colour = ['name' => 'Ear lobe', 'lab' => [66, 14, 15]];
        $this->post('/swatches/targets', [...$colour, 'shows_pct' => 140, 'at_mm' => 3])->assertSessionHasErrors('target');
        $this->post('/swatches/targets', [...$colour, 'shows_pct' => 35, 'at_mm' => 3])->assertSessionHasNoErrors();
        $kept = ColourTarget::query()->where('name', 'Ear lobe')->firstOrFail();
        self::assertSame(['shows_pct' => 35.0, 'at_mm' => 3.0], $kept->depth());
        $shown = fn (): array => array_column($this->get('/swatches/colour')->inertiaProps('page')['targets'], null, 'name')['Ear lobe'];
        self::assertEquals([35, 3], [$shown()['shows_pct'], $shown()['at_mm']]);
        // Another depth is another colour: it gives way only to who has seen it.
        $this->post('/swatches/targets', [...$colour, 'shows_pct' => 20, 'at_mm' => 3])->assertSessionHasErrors([
            'target' => 'There is a colour “Ear lobe” already (L, a, b: 66, 14, 15; 35 % shows through). Give this one a name of its own, or put it in its place.',
        ]);
        $this->post("/swatches/targets?edition={$kept->edition}", [
            ...$colour, 'shows_pct' => 20, 'at_mm' => 3,
        ])->assertSessionHasNoErrors();
        $csv = $this->get('/exchange/colours.csv')->streamedContent();
        $json = $this->get('/exchange/swatches.json')->content();
        $undo = $this->delete("/swatches/targets/{$kept->id}")->getSession()?->get('undo');
        $this->post((string) $undo)->assertSessionHasNoErrors();
        self::assertEquals(['shows_pct' => 20.0, 'at_mm' => 3.0], ColourTarget::query()->where('name', 'Ear lobe')->firstOrFail()->depth());
        foreach ([$csv, $json] as $file) {
            ColourTarget::query()->delete();
            app(SwatchImport::class)((string) $file, CarbonImmutable::now());
            self::assertEquals(
                ['shows_pct' => 20.0, 'at_mm' => 3.0], ColourTarget::query()->where('name', 'Ear lobe')->firstOrFail()->depth(),
            );
        }
    }

    public function test_colours_are_kept_renewed_and_forgotten_and_can_come_back(): void
    {
        $this->post('/swatches/targets', ['name' => 'Forearm', 'lab' => [70, 9, 17]])->assertSessionHasNoErrors();
        // What is kept gives way only to who has seen it.
        $this->post('/swatches/targets', ['name' => 'Forearm', 'lab' => [71, 9, 17]])->assertSessionHasErrors('target');
        self::assertEquals([70, 9, 17], $this->workshop->colourTargets()->sole()->lab);
        $this->post('/swatches/targets?edition=1', ['name' => 'Forearm', 'lab' => [71, 9, 17]])->assertSessionHasNoErrors();
        $this->post('/swatches/targets?edition=1', ['name' => 'Forearm', 'lab' => [72, 9, 17]])->assertSessionHasErrors('edition');
        $target = $this->workshop->colourTargets()->sole();
        self::assertSame([71, 9, 17], array_map(intval(...), $target->lab));
        foreach ([['name' => '', 'lab' => [70, 9, 17]], ['name' => 'x', 'lab' => [170, 9, 17]], ['name' => 'x']] as $said) {
            $this->post('/swatches/targets', $said)->assertSessionHasErrors('target');
        }

        $undo = $this->delete("/swatches/targets/{$target->id}")->assertRedirect()->getSession()?->get('undo');
        self::assertSame(0, $this->workshop->colourTargets()->count());
        $this->post((string) $undo)->assertSessionHasNoErrors();
        self::assertEquals([71, 9, 17], $this->workshop->colourTargets()->sole()->lab);
    }

    public function test_a_colour_is_found_with_what_shows_through_it(): void
    {
        $this->drawdowns();
        $recipe = $this->answer([
            'loads' => ['pi-fawn' => 0.12, 'pi-oxblood' => 0.03], 'target' => ['lab' => [60, 10, 20]], 'depth' => ['shows_pct' => 10],
        ])
            ->assertOk()
            ->json();
        $shows = $recipe['tint']['shows_pct'];
        self::assertGreaterThan(0.5, $shows);
        $found = $this->answer(['target' => ['lab' => $recipe['tint']['lab']], 'depth' => ['shows_pct' => $shows, 'weight' => 5]])
            ->assertOk()
            ->json('tint');
        self::assertLessThan(1.0, $found['delta_e']);
        self::assertEqualsWithDelta($shows, $found['shows_pct'], 2.0);
        self::assertNull($this->answer(['target' => ['lab' => [60, 10, 20]]])->json('tint.shows_pct'));
        $this->answer([
            'target' => ['lab' => [60, 10, 20]], 'depth' => ['shows_pct' => 120],
        ])->assertUnprocessable()->assertJsonPath('error.field', 'depth.shows_pct');
    }
}

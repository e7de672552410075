<?php

declare(strict_types=1);

namespace Tests\Feature;

use Inertia\Testing\AssertableInertia;
use Tests\MakesSwatches;
use Tests\TestCase;

final class HardnessTest extends TestCase
{
    use MakesSwatches;

    private function fourPucks(): void
    {
        $this->puck(0, 'A', 12);
        $this->puck(30, '00', 43);
        $this->puck(60, '00', 27);
        $this->puck(90, '00', 14);
    }

    /** @param  array<string, mixed>  $more */
    private function answer(array $more = []): \Illuminate\Testing\TestResponse
    {
        return $this->postJson('/swatches/hardness', [
            ...['base' => 'pr-10', 'softener' => 'sf-1', 'target' => ['scale' => '00', 'reading' => 20]], ...$more,
        ]);
    }

    public function test_the_shops_own_pucks_answer_the_worked_example(): void
    {
        $this->fourPucks();
        $answer = $this->answer()->assertOk()->json();

        self::assertEqualsWithDelta(
            [75.1, 150.2], [$answer['harden']['for_target']['pct_of_ab'], $answer['harden']['for_target']['pct_of_one_part']], 0.05,
        );
        self::assertSame(4, $answer['harden']['rests_on']);
        self::assertSame(['Puck 0 %', 'Puck 30 %', 'Puck 60 %', 'Puck 90 %'], array_column($answer['pucks'], 'name'));
        self::assertSame(100, $answer['limit_pct']);
    }

    public function test_without_pucks_the_sheet_answers_and_the_screen_says_so(): void
    {
        $this->get('/swatches')->assertOk()->assertInertia(
            fn (AssertableInertia $page) => $page
                ->component('swatches/Hardness')
                ->where('answer.harden.rests_on', 0)
                ->where('answer.pucks', []),
        );
    }

    public function test_grams_follow_for_a_batch_of_a_mass_or_a_volume_and_more_softener_is_lighter(): void
    {
        $this->fourPucks();
        $byMass = $this->answer(['batch' => ['mass_g' => 200]])->json('mix');
        $byVolume = $this->answer(['batch' => ['volume_ml' => 200]])->json('mix');

        self::assertEqualsWithDelta(200.0, $byMass['mass_g'], 1e-9);
        self::assertEqualsWithDelta(75.1, 100 * $byMass['parts']['sf-1'] / ($byMass['parts']['A'] + $byMass['parts']['B']), 0.05);
        self::assertEqualsWithDelta(200.0, $byVolume['volume_ml'], 1e-9);
        self::assertLessThan(
            $this->answer(['batch' => ['volume_ml' => 200], 'target' => ['scale' => '00', 'reading' => 40]])->json('mix.mass_g'),
            $byVolume['mass_g'],
        );
    }

    public function test_softener_of_hot_vinyl_goes_into_the_pot_and_not_after(): void
    {
        $bases = collect($this->get('/swatches?base=hv-08')->inertiaPage()['props']['page']['bases']);

        self::assertSame(['vs-1' => 'a'], array_column($bases->firstWhere('code', 'hv-08')['softeners'], 'into', 'code'));
        self::assertSame(['sf-1' => 'after'], array_column($bases->firstWhere('code', 'pr-10')['softeners'], 'into', 'code'));
    }

    public function test_grams_alone_do_not_ask_for_the_clock(): void
    {
        // The putty is kneaded for longer than it would stay pourable in a cup; how much to weigh can be told all the same.
        $answer = $this->answer(['base' => 'pp-45', 'target' => ['scale' => 'A', 'reading' => 40]])->assertOk()->json();

        self::assertNull($answer['mix_wrong']);
        self::assertEqualsWithDelta(100.0, $answer['mix']['mass_g'], 1e-9);
        self::assertNotContains('pot_life_short', array_column($answer['mix']['warnings'], 'code'));
    }

    public function test_the_grams_of_a_planned_pour_and_into_its_sheet(): void
    {
        $this->fourPucks();
        $pour = $this->draft();
        $mix = $this->answer(['batch' => ['pour_id' => $pour->id]])->assertOk()->json('mix');
        self::assertEqualsWithDelta(75.1, 100 * $mix['parts']['sf-1'] / ($mix['parts']['A'] + $mix['parts']['B']), 0.05);
        self::assertEqualsWithDelta(100.0, $mix['volume_ml'], 1e-6);

        $this->post('/swatches/hardness/sheet', [
            'base' => 'pr-10', 'softener' => 'sf-1', 'pct_of_ab' => 75.13, 'pour_id' => $pour->id,
        ])->assertRedirect("/pours/{$pour->id}");
        self::assertSame(
            [['code' => 'sf-1', 'amount' => 75.13, 'basis' => 'pct_of_ab', 'into' => 'after']],
            $pour->refresh()->sheet['formula']['additives'],
        );
    }

    public function test_softener_keeps_its_place_among_what_else_goes_in(): void
    {
        $pour = $this->draft(['formula.additives' => [
            ['code' => 'pi-fawn', 'amount' => 0.8, 'basis' => 'pct_of_total', 'into' => 'b'],
            ['code' => 'sf-1', 'amount' => 100, 'basis' => 'pct_of_a', 'into' => 'after'],
            ['code' => 'tk-1', 'amount' => 1, 'basis' => 'pct_of_ab', 'into' => 'after'],
        ]]);
        $this->post('/swatches/hardness/sheet', [
            'base' => 'pr-10', 'softener' => 'sf-1', 'pct_of_ab' => 40, 'pour_id' => $pour->id,
        ])->assertRedirect();

        self::assertSame(['pi-fawn', 'sf-1', 'tk-1'], array_column($pour->refresh()->sheet['formula']['additives'], 'code'));
        self::assertSame('pct_of_ab', $pour->sheet['formula']['additives'][1]['basis']);
    }

    public function test_a_sheet_that_was_poured_meanwhile_is_not_written_into(): void
    {
        $pour = $this->begun();

        $this->from('/swatches')
            ->post('/swatches/hardness/sheet', ['base' => 'pr-10', 'softener' => 'sf-1', 'pct_of_ab' => 40, 'pour_id' => $pour->id])
            ->assertRedirect('/swatches')
            ->assertSessionHasErrors('batch');
        self::assertSame(50, $pour->refresh()->sheet['formula']['additives'][0]['amount']);
        self::assertStringContainsString(
            'has been poured', (string) $this->answer(['batch' => ['pour_id' => $pour->id]])->json('mix_wrong'),
        );
    }

    public function test_what_it_costs_stands_beside_the_number(): void
    {
        $this->fourPucks();
        $this->workshop->swatches()->where('name', 'Puck 90 %')->update(['note' => 'Tears across the hole.']);
        $answer = $this->answer(['thinnest_mm' => 0.4])->json();

        self::assertEqualsWithDelta(16.0 * exp(-1.9 * 0.751), $answer['cost']['tear_n_mm'], 0.02);
        self::assertSame('begins', $answer['cost']['bleed']);
        self::assertContains('thin_and_soft', array_column($answer['cost']['warnings'], 'code'));
        self::assertContains('weak', array_column($answer['harden']['warnings'], 'code'));
        self::assertContains('Tears across the hole.', array_column($answer['notes'], 'text'));
    }

    public function test_a_puck_with_something_else_in_it_does_not_count(): void
    {
        $this->fourPucks();
        $thin = $this->version('Thinned', 'pr-10', [['sf-1', 60, 'pct_of_ab', 'after'], ['tn-1', 8, 'pct_of_ab', 'after']]);
        $swatch = $this->workshop->swatches()->create(['formula_version_id' => $thin->id, 'name' => 'Thinned', 'poured_at' => $this->now]);
        $swatch->readings()->create(['kind' => 'hardness', 'at' => $this->now, 'scale' => '00', 'readings' => [5]]);
        $tinted = $this->version('Tinted', 'pr-10', [['sf-1', 90, 'pct_of_a', 'after'], ['pi-fawn', 0.8, 'pct_of_total', 'b']]);
        $swatch = $this->workshop->swatches()->create(['formula_version_id' => $tinted->id, 'name' => 'Tinted', 'poured_at' => $this->now]);
        $swatch->readings()->create(['kind' => 'hardness', 'at' => $this->now, 'scale' => '00', 'readings' => [35]]);

        $pucks = $this->answer()->json('pucks');
        self::assertSame(['Puck 0 %', 'Puck 30 %', 'Puck 60 %', 'Puck 90 %', 'Tinted'], array_column($pucks, 'name'));
        // 90 % of A alone are 45 % of A+B.
        self::assertEqualsWithDelta(45.0, $pucks[4]['pct'], 1e-9);
    }

    public function test_a_reading_left_out_no_longer_bends_the_curve_and_comes_back(): void
    {
        $this->fourPucks();
        $right = $this->answer()->json('harden.for_target.pct_of_ab');
        $bad = $this->puck(45, 'A', 37);
        self::assertTrue($this->answer()->json('pucks.4.outlier'));
        self::assertContains('outlier', array_column($this->answer()->json('harden.warnings'), 'code'));

        $reading = $bad->readings()->first();
        $this->put("/swatches/readings/{$reading?->id}", ['left_out' => true])->assertRedirect();
        self::assertEqualsWithDelta($right, $this->answer()->json('harden.for_target.pct_of_ab'), 1e-9);
        $this->put("/swatches/readings/{$reading?->id}", ['left_out' => false]);
        self::assertCount(5, $this->answer()->json('pucks'));
    }

    public function test_harder_than_the_base_has_no_answer_but_a_sentence(): void
    {
        $this->answer(['target' => ['scale' => 'A', 'reading' => 40]])
            ->assertOk()
            ->assertJsonPath('harden.for_target', null)
            ->assertJsonPath('mix', null)
            ->assertJsonPath('harden.warnings.0.code', 'harder_than_base');
    }

    public function test_nonsense_is_answered_at_its_field(): void
    {
        foreach ([
            [['target' => ['scale' => '00', 'reading' => 104]], 'target.reading'],
            [['target' => ['scale' => 'D', 'reading' => 20]], 'target.scale'], [['base' => 'pr-99'], 'base'],
            [['softener' => 'pi-fawn'], 'softener'], [['softener' => 'vs-1'], 'softener'], [['thinnest_mm' => -1], 'thinnest_mm'],
            [['colour' => 'red'], 'colour'],
        ] as [$more, $field]) {
            $this->answer($more)->assertUnprocessable()->assertJsonPath('error.field', $field);
        }
        self::assertNotNull($this->answer(['batch' => ['mass_g' => 0]])->json('mix_wrong'));
    }

    public function test_vinyl_is_softened_on_its_own_basis_and_limit(): void
    {
        $answer = $this->answer(['base' => 'hv-08', 'softener' => 'vs-1', 'target' => ['scale' => '00', 'reading' => 40]])
            ->assertOk()
            ->json();

        self::assertSame(30, $answer['limit_pct']);
        self::assertSame('hv-08', $answer['base']);
        self::assertArrayNotHasKey('B', $answer['mix']['parts']);
    }

    public function test_as_soft_as_a_formula_of_ones_own(): void
    {
        $this->fourPucks();
        foreach (['Soft cheek' => 75.0, 'Bare' => 0.0] as $name => $pct) {
            $this->post('/formulas', [
                'name' => $name, 'kind' => 'mix',
                'recipe' => [
                    'base' => 'pr-10',
                    'additives' => $pct === 0.0 ? [] : [['code' => 'sf-1', 'amount' => $pct, 'basis' => 'pct_of_ab', 'into' => 'after']],
                ],
            ])->assertSessionHasNoErrors();
        }
        $this->post('/formulas', [
            'name' => 'Stones', 'kind' => 'mix', 'recipe' => ['base' => 'cp-70', 'additives' => []],
        ])->assertSessionHasNoErrors();
        $soft = array_column($this->getJson('/swatches/hardness/formulas')->assertOk()->json('formulas'), null, 'name');
        self::assertSame(['00', 20], [$soft['Soft cheek']['scale'], $soft['Soft cheek']['reading']]);
        $listed = array_column($this->get('/formulas')->inertiaProps('page')['formulas'], 'hardness', 'name');
        self::assertSame($listed['Bare'], $soft['Bare']['shore'], 'The drawer says the same.');
        self::assertArrayNotHasKey('Stones', $soft, 'Plaster has no such softness.');
        self::assertSame(['Soft cheek'], array_column($this->getJson('/swatches/hardness/formulas?q=cheek')->json('formulas'), 'name'));
        // The same softness of another base is another share of softener.
        self::assertGreaterThan(
            3.0, abs(75.0 - $this->answer(['base' => 'br-28', 'softener' => 'sf-1'])->json('harden.for_target.pct_of_ab')),
        );
    }
}

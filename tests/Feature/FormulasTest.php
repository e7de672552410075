<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\FormulaKind;
use App\Models\FormulaVersion;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Inertia\Testing\AssertableInertia;
use LogicException;
use Tests\MakesSwatches;
use Tests\TestCase;

final class FormulasTest extends TestCase
{
    use MakesSwatches;

    private const SOFT = [['pi-fawn', 0.8, 'pct_of_total', 'b'], ['sf-1', 60, 'pct_of_ab', 'after']];

    public function test_a_version_that_was_poured_is_a_fact(): void
    {
        $version = $this->version('Brow skin', 'pr-10', self::SOFT);

        $this->expectException(LogicException::class);
        $version->update(['note' => 'better']);
    }

    public function test_what_is_derived_remembers_what_from(): void
    {
        $first = $this->version('Brow skin', 'pr-10', self::SOFT);
        $this->post('/formulas', [
            'name' => 'Brow skin', 'kind' => 'mix', 'parent' => $first->id, 'note' => 'Softer at the temples',
            'recipe' => self::recipe('pr-10', [['sf-1', 75, 'pct_of_ab', 'after']]),
        ])->assertSessionHasNoErrors();
        $this->post('/formulas', [
            'name' => 'Brow skin, pale', 'kind' => 'mix', 'parent' => $first->id, 'new' => true,
            'recipe' => self::recipe('pr-10', [['pi-fawn', 0.3, 'pct_of_total', 'b']]),
        ])->assertSessionHasNoErrors();

        $made = FormulaVersion::query()->with(['formula', 'parent.formula'])->orderBy('id')->get();
        self::assertSame(['Brow skin · 1', 'Brow skin · 2', 'Brow skin, pale · 1'], $made->map->called()->all());
        self::assertSame(
            [null, 'Brow skin · 1', 'Brow skin · 1'], $made->map(static fn (FormulaVersion $v): ?string => $v->parent?->called())->all(),
        );
        $this->get(
            "/formulas/{$first->formula_id}?version={$first->id}",
        )->assertInertia(fn (AssertableInertia $page) => $page->component('formulas/Formula')
            ->where('page.chosen', $first->id)->where(
                'page.versions.0.children.0.called', 'Brow skin, pale · 1',
            )->where('page.versions.1.note', 'Softer at the temples'));
    }

    public function test_the_same_is_not_kept_twice_but_a_note_makes_it_a_version(): void
    {
        $recipe = self::recipe('pr-10', self::SOFT);
        $this->post('/formulas', ['name' => 'Brow skin', 'kind' => 'mix', 'recipe' => $recipe]);
        $this->post('/formulas', ['name' => 'Brow skin', 'kind' => 'mix', 'recipe' => $recipe]);
        self::assertSame(1, FormulaVersion::query()->count());
        $this->post('/formulas', ['name' => 'Brow skin', 'kind' => 'mix', 'note' => 'Of the new drum', 'recipe' => $recipe]);
        self::assertSame(2, FormulaVersion::query()->count());
    }

    public function test_a_photo_goes_with_a_version(): void
    {
        Storage::fake();
        $this->post('/formulas', [
            'name' => 'Brow skin', 'kind' => 'mix', 'recipe' => json_encode(self::recipe('pr-10', self::SOFT)), 'photo' => self::picture(),
        ])->assertSessionHasNoErrors();
        $version = FormulaVersion::query()->sole();

        $this->get("/versions/{$version->id}/photo")->assertOk();
        self::assertSame(60, $version->recipe['additives'][1]['amount']);
    }

    public function test_a_photo_joins_a_version_later_and_only_once(): void
    {
        Storage::fake();
        $version = $this->version('Brow skin');

        $this->post("/versions/{$version->id}/photo", [
            'photo' => UploadedFile::fake()->create('notes.txt', 3),
        ])->assertSessionHasErrors('photo');
        $this->post("/versions/{$version->id}/photo", ['photo' => self::picture()])->assertSessionHasNoErrors();
        $this->get("/versions/{$version->id}/photo")->assertOk();
        $kept = $version->refresh()->photo;
        $this->post("/versions/{$version->id}/photo", ['photo' => self::picture()])->assertSessionHasErrors('photo');
        self::assertSame($kept, $version->refresh()->photo);
    }

    public function test_not_even_a_photo_brings_another_change_along(): void
    {
        $version = $this->version('Brow skin');

        $this->expectException(\LogicException::class);
        $version->update(['photo' => 'formulas/x.png', 'note' => 'better']);
    }

    public function test_what_does_not_add_up_is_not_kept(): void
    {
        $this->version('Brow skin');
        foreach ([
            ['name' => '', 'kind' => 'mix', 'recipe' => self::recipe('pr-10')],
            ['name' => str_repeat('x', 121), 'kind' => 'mix', 'recipe' => self::recipe('pr-10')],
            ['name' => 'A', 'kind' => 'soup', 'recipe' => self::recipe('pr-10')],
            ['name' => 'A', 'kind' => 'mix', 'recipe' => self::recipe('pr-99')],
            ['name' => 'A', 'kind' => 'mix', 'recipe' => self::recipe('pr-10', [['sf-1', -1, 'pct_of_ab', 'after']])],
            ['name' => 'A', 'kind' => 'mix', 'recipe' => self::recipe('pr-10', [['sf-1', 99, 'pct_of_total', 'after']])],
            ['name' => 'A', 'kind' => 'mix', 'recipe' => self::recipe('lx-60', [['sf-1', 5, 'pct_of_b', 'after']])],
            ['name' => 'A', 'kind' => 'mix', 'recipe' => 'soup'],
            ['name' => 'Brow skin', 'kind' => 'mix', 'new' => true, 'recipe' => self::recipe('pr-10')],
        ] as $said) {
            $this->from('/formulas')->post('/formulas', $said)->assertRedirect('/formulas')->assertSessionHasErrors('keep');
        }
        self::assertSame(1, FormulaVersion::query()->count());
    }

    public function test_an_amount_left_empty_is_asked_for(): void
    {
        $recipe = ['base' => 'pr-10', 'additives' => [['code' => 'sf-1', 'amount' => null, 'basis' => 'pct_of_ab', 'into' => 'after']]];

        $this->from('/swatches/colour')->post('/formulas', [
            'name' => 'Arm', 'kind' => 'mix', 'recipe' => $recipe,
        ])->assertSessionHasErrors([
            'keep' => 'Something in it has no amount yet. Say how much of each goes in.',
        ]);
    }

    public function test_two_versions_side_by_side(): void
    {
        $left = $this->version('Brow skin', 'pr-10', self::SOFT);
        $right = $this->version('Brow skin', 'pr-10', [['pi-fawn', 0.8, 'pct_of_total', 'b'], ['sf-1', 150, 'pct_of_a', 'after']]);

        $this->get(
            "/formulas/{$left->formula_id}?version={$right->id}&with={$left->id}",
        )->assertInertia(fn (AssertableInertia $page) => $page
            ->where('page.comparison.rows.1.name', 'Softener')
            ->where('page.comparison.rows.1.change', 'more')
            ->where('page.comparison.rows.1.left.pct_of_ab', 60)
            ->where('page.comparison.rows.1.right.pct_of_ab', 75)
            ->where('page.comparison.same_base', true));
    }

    public function test_named_retired_and_brought_back(): void
    {
        $formula = $this->version('Brow skin', 'pr-10', self::SOFT)->formula;
        $this->version('Grip');
        $this->put("/formulas/{$formula->id}", ['name' => 'Grip'])->assertSessionHasErrors('name');
        $this->put("/formulas/{$formula->id}", ['name' => ' '])->assertSessionHasErrors('name');
        $this->put("/formulas/{$formula->id}", ['name' => 'Owl skin'])->assertSessionHasNoErrors();
        $this->put("/formulas/{$formula->id}", ['retired' => true]);
        self::assertSame('Owl skin', $formula->refresh()->name);
        self::assertNotNull($formula->retired_at);

        $offered = fn (): array => array_column(
            $this->get('/pours/'.$this->draft()->id)->inertiaPage()['props']['pour']['formulas'], 'name',
        );
        self::assertNotContains('Owl skin', $offered());
        $this->put("/formulas/{$formula->id}", ['retired' => false]);
        self::assertContains('Owl skin', $offered());
    }

    public function test_pucks_and_paints_are_not_offered_for_a_mould(): void
    {
        $this->version('Pucks', 'pr-10', [], FormulaKind::Trial);
        $this->version('Wash', 'ax-15', [['nv-1', 300, 'pct_of_ab', 'after']], FormulaKind::Paint);

        self::assertSame([], $this->get('/pours/'.$this->draft()->id)->inertiaPage()['props']['pour']['formulas']);
    }

    /** As makers think: so many pieces of so much each, wherever an amount is asked. */
    public function test_an_amount_may_be_so_many_pieces(): void
    {
        $past = $this->begun();
        $this->post("/pours/{$past->id}/again", ['pieces' => 40, 'each_ml' => 23, 'spout_ml' => 2])->assertSessionHasNoErrors();
        $again = Pour::query()->latest('id')->firstOrFail();
        self::assertSame(
            ['pieces', 40, 23, 2],
            [
                $again->sheet['volume']['method'], (int) $again->sheet['volume']['pieces'], (int) $again->sheet['volume']['each_ml'],
                (int) $again->sheet['volume']['spout_ml'],
            ],
        );
        $allowance = 1.0 + $again->sheet['volume']['allowance_pct'] / 100.0;
        self::assertEqualsWithDelta(
            1000.0 * $allowance, $this->putJson("/pours/{$again->id}/sheet", $again->sheet)->assertOk()->json('volume.likely_ml'), 1e-6,
        );
        $this->from('/log')->post("/pours/{$past->id}/again", ['pieces' => 2.5, 'each_ml' => 23])->assertSessionHasErrors('again');
        self::assertSame(2, Pour::query()->count());

        $weigh = $this->postJson('/api/reckon/volume', [
            'method' => 'pieces', 'pieces' => 40, 'each_ml' => 23, 'spout_ml' => 4, 'allowance_pct' => 5,
        ])
            ->assertOk()
            ->json();
        self::assertEqualsWithDelta(1134.0, $weigh['likely_ml'], 1e-9);
    }

    public function test_a_past_pour_is_poured_again_scaled_to_a_new_mass(): void
    {
        $past = $this->begun([
            'formula.additives' => [
                ['code' => 'pi-fawn', 'amount' => 0.8, 'basis' => 'pct_of_total', 'into' => 'b'],
                ['code' => 'sf-1', 'amount' => 60, 'basis' => 'pct_of_ab', 'into' => 'after'],
            ],
        ]);
        $this->workUntil($past, 'wait');
        $answer = $this->post("/pours/{$past->id}/again", ['mass_g' => 340]);

        $again = Pour::query()->latest('id')->first();
        self::assertNotNull($again);
        $answer->assertRedirect("/pours/{$again->id}");
        self::assertSame(PourState::Draft, $again->state);
        $mix = $this->putJson("/pours/{$again->id}/sheet", $again->sheet)->assertOk()->json('mix');
        self::assertEqualsWithDelta(340.0, $mix['mass_g'], 1e-9);
        self::assertEqualsWithDelta(0.6, $mix['parts']['sf-1'] / ($mix['parts']['A'] + $mix['parts']['B']), 1e-9);
        self::assertEqualsWithDelta(0.008 * 340, $mix['parts']['pi-fawn'], 1e-9);

        // Poured as it is, it is the same version; changed, it is the next one and remembers.
        $this->post("/pours/{$again->id}/run")->assertRedirect();
        self::assertSame($past->refresh()->formula_version_id, $again->refresh()->formula_version_id);
        $this->post("/pours/{$past->id}/again", ['mass_g' => 200]);
        $third = Pour::query()->latest('id')->first();
        self::assertNotNull($third);
        $third->update(['sheet' => [...$third->sheet, 'formula' => self::recipe('pr-10', [['sf-1', 80, 'pct_of_ab', 'after']])]]);
        $this->post("/pours/{$third->id}/run");
        self::assertSame($past->formula_version_id, $third->refresh()->formulaVersion()->first()?->parent_id);
    }

    public function test_pouring_an_old_version_again_makes_no_copy_of_it(): void
    {
        $old = $this->version('Brow skin', 'pr-10', self::SOFT);
        $this->version('Brow skin', 'pr-10', [['sf-1', 80, 'pct_of_ab', 'after']]);
        $pour = $this->begun(['formula' => self::recipe('pr-10', self::SOFT), 'formula_from' => $old->id]);

        self::assertSame($old->id, $pour->formula_version_id);
        self::assertSame(2, FormulaVersion::query()->count());
    }

    public function test_a_mass_that_is_none_is_refused(): void
    {
        $past = $this->begun();
        foreach ([0, -3, 'much', null] as $mass) {
            $this->from('/log')
                ->post("/pours/{$past->id}/again", ['mass_g' => $mass])
                ->assertRedirect('/log')
                ->assertSessionHasErrors('again');
        }
        self::assertSame(1, Pour::query()->count());
    }

    public function test_a_formula_goes_into_the_sheet_of_a_link_and_what_was_measured_there_stays(): void
    {
        $version = $this->version('Brow skin', 'pr-10', self::SOFT);
        $draft = $this->draft(['volume.volume_ml' => 240]);
        $this->post("/versions/{$version->id}/pour", ['impression_id' => $draft->impression_id])->assertRedirect("/pours/{$draft->id}");
        self::assertSame(240, $draft->refresh()->sheet['volume']['volume_ml']);
        self::assertSame($version->recipe['additives'], $draft->sheet['formula']['additives']);

        $this->post("/versions/{$version->id}/pour", ['impression_id' => $draft->impression_id, 'mass_g' => 90])->assertRedirect();
        self::assertNull($draft->refresh()->sheet['volume']);
        self::assertSame(90, $draft->sheet['target']['mass_g']);
        $this->post("/versions/{$version->id}/pour", [])->assertSessionHasErrors('pour');
        $this->post("/versions/{$version->id}/pour", ['impression_id' => 999])->assertSessionHasErrors('pour');
    }

    public function test_a_recipe_is_reckoned_as_it_is_typed(): void
    {
        $answer = $this->postJson('/formulas/reckon', ['recipe' => self::recipe('pr-10', self::SOFT), 'mass_g' => 250])->assertOk()->json();

        self::assertEqualsWithDelta(250.0, $answer['mix']['mass_g'], 1e-9);
        self::assertEqualsWithDelta(
            [60.0, 120.0], [$answer['additives'][1]['pct_of_ab'], $answer['additives'][1]['pct_of_one_part']], 1e-9,
        );
        self::assertStringStartsWith('00-', $answer['hardness']);
        self::assertContains('Silicone', array_column($answer['cautions'], 'title'));
        $this->postJson('/formulas/reckon', [
            'recipe' => self::recipe('pr-10', [['sf-1', null, 'pct_of_ab', 'after']]),
        ])->assertUnprocessable()->assertJsonPath('error.field', 'recipe.additives.0.amount');
    }

    public function test_a_pot_of_paint_and_whether_it_holds(): void
    {
        $wash = self::recipe('ax-15', [['pi-fawn', 10, 'pct_of_ab', 'after'], ['nv-1', 300, 'pct_of_ab', 'after']]);
        $answer = $this->postJson('/formulas/paint', [
            'recipe' => $wash, 'area_mm2' => 20000, 'film_mm' => 0.05, 'coats' => 2, 'waste_pct' => 0,
        ])
            ->assertOk()
            ->json();

        self::assertEqualsWithDelta(7.7555, $answer['pot']['mass_g'], 0.0005);
        self::assertSame('test-first', $answer['holds']['verdict']);
        foreach ([['area_mm2' => 0], ['film_mm' => 3], ['coats' => 0], ['waste_pct' => -1]] as $more) {
            $this->postJson('/formulas/paint', [
                ...['recipe' => $wash, 'area_mm2' => 20000, 'film_mm' => 0.05, 'coats' => 2, 'waste_pct' => 0], ...$more,
            ])->assertUnprocessable()->assertJsonPath('error.field', array_key_first($more));
        }
        // As a paint its solvent is right; in a mould it is warned of.
        self::assertSame([], $this->postJson('/formulas/reckon', ['recipe' => $wash, 'paint' => true])->json('warnings'));
        self::assertContains(
            'paint_only', array_column($this->postJson('/formulas/reckon', ['recipe' => $wash])->json('warnings'), 'code'),
        );
    }

    public function test_only_silicone_holds_on_silicone(): void
    {
        $answer = $this->postJson('/formulas/paint', [
            'recipe' => self::recipe('ur-35', [['pi-fawn', 10, 'pct_of_total', 'b']]), 'area_mm2' => 20000, 'film_mm' => 0.05, 'coats' => 1,
            'waste_pct' => 0,
        ])
            ->assertOk()
            ->json();

        self::assertNotSame('clear', $answer['holds']['verdict']);
    }

    public function test_the_list_shows_what_is_in_each_and_how_it_did(): void
    {
        $pour = $this->begun(['formula.additives' => [['code' => 'sf-1', 'amount' => 60, 'basis' => 'pct_of_ab', 'into' => 'after']]]);
        $this->workUntil($pour, 'wait');

        $this->get('/formulas')->assertInertia(fn (AssertableInertia $page) => $page->component('formulas/Formulas')->where(
            'page.formulas.0.name', 'Brow skin',
        )
            ->where(
                'page.formulas.0.inside.0.name', 'Softener',
            )->where('page.formulas.0.inside.0.pct_of_ab', 60)->where('page.formulas.0.pours', 1)->where('page.formulas.0.retired', false));
        $batch = $this->get(
            '/formulas/'.$pour->refresh()->formulaVersion()->first()?->formula_id,
        )->inertiaPage()['props']['page']['last_batch'];
        self::assertSame(['B', 'A', 'Softener'], array_column($batch['lines'], 'add'));
    }

    public function test_the_jump_box_leads_to_a_formula(): void
    {
        $version = $this->version('Owl skin');
        self::assertContains("/formulas/{$version->formula_id}", array_column($this->getJson('/find?q=owl')->json('found'), 'href'));
    }
}

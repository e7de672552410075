<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Formula;
use App\Models\FormulaKind;
use App\Models\Swatch;
use App\Models\SwatchReading;
use Illuminate\Support\Facades\Storage;
use Inertia\Testing\AssertableInertia;
use LogicException;
use Tests\Drawer;
use Tests\TestCase;

final class SwatchesTest extends TestCase
{
    use Drawer;

    /** @param  array<string, mixed>  $more */
    private function series(array $more = []): array
    {
        return [...['kind' => 'softener', 'recipe' => self::recipe('pr-10'), 'softener' => 'sf-1', 'steps' => [0, 30, 60, 90], 'puck_ml' => 25, 'spare_pct' => 10, 'mix_min' => 3], ...$more];
    }

    /** @param  array<string, mixed>  $more */
    private function ladder(array $more = []): array
    {
        return $this->series([...['kind' => 'tint', 'recipe' => self::recipe('pr-10', [['pi-fawn', 1, 'pct_of_total', 'b']]), 'softener' => null, 'pigments' => ['pi-fawn'], 'steps' => [0, 50, 100], 'puck_ml' => 60], ...$more]);
    }

    public function test_a_series_is_planned_as_one_small_pour(): void
    {
        $plan = $this->postJson('/swatches/series/plan', array_filter($this->series(), static fn ($v): bool => $v !== null))->assertOk()->json();

        self::assertSame(['plain cup'], array_column($plan['cups'], 'name'));
        self::assertCount(4, $plan['pucks']);
        self::assertSame(['B', 'A'], array_column($plan['cups'][0]['lines'], 'add'));
        self::assertGreaterThan(0, $plan['usable_min']);
    }

    public function test_poured_pucks_are_labelled_with_what_is_really_in_them(): void
    {
        $this->post('/swatches/series', $this->series(['name' => 'Soft ten', 'thickness_mm' => 8]))->assertRedirect('/swatches/drawer');

        $swatches = Swatch::query()->with('version.formula')->orderBy('id')->get();
        self::assertCount(4, $swatches);
        self::assertSame('Soft ten 0 %', $swatches[0]->name);
        self::assertSame([], $swatches[0]->version->recipe['additives']);
        // 16.1 g from the cup and 9.7 g of softener
        self::assertEqualsWithDelta(60.25, $swatches[2]->version->recipe['additives'][0]['amount'], 0.01);
        self::assertSame(FormulaKind::Trial, $swatches[2]->version->formula->kind);
        self::assertNull($swatches[2]->version->parent_id);
    }

    public function test_what_the_display_really_showed_makes_the_label(): void
    {
        $this->post('/swatches/series', $this->series(['weighed' => ['puck 3' => [16.1, 11.3]]]))->assertRedirect('/swatches/drawer');

        self::assertEqualsWithDelta(100 * 11.3 / 16.1, Swatch::query()->with('version')->orderBy('id')->get()[2]->version->recipe['additives'][0]['amount'], 0.02);
        $this->from('/swatches/series')->post('/swatches/series', $this->series(['weighed' => ['puck 3' => [16.1]]]))->assertRedirect('/swatches/series')->assertSessionHasErrors('series');
    }

    public function test_a_series_is_led_from_one_thing_on_the_scale_to_the_next(): void
    {
        $next = fn (array $weighed): ?array => $this->postJson('/swatches/series/next', $this->series(['weighed' => $weighed]))->assertOk()->json('next');
        self::assertSame(['plain cup', 'B', true], [$next([])['vessel'], $next([])['add'], $next([])['opens']]);
        self::assertSame(['A', true], [$next(['plain cup' => [42, null]])['add'], $next(['plain cup' => [42, null]])['meets']]);
        self::assertEqualsWithDelta(3.0, $next(['plain cup' => [42, 45]])['grams'], 1e-9);
        $all = ['plain cup' => [42, 42], 'puck 1' => [26.7], 'puck 2' => [20.1, 6], 'puck 3' => [16.1, 9.7], 'puck 4' => [13.4, 12.1]];
        self::assertNull($next($all));

        // What stands on the pan decides the step: on a finer scale the same pinch is weighed finer.
        $this->putJson('/workshop', ['scale_division_g' => 0.01])->assertOk();
        self::assertEqualsWithDelta(9.66, $next([...$all, 'puck 3' => [16.1, null]])['grams'], 0.011);

        $this->postJson('/swatches/series/next', $this->series(['weighed' => ['puck 9' => [1]]]))->assertUnprocessable()->assertJsonPath('error.field', 'weighed.puck 9');
        $this->postJson('/swatches/series/next', $this->series(['weighed' => ['puck 3' => ['lots', null]]]))->assertUnprocessable()->assertJsonPath('error.field', 'weighed.puck 3.0');
    }

    public function test_what_was_not_weighed_is_labelled_as_planned(): void
    {
        $this->post('/swatches/series', $this->series(['weighed' => ['puck 1' => [30], 'puck 2' => [20.1, null], 'puck 3' => [15, null]]]))->assertRedirect('/swatches/drawer');
        $pct = Swatch::query()->with('version')->orderBy('id')->get()->map(static fn (Swatch $s): float => (float) ($s->version->recipe['additives'][0]['amount'] ?? 0.0))->all();

        self::assertEqualsWithDelta([0.0, 100 * 6 / 20.1, 100 * 9.7 / 15, 100 * 12.1 / 13.4], $pct, 0.02);
    }

    public function test_a_ladder_of_tint_carries_the_grams_of_its_full_cup_into_every_puck(): void
    {
        $this->post('/swatches/series', array_filter($this->ladder(['name' => 'Fawn']), static fn ($v): bool => $v !== null))->assertRedirect('/swatches/drawer');
        $loads = Swatch::query()->with('version')->orderBy('id')->get()->map(static fn (Swatch $s): float => (float) ($s->version->recipe['additives'][0]['amount'] ?? 0.0))->all();

        self::assertSame(0.0, $loads[0]);
        self::assertEqualsWithDelta(2.0, $loads[2] / $loads[1], 0.02);
        self::assertEqualsWithDelta(1.0, $loads[2], 0.06);

        $plan = $this->postJson('/swatches/series/plan', array_filter($this->ladder(), static fn ($v): bool => $v !== null))->json();
        $full = array_column($plan['cups'], null, 'name')['full cup'];
        $grams = array_column($full['lines'], 'grams');
        $fawn = (int) array_search('Fawn pigment', array_column($full['lines'], 'add'), true);
        $grams[$fawn] *= 2.0;
        $this->post('/swatches/series', array_filter($this->ladder(['name' => 'Too much', 'weighed' => ['full cup' => $grams]]), static fn ($v): bool => $v !== null))->assertRedirect();
        self::assertEqualsWithDelta(2.0 * $loads[2], Swatch::query()->with('version')->latest('id')->first()?->version->recipe['additives'][0]['amount'], 0.03);
    }

    public function test_a_series_that_makes_no_sense_is_refused_and_nothing_is_labelled(): void
    {
        foreach ([['steps' => []], ['steps' => [30, 30]], ['puck_ml' => 0], ['softener' => 'pi-fawn-x'], ['recipe' => self::recipe('pr-10', [['sf-1', 10, 'pct_of_ab', 'after']])], ['kind' => 'tint', 'pigments' => []]] as $more) {
            $this->from('/swatches/series')->post('/swatches/series', $this->series($more))->assertRedirect('/swatches/series')->assertSessionHasErrors('series');
        }
        self::assertSame(0, Swatch::query()->count());
    }

    public function test_readings_count_by_their_median_and_doubtful_ones_are_questioned(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $this->post("/swatches/{$swatch->id}/readings", ['kind' => 'hardness', 'scale' => '00', 'readings' => [26, 35, 27]])->assertRedirect()->assertSessionHas('said', fn (string $said): bool => str_contains($said, '9 points apart'));

        $this->get('/swatches/drawer')->assertInertia(fn (AssertableInertia $page) => $page->component('swatches/Drawer')
            ->where('drawer.swatches.0.hardness', ['scale' => '00', 'reading' => 27, 'written' => '00-27', 'spread' => 9, 'count' => 3])
            ->where('drawer.swatches.0.questions.0.code', 'spread')->where('drawer.swatches.0.readings.1.after_min', 2880));
    }

    public function test_a_reading_on_the_wrong_scale_is_written_down_and_questioned(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $this->post("/swatches/{$swatch->id}/readings", ['kind' => 'hardness', 'scale' => 'A', 'readings' => [4, 4, 5]])->assertSessionHas('said', fn (string $said): bool => str_contains($said, 'Read it on 00'));
        self::assertSame(2, $swatch->readings()->count());
    }

    public function test_a_puck_that_contradicts_the_others_is_named_in_the_drawer(): void
    {
        foreach ([[0, 'A', 12], [30, '00', 43], [60, 'A', 27], [90, '00', 14]] as [$pct, $scale, $reading]) {
            $this->puck($pct, $scale, $reading);
        }
        $asked = collect($this->get('/swatches/drawer')->inertiaPage()['props']['drawer']['swatches'])->mapWithKeys(static fn (array $s): array => [$s['name'] => array_column($s['questions'], 'code')]);

        self::assertSame(['Puck 90 %' => [], 'Puck 60 %' => ['outlier'], 'Puck 30 %' => [], 'Puck 0 %' => []], $asked->all());
    }

    public function test_what_is_no_reading_is_refused_with_a_sentence(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $key = "swatch-{$swatch->id}";
        foreach ([
            ['kind' => 'hardness', 'scale' => '00', 'readings' => [120]], ['kind' => 'hardness', 'scale' => '00', 'readings' => []], ['kind' => 'hardness', 'scale' => 'D', 'readings' => [12]], ['kind' => 'hardness', 'scale' => '00', 'readings' => ['soft']],
            ['kind' => 'colour', 'lab' => [140, 0, 0], 'backing' => 'white'], ['kind' => 'colour', 'lab' => [50, 0], 'backing' => 'white'], ['kind' => 'colour', 'lab' => [50, 0, 0], 'backing' => 'green'],
            ['kind' => 'smell'], ['kind' => 'hardness', 'scale' => '00', 'readings' => [20], 'at' => '2020-01-01'], ['kind' => 'hardness', 'scale' => '00', 'readings' => [20], 'at' => '2027-01-01'], ['kind' => 'hardness', 'scale' => '00', 'readings' => [20], 'at' => 'tomorrowish'],
        ] as $said) {
            $this->from('/swatches/drawer')->post("/swatches/{$swatch->id}/readings", $said)->assertSessionHasErrors($key);
        }
        self::assertSame(1, $swatch->readings()->count());
    }

    public function test_colour_over_both_cards_tells_translucency_and_swapped_cards_are_noticed(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $this->post("/swatches/{$swatch->id}/readings", ['kind' => 'colour', 'lab' => [72, 10, 18], 'backing' => 'white'])->assertSessionHasNoErrors();
        $this->post("/swatches/{$swatch->id}/readings", ['kind' => 'colour', 'lab' => [91, 10, 18], 'backing' => 'black'])->assertSessionHasErrors();
        $this->post("/swatches/{$swatch->id}/readings", ['kind' => 'colour', 'lab' => [58, 8, 10], 'backing' => 'black', 'source' => 'photo', 'within_delta_e' => 2.6])->assertSessionHasNoErrors();

        $this->get('/swatches/drawer')->assertInertia(fn (AssertableInertia $page) => $page->where('drawer.swatches.0.translucency.words', 'translucent')->where('drawer.swatches.0.readings.2.source', 'off a photo, within ΔE 2.6'));
    }

    public function test_a_card_that_yellowed_is_remembered_and_two_alike_are_refused(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $this->get('/swatches/drawer')->assertInertia(fn (AssertableInertia $page) => $page->where('drawer.cards', ['white' => [95, 0, 0], 'black' => [12, 0, 0]]));
        $this->post("/swatches/{$swatch->id}/readings", ['kind' => 'colour', 'lab' => [72, 10, 18], 'backing' => 'white', 'card_lab' => [91, -1, 6]])->assertSessionHasNoErrors();
        $this->post("/swatches/{$swatch->id}/readings", ['kind' => 'colour', 'lab' => [58, 8, 10], 'backing' => 'black', 'card_lab' => [88, 0, 5]])->assertSessionHasErrors("swatch-{$swatch->id}");
        $this->post("/swatches/{$swatch->id}/readings", ['kind' => 'colour', 'lab' => [58, 8, 10], 'backing' => 'black', 'card_lab' => [12, 0, 0]])->assertSessionHasNoErrors();

        self::assertSame([[91, -1, 6], null], array_map(static fn (?array $card): ?array => $card === null ? null : array_map(intval(...), $card), $swatch->readings()->where('kind', 'colour')->orderBy('id')->pluck('card_lab')->all()));
        $drawer = $this->get('/swatches/drawer')->inertiaPage()['props']['drawer'];
        self::assertEquals(['white' => [91, -1, 6], 'black' => [12, 0, 0]], $drawer['cards']);
        self::assertContains('L 72 a 10 b 18 over white, the card itself L 91 a −1 b 6', array_column($drawer['swatches'][0]['readings'], 'text'));
    }

    public function test_a_new_card_takes_the_place_of_the_yellowed_one(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $read = fn (array $card): mixed => $this->post("/swatches/{$swatch->id}/readings", ['kind' => 'colour', 'lab' => [72, 10, 18], 'backing' => 'white', 'card_lab' => $card])->assertSessionHasNoErrors();
        $cards = fn (): array => $this->get('/swatches/drawer')->inertiaPage()['props']['drawer']['cards'];

        $read([91, -1, 6]);
        self::assertEquals([91, -1, 6], $cards()['white']);
        $read([95, 0, 0]);
        self::assertEquals([95, 0, 0], $cards()['white'], 'The usual card again, and no need to say so twice.');
        self::assertEquals([12, 0, 0], $cards()['black'], 'Never read on: as usual.');
    }

    public function test_pucks_are_as_old_as_the_moment_a_met_b(): void
    {
        $met = $this->now->subMinutes(14);
        $this->post('/swatches/series', $this->series(['met_ms' => $met->getTimestampMs()]))->assertRedirect('/swatches/drawer');
        self::assertSame([$met->getTimestampMs()], $this->workshop->swatches()->get()->map(static fn (Swatch $s): int => (int) $s->poured_at->getTimestampMs())->unique()->values()->all());

        foreach ([$this->now->addHour(), $this->now->subDay()] as $never) {
            $this->from('/swatches/series')->post('/swatches/series', $this->series(['met_ms' => $never->getTimestampMs()]))->assertSessionHasErrors('series');
        }
    }

    public function test_a_base_without_softener_or_pigment_is_told_so(): void
    {
        $plan = fn (array $more): string => (string) $this->postJson('/swatches/series/plan', $this->series($more))->assertUnprocessable()->json('error.message');

        self::assertStringContainsString('takes no softener', $plan(['recipe' => self::recipe('ur-35'), 'softener' => null]));
        self::assertStringContainsString('none on the shelf goes into this base', $plan(['kind' => 'tint', 'recipe' => self::recipe('cp-70'), 'softener' => null, 'pigments' => []]));
        $this->get('/swatches/series?base=ur-35')->assertInertia(fn (AssertableInertia $page) => $page->where('page.base', 'pr-10'));
        $this->get('/swatches/series?kind=tint&base=ur-35')->assertInertia(fn (AssertableInertia $page) => $page->where('page.base', 'ur-35'));
    }

    public function test_a_reading_is_a_fact(): void
    {
        $reading = $this->puck(60, '00', 27)->readings()->first();
        self::assertInstanceOf(SwatchReading::class, $reading);

        $this->expectException(LogicException::class);
        $reading->update(['readings' => [40]]);
    }

    public function test_nearest_first_by_hardness_by_colour_and_by_both(): void
    {
        foreach ([[0, 'A', 12], [30, '00', 43], [60, '00', 27]] as [$pct, $scale, $reading]) {
            $this->puck($pct, $scale, $reading);
        }
        $this->drawdown('pi-fawn', 1.0, [69.7, 12.2, 29.7], [67.9, 8.5, 26.3]);
        $this->drawdown('pi-oxblood', 1.0, [32.1, 30.0, 14.2], [30.7, 25.2, 12.3]);
        $names = fn (string $query): array => array_column($this->get("/swatches/drawer?{$query}")->assertOk()->inertiaPage()['props']['drawer']['swatches'], 'name');

        self::assertSame(['Puck 30 %', 'Puck 60 %', 'Puck 0 %'], array_slice($names('hardness=00-40'), 0, 3));
        self::assertSame('Puck 0 %', $names('hardness=A+10')[0]);
        self::assertSame(['pi-oxblood 1', 'pi-fawn 1'], array_slice($names('colour=40+25+15'), 0, 2));
        self::assertSame('pi-fawn 1', $names('colour=%23c39e76')[0]);
        self::assertSame(['pi-fawn 1'], $names('q=fawn'));
        self::assertSame([], $names('base=pr-25'));
        self::assertCount(5, $names('hardness=soft'));
        self::assertStringContainsString('00-30', (string) $this->get('/swatches/drawer?hardness=soft')->inertiaPage()['props']['drawer']['wrong']);
        self::assertStringContainsString('L a b', (string) $this->get('/swatches/drawer?colour=reddish')->inertiaPage()['props']['drawer']['wrong']);
    }

    public function test_a_swatch_is_labelled_photographed_taken_out_of_its_mould_thrown_out_and_back(): void
    {
        Storage::fake();
        $version = $this->version('Brow skin', 'pr-10', [['sf-1', 60, 'pct_of_ab', 'after']]);
        $this->post('/swatches', ['version' => $version->id, 'name' => 'Brow puck'])->assertRedirect()->assertSessionHasNoErrors();
        $swatch = Swatch::query()->sole();
        self::assertNull($swatch->demoulded_at);
        $this->post('/swatches', ['version' => $version->id, 'name' => ''])->assertSessionHasErrors('name');

        $this->travel(300)->minutes();
        $this->post("/swatches/{$swatch->id}", ['demoulded' => true]);
        $this->post("/swatches/{$swatch->id}", ['name' => 'Brow puck, cold day', 'thickness_mm' => 7.5, 'note' => 'Good', 'photo' => self::picture()])->assertSessionHasNoErrors();
        $swatch->refresh();
        self::assertSame(['Brow puck, cold day', 7.5, 'Good'], [$swatch->name, $swatch->thickness_mm, $swatch->note]);
        self::assertEquals($this->now->addMinutes(300), $swatch->demoulded_at);
        $this->get("/swatches/{$swatch->id}/photo")->assertOk();
        $this->post("/swatches/{$swatch->id}", ['thickness_mm' => 0])->assertSessionHasErrors('thickness_mm');

        $this->delete("/swatches/{$swatch->id}")->assertSessionHas('undo', "/swatches/{$swatch->id}/restore");
        self::assertSame(0, $this->workshop->swatches()->count());
        $this->post("/swatches/{$swatch->id}/restore");
        self::assertSame(1, $this->workshop->swatches()->count());
    }

    public function test_the_bench_says_what_waits_to_be_read(): void
    {
        $small = fn (): array => array_column($this->get('/')->inertiaPage()['props']['bench']['small'], 'what');
        $this->post('/swatches/series', $this->series(['name' => 'Ten', 'steps' => [0, 60]]));
        $this->post('/contacts/patches', ['fresh' => 'silicone-platinum', 'surface' => 'painted', 'base' => 'pr-10']);
        self::assertSame([], $small());

        $this->travel(8)->hours();
        self::assertSame(['Read the dab of platinum silicone on painted and clear-coated', '2 swatches of Ten, pucks can come out of the form'], $small());
        [$first, $second] = [...Swatch::query()->orderBy('id')->get()];
        $this->post("/swatches/{$first->id}", ['demoulded' => true]);
        $this->post("/swatches/{$second->id}", ['demoulded' => true]);
        self::assertCount(1, $small());
        $this->travel(25)->hours();
        self::assertContains('2 swatches of Ten, pucks can be read', $small());
        $this->post("/swatches/{$first->id}/readings", ['kind' => 'hardness', 'scale' => 'A', 'readings' => [12, 12, 12]]);
        self::assertContains('A swatch of Ten, pucks can be read', $small());
        $this->travel(40)->days();
        self::assertNotContains('A swatch of Ten, pucks can be read', $small());
    }

    public function test_series_screen_offers_what_can_be_made(): void
    {
        $this->get('/swatches/series?kind=tint&pigment=pi-fawn')->assertInertia(fn (AssertableInertia $page) => $page->component('swatches/Series')->where('page.kind', 'tint')->where('page.pigment', 'pi-fawn')->where('page.base', 'pr-10'));
        self::assertSame(0, Formula::query()->count());
    }
}

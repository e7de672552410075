<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Fact;
use App\Models\Formula;
use App\Models\FormulaKind;
use App\Models\Series;
use App\Models\Swatch;
use Inertia\Testing\AssertableInertia;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\MakesSwatches;
use Tests\TestCase;

/** A series of pucks: planned, weighed up on the bench, labelled. */
final class SeriesTest extends TestCase
{
    use MakesSwatches;

    /** @return list<float> of the only additive of each swatch, oldest first */
    private static function amounts(): array
    {
        return array_values(
            Swatch::query()
                ->with('version')
                ->orderBy('id')
                ->get()
                ->map(static fn (Swatch $s): float => (float) ($s->version->recipe['additives'][0]['amount'] ?? 0.0))
                ->all(),
        );
    }

    public function test_the_screen_offers_what_can_be_made(): void
    {
        $this->get('/swatches/series?kind=tint&pigment=pi-fawn')->assertInertia(
            fn (AssertableInertia $page) => $page
                ->component('swatches/Series')
                ->where('page.kind', 'tint')
                ->where('page.pigment', 'pi-fawn')
                ->where('page.base', 'pr-10'),
        );
        self::assertSame(0, Formula::query()->count());
    }

    public function test_a_series_is_planned_as_one_small_pour(): void
    {
        $plan = $this->postJson('/swatches/series/plan', self::series())->assertOk()->json();

        self::assertSame([['plain-cup'], ['plain cup']], [array_column($plan['cups'], 'code'), array_column($plan['cups'], 'name')]);
        self::assertCount(4, $plan['pucks']);
        self::assertSame(['B', 'A'], array_column($plan['cups'][0]['lines'], 'add'));
        self::assertGreaterThan(0, $plan['usable_min']);
        self::assertSame(0, Series::query()->count(), 'A plan is only a plan.');
    }

    public function test_a_base_without_softener_or_pigment_is_told_so(): void
    {
        $plan = fn (array $more): string => (string) $this->postJson('/swatches/series/plan', self::series($more))
            ->assertUnprocessable()
            ->json('error.message');

        self::assertStringContainsString('takes no softener', $plan(['recipe' => self::recipe('ur-35'), 'softener' => null]));
        self::assertStringContainsString('none on the shelf goes into this base', $plan([
            'kind' => 'tint', 'recipe' => self::recipe('cp-70'), 'softener' => null, 'pigments' => [],
        ]));
        $this->get('/swatches/series?base=ur-35')->assertInertia(fn (AssertableInertia $page) => $page->where('page.base', 'pr-10'));
        $this->get('/swatches/series?kind=tint&base=ur-35')->assertInertia(
            fn (AssertableInertia $page) => $page->where('page.base', 'ur-35'),
        );
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function nonsense(): iterable
    {
        yield 'no steps' => [['steps' => []]];
        yield 'one step twice' => [['steps' => [30, 30]]];
        yield 'a puck of nothing' => [['puck_ml' => 0]];
        yield 'no such softener' => [['softener' => 'pi-fawn-x']];
        yield 'softener in every puck, and rising' => [['recipe' => self::recipe('pr-10', [['sf-1', 10, 'pct_of_ab', 'after']])]];
        yield 'a ladder of nothing' => [['kind' => 'tint', 'pigments' => []]];
        yield 'as thick as a house' => [['thickness_mm' => 5000]];
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('nonsense')]
    public function test_a_series_that_makes_no_sense_does_not_begin(array $more): void
    {
        $this->from('/swatches/series')
            ->post('/swatches/series', self::series($more))
            ->assertRedirect('/swatches/series')
            ->assertSessionHasErrors('series');
        self::assertSame(0, Series::query()->count());
    }

    public function test_poured_pucks_are_labelled_with_what_is_really_in_them(): void
    {
        $this->pourSeries(self::series(['thickness_mm' => 8]), 'Soft ten')->assertRedirect('/swatches/drawer');

        $swatches = Swatch::query()->with('version.formula')->orderBy('id')->get();
        self::assertCount(4, $swatches);
        self::assertSame(['Soft ten 0 %', 8.0], [$swatches[0]->name, $swatches[0]->thickness_mm]);
        self::assertSame([], $swatches[0]->version->recipe['additives']);
        // 16.1 g from the cup and 9.7 g of softener
        self::assertEqualsWithDelta(60.25, $swatches[2]->version->recipe['additives'][0]['amount'], 0.01);
        self::assertSame(FormulaKind::Trial, $swatches[2]->version->formula->kind);
        self::assertNull($swatches[2]->version->parent_id);
    }

    public function test_what_was_written_down_makes_the_label_and_the_rest_is_as_planned(): void
    {
        $this->pourSeries(self::series(), '', [
            'puck-1' => [30], 'puck-2' => [20.1, null], 'puck-3' => [15, null], 'puck-4' => [13.4, 11.3],
        ])->assertRedirect('/swatches/drawer');

        self::assertEqualsWithDelta([0.0, 100 * 6 / 20.1, 100 * 9.7 / 15, 100 * 11.3 / 13.4], self::amounts(), 0.02);
        self::assertSame('PR-10 0 %', Swatch::query()->oldest('id')->first()?->name, 'Nobody gave it a name.');
    }

    public function test_a_ladder_of_tint_carries_the_grams_of_its_full_cup_into_every_puck(): void
    {
        $this->pourSeries(self::ladder(), 'Fawn')->assertRedirect('/swatches/drawer');
        $loads = self::amounts();
        self::assertSame(0.0, $loads[0]);
        self::assertEqualsWithDelta(2.0, $loads[2] / $loads[1], 0.02);
        self::assertEqualsWithDelta(1.0, $loads[2], 0.06);

        $full = array_column($this->postJson('/swatches/series/plan', self::ladder())->json('cups'), null, 'code')['full-cup'];
        $grams = array_column($full['lines'], 'grams');
        $grams[(int) array_search('Fawn pigment', array_column($full['lines'], 'add'), true)] *= 2.0;
        $this->pourSeries(self::ladder(), 'Too much', ['full-cup' => $grams])->assertRedirect();
        self::assertEqualsWithDelta(2.0 * $loads[2], self::amounts()[5], 0.03);
    }

    public function test_the_scale_leads_from_one_thing_to_the_next(): void
    {
        $series = $this->beginSeries(self::series());
        $page = $this->get("/swatches/series/{$series->id}")->assertOk()->inertiaProps('run');
        self::assertSame(
            ['plain-cup', 'B', true, ''], [$page['next']['vessel'], $page['next']['add'], $page['next']['opens'], $page['on']],
        );

        $run = $this->fact($series, 'tared', ['vessel' => 'plain-cup'])->assertOk()->json();
        self::assertSame('plain-cup', $run['on']);
        $run = $this->fact($series, 'put', ['vessel' => 'plain-cup', 'line' => 0, 'reading_g' => 42.0])->assertOk()->json();
        self::assertEquals([42, null], $run['grams']['plain-cup']);
        self::assertSame(['A', true], [$run['next']['add'], $run['next']['meets']]);
        $met = $this->now->addMinute();
        $this->travelTo($met);
        $this->fact($series, 'met')->assertOk()->assertJsonPath('met_ms', (int) $met->getTimestampMs());

        // Three grams too much of A: as much more of B.
        $run = $this->fact($series, 'put', ['vessel' => 'plain-cup', 'line' => 1, 'reading_g' => 87.0])->assertOk()->json();
        self::assertSame(['B', 90], [$run['next']['add'], (int) $run['next']['running']]);
        $run = $this->fact($series, 'put', ['vessel' => 'plain-cup', 'line' => 0, 'reading_g' => 90.0])->assertOk()->json();
        self::assertEquals([45, 45], $run['grams']['plain-cup']);
        self::assertSame('puck-1', $run['next']['vessel']);

        // Taken back one by one, the rescue first.
        $run = $this->fact($series, 'undone', ['of' => $run['take_back']['of']])->assertOk()->json();
        self::assertEquals([42, 45], $run['grams']['plain-cup']);
        $run = $this->fact($series, 'undone', ['of' => $run['take_back']['of']])->assertOk()->json();
        self::assertEquals([42, null], $run['grams']['plain-cup']);
        self::assertSame((int) $met->getTimestampMs(), $run['met_ms'], 'A clock that ran is not taken back by the way.');
    }

    public function test_pucks_past_what_the_sheet_allows_are_questioned_by_name(): void
    {
        $warnings = fn (string $base): array => array_column(
            $this->postJson('/swatches/series/plan', self::series(['recipe' => self::recipe($base)]))->assertOk()->json('warnings'),
            'message', 'code',
        );

        self::assertArrayNotHasKey('over_max', $warnings('pr-10'));
        self::assertStringStartsWith('The sheet allows 30 % of softener; 60 and 90 % is past it.', $warnings('pr-25')['over_max']);
    }

    public function test_a_plan_that_has_begun_stays_as_it_is(): void
    {
        $series = $this->beginSeries(self::series());
        $before = $this->getJson("/swatches/series/{$series->id}/state")->json('plan');
        $this->putJson('/workshop', ['scale_division_g' => 0.01, 'room_c' => 31])->assertOk();

        self::assertSame($before, $this->getJson("/swatches/series/{$series->id}/state")->json('plan'));
        self::assertNotSame($before['pucks'][2]['lines'], $this->postJson('/swatches/series/plan', self::series())->json('pucks.2.lines'));
    }

    public function test_a_fact_sent_twice_is_recorded_once_and_one_that_comes_too_late_is_told_where_it_stands(): void
    {
        $series = $this->beginSeries(self::series());
        $put = ['vessel' => 'plain-cup', 'line' => 0, 'reading_g' => 42.0];
        $this->fact($series, 'put', $put, 'one')->assertOk();
        $this->fact($series, 'put', $put, 'one')->assertOk();
        self::assertSame(1, Fact::query()->count());

        $this->fact($series, 'put', $put, 'another screen')->assertConflict()->assertJsonPath('run.next.add', 'A');
        $this->fact($series, 'tared', ['vessel' => 'puck-3'])->assertConflict();
        $this->fact($series, 'undone', ['of' => 4711])->assertConflict();
        $this->fact($series, 'met')->assertOk();
        $this->fact($series, 'met')->assertConflict();
        $this->fact($series, 'unmet')->assertOk()->assertJsonPath('met_ms', null);
        self::assertSame(3, Fact::query()->count());

        $this->expectException(LogicException::class);
        Fact::query()->orderBy('id')->firstOrFail()->update(['kind' => 'met']);
    }

    public function test_what_cannot_have_happened_is_refused_in_a_sentence(): void
    {
        $series = $this->beginSeries(self::series());
        foreach ([
            ['put', ['vessel' => 'plain-cup', 'line' => 0, 'reading_g' => 0], 'payload.reading_g'],
            ['put', ['vessel' => 'plain-cup', 'line' => 0, 'reading_g' => 'lots'], 'payload.reading_g'],
            ['written', ['vessel' => 'puck-9', 'line' => 0, 'grams' => 3], 'payload.vessel'],
            ['written', ['vessel' => 'puck-1', 'line' => 1, 'grams' => 3], 'payload.line'],
            ['written', ['vessel' => 'puck-1', 'line' => 0, 'grams' => -3], 'payload.grams'],
            ['melted', [], 'kind'],
        ] as [$kind, $payload, $field]) {
            $this->fact($series, $kind, $payload)->assertUnprocessable()->assertJsonPath('error.field', $field);
        }
        $this->fact($series, 'written', [
            'vessel' => 'puck-2', 'line' => 1, 'grams' => 5.5,
        ])->assertOk()->assertJsonPath('grams.puck-2.1', 5.5);
        $this->fact($series, 'written', [
            'vessel' => 'puck-2', 'line' => 1, 'grams' => null,
        ])->assertOk()->assertJsonPath('grams.puck-2.1', null);
    }

    public function test_pucks_are_as_old_as_the_moment_a_met_b_however_late_that_was_heard(): void
    {
        $series = $this->beginSeries(self::series());
        $met = $this->now->addMinutes(3);
        $this->travelTo($this->now->addMinutes(17));
        $this->fact($series, 'met', at: $met)->assertOk();
        $this->post("/swatches/series/{$series->id}/label", ['name' => 'Late'])->assertRedirect('/swatches/drawer');
        self::assertSame(
            [$met->getTimestampMs()],
            Swatch::query()->get()->map(static fn (Swatch $s): int => (int) $s->poured_at->getTimestampMs())->unique()->values()->all(),
        );

        // A clock of tomorrow is not believed, nor one from before it began.
        $other = $this->beginSeries(self::series());
        $this->fact($other, 'met', at: $this->now->addDay())->assertOk()->assertJsonPath('met_ms', (int) now()->getTimestampMs());
        $this->fact($other, 'unmet')->assertOk();
        $this->fact($other, 'met', at: $this->now->subDay())->assertOk()->assertJsonPath('met_ms', (int) now()->getTimestampMs());
    }

    public function test_pucks_are_labelled_once(): void
    {
        $series = $this->beginSeries(self::series(['steps' => [0, 60]]));
        $this->post("/swatches/series/{$series->id}/label", ['name' => 'Once'])->assertRedirect('/swatches/drawer');
        $this->post("/swatches/series/{$series->id}/label", ['name' => 'Twice'])->assertSessionHasErrors('series');
        self::assertSame(2, Swatch::query()->count());

        $this->get("/swatches/series/{$series->id}")->assertRedirect('/swatches/drawer');
        $this->fact($series, 'written', ['vessel' => 'puck-1', 'line' => 0, 'grams' => 3])->assertConflict();
    }

    public function test_a_series_stands_on_strip_and_bench_until_it_is_labelled_or_taken_off(): void
    {
        $series = $this->beginSeries(self::series());
        $this->fact($series, 'met')->assertOk();
        $strip = $this->getJson('/frame')->json('strip');
        self::assertSame(
            ["series-{$series->id}", 'Pucks · PR-10', "/swatches/series/{$series->id}"],
            [$strip['lozenges'][0]['id'], $strip['lozenges'][0]['title'], $strip['lozenges'][0]['href']],
        );
        $window = $strip['lozenges'][0]['windows'][0];
        self::assertSame('pot_life', $window['kind']);
        self::assertSame($window['to_ms'] - 3 * 60_000, $strip['calls'][0]['at_ms']);
        self::assertSame('Three minutes left to fill the last puck', $strip['calls'][0]['what']);
        $item = $this->get('/')->inertiaProps('bench.items.0');
        self::assertSame(['now', 'plain cup: weigh B', "/swatches/series/{$series->id}"], [$item['group'], $item['what'], $item['href']]);

        $this->delete("/swatches/series/{$series->id}")->assertSessionHas('undo', "/swatches/series/{$series->id}/restore");
        self::assertSame([[], []], [$this->getJson('/frame')->json('strip.lozenges'), $this->get('/')->inertiaProps('bench.items')]);
        $this->post("/swatches/series/{$series->id}/restore")->assertRedirect("/swatches/series/{$series->id}");
        self::assertCount(1, $this->getJson('/frame')->json('strip.lozenges'));

        // The next day it is no longer live, but still on the bench.
        $this->travel(20)->hours();
        self::assertSame([], $this->getJson('/frame')->json('strip.lozenges'));
        self::assertCount(1, $this->get('/')->inertiaProps('bench.items'));
        $this->post("/swatches/series/{$series->id}/label", ['name' => ''])->assertRedirect('/swatches/drawer');
        self::assertSame([], $this->get('/')->inertiaProps('bench.items'));
    }

    public function test_looking_at_scale_room_and_state_does_not_use_up_what_one_page_left_for_the_next_to_say(): void
    {
        [$series, $other, $pour] = [$this->beginSeries(self::series()), $this->beginSeries(self::series()), $this->begun()];
        $this->delete("/swatches/series/{$series->id}")->assertSessionHas('said');
        $this->postJson('/devices/thermometer')->assertOk();
        foreach (['/devices/scale', '/frame', '/find?q=owl', "/swatches/series/{$other->id}/state", "/pours/{$pour->id}/state"] as $look) {
            $this->getJson($look)->assertOk();
        }

        $this->get('/swatches/series')->assertInertia(
            fn (AssertableInertia $page) => $page->where('flash', 'The series is off the bench.')->where(
                'undo', "/swatches/series/{$series->id}/restore",
            ),
        );
        $this->get('/swatches/series')->assertInertia(fn (AssertableInertia $page) => $page->where('flash', null));
    }

    public function test_the_first_drawdowns_of_a_base_are_one_press(): void
    {
        $asked = [
            'base' => 'hv-08', 'load' => 1, 'steps' => [0, 30, 100], 'puck_ml' => 12, 'spare_pct' => 10, 'mix_min' => 3,
            'thickness_mm' => 2,
        ];
        $suit = count(
            array_filter(
                glob(base_path('library/materials/p*.yaml')) ?: [],
                static fn (string $file): bool => ($sheet = \Symfony\Component\Yaml\Yaml::parseFile($file))['kind'] === 'additive'
                    && $sheet['role'] === 'pigment'
                    && in_array('plastisol', $sheet['families'], true),
            ),
        );
        self::assertGreaterThan(1, $suit);
        $undrawn = fn (): int => array_column(
            $this->get('/swatches/series?kind=tint')->inertiaProps('page')['bases'], 'undrawn', 'code',
        )['hv-08'];
        self::assertSame($suit, $undrawn());
        $this->post('/swatches/series/first', [...$asked, 'steps' => [0]])->assertSessionHasErrors('series');
        $this->post('/swatches/series/first', [...$asked, 'load' => 0])->assertSessionHasErrors('series');
        self::assertSame(0, Series::query()->count());

        $this->post('/swatches/series/first', $asked)->assertSessionHasNoErrors()->assertRedirect();
        $made = Series::query()->orderBy('id')->get();
        self::assertCount($suit, $made);
        self::assertEquals(
            [[0, 30, 100], [30, 100]], [$made[0]->question['steps'], $made[1]->question['steps']], 'The base is drawn down bare once.',
        );
        self::assertSame($suit, count(array_unique($made->map(static fn (Series $one): string => $one->question['pigments'][0])->all())));
        self::assertSame(0, $undrawn());
        $this->post('/swatches/series/first', $asked)->assertSessionHasErrors('series');
        self::assertSame($suit, Series::query()->count());
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Build\BuildFactKind;
use App\Models\Build;
use App\Models\Fact;
use App\Models\Impression;
use App\Models\OwnBuild;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** A glove brushed on a wooden last: coats within their windows, keys, a jacket. */
final class BuildsTest extends TestCase
{
    private const MEASURED = ['area_mm2' => 60_000, 'flange_mm2' => 10_000, 'fill_ml' => 20, 'wall_mm' => ['least' => 4, 'most' => 5]];

    private int $told = 0;

    private function glove(string $kind = 'glove-silicone', string $material = 'br-28'): Build
    {
        $impression = $this->impression('original', '');
        $impression->update(['surface' => 'acrylic']);
        $mould = $this->impression('mould', $material);
        $mould->update(['contacts' => ["link-{$impression->id}" => ['release' => 'paste-wax']]]);
        $this->post("/impressions/{$mould->id}/builds", ['kind' => $kind, 'measured' => self::MEASURED])->assertSessionHasNoErrors();

        return Build::query()->where('impression_id', $mould->id)->firstOrFail();
    }

    /** @return array<string, mixed> */
    private function look(Build $build): array
    {
        return $this->getJson("/builds/{$build->id}/state")->assertOk()->json();
    }

    /** @return array<string, mixed> */
    private function operation(Build $build, string $id): array
    {
        return array_column($this->look($build)['operations'], null, 'id')[$id];
    }

    /**
     * @param  array<string, mixed>  $payload
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function tell(Build $build, string $kind, array $payload = [], ?string $key = null): TestResponse
    {
        return $this->postJson("/builds/{$build->id}/facts", ['key' => $key ?? 'told-'.(++$this->told), 'kind' => $kind, 'payload' => $payload]);
    }

    private function sheetOf(Build $build, string $operation): Pour
    {
        $this->post("/builds/{$build->id}/operations/{$operation}/pour")->assertRedirect();

        return Pour::query()->where('build_id', $build->id)->where('operation', $operation)->orderByDesc('id')->firstOrFail();
    }

    private function mixed(Build $build, string $operation): Pour
    {
        $pour = $this->sheetOf($build, $operation);
        $this->post("/pours/{$pour->id}/run")->assertRedirect("/pours/{$pour->id}/run")->assertSessionHasNoErrors();
        $this->workUntil($pour, 'done');

        return $pour->refresh();
    }

    private function prepared(Build $build): void
    {
        $this->tell($build, 'done', ['op' => 'release'])->assertOk();
        $this->tell($build, 'done', ['op' => 'flange'])->assertOk();
        $this->mixed($build, 'keys');
    }

    public function test_a_glove_is_planned_from_what_was_measured(): void
    {
        $look = $this->look($this->glove());

        self::assertSame(['release', 'flange', 'keys', 'print', 'coat2', 'coat3', 'embed', 'level', 'jacket', 'rest', 'open'], array_column($look['operations'], 'id'));
        self::assertEqualsWithDelta(4.5, $look['wall_mm'], 0.01);
        self::assertSame(['ready', 'waits'], [$look['operations'][0]['state'], $look['operations'][3]['state']]);
        self::assertSame(['Seal and release the original', 'Lay the flange'], $look['operations'][3]['waits_for']);
        self::assertSame('release', $look['next']);
    }

    public function test_a_coat_has_its_sheet_with_what_the_build_knows_of_it(): void
    {
        $sheet = $this->sheetOf($this->glove(), 'coat2')->sheet;

        // 70 000 mm² of 1.85 mm, and 20 ml of undercuts.
        self::assertEqualsWithDelta(149.5, $sheet['volume']['capacity_ml'], 0.1);
        self::assertSame('br-28', $sheet['formula']['base']);
        self::assertSame(['pi-russet' => 0.5, 'tk-1' => 0.3], array_column($sheet['formula']['additives'], 'amount', 'code'));
    }

    public function test_a_coat_begins_only_after_what_it_waits_for_and_not_before_its_window(): void
    {
        $build = $this->glove();
        $print = $this->sheetOf($build, 'print');
        $this->post("/pours/{$print->id}/run")->assertSessionHasErrors('sheet');
        self::assertStringContainsString('waits for', session('errors')->first('sheet'));

        $this->prepared($build);
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        $coat = $this->sheetOf($build, 'coat2');
        $this->post("/pours/{$coat->id}/run")->assertSessionHasErrors('sheet');
        self::assertStringContainsString('tacky', session('errors')->first('sheet'));

        // The finger outranks the clock.
        $this->travel(30)->minutes();
        $this->tell($build, 'fingered', ['op' => 'print', 'finger' => 'tacky'])->assertOk();
        self::assertSame('ready', $this->operation($build, 'coat2')['state']);
        $this->post("/pours/{$coat->id}/run")->assertSessionHasNoErrors()->assertRedirect("/pours/{$coat->id}/run");
    }

    public function test_a_coat_that_is_laid_ends_its_run_and_opens_the_window_of_the_next(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $print = $this->mixed($build, 'print');

        self::assertSame(PourState::Laid, $print->state);
        self::assertSame($print->weighed_g, $print->used_g);
        $next = $this->operation($build, 'coat2');
        // By the sheet 40 min at 23 °C and half as long again for each ten degrees less: 49.2 at 20 °C.
        self::assertEqualsWithDelta(40 * 2 ** 0.3, ($next['opens_ms'] - $print->poured_at?->getTimestampMs()) / 60_000, 0.1);
        self::assertEqualsWithDelta(110 * 2 ** 0.3, ($next['shuts_ms'] - $print->poured_at?->getTimestampMs()) / 60_000, 0.1);
        self::assertEqualsWithDelta(0.8, $this->look($build)['laid_mm'], 0.01);
        $this->get('/log')->assertOk();
        self::assertContains('laid', array_column($this->get('/log')->inertiaProps('log')['rows'], 'grade'));
    }

    public function test_a_room_that_cools_moves_the_window_at_once(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        $before = $this->operation($build, 'coat2')['opens_ms'];
        $this->travel(5)->minutes();
        $this->warm(16.0);
        $after = $this->operation($build, 'coat2')['opens_ms'];

        // What is left of 49 minutes takes 2^0.4 times as long.
        self::assertEqualsWithDelta((40 * 2 ** 0.3 - 5) * (2 ** 0.4 - 1), ($after - $before) / 60_000, 1.0);
    }

    public function test_a_missed_window_is_said_with_what_saves_it_and_stands_on_the_checklist(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        $this->travel(3)->hours();
        $late = $this->operation($build, 'coat2');
        self::assertSame('missed', $late['state']);
        self::assertStringContainsString('solvent', $late['save']);

        $coat = $this->sheetOf($build, 'coat2');
        $this->post("/pours/{$coat->id}/run")->assertSessionHasNoErrors();
        self::assertStringContainsString('window has shut', $this->getJson("/pours/{$coat->id}/state")->json('checklist.0.text'));
    }

    public function test_an_over_touched_coat_teaches_the_clock_and_taken_back_it_does_not(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        $this->travel(70)->minutes();
        $this->tell($build, 'fingered', ['op' => 'print', 'finger' => 'comes_off'])->assertOk();
        self::assertSame(1, DB::table('finger_tests')->count());
        self::assertSame('waits', $this->operation($build, 'coat2')['state']);
        $this->tell($build, 'undone', ['of' => $this->look($build)['take_back']['of']])->assertOk();
        self::assertSame(0, DB::table('finger_tests')->count());
        self::assertSame('ready', $this->operation($build, 'coat2')['state']);
    }

    public function test_a_fact_that_is_sent_twice_is_there_once_and_another_under_its_key_is_refused(): void
    {
        $build = $this->glove();
        $this->tell($build, 'done', ['op' => 'release'], 'one')->assertOk();
        $this->tell($build, 'done', ['op' => 'release'], 'one')->assertOk();
        $this->tell($build, 'done', ['op' => 'flange'], 'one')->assertConflict();
        self::assertSame(1, Fact::query()->where('stream', 'build')->count());
        $this->tell($build, 'done', ['op' => 'release'])->assertConflict();
    }

    public function test_the_plan_is_changed_where_nothing_has_begun_and_two_screens_do_not_overwrite_each_other(): void
    {
        $build = $this->glove();
        $this->tell($build, 'done', ['op' => 'release'])->assertOk();
        $operations = $build->refresh()->plan['operations'] ?? [];
        $without = array_values(array_filter($operations, static fn (array $one): bool => $one['id'] !== 'level'));

        $this->tell($build, 'changed', ['operations' => $without, 'was' => 0])->assertOk();
        self::assertNotContains('level', array_column($this->look($build)['operations'], 'id'));
        $this->tell($build, 'changed', ['operations' => $operations, 'was' => 0])->assertConflict();

        $this->mixed($build, 'keys');
        $thicker = array_map(static fn (array $one): array => $one['id'] === 'keys' ? [...$one, 'mix' => [...$one['mix'], 'ml' => 500]] : $one, $without);
        $this->tell($build, 'changed', ['operations' => $thicker, 'was' => $this->look($build)['edition']])->assertUnprocessable()->assertJsonPath('error.field', 'operations');
    }

    public function test_a_ring_and_a_coat_nobody_lays_are_refused_and_nothing_is_written(): void
    {
        $build = $this->glove();
        $ring = [['id' => 'a', 'kind' => 'prepare', 'name' => 'A', 'minutes' => 1, 'after' => [['op' => 'b']]], ['id' => 'b', 'kind' => 'prepare', 'name' => 'B', 'minutes' => 1, 'after' => [['op' => 'a']]]];
        $this->tell($build, 'changed', ['operations' => $ring, 'was' => 0])->assertUnprocessable();
        $this->tell($build, 'changed', ['operations' => [['id' => 'a', 'kind' => 'coat', 'name' => 'A', 'minutes' => 1, 'mix' => ['thickness_mm' => 40]]], 'was' => 0])->assertUnprocessable()->assertJsonPath('error.field', 'operations.0.mix.thickness_mm');
        $this->tell($build, 'changed', ['operations' => 'all of them', 'was' => 0])->assertUnprocessable();
        self::assertSame(0, Fact::query()->where('stream', 'build')->count());
    }

    public function test_pressed_ten_times_one_build_is_planned_and_one_sheet_is_opened(): void
    {
        $build = $this->glove();
        for ($i = 0; $i < 10; $i++) {
            $this->post("/impressions/{$build->impression_id}/builds", ['kind' => 'glove-silicone', 'measured' => self::MEASURED]);
            $this->post("/builds/{$build->id}/operations/print/pour");
        }
        self::assertSame([1, 1], [Build::query()->where('plain', false)->count(), Pour::query()->where('build_id', $build->id)->count()]);
    }

    public function test_every_coat_stands_on_its_checklist_with_what_it_has_to_bond_to(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        $this->travel(55)->minutes();
        $coat = $this->sheetOf($build, 'coat2');
        $this->post("/pours/{$coat->id}/run")->assertSessionHasNoErrors();
        self::assertStringContainsString('Print coat: tacky or clean', implode(' ', array_column($this->getJson("/pours/{$coat->id}/state")->json('checklist'), 'text')));
    }

    public function test_a_sheet_of_a_coat_thrown_away_comes_back_to_its_place(): void
    {
        $build = $this->glove();
        $print = $this->sheetOf($build, 'print');
        $this->delete("/pours/{$print->id}");
        self::assertNull($this->operation($build, 'print')['pour_id']);
        $this->post("/pours/{$print->id}/restore")->assertRedirect();
        self::assertSame(1, Pour::query()->where('build_id', $build->id)->where('operation', 'print')->count());
    }

    public function test_an_operation_longer_than_the_working_day_is_refused_with_what_to_do(): void
    {
        $build = $this->glove();
        $operations = array_map(static fn (array $one): array => $one['id'] === 'jacket' ? [...$one, 'minutes' => 900] : $one, $build->plan['operations'] ?? []);
        $refused = $this->tell($build, 'changed', ['operations' => $operations, 'was' => 0])->assertUnprocessable()->json('error');

        self::assertStringStartsWith('operations.', $refused['field']);
        self::assertStringContainsString('Cut it in two', $refused['message']);
        // A day that was shortened later keeps nobody from the rest.
        $this->putJson('/workshop', ['day_starts_min' => 600, 'day_ends_min' => 670])->assertOk();
        self::assertNotSame([], $this->getJson('/day/state')->assertOk()->json('items'));
    }

    public function test_a_coat_given_up_is_mixed_again(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $print = $this->sheetOf($build, 'print');
        $this->post("/pours/{$print->id}/run");
        $this->record($print, 'given_up', ['fate' => 'waste', 'note' => 'Gelled in the cup'])->assertOk();
        self::assertSame('ready', $this->operation($build, 'print')['state']);
        self::assertNotSame($print->id, $this->sheetOf($build, 'print')->id);
    }

    public function test_a_jacket_of_the_same_rubber_is_told_that_it_would_join(): void
    {
        $build = $this->glove();
        $operations = array_map(static fn (array $one): array => $one['id'] === 'jacket' ? [...$one, 'mix' => [...$one['mix'], 'base' => 'pr-40']] : $one, $build->plan['operations'] ?? []);
        $this->tell($build, 'changed', ['operations' => $operations, 'was' => 0])->assertOk();

        $layer = $this->operation($build, 'jacket')['layer'];
        self::assertSame(['release', true], [$layer['verdict'], $layer['separates']]);
        self::assertStringContainsString('bonds', $layer['why']);
    }

    public function test_a_rubber_that_cannot_be_brushed_is_refused_where_it_is_chosen(): void
    {
        $mould = $this->impression('mould', 'rf-70');
        $this->post("/impressions/{$mould->id}/builds", ['kind' => 'glove-silicone', 'measured' => self::MEASURED])->assertSessionHasErrors('build');
        $this->post("/impressions/{$mould->id}/builds", ['kind' => 'cathedral'])->assertSessionHasErrors('build');
        $this->post("/impressions/{$mould->id}/builds", ['kind' => ['x']])->assertSessionHasErrors('build');
        self::assertSame(0, Build::query()->count());
    }

    public function test_it_is_kept_as_a_way_of_ones_own_and_taken_again(): void
    {
        $build = $this->glove();
        $this->post("/builds/{$build->id}/keep", ['name' => 'Our boot glove'])->assertSessionHasNoErrors();
        $own = OwnBuild::query()->firstOrFail();
        $other = $this->impression('mould', 'br-28');
        $this->post("/impressions/{$other->id}/builds", ['kind' => "own-{$own->id}"])->assertSessionHasNoErrors();
        $again = Build::query()->where('impression_id', $other->id)->firstOrFail();

        self::assertEquals($build->plan, $again->plan);
        self::assertSame('Our boot glove', $again->name);
    }

    public function test_it_ends_with_a_grade_that_its_rubber_bears_and_the_chain_knows_it_is_open(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->tell($build, 'graded', ['grade' => 'good', 'faults' => []])->assertUnprocessable();
        foreach (['print', 'coat2', 'coat3'] as $coat) {
            $this->travel($coat === 'coat3' ? 100 : 55)->minutes();
            $this->mixed($build, $coat);
        }
        $this->tell($build, 'done', ['op' => 'embed'])->assertOk();
        $this->tell($build, 'done', ['op' => 'level'])->assertOk();
        $this->travel(130)->minutes();
        $this->tell($build, 'left_out', ['op' => 'jacket', 'why' => 'An old one fits'])->assertOk();
        $this->tell($build, 'done', ['op' => 'rest'])->assertOk();
        $this->tell($build, 'done', ['op' => 'open'])->assertOk();
        $this->tell($build, 'graded', ['grade' => 'good', 'faults' => [], 'note' => 'Peels like a sock'])->assertOk()->assertJsonPath('grade.grade', 'good');

        $main = Pour::query()->where('build_id', $build->id)->where('operation', 'coat3')->firstOrFail();
        self::assertSame([PourState::Graded, 'Peels like a sock'], [$main->state, $main->note]);
        self::assertNotNull($main->opened_at);
        self::assertNotNull($build->refresh()->ended_at);
        self::assertSame('good', $this->get("/jobs/{$build->impression->job_id}")->inertiaProps('job')['chain'][1]['status']);
        $this->tell($build, 'noted', ['text' => 'Still peels'])->assertOk();
        $this->tell($build, 'begun', ['op' => 'open'])->assertConflict();
    }

    public function test_a_coat_is_not_taken_back_from_under_the_next(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $print = $this->mixed($build, 'print');
        $this->travel(55)->minutes();
        $this->mixed($build, 'coat2');
        $of = $this->getJson("/pours/{$print->id}/state")->json('take_back.of');
        $this->record($print, 'undone', ['of' => $of])->assertConflict();
    }

    public function test_every_pour_is_a_build_and_a_plain_one_stays_a_pour(): void
    {
        $pour = $this->draft();
        self::assertTrue($pour->build->plain);
        $this->get("/builds/{$pour->build_id}")->assertRedirect("/pours/{$pour->id}");
        $this->tell($pour->build, BuildFactKind::Noted->value, ['text' => 'x'])->assertUnprocessable();
        self::assertSame(1, Impression::query()->firstOrFail()->builds()->count());
    }

    public function test_a_plan_of_which_nothing_has_begun_is_thrown_away_and_what_has_begun_is_not(): void
    {
        $build = $this->glove();
        $this->tell($build, 'done', ['op' => 'release']);
        $this->delete("/builds/{$build->id}")->assertSessionHasErrors('build');
        $other = $this->glove();
        $this->sheetOf($other, 'print');
        $this->delete("/builds/{$other->id}")->assertSessionHasNoErrors();
        self::assertNull(Build::query()->find($other->id));
        // And had back, with its sheets.
        $this->post("/builds/{$other->id}/restore")->assertRedirect();
        $back = Build::query()->orderByDesc('id')->firstOrFail();
        self::assertEquals([$other->plan, 'print'], [$back->plan, $back->pours()->firstOrFail()->operation]);
        $this->post("/builds/{$other->id}/restore")->assertNotFound();
    }
}

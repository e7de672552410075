<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Build\BuildFactKind;
use App\Models\Build;
use App\Models\Fact;
use App\Models\Impression;
use App\Models\OwnBuild;
use App\Models\Pour;
use Illuminate\Support\Facades\DB;
use Tests\BuildsGloves;
use Tests\TestCase;

/** How a build is planned, changed, thrown away and kept. */
final class BuildPlansTest extends TestCase
{
    use BuildsGloves;

    public function test_a_glove_is_planned_from_what_was_measured(): void
    {
        $look = $this->look($this->glove());

        self::assertSame(
            [
                'release', 'flange', 'keys', 'print', 'coat2', 'coat3', 'embed', 'level', 'fence', 'jacket', 'flange-2', 'jacket-2', 'rest',
                'open',
            ],
            array_column($look['operations'], 'id'),
        );
        self::assertEqualsWithDelta(4.5, $look['wall_mm'], 0.01);
        self::assertSame(['ready', 'waits'], [$look['operations'][0]['state'], $look['operations'][3]['state']]);
        self::assertSame(['Seal and release the original', 'Lay the flange'], $look['operations'][3]['waits_for']);
        self::assertSame('release', $look['next']);
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
        $thicker = array_map(
            static fn (array $one): array => $one['id'] === 'keys' ? [...$one, 'mix' => [...$one['mix'], 'ml' => 500]] : $one, $without,
        );
        $this->tell($build, 'changed', [
            'operations' => $thicker, 'was' => $this->look($build)['edition'],
        ])->assertUnprocessable()->assertJsonPath('error.field', 'operations');
    }

    public function test_a_ring_and_a_coat_nobody_lays_are_refused_and_nothing_is_written(): void
    {
        $build = $this->glove();
        $ring = [
            ['id' => 'a', 'kind' => 'prepare', 'name' => 'A', 'minutes' => 1, 'after' => [['op' => 'b']]],
            ['id' => 'b', 'kind' => 'prepare', 'name' => 'B', 'minutes' => 1, 'after' => [['op' => 'a']]],
        ];
        $this->tell($build, 'changed', ['operations' => $ring, 'was' => 0])->assertUnprocessable();
        $this->tell($build, 'changed', [
            'operations' => [['id' => 'a', 'kind' => 'coat', 'name' => 'A', 'minutes' => 1, 'mix' => ['thickness_mm' => 40]]], 'was' => 0,
        ])->assertUnprocessable()->assertJsonPath('error.field', 'operations.0.mix.thickness_mm');
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
        $operations = array_map(
            static fn (array $one): array => $one['id'] === 'jacket' ? [...$one, 'minutes' => 900] : $one, $build->plan['operations'] ?? [],
        );
        $refused = $this->tell($build, 'changed', ['operations' => $operations, 'was' => 0])->assertUnprocessable()->json('error');

        self::assertStringStartsWith('operations.', $refused['field']);
        self::assertStringContainsString('Cut it in two', $refused['message']);
        // A day that was shortened later keeps nobody from the rest.
        $this->putJson('/workshop', ['day_starts_min' => 600, 'day_ends_min' => 670])->assertOk();
        self::assertNotSame([], $this->getJson('/day/state')->assertOk()->json('items'));
    }

    public function test_a_damaged_plan_is_shown_as_such_and_stops_no_page(): void
    {
        $build = $this->glove();
        DB::table('builds')->where('id', $build->id)->update(['plan' => '{"operations": [{"id": 7}]}']);
        self::assertContains("build-{$build->id}", array_column($this->get('/')->assertOk()->inertiaProps('bench.items'), 'id'));
        $this->getJson('/frame')->assertOk();
        $this->get('/day')->assertOk();
        $this->get("/jobs/{$build->impression->job_id}")->assertOk();
        self::assertSame('builds', $this->get("/builds/{$build->id}")->assertOk()->inertiaProps('kind'));
        $this->post("/damaged/builds/{$build->id}")->assertRedirect('/')->assertSessionHas('undo', "/damaged/builds/{$build->id}/back");
        self::assertNotContains("build-{$build->id}", array_column($this->get('/')->inertiaProps('bench.items'), 'id'));
        $this->post("/damaged/builds/{$build->id}/back")->assertRedirect('/');
        self::assertContains("build-{$build->id}", array_column($this->get('/')->inertiaProps('bench.items'), 'id'));
    }

    public function test_the_next_plain_pour_of_a_link_takes_no_coat_for_its_sheet(): void
    {
        $build = $this->glove();
        $this->sheetOf($build, 'jacket');
        $this->post("/impressions/{$build->impression_id}/pours");
        $plain = Pour::query()->plain()->where('impression_id', $build->impression_id)->firstOrFail();
        self::assertSame('br-28', $plain->sheet['formula']['base']);
    }

    public function test_a_rubber_that_cannot_be_brushed_is_refused_where_it_is_chosen(): void
    {
        $mould = $this->impression('mould', 'rf-70');
        $this->post("/impressions/{$mould->id}/builds", [
            'kind' => 'glove-silicone', 'measured' => self::MEASURED,
        ])->assertSessionHasErrors('build');
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

        self::assertEquals($build->plan['operations'] ?? null, $again->plan['operations'] ?? []);
        self::assertArrayNotHasKey('measured', $again->plan ?? [], 'What was measured is of the other piece.');
        self::assertSame('Our boot glove', $again->name);
    }

    public function test_kept_twice_is_kept_once_and_a_full_shelf_still_takes_the_newer_one_of_a_name(): void
    {
        $build = $this->glove();
        foreach (range(1, 2) as $press) {
            $this->post("/builds/{$build->id}/keep", ['name' => 'Our boot glove'])->assertSessionHasNoErrors();
        }
        self::assertSame(1, OwnBuild::query()->count());
        foreach (range(2, 100) as $number) {
            OwnBuild::query()->create(['name' => "Way {$number}", 'made' => [], 'created_at' => now()]);
        }
        $this->post("/builds/{$build->id}/keep", ['name' => 'One more'])->assertSessionHasErrors('keep');
        $this->post("/builds/{$build->id}/keep", ['name' => 'Way 7'])->assertSessionHasNoErrors();

        self::assertSame(100, OwnBuild::query()->count());
        self::assertNotSame([], OwnBuild::query()->where('name', 'Way 7')->firstOrFail()->made);
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

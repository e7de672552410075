<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Build;
use App\Models\Impression;
use App\Models\Job;
use App\Models\Pour;
use Tests\BuildsGloves;
use Tests\TestCase;

/** What is ticked in a build is so; what it touches is judged; what was made is counted, and paid for whole. */
final class CareTest extends TestCase
{
    use BuildsGloves;

    /** @param  array<string, mixed>  $measured */
    private function built(Impression $link, string $kind, array $measured, mixed ...$more): Build
    {
        $this->post("/impressions/{$link->id}/builds", ['kind' => $kind, 'measured' => $measured, ...$more])->assertSessionHasNoErrors();

        return Build::query()->where('impression_id', $link->id)->whereNull('ended_at')->firstOrFail();
    }

    /** @return array{Impression, Impression} an original of plaster, and a mould of brush-on urethane that plans to seal it */
    private function plastered(): array
    {
        $original = $this->impression('original', '');
        $original->update(['surface' => 'plaster']);
        $mould = $this->impression('mould', 'ub-40');
        $mould->update(['contacts' => ["link-{$original->id}" => ['sealed_with' => 'shellac', 'release' => 'paste-wax']]]);

        return [$original, $mould];
    }

    /** @return list<array<string, mixed>> */
    private function checklist(Pour $pour): array
    {
        return $this->getJson("/pours/{$pour->id}/state")->assertOk()->json('checklist');
    }

    public function test_what_is_sealed_and_released_in_the_build_is_so_and_asked_once(): void
    {
        [$original, $mould] = $this->plastered();
        $build = $this->built($mould, 'glove-urethane', self::MEASURED);
        $asked = $this->operation($build, 'seal')['care'];
        self::assertSame(
            [['seal', 'Shellac', 2]], array_map(static fn (array $one): array => [$one['act'], $one['what'], $one['coats']], $asked),
        );
        self::assertSame(['Paste wax'], array_column($this->operation($build, 'release')['care'], 'what'));

        $this->tell($build, 'done', ['op' => 'dry'])->assertOk();
        $this->tell($build, 'done', ['op' => 'seal'])->assertOk();
        $key = "link-{$original->id}";
        self::assertNotNull($mould->refresh()->contacts[$key]['sealed_at'] ?? null);
        $this->tell($build, 'undone', ['of' => $this->look($build)['take_back']['of']])->assertOk();
        self::assertNull($mould->refresh()->contacts[$key]['sealed_at'] ?? null, 'Taken back it is only planned.');
        $this->tell($build, 'done', ['op' => 'seal'])->assertOk();
        $this->travel(300)->minutes();
        $this->tell($build, 'done', ['op' => 'flange'])->assertOk();
        $this->tell($build, 'done', ['op' => 'release'])->assertOk();
        $this->travel(120)->minutes();

        $print = $this->sheetOf($build, 'print');
        $this->post("/pours/{$print->id}/run")->assertSessionHasNoErrors();
        $items = array_values(
            array_filter($this->checklist($print), static fn (array $item): bool => str_contains($item['text'], 'aste wax')),
        );
        self::assertNotSame([], $items);
        self::assertSame([true], array_values(array_unique(array_column($items, 'done'))), 'It stands there, ticked.');
    }

    public function test_a_release_is_chosen_where_it_is_put_on(): void
    {
        [$original, $mould] = $this->plastered();
        $build = $this->built($mould, 'glove-urethane', self::MEASURED);
        $care = $this->operation($build, 'release')['care'][0];
        self::assertGreaterThan(0, count($care['choices']));
        $this->put("/impressions/{$care['link']}/contacts/{$care['key']}?edition={$care['edition']}", [
            'release' => $care['choices'][0]['id'],
        ])->assertSessionHasNoErrors();
        self::assertSame($care['choices'][0]['id'], $this->operation($build, 'release')['care'][0]['chosen']);
        self::assertSame("link-{$original->id}", $care['key']);
    }

    public function test_a_small_test_fails_and_nothing_is_poured_until_it_passes(): void
    {
        $printed = $this->impression('mould', '');
        $printed->update(['surface' => 'print-fdm']);
        $cast = $this->impression('cast', 'ur-35');
        $build = $this->built($cast, 'printed-one', ['ml' => 100]);
        foreach (['wash', 'lamp', 'warm', 'seal', 'release-1', 'release-2'] as $op) {
            $this->tell($build, 'done', ['op' => $op, 'early' => 'A test'])->assertOk();
        }
        $this->tell($build, 'failed', ['op' => 'wash'])->assertConflict();
        $this->tell($build, 'failed', ['op' => 'look'])->assertUnprocessable();
        $this->travel(30)->minutes();
        $this->mixed($build, 'test');
        $this->tell($build, 'failed', ['op' => 'look', 'why' => 'Sticky underneath'])->assertOk();
        self::assertSame('failed', $this->operation($build, 'look')['state']);
        $this->tell($build, 'done', ['op' => 'release-3'])->assertUnprocessable();
        $first = $this->sheetOf($build, 'first');
        $this->post("/pours/{$first->id}/run")->assertSessionHasErrors('sheet');
        $this->tell($build, 'done', ['op' => 'look', 'early' => 'Warmed again, tested again'])->assertOk();
        self::assertSame('done', $this->operation($build, 'look')['state']);
    }

    public function test_a_second_half_meets_the_first_and_rubber_behind_fresh_epoxy_is_refused(): void
    {
        $original = $this->impression('original', '');
        $original->update(['surface' => 'acrylic']);
        $block = $this->impression('mould', 'pr-25');
        $build = $this->built($block, 'two-part-block', ['ml' => 400], box: 'acrylic', bed: 'clay-water');
        self::assertSame(['acrylic', 'clay-water'], [$block->refresh()->wall, $block->bed]);
        $layers = $this->operation($build, 'half-2')['layers'];
        self::assertSame(
            [['First half', true]], array_map(static fn (array $layer): array => [$layer['below'], $layer['separates']], $layers),
        );
        self::assertSame(
            [true, true],
            array_column(
                array_values(
                    array_filter($this->look($build)['section'], static fn (array $layer): bool => str_starts_with($layer['id'], 'half')),
                ),
                'half',
            ),
        );

        $matrix = $this->impression('mould', 'pr-25');
        $behind = $this->built($matrix, 'matrix', ['area_mm2' => 50_000, 'ml' => 500, 'wall_mm' => ['least' => 10, 'most' => 12]]);
        foreach (['wrap', 'blanket', 'funnel'] as $op) {
            $this->tell($behind, 'done', ['op' => $op])->assertOk();
        }
        $this->mixed($behind, 'shell-1');
        $this->travel(7)->hours();
        $this->tell($behind, 'done', ['op' => 'flange'])->assertOk();
        $this->travel(30)->minutes();
        $this->mixed($behind, 'shell-2');
        $this->travel(13)->hours();
        foreach (['lift', 'release', 'close'] as $op) {
            $this->tell($behind, 'done', ['op' => $op, 'early' => 'A test'])->assertOk();
        }
        $pour = $this->sheetOf($behind, 'pour');
        $this->post("/pours/{$pour->id}/run")->assertSessionHasErrors('sheet');
        self::assertStringContainsString('jacket shell', session('errors')->first('sheet'));
        // Half of what was measured for each shell.
        self::assertEqualsWithDelta(25_000.0, $this->operation($behind, 'shell-1')['mix']['area_mm2'], 0.1);
    }

    public function test_what_is_left_of_a_coat_is_weighed_and_so_thick_it_lies(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $print = $this->mixed($build, 'print');
        $thick = fn (): float => array_column($this->look($build)['section'], 'thickness_mm', 'id')['print'];
        $weighed = (float) $print->weighed_g;
        $before = $thick();
        $this->record($print, 'left_over', ['left_g' => $weighed + 1])->assertUnprocessable();
        $this->record($print, 'left_over', ['left_g' => $weighed / 2])->assertOk()->assertJsonPath('left_g', $weighed / 2);
        self::assertEqualsWithDelta($weighed / 2, $print->refresh()->used_g, 0.01);
        // Twelve in a hundred are allowed for the cup: half of all that was weighed is 0.56 of what the plan lays.
        self::assertEqualsWithDelta($before * 0.56, $thick(), 0.02 * $before);
        $this->record($print, 'left_over', ['left_g' => $weighed / 4])->assertOk();
        self::assertEqualsWithDelta(0.75 * $weighed, $print->refresh()->used_g, 0.01);
    }

    public function test_a_build_says_so_from_its_first_tick_and_graded_it_counts_its_piece_and_all_its_pours(): void
    {
        $mould = $this->impression('mould', 'pr-25');
        $cast = $this->impression('cast', 'ur-35');
        $job = $cast->job;
        $build = $this->built($cast, 'rotated-skin', ['area_mm2' => 30_000]);
        $status = fn (): string => array_column($this->get("/jobs/{$job->id}")->inertiaProps('job.chain'), 'status', 'id')[$cast->id];
        self::assertSame('planned', $status());
        $this->tell($build, 'done', ['op' => 'release'])->assertOk();
        self::assertSame('being built', $status());
        $this->travel(15)->minutes();
        $first = $this->mixed($build, 'pass-1');
        $this->travel(15)->minutes();
        $second = $this->mixed($build, 'pass-2');
        $this->travel(30)->minutes();
        $this->tell($build, 'done', ['op' => 'look'])->assertOk();
        $this->travel(2)->days();
        $this->tell($build, 'done', ['op' => 'open'])->assertOk();
        $this->tell($build, 'graded', ['grade' => 'good', 'faults' => [], 'pieces' => 2])->assertOk();

        self::assertSame('1 done', $status());
        self::assertSame(2, $this->get("/jobs/{$job->id}")->inertiaProps('job.cast'));
        $grams = collect(
            $this->get("/jobs/{$job->id}/cost")->assertOk()->inertiaProps('cost.asked.materials'),
        )->firstWhere('code', 'ur-35')['used_g'] ?? null;
        $casts = $this->get("/jobs/{$job->id}/cost")->inertiaProps('cost.asked.casts');
        self::assertEqualsWithDelta(((float) $first->weighed_g + (float) $second->weighed_g) / 2 * $casts, $grams, 0.2 * $casts);
        self::assertNotNull($mould->id);
    }

    public function test_the_last_layer_that_was_left_out_bears_no_grade_and_the_one_below_does(): void
    {
        $cast = $this->impression('cast', 'ur-35');
        $this->impression('mould', 'pr-25');
        $build = $this->built($cast, 'rotated-skin', ['area_mm2' => 30_000]);
        $this->tell($build, 'done', ['op' => 'release'])->assertOk();
        $this->travel(15)->minutes();
        $first = $this->mixed($build, 'pass-1');
        $this->tell($build, 'left_out', ['op' => 'pass-2'])->assertOk();
        $this->travel(2)->days();
        foreach (['look', 'open'] as $op) {
            $this->tell($build, 'done', ['op' => $op, 'early' => 'A test'])->assertOk();
        }
        $this->tell($build, 'graded', ['grade' => 'usable', 'faults' => [], 'pieces' => 1])->assertOk();
        self::assertSame('usable', $first->refresh()->grade?->value);
    }

    public function test_a_job_says_what_lives_in_it_is_put_away_found_and_brought_back(): void
    {
        $build = $this->glove();
        $job = $build->impression->job;
        $this->tell($build, 'done', ['op' => 'release'])->assertOk();
        self::assertSame(
            "In “{$job->name}” there is a build that has begun.", $this->get("/jobs/{$job->id}")->inertiaProps('job.lives'),
        );
        $this->delete("/jobs/{$job->id}")->assertRedirect('/jobs');
        $list = $this->get('/jobs?away=1')->inertiaProps('list');
        self::assertSame([[$job->id], true, 1], [array_column($list['jobs'], 'id'), $list['away'], $list['put_away']]);
        self::assertNotContains($job->id, array_column($this->get('/jobs')->inertiaProps('list.jobs'), 'id'));
        $this->post("/jobs/{$job->id}/restore")->assertRedirect("/jobs/{$job->id}");
        self::assertNull(Job::query()->findOrFail($job->id)->getAttribute('deleted_at'));
    }

    public function test_another_base_on_what_lies_is_judged_and_asked_about(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        $link = $build->impression;
        $said = ['kind' => 'mould', 'name' => $link->name, 'material' => 'ub-40'];
        $this->put("/impressions/{$link->id}", $said)->assertSessionHasErrors('sure');
        self::assertSame('br-28', $link->refresh()->material);
        self::assertStringContainsString('lies there', session('errors')->first('sure'));
        $this->put("/impressions/{$link->id}?sure=1", $said)->assertSessionHasNoErrors();
        self::assertSame('ub-40', $link->refresh()->material);
    }

    public function test_a_missed_window_names_the_thin_coat_that_saves_it(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        $this->travel(10)->hours();
        $late = $this->operation($build, 'coat2');
        self::assertSame(['missed', 'print', 0.5], [$late['state'], $late['late_on'], $late['save_coat_mm']]);
    }
}

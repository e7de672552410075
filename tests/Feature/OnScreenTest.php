<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Fact;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** What is on the screen is what is poured: two screens on one sheet, one press that comes twice, and the way back to the plan. */
final class OnScreenTest extends TestCase
{
    public function test_a_sheet_that_another_screen_has_changed_is_not_written_over(): void
    {
        $pour = $this->draft();
        $this->putJson("/pours/{$pour->id}/sheet?edition=1", $this->sheet([
            'volume.volume_ml' => 200,
        ]))->assertOk()->assertJsonPath('edition', 2);

        $late = $this->putJson("/pours/{$pour->id}/sheet?edition=1", $this->sheet(['volume.volume_ml' => 300]))->assertConflict();
        $late->assertJsonPath('begun', false)->assertJsonPath(
            'now.sheet.volume.volume_ml', 200,
        )->assertJsonPath('now.reckoning.edition', 2);
        self::assertStringContainsString('changed on another screen', (string) $late->json('error.message'));
        self::assertSame(200, $pour->refresh()->sheet['volume']['volume_ml']);
        $this->putJson("/pours/{$pour->id}/sheet?edition=2", $this->sheet(['volume.volume_ml' => 300]))->assertOk();
        self::assertSame(300, $pour->refresh()->sheet['volume']['volume_ml']);
    }

    public function test_the_same_sheet_written_again_is_no_new_edition(): void
    {
        $pour = $this->draft();
        foreach ([1, 2] as $ignored) {
            $this->putJson("/pours/{$pour->id}/sheet?edition=1", $this->sheet())->assertOk()->assertJsonPath('edition', 1);
        }
    }

    public function test_a_change_without_an_edition_is_refused(): void
    {
        $pour = $this->draft();
        foreach (['edition=', 'edition=now', 'edition[]=1'] as $said) {
            $this->putJson("/pours/{$pour->id}/sheet?{$said}", $this->sheet([
                'volume.volume_ml' => 1,
            ]))->assertUnprocessable()->assertJsonPath('error.field', 'edition');
        }
        self::assertSame(100, $pour->refresh()->sheet['volume']['volume_ml']);
    }

    public function test_a_change_of_the_room_asks_and_writes_nothing(): void
    {
        $pour = $this->draft();
        $this->warm(30.0);
        $answer = $this->postJson("/pours/{$pour->id}/sheet/ask?edition=1", $this->sheet(['volume.volume_ml' => 250]))->assertOk();

        self::assertEqualsWithDelta(250.0, $answer->json('volume.likely_ml'), 1e-9);
        self::assertSame([100, 1], [$pour->refresh()->sheet['volume']['volume_ml'], $pour->edition]);
        $this->putJson("/pours/{$pour->id}/sheet?edition=1", $this->sheet(['volume.volume_ml' => 180]))->assertOk();
        $this->postJson(
            "/pours/{$pour->id}/sheet/ask?edition=1", $this->sheet(),
        )->assertConflict()->assertJsonPath('now.sheet.volume.volume_ml', 180);
    }

    public function test_start_begins_what_the_screen_shows_and_nothing_else(): void
    {
        $pour = $this->draft();
        $this->putJson("/pours/{$pour->id}/sheet?edition=1", $this->sheet(['volume.volume_ml' => 200]))->assertOk();
        $this->post("/pours/{$pour->id}/run?edition=1")->assertRedirect("/pours/{$pour->id}")->assertSessionHasErrors('sheet');
        self::assertSame(PourState::Draft, $pour->refresh()->state);

        $this->post("/pours/{$pour->id}/run?edition=2")->assertRedirect("/pours/{$pour->id}/run");
        $started = $pour->refresh()->started_at;
        $this->travel(1)->minutes();
        $this->post("/pours/{$pour->id}/run?edition=2")->assertRedirect("/pours/{$pour->id}/run");
        self::assertEquals($started, $pour->refresh()->started_at);
    }

    public function test_other_cups_than_were_shown_are_not_poured(): void
    {
        $pour = $this->draft(['volume.volume_ml' => 1200, 'plan.vessel.capacity_ml' => 4000]);
        $shown = $this->postJson("/pours/{$pour->id}/sheet/ask", $pour->sheet)->assertOk();
        // It pours shorter when it is warm: more cups.
        $this->warm(32.0);
        $later = $this->postJson("/pours/{$pour->id}/sheet/ask", $pour->sheet)->assertOk();
        self::assertNotSame(count($shown->json('mix.batches')), count($later->json('mix.batches')));

        $this->post(
            "/pours/{$pour->id}/run?edition=1&stamp={$shown->json('stamp')}",
        )->assertRedirect("/pours/{$pour->id}")->assertSessionHasErrors('sheet');
        $this->post("/pours/{$pour->id}/run?edition=1&stamp={$later->json('stamp')}")->assertRedirect("/pours/{$pour->id}/run");
        self::assertCount(count($later->json('mix.batches')), $pour->refresh()->plan['run']['batches'] ?? []);
    }

    public function test_a_degree_that_changes_no_gram_is_no_reason_to_ask_again(): void
    {
        $pour = $this->draft();
        $shown = $this->postJson("/pours/{$pour->id}/sheet/ask", $pour->sheet)->json('stamp');
        $this->warm(20.3);

        $this->post("/pours/{$pour->id}/run?edition=1&stamp={$shown}")->assertRedirect("/pours/{$pour->id}/run");
    }

    public function test_back_to_the_plan_keeps_what_was_weighed_where_it_fits(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $first = $this->getJson("/pours/{$pour->id}/state")->json('line');
        $this->workUntilWeighed($pour, 1);
        $this->post("/pours/{$pour->id}/plan")->assertRedirect("/pours/{$pour->id}");
        $this->getJson("/pours/{$pour->id}/state")->assertConflict();
        self::assertSame([PourState::Draft, null, null], [$pour->refresh()->state, $pour->plan, $pour->started_at]);
        $stands = $this->inertia("/pours/{$pour->id}")['pour']['stands'];
        self::assertSame([1, 'B', $first['grams']], [$stands[0]['cup'], $stands[0]['name'], $stands[0]['grams']]);

        $this->putJson("/pours/{$pour->id}/sheet", $this->sheet(['volume.volume_ml' => 150]))->assertOk();
        $this->post("/pours/{$pour->id}/run")->assertRedirect("/pours/{$pour->id}/run");
        $run = $this->getJson("/pours/{$pour->id}/state")->assertOk()->json();
        self::assertSame(['gear', $first['grams']], [$run['step']['kind'], $run['weighed_g']]);
        $this->workUntil($pour, 'tare');
        self::assertTrue($this->getJson("/pours/{$pour->id}/state")->json('carried'));
        $this->workUntil($pour, 'weigh');
        $line = $this->getJson("/pours/{$pour->id}/state")->json('line');
        self::assertSame('B', $line['add']);
        self::assertEqualsWithDelta(0.5 * $first['grams'], $line['grams'], 0.11);
        $this->workUntil($pour, 'grade');
    }

    public function test_what_was_weighed_of_another_base_is_not_taken_for_this_one(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $this->workUntilWeighed($pour, 1);
        $this->post("/pours/{$pour->id}/plan");
        $this->putJson("/pours/{$pour->id}/sheet", $this->sheet([
            'volume.volume_ml' => 150, 'formula' => ['base' => 'pr-25', 'additives' => []],
        ]))->assertOk();
        $this->post("/pours/{$pour->id}/run")->assertRedirect("/pours/{$pour->id}/run");

        self::assertEquals(0.0, $this->getJson("/pours/{$pour->id}/state")->json('weighed_g'));
    }

    public function test_once_a_has_met_b_there_is_no_way_back(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'mix');

        $this->post("/pours/{$pour->id}/plan")->assertSessionHasErrors('plan');
        self::assertSame(PourState::Running, $pour->refresh()->state);
        self::assertSame(0, Fact::query()->where('kind', 'replanned')->count());
    }

    public function test_a_start_that_comes_late_does_not_begin_a_plan_it_never_saw(): void
    {
        $pour = $this->begun();
        $this->post("/pours/{$pour->id}/plan")->assertRedirect("/pours/{$pour->id}");

        $this->post("/pours/{$pour->id}/run?edition=1")->assertSessionHasErrors('sheet');
        self::assertSame(PourState::Draft, $pour->refresh()->state);
    }

    public function test_the_other_part_and_an_earlier_meeting_are_told_in_the_run(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        self::assertTrue($run['may_swap']);
        $this->record($pour, 'swapped', ['step' => $run['step']['key']])->assertOk()->assertJsonPath('line.add', 'A');
        $this->workUntil($pour, 'mix');
        $met = $this->getJson("/pours/{$pour->id}/state")->json('clock.met_ms');
        $this->travel(3)->minutes();
        $now = $this->record($pour, 'earlier', ['what' => 'met', 'batch' => 1, 'done_ms' => (int) now()->subMinutes(5)->getTimestampMs()])
            ->assertOk()
            ->json('clock.met_ms');
        self::assertSame(1000 * 60 * 5, (int) now()->getTimestampMs() - $now);
        self::assertLessThan($met, $now);
        self::assertSame($now, (int) $pour->refresh()->met_at?->getTimestampMs());
        $this->record($pour, 'earlier', [
            'what' => 'met', 'batch' => 1, 'done_ms' => (int) now()->subMinute()->getTimestampMs(),
        ])->assertUnprocessable()->assertJsonPath('error.field', 'done_ms');
        $this->record($pour, 'earlier', [
            'what' => 'filled', 'batch' => 1, 'done_ms' => (int) now()->subMinute()->getTimestampMs(),
        ])->assertUnprocessable();
        $this->record($pour, 'swapped', ['step' => '1:mix'])->assertConflict();
    }

    public function test_several_cups_are_one_plan_and_each_has_its_clock(): void
    {
        $pour = $this->begun(['volume.volume_ml' => 900]);
        $this->workUntil($pour, 'weigh');
        $batches = count($pour->plan['run']['batches'] ?? []);
        self::assertGreaterThan(1, $batches);
        $this->workUntil($pour, 'mix');
        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        self::assertSame(1, $run['step']['batch']);
        self::assertSame(array_fill(0, $batches, true), array_column($run['cups'], 'weighed'));
        self::assertSame([true, ...array_fill(0, $batches - 1, false)], array_map(is_int(...), array_column($run['cups'], 'pot_ends_ms')));
        $this->workUntil($pour, 'wait');
        $cups = $this->getJson("/pours/{$pour->id}/state")->json('cups');
        self::assertCount($batches, array_unique(array_column($cups, 'met_ms')));
        self::assertNotContains(null, array_column($cups, 'filled_ms'));
    }

    public function test_the_smallest_cup_that_holds_it_all_stands_in_a_fresh_sheet(): void
    {
        $this->workshop->update(['cups' => [['ml' => 100, 'tare_g' => 5], ['ml' => 400, 'tare_g' => 20], ['ml' => 2000, 'tare_g' => 60]]]);
        $link = $this->impression();
        $this->post("/impressions/{$link->id}/pours");
        $pour = Pour::query()->latest('id')->firstOrFail();
        self::assertSame('fits', $pour->sheet['cup']);
        foreach ([60 => 100, 200 => 400, 1500 => 2000, 3000 => 2000] as $ml => $cup) {
            $sheet = [...$this->sheet(['volume.volume_ml' => $ml]), 'cup' => 'fits'];
            $this->putJson("/pours/{$pour->id}/sheet", $sheet)->assertOk()->assertJsonPath('cup.ml', $cup);
            self::assertEquals($cup, $pour->refresh()->sheet['plan']['vessel']['capacity_ml']);
        }
        $this->putJson("/pours/{$pour->id}/sheet", [
            ...$this->sheet(['volume.volume_ml' => 60]), 'cup' => 'hand',
        ])->assertOk()->assertJsonPath('cup', null);
        self::assertEquals(500, $pour->refresh()->sheet['plan']['vessel']['capacity_ml']);
    }

    public function test_every_editor_tells_the_second_screen(): void
    {
        $link = $this->impression('mould');
        $said = ['kind' => 'mould', 'name' => 'Glove', 'material' => 'pr-10'];
        $this->put("/impressions/{$link->id}?edition=1", $said)->assertSessionHasNoErrors();
        $this->put("/impressions/{$link->id}?edition=1", [...$said, 'name' => 'Late'])->assertSessionHasErrors('edition');
        $this->post("/impressions/{$link->id}/move?edition=1", ['by' => 1])->assertSessionHasErrors('edition');
        $this->delete("/impressions/{$link->id}?edition=1")->assertSessionHasErrors('edition');
        self::assertSame('Glove', $link->refresh()->name);

        $job = ['name' => 'Owl brow', 'quantity' => 4];
        $this->put("/jobs/{$link->job_id}?edition=1", [...$job, 'skin' => true])->assertSessionHasNoErrors();
        $this->put("/jobs/{$link->job_id}?edition=1", [...$job, 'skin' => false])->assertSessionHasErrors('edition');
        self::assertTrue((bool) DB::table('jobs')->where('id', $link->job_id)->value('skin'));

        $this->putJson('/workshop?edition='.$this->workshop->refresh()->edition, ['hands' => 2])->assertOk();
        $this->putJson('/workshop?edition='.$this->workshop->edition, [
            'hands' => 3,
        ])->assertConflict()->assertJsonPath('error.field', 'edition');
        $this->putJson('/workshop?edition=99', ['muted' => true])->assertOk();
        self::assertSame(2, $this->workshop->refresh()->hands);
    }

    private function workUntilWeighed(Pour $pour, int $lines): void
    {
        for ($i = 0; $i < $lines; $i++) {
            $run = $this->getJson("/pours/{$pour->id}/state")->json();
            $this->record($pour, 'weighed', ['step' => $run['step']['key'], 'reading_g' => $run['line']['running']])->assertOk();
        }
    }

    /** @return array<string, mixed> */
    private function inertia(string $path): array
    {
        return (array) json_decode((string) json_encode($this->get($path)->assertOk()->viewData('page')['props']), true);
    }
}

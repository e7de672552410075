<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Pour;
use App\Models\PourState;
use Tests\TestCase;

/** What is begun can be given up, what is planned thrown away, and what is put away leaves the bench. */
final class GivenUpTest extends TestCase
{
    public function test_a_pour_is_given_up_with_what_became_of_its_grams_and_stands_in_the_log(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'mix');
        $this->record($pour, 'given_up', [
            'fate' => 'back', 'note' => '',
        ])->assertUnprocessable()->assertJsonPath('error.field', 'payload.fate');
        $this->record($pour, 'given_up', ['fate' => 'moon'])->assertUnprocessable();
        $run = $this->record($pour, 'given_up', ['fate' => 'waste', 'note' => 'The phone rang'])->assertOk()->json();

        self::assertSame(['given_up', ['fate' => 'waste', 'note' => 'The phone rang']], [$run['step']['kind'], $run['given_up']]);
        self::assertSame(PourState::GivenUp, $pour->refresh()->state);
        self::assertNull($pour->grade);
        self::assertStringNotContainsString("pour-{$pour->id}", $this->get('/')->getContent() ?: '');
        self::assertSame([], $this->getJson('/frame')->json('strip.lozenges'));
        $log = $this->get('/log')->inertiaProps('log');
        self::assertSame(
            [['given up', 'The phone rang', 0]],
            array_map(static fn (array $row): array => [$row['grade'], $row['note'], $row['pieces']], $log['rows']),
        );
        self::assertSame(['given up' => 1], $log['spread']);
        self::assertSame(1, $this->get('/log?grade=given+up')->inertiaProps('log.pages.total'));
        self::assertSame(0, $this->get('/log?grade=good')->inertiaProps('log.pages.total'));
        self::assertStringContainsString('given up', $this->get('/log.csv')->streamedContent());

        // It has ended: nothing more happens to it, but that it is taken back.
        $this->record($pour, 'given_up', ['fate' => 'waste'])->assertStatus(409);
        $this->record($pour, 'undone', ['of' => $run['take_back']['of']])->assertOk()->assertJsonPath('step.kind', 'mix');
        self::assertSame([PourState::Running, null], [$pour->refresh()->state, $pour->graded_at]);
    }

    public function test_before_anything_has_met_it_goes_back_into_its_tubs(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $this->record($pour, 'given_up', ['fate' => 'back'])->assertOk()->assertJsonPath('given_up.fate', 'back');
    }

    public function test_taking_back_the_tare_stops_the_clock_of_an_empty_cup(): void
    {
        $pour = $this->begun();
        $run = $this->workUntil($pour, 'mix');
        self::assertNotNull($this->getJson("/pours/{$pour->id}/state")->json('clock.met_ms'));
        for ($i = 0; $i < 12; $i++) {
            $state = $this->getJson("/pours/{$pour->id}/state")->json();
            if ($state['step']['kind'] === 'tare') {
                break;
            }
            // While something is in the cup, what met goes on.
            $state['weighed_g'] > 100 && self::assertNotNull($state['clock']['met_ms']);
            $this->record($pour, 'undone', ['of' => $state['take_back']['of']])->assertOk();
        }
        self::assertSame('tare', $state['step']['kind']);
        self::assertEquals([null, 0], [$state['clock']['met_ms'], $state['weighed_g']]);
        self::assertNull($pour->refresh()->met_at);
    }

    public function test_a_plan_is_thrown_away_and_had_back(): void
    {
        $pour = $this->draft();
        $this->delete("/pours/{$pour->id}")->assertRedirect("/jobs/{$pour->impression->job_id}")->assertSessionHas(
            'undo', "/pours/{$pour->id}/restore",
        );
        self::assertSame(0, Pour::query()->count());
        $this->post("/pours/{$pour->id}/restore")->assertRedirect();
        self::assertEquals($pour->sheet, Pour::query()->firstOrFail()->sheet);
        $this->post("/pours/{$pour->id}/restore")->assertNotFound();

        $begun = $this->begun();
        $this->delete("/pours/{$begun->id}")->assertSessionHasErrors('sheet');
        self::assertTrue(Pour::query()->whereKey($begun->id)->exists());
    }

    public function test_a_job_that_is_put_away_takes_its_pours_from_bench_and_strip_and_brings_them_back(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'wait');
        self::assertCount(1, $this->getJson('/frame')->json('strip.lozenges'));
        $this->delete("/jobs/{$pour->impression->job_id}");
        self::assertSame([[], []], [$this->getJson('/frame')->json('strip.lozenges'), $this->get('/')->inertiaProps('bench.items')]);
        $this->post("/jobs/{$pour->impression->job_id}/restore");
        self::assertCount(1, $this->getJson('/frame')->json('strip.lozenges'));
    }

    public function test_what_was_left_is_taken_off_what_was_weighed_and_the_correction_leaves_the_allowance_alone(): void
    {
        $pour = $this->begun(['volume' => ['method' => 'capacity', 'capacity_ml' => 100, 'allowance_pct' => 10]]);
        $this->workUntil($pour, 'grade');
        $weighed = $this->getJson("/pours/{$pour->id}/state")->json('weighed_g');
        // All of the allowance is left: the mould took what was measured.
        $left = $weighed - $weighed / 1.1;
        $this->record($pour, 'graded', [
            'step' => '0:grade', 'grade' => 'good', 'faults' => [], 'used_g' => $weighed - $left, 'left_g' => $left, 'note' => '',
        ])->assertOk()
            ->assertJsonPath('grade.correction_pct', static fn (float $pct): bool => abs($pct) < 0.2);

        $silent = $this->begun(['volume' => ['method' => 'capacity', 'capacity_ml' => 100, 'allowance_pct' => 10]], $pour->impression);
        $this->workUntil($silent, 'grade');
        $this->record($silent, 'graded', [
            'step' => '0:grade', 'grade' => 'good', 'faults' => [],
            'used_g' => $this->getJson("/pours/{$silent->id}/state")->json('weighed_g'), 'note' => '',
        ])->assertOk()->assertJsonPath('grade.correction_pct', null);
    }

    public function test_the_second_half_begins_with_what_the_first_took_and_says_so(): void
    {
        $first = $this->impression('mould', 'pr-25');
        $first->update(['role' => 'half', 'name' => 'Half 1']);
        $second = $this->impression('mould', 'pr-25');
        $second->update(['role' => 'half', 'name' => 'Half 2']);
        $this->begun(['formula' => ['base' => 'pr-25', 'additives' => []], 'volume.volume_ml' => 222], $first);
        $this->post("/impressions/{$second->id}/pours");
        $sheet = Pour::query()->where('impression_id', $second->id)->firstOrFail()->sheet;
        self::assertSame([222, '“Half 1”'], [$sheet['volume']['volume_ml'], $sheet['carried']]);
    }
}

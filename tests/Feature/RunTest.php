<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Fact;
use App\Models\Pour;
use App\Models\PourState;
use LogicException;
use Tests\TestCase;

final class RunTest extends TestCase
{
    public function test_a_pour_from_gear_to_the_log(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'wait');
        self::assertSame(PourState::Waiting, $pour->refresh()->state);
        self::assertNotNull($pour->poured_at);
        $this->workUntil($pour, 'grade');

        $this->record($pour, 'graded', [
            'step' => '0:grade', 'grade' => 'superb', 'faults' => ['flash'], 'used_g' => 92.5, 'note' => 'The one.',
        ])
            ->assertOk()->assertJsonPath('step.kind', 'done')->assertJsonPath('grade.grade', 'superb');

        $pour->refresh();
        self::assertSame([PourState::Graded, 92.5, ['flash'], 'The one.'], [$pour->state, $pour->used_g, $pour->faults, $pour->note]);
    }

    public function test_a_fact_that_is_sent_twice_is_recorded_once(): void
    {
        $pour = $this->begun();
        $this->record($pour, 'confirmed', ['step' => '0:gear'], 'same')->assertOk()->assertJsonPath('step.kind', 'contacts');
        $this->record($pour, 'confirmed', ['step' => '0:gear'], 'same')->assertOk()->assertJsonPath('step.kind', 'contacts');

        self::assertSame(1, Fact::query()->count());
    }

    public function test_a_second_screen_that_comes_late_is_told_where_the_pour_stands(): void
    {
        $pour = $this->begun();
        $this->record($pour, 'confirmed', ['step' => '0:gear'])->assertOk();

        $this->record($pour, 'confirmed', ['step' => '0:gear'])->assertConflict()
            ->assertJsonPath('run.step.kind', 'contacts')
            ->assertJsonPath('error.message', 'That step is already done, perhaps from another screen. This is where the pour stands now.');
        self::assertSame(1, Fact::query()->count());
    }

    public function test_events_are_only_ever_added(): void
    {
        $pour = $this->begun();
        $this->record($pour, 'confirmed', ['step' => '0:gear'])->assertOk();
        $event = Fact::query()->firstOrFail();
        try {
            $event->update(['kind' => 'noted']);
            self::fail('An event was changed.');
        } catch (LogicException) {
        }
        $this->expectException(LogicException::class);
        $event->delete();
    }

    public function test_too_little_is_answered_with_what_is_missing_and_recorded_only_when_meant(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $line = $this->getJson("/pours/{$pour->id}/state")->json('line');

        $this->record($pour, 'weighed', ['step' => '1:weigh:0', 'reading_g' => 10])->assertUnprocessable()
            ->assertJsonPath('error.field', 'reading_g');
        $this->record($pour, 'weighed', ['step' => '1:weigh:0', 'reading_g' => 10, 'short' => true])->assertOk()
            ->assertJsonPath('line.running', static fn (float $running): bool => abs($running - 10 - $line['grams']) < 0.05);
    }

    public function test_a_scale_cannot_read_less_than_before(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $running = $this->getJson("/pours/{$pour->id}/state")->json('line.running');
        $this->record($pour, 'weighed', ['step' => '1:weigh:0', 'reading_g' => $running])->assertOk();

        $said = $this->record($pour, 'weighed', ['step' => '1:weigh:1', 'reading_g' => 3])->assertUnprocessable()->json('error.message');
        self::assertStringContainsString('it cannot read less now', $said);
    }

    public function test_an_over_pour_is_rescued_with_one_event(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $running = $this->getJson("/pours/{$pour->id}/state")->json('line.running');

        $run = $this->record($pour, 'weighed', ['step' => '1:weigh:0', 'reading_g' => round($running * 1.1, 1)])->assertOk()->json();
        self::assertSame('rescue', $run['step']['kind']);
        self::assertEqualsWithDelta(1.1, $run['rescue']['k'], 0.01);

        $this->record($pour, 'rescued', ['step' => $run['step']['key']])->assertOk()->assertJsonPath('step.kind', 'weigh')
            ->assertJsonPath('line.grams', static fn (float $g): bool => abs($g - $running * 1.1) < 0.2);
        $this->workUntil($pour, 'mix');
    }

    public function test_the_clock_starts_once_and_only_when_a_can_meet_b(): void
    {
        $pour = $this->begun();
        $this->record($pour, 'met')->assertConflict();
        $this->workUntil($pour, 'weigh');
        $this->record($pour, 'met')->assertConflict();
        $running = $this->getJson("/pours/{$pour->id}/state")->json('line.running');
        $this->record($pour, 'weighed', ['step' => '1:weigh:0', 'reading_g' => $running])
            ->assertOk()
            ->assertJsonPath('meets_now', true)
            ->assertJsonPath('clock.met_ms', null);
        $this->travel(30)->seconds();
        $met = $this->record($pour, 'met')->assertOk()->json('clock');

        self::assertSame((int) now()->getTimestampMs(), $met['met_ms']);
        // 22 min of the sheet at 23 °C, in a room of 20 °C, with 50 % softener.
        self::assertEqualsWithDelta(22.0 * 2 ** 0.3 * exp(0.22 * 0.5), ($met['pot_ends_ms'] - $met['met_ms']) / 60_000, 0.001);
        $this->record($pour, 'met')->assertConflict();
    }

    public function test_only_the_last_thing_can_be_taken_back_and_grading_can(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'grade');
        $run = $this->record($pour, 'graded', ['step' => '0:grade', 'grade' => 'poor', 'faults' => [], 'used_g' => 90, 'note' => ''])
            ->assertOk()
            ->json();
        $this->record($pour, 'undone', ['of' => $run['take_back']['of'] - 1])->assertConflict();
        $this->record($pour, 'undone', ['of' => $run['take_back']['of']])->assertOk()->assertJsonPath('step.kind', 'grade');

        $pour->refresh();
        self::assertNull($pour->grade);
        self::assertNull($pour->graded_at);
    }

    public function test_a_fact_from_a_tablet_that_was_offline_keeps_its_own_time(): void
    {
        $pour = $this->begun();
        $happened = now()->addMinutes(2);
        $this->travel(20)->minutes();
        $this->postJson("/pours/{$pour->id}/events", [
            'key' => 'late', 'kind' => 'noted', 'at_ms' => $happened->getTimestampMs(), 'payload' => ['text' => 'the light went out'],
        ])->assertOk();
        $this->postJson("/pours/{$pour->id}/events", [
            'key' => 'future', 'kind' => 'noted', 'at_ms' => now()->addHours(3)->getTimestampMs(),
            'payload' => ['text' => 'a clock that is fast'],
        ])->assertOk();

        $at = Fact::query()->orderBy('id')->get()->map(static fn (Fact $e): int => (int) $e->at->getTimestampMs())->all();
        self::assertSame([(int) $happened->getTimestampMs(), (int) now()->getTimestampMs()], $at);
    }

    public function test_nonsense_is_refused_with_a_sentence_and_nothing_is_recorded(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $before = Fact::query()->count();
        foreach ([
            ['kind' => 'exploded', 'payload' => [], 'says' => 'Choose one of'],
            ['kind' => 'weighed', 'payload' => ['step' => '1:weigh:0', 'reading_g' => 'a lot'], 'says' => 'needs a number'],
            ['kind' => 'weighed', 'payload' => ['step' => '1:weigh:0', 'reading_g' => -4], 'says' => '0 or more'],
            ['kind' => 'weighed', 'payload' => ['step' => '1:weigh:0', 'reading_g' => '12,5'], 'says' => '12.5'],
            ['kind' => 'noted', 'payload' => ['text' => 'x', 'fault' => 'gremlins'], 'says' => 'There is no fault “gremlins”'],
        ] as $case) {
            $said = $this->record($pour, $case['kind'], $case['payload'])->assertUnprocessable()->json('error.message');
            self::assertStringContainsString($case['says'], $said);
        }
        self::assertSame($before, Fact::query()->count());
    }

    public function test_grading_wants_one_of_five_words_and_a_mass(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'grade');
        $this->record($pour, 'graded', [
            'step' => '0:grade', 'grade' => '5 stars', 'faults' => [], 'used_g' => 90, 'note' => '',
        ])->assertUnprocessable()->assertJsonPath('error.field', 'payload.grade');
        $this->record($pour, 'graded', [
            'step' => '0:grade', 'grade' => 'good', 'faults' => [], 'used_g' => 0, 'note' => '',
        ])->assertUnprocessable()->assertJsonPath('error.field', 'payload.used_g');
    }

    public function test_a_gang_mould_gives_several_pieces_a_pour_and_spoilt_ones_do_not_count(): void
    {
        $impression = $this->impression();
        foreach ([['good', 4], ['spoilt', 4], ['usable', 2]] as [$grade, $pieces]) {
            $pour = $this->begun([], $impression);
            $this->workUntil($pour, 'grade');
            $this->record($pour, 'graded', [
                'step' => '0:grade', 'grade' => $grade, 'faults' => [], 'used_g' => 90, 'pieces' => $pieces, 'note' => '',
            ])->assertOk()->assertJsonPath('grade.pieces', $pieces);
        }

        self::assertSame(6, $this->get("/jobs/{$impression->job_id}")->inertiaProps('job.cast'));
        $open = $this->begun([], $impression);
        $this->workUntil($open, 'grade');
        $this->record($open, 'graded', [
            'step' => '0:grade', 'grade' => 'good', 'faults' => [], 'used_g' => 90, 'pieces' => -1, 'note' => '',
        ])->assertUnprocessable()->assertJsonPath('error.field', 'payload.pieces');
    }

    public function test_a_gel_that_was_watched_teaches_the_clock_of_that_base(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'wait');
        $this->travelTo($pour->refresh()->met_at?->addMinutes(40));
        $this->record($pour, 'gelled', ['sure' => true])->assertOk();
        $this->record($pour, 'gelled')->assertConflict();

        $answer = $this->putJson('/pours/'.$this->draft()->id.'/sheet', $this->sheet())->json('cure');
        self::assertSame(1, $answer['rests_on']);
        self::assertGreaterThan(22.0 * 2 ** 0.3, $answer['pot_life_min']['likely']);
    }

    public function test_a_room_that_cools_down_puts_the_opening_off(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'wait');
        $before = $this->getJson("/pours/{$pour->id}/state")->json('wait.open_likely_ms');
        $this->travel(30)->minutes();
        $this->warm(12.0);

        self::assertGreaterThan($before + 60 * 60_000, $this->getJson("/pours/{$pour->id}/state")->json('wait.open_likely_ms'));
    }

    public function test_unknown_pours_and_unbegun_runs(): void
    {
        $this->get('/pours/99999/run')->assertNotFound();
        $this->get('/pours/many/run')->assertNotFound();
        $draft = $this->draft();
        $this->get("/pours/{$draft->id}/run")->assertRedirect("/pours/{$draft->id}");
        $this->record($draft, 'confirmed', ['step' => '0:gear'])->assertUnprocessable();
        self::assertSame(0, Pour::query()->live()->count());
    }

    public function test_what_is_left_in_the_cup_is_said_once_while_it_cures_or_with_the_grade(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'fill');
        $this->record($pour, 'left_over', ['left_g' => 4])->assertConflict();
        $this->workUntil($pour, 'wait');
        $weighed = (float) $this->getJson("/pours/{$pour->id}/state")->json('weighed_g');
        $this->record($pour, 'left_over', [
            'left_g' => $weighed + 1,
        ])->assertUnprocessable()->assertJsonPath('error.field', 'payload.left_g');
        $told = $this->record($pour, 'left_over', ['left_g' => 7.5])->assertOk()->assertJsonPath('left_g', 7.5)->json();
        $this->record($pour, 'undone', ['of' => $told['take_back']['of']])->assertOk()->assertJsonPath('left_g', null);
        $this->record($pour, 'left_over', ['left_g' => 6])->assertOk();
        $this->workUntil($pour, 'grade');
        self::assertSame(6, $this->getJson("/pours/{$pour->id}/state")->json('left_g'));
    }

    public function test_what_is_left_in_each_of_several_cups_is_added_up(): void
    {
        $pour = $this->begun(['target.mass_g' => 900, 'volume' => null, 'plan.vessel.capacity_ml' => 500]);
        $cups = count($this->getJson("/pours/{$pour->id}/state")->json('cups'));
        self::assertGreaterThan(1, $cups);
        $this->workUntil($pour, 'fill');
        $this->record($pour, 'left_over', ['left_g' => 4, 'batch' => 2])->assertConflict();
        $this->record($pour, 'left_over', [
            'left_g' => 900, 'batch' => 1,
        ])->assertUnprocessable()->assertJsonPath('error.field', 'payload.left_g');
        $this->record($pour, 'left_over', ['left_g' => 4, 'batch' => 1])->assertOk()->assertJsonPath('left_g', 4);
        $this->record($pour, 'confirmed', ['step' => '1:fill'])->assertOk();
        $this->workUntil($pour, 'fill');
        $this->record($pour, 'left_over', ['left_g' => 5, 'batch' => 2])->assertOk()->assertJsonPath('left_g', 9);
        $this->workUntil($pour, 'wait');
        // The first was looked at again; then all were put on the scale together.
        $this->record($pour, 'left_over', ['left_g' => 3, 'batch' => 1])->assertOk()->assertJsonPath('left_g', 8);
        $this->record($pour, 'left_over', ['left_g' => 7])->assertOk()->assertJsonPath('left_g', 7);
    }
}

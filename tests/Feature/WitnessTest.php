<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Pour;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Tests\BuildsGloves;
use Tests\TestCase;

/** One tap is one witness; what happened before can be told late; who knows better says why. */
final class WitnessTest extends TestCase
{
    use BuildsGloves;

    private function ms(int $minutesAgo): int
    {
        return (int) CarbonImmutable::now()->subMinutes($minutesAgo)->getTimestampMs();
    }

    private function curing(): Pour
    {
        $pour = $this->begun(['formula' => ['base' => 'pr-10', 'additives' => []], 'plan.mix_min' => 1]);
        $this->workUntil($pour, 'wait');

        return $pour;
    }

    public function test_a_gel_after_seconds_is_asked_about_and_moves_nothing_until_somebody_is_sure(): void
    {
        $pour = $this->curing();
        $pot = fn (): float => $this->postJson('/swatches/hardness', [
            'base' => 'pr-10', 'softener' => 'sf-1', 'target' => ['scale' => 'A', 'reading' => 10],
        ])
            ->assertOk()
            ->json('cost.pot_life_min');
        $before = $pot();

        $asked = $this->record($pour, 'gelled')->assertUnprocessable()->assertJsonPath('error.field', 'sure');
        self::assertMatchesRegularExpression('/gels between .* and .*\. A slip/', $asked->json('error.message'));
        self::assertNull($pour->refresh()->gel_min);
        self::assertSame($before, $pot());

        $this->record($pour, 'gelled', ['sure' => true])->assertOk();
        self::assertTrue($pour->refresh()->gel_sure);
        self::assertLessThan($before, $pot());
    }

    public function test_every_observation_stands_under_its_clock_and_can_be_left_out_and_taken_back_in(): void
    {
        $pour = $this->curing();
        $this->record($pour, 'gelled', ['sure' => true])->assertOk();
        $seen = $this->getJson('/clock/pr-10')->assertOk()->json();
        self::assertSame(1, $seen['rests_on']);
        self::assertSame(
            ['gel', $pour->id, 'gel', true, false, true],
            [
                $seen['observations'][0]['of'], $seen['observations'][0]['id'], $seen['observations'][0]['kind'],
                $seen['observations'][0]['sure'], $seen['observations'][0]['left_out'], $seen['observations'][0]['counts'],
            ],
        );
        self::assertSame((int) now()->getTimestampMs(), $seen['observations'][0]['at_ms'], 'It says when.');

        $out = $this->putJson("/clock/gels/{$pour->id}", ['left_out' => true])->assertOk()->json();
        self::assertSame([0, true, false], [$out['rests_on'], $out['observations'][0]['left_out'], $out['observations'][0]['counts']]);
        $this->get('/stores/pr-10')->assertInertia(static fn ($page) => $page->where('base.rests_on', 0));
        $in = $this->putJson("/clock/gels/{$pour->id}", ['left_out' => false])->assertOk()->json();
        self::assertSame(1, $in['rests_on']);

        $this->getJson('/clock/nothing')->assertNotFound();
        $this->putJson("/clock/gels/{$pour->id}", ['left_out' => 'perhaps'])->assertUnprocessable();
        $this->putJson('/clock/gels/'.$this->curing()->id, ['left_out' => true])->assertUnprocessable();
    }

    public function test_a_wild_observation_that_nobody_confirmed_is_shown_and_does_not_count(): void
    {
        foreach ([40, 38, 41] as $minutes) {
            $pour = $this->curing();
            $this->travel($minutes)->minutes();
            $this->record($pour, 'gelled', ['sure' => true])->assertOk();
        }
        // As it was written down before anybody asked.
        DB::table('pours')->where('id', $pour->id)->update(['gel_min' => 1.0, 'gel_sure' => false]);
        $seen = $this->getJson('/clock/pr-10')->json();

        self::assertSame(2, $seen['rests_on']);
        self::assertSame([false, true, true], array_column($seen['observations'], 'counts'));
    }

    public function test_a_touch_far_from_what_is_expected_is_asked_about_and_then_believed(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        $this->tell($build, 'fingered', ['op' => 'print', 'finger' => 'dry'])->assertUnprocessable()->assertJsonPath('error.field', 'sure');
        self::assertSame(0, DB::table('finger_tests')->count());
        self::assertSame('waits', $this->operation($build, 'coat2')['state']);

        // It was really so, or it was another coat: the window follows.
        $this->travel(5)->minutes();
        $this->tell($build, 'fingered', ['op' => 'print', 'finger' => 'comes_off'])->assertOk();
        $this->travel(25)->minutes();
        $told = $this->tell($build, 'fingered', ['op' => 'print', 'finger' => 'tacky'])->assertOk()->json();
        self::assertSame('ready', array_column($told['operations'], 'state', 'id')['coat2']);
        self::assertSame([false, false], array_column(array_column($told['operations'], null, 'id')['print']['touches'], 'left_out'));

        $touch = collect($this->getJson('/clock/br-28')->json('observations'))->firstWhere('kind', 'tacky');
        $this->putJson("/clock/touches/{$build->id}", [
            'base' => 'br-28', 'key' => $touch['key'], 'left_out' => true,
        ])->assertOk()->assertJsonPath('rests_on', 1);
        self::assertTrue(array_column($this->operation($build, 'print')['touches'], 'left_out')[1]);
        self::assertSame('waits', $this->operation($build, 'coat2')['state'], 'What was left out opens no window.');
        $this->putJson("/clock/touches/{$build->id}", ['base' => 'br-28', 'key' => $touch['key'], 'left_out' => false])->assertOk();
        self::assertSame('ready', $this->operation($build, 'coat2')['state']);
        $this->putJson("/clock/touches/{$build->id}", ['base' => 'br-28', 'key' => 'no such', 'left_out' => true])->assertUnprocessable();
    }

    public function test_what_was_done_before_is_told_with_its_time_and_bounded_by_what_it_waited_for(): void
    {
        $build = $this->glove();
        $this->travel(3)->hours();
        $this->tell($build, 'done', ['op' => 'release', 'done_ms' => $this->ms(90)])->assertOk();
        self::assertSame($this->ms(90), $this->operation($build, 'release')['ended_ms']);
        // Of what waits for it nothing has begun: it can still be put right, into both directions.
        $this->tell($build, 'retold', ['op' => 'release', 'what' => 'done', 'done_ms' => $this->ms(45)])->assertOk();
        self::assertSame($this->ms(45), $this->operation($build, 'release')['ended_ms']);
        $this->tell($build, 'done', [
            'op' => 'flange', 'done_ms' => $this->ms(-5),
        ])->assertUnprocessable()->assertJsonPath('error.field', 'done_ms');
        $this->tell($build, 'done', ['op' => 'flange', 'done_ms' => 1_000])->assertUnprocessable();
        $this->tell($build, 'done', ['op' => 'flange'])->assertOk();

        $this->mixed($build, 'keys');
        $this->mixed($build, 'print');
        $this->tell($build, 'retold', ['op' => 'release', 'what' => 'done', 'done_ms' => $this->ms(0)])->assertUnprocessable();
        $this->tell($build, 'retold', ['op' => 'print', 'what' => 'done', 'done_ms' => $this->ms(5)])->assertUnprocessable();
        $this->tell($build, 'fingered', ['op' => 'print', 'finger' => 'comes_off', 'done_ms' => $this->ms(60)])->assertUnprocessable();
    }

    public function test_a_tick_before_its_time_wants_a_reason_and_keeps_it(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        $coat = $this->sheetOf($build, 'coat2');
        $this->post("/pours/{$coat->id}/run")->assertSessionHasErrors('early');
        $this->post("/pours/{$coat->id}/run", ['early' => '  '])->assertSessionHasErrors('early');
        $this->post("/pours/{$coat->id}/run", [
            'early' => 'Warm hands: it is tacky, and the tablet lies in the other room.',
        ])->assertSessionHasNoErrors();

        self::assertNotNull($coat->refresh()->started_at);
        self::assertStringContainsString('Warm hands', implode(' ', array_column($this->look($build)['notes'], 'text')));
        // Begun twice it is noted once.
        $this->post("/pours/{$coat->id}/run", ['early' => 'Again'])->assertRedirect();
        self::assertCount(1, $this->look($build)['notes']);
    }

    public function test_why_a_tick_went_before_its_time_stands_at_it(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        foreach (['coat2', 'coat3', 'embed'] as $op) {
            $this->tell($build, 'left_out', ['op' => $op, 'why' => 'Thin is enough'])->assertOk();
        }
        $this->tell($build, 'done', ['op' => 'fence'])->assertUnprocessable()->assertJsonPath('error.field', 'early');
        $this->tell($build, 'done', ['op' => 'fence', 'early' => 'It is through, I cut the edge'])->assertOk();
        self::assertSame(['It is through, I cut the edge', 'Thin is enough'], [
            $this->operation($build, 'fence')['said'], $this->operation($build, 'coat2')['said'],
        ]);
    }

    public function test_what_was_done_before_anybody_planned_the_build_is_told_all_the_same(): void
    {
        $build = $this->glove();
        $this->tell($build, 'done', ['op' => 'flange', 'done_ms' => $this->ms(1440)])->assertOk();
        $flange = $this->operation($build, 'flange');
        self::assertSame([$this->ms(1440), 'done'], [$flange['ended_ms'], $flange['state']]);
        self::assertLessThanOrEqual($flange['ended_ms'], $flange['started_ms']);
        $this->get('/day')->assertOk();
    }

    public function test_opening_and_gelling_are_told_late_and_put_right_afterwards(): void
    {
        $pour = $this->curing();
        $this->travel(6)->hours();
        $filled = $this->getJson("/pours/{$pour->id}/state")->json('wait.poured_ms');
        $this->record($pour, 'opened', ['step' => '0:wait', 'done_ms' => $filled - 3_600_000])->assertUnprocessable();
        $this->record($pour, 'gelled', ['done_ms' => $filled + 26 * 60_000])->assertOk();
        $this->record($pour, 'opened', [
            'step' => '0:wait', 'done_ms' => $this->ms(60),
        ])->assertOk()->assertJsonPath('wait.opened_ms', $this->ms(60));
        $this->record($pour, 'earlier', [
            'what' => 'opened', 'batch' => 1, 'done_ms' => $this->ms(75),
        ])->assertOk()->assertJsonPath('wait.opened_ms', $this->ms(75));
        $this->record($pour, 'earlier', ['what' => 'opened', 'batch' => 1, 'done_ms' => $this->ms(10)])->assertUnprocessable();

        self::assertSame($this->ms(75), (int) $pour->refresh()->opened_at?->getTimestampMs());
        self::assertEqualsWithDelta(27.0, $pour->gel_min, 3.0);
    }
}

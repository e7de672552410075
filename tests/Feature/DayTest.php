<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Build;
use App\Models\Fact;
use App\Models\Impression;
use Sabre\VObject\Reader;
use Tests\BuildsGloves;
use Tests\TestCase;

/** The day: one plan for strip, lanes and calendar, that moves with what happens and says so. */
final class DayTest extends TestCase
{
    use BuildsGloves;

    /** @return array<string, array<string, mixed>> by step of the build */
    private function steps(): array
    {
        return array_column($this->getJson('/day/state')->assertOk()->json('items'), null, 'step');
    }

    private function minutes(mixed $ms): float
    {
        return ((float) $ms - $this->now->startOfDay()->getTimestampMs()) / 60_000.0;
    }

    public function test_a_glove_is_laid_out_over_the_day_with_its_windows_and_nothing_twice(): void
    {
        $this->glove();
        $steps = $this->steps();
        $hands = array_filter($steps, static fn (array $one): bool => $one['lanes'] !== []);
        usort($hands, static fn (array $a, array $b): int => $a['from_ms'] <=> $b['from_ms']);

        foreach (array_slice($hands, 1) as $i => $one) {
            self::assertGreaterThanOrEqual($hands[$i]['to_ms'] - 1000, $one['from_ms'], "{$one['name']} after {$hands[$i]['name']}");
        }
        self::assertGreaterThanOrEqual($this->now->getTimestampMs() - 1000, $hands[0]['from_ms']);
        // At 20 °C the second coat is open 49 minutes after the print coat lies.
        self::assertGreaterThanOrEqual($steps['print']['to_ms'] + 49 * 60_000, $steps['coat2']['from_ms']);
        self::assertLessThan($steps['print']['to_ms'] + 135 * 60_000, $steps['coat2']['from_ms']);
        // Waits run through the night; hands do not.
        self::assertGreaterThan(24 * 60, $this->minutes($steps['open']['from_ms']));
    }

    public function test_strip_day_and_calendar_know_the_same_plan(): void
    {
        $this->glove();
        $steps = $this->steps();
        $strip = array_column($this->getJson('/frame')->json('strip.plans'), null, 'name');
        $calendar = Reader::read(
            $this->get('/day.ics')->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent(),
        );

        self::assertSame([], $calendar->validate());
        $events = [];
        foreach ($calendar->select('VEVENT') as $event) {
            $events[explode(' · ', (string) $event->SUMMARY)[0]] = $event->DTSTART->getDateTime()->getTimestamp();
        }
        foreach (['print', 'coat2', 'coat3', 'jacket'] as $step) {
            self::assertSame($steps[$step]['from_ms'], $strip[$steps[$step]['name']]['from_ms']);
            self::assertEqualsWithDelta($steps[$step]['from_ms'] / 1000, $events[$steps[$step]['name']], 1);
        }
    }

    public function test_what_goes_on_late_moves_what_hangs_on_it_and_says_so(): void
    {
        $build = $this->glove();
        $before = $this->steps();
        $this->travel(40)->minutes();
        $this->tell($build, 'done', ['op' => 'release']);
        $state = $this->getJson('/day/state')->json();
        $after = array_column($state['items'], null, 'step');

        self::assertGreaterThan($before['coat2']['from_ms'] + 10 * 60_000, $after['coat2']['from_ms']);
        self::assertContains('Second coat', array_column($state['moved'], 'name'));
        // An hour later it is no news any more.
        $this->travel(61)->minutes();
        self::assertSame([], $this->getJson('/day/state')->json('moved'));
    }

    public function test_a_room_that_cools_by_four_degrees_moves_the_coats_that_wait(): void
    {
        $build = $this->glove();
        foreach (['release', 'flange'] as $step) {
            $this->tell($build, 'done', ['op' => $step]);
        }
        $this->mixed($build, 'keys');
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        $before = $this->steps()['coat2']['from_ms'];
        $this->travel(1)->minutes();
        $this->warm(16.0);
        $state = $this->getJson('/day/state')->json();

        self::assertGreaterThan($before + 10 * 60_000, array_column($state['items'], null, 'step')['coat2']['from_ms']);
        self::assertContains('Second coat', array_column($state['moved'], 'name'));
    }

    public function test_a_window_that_cannot_be_met_is_said_before_it_is_missed_with_what_would_save_it(): void
    {
        $build = $this->glove();
        foreach (['release', 'flange'] as $step) {
            $this->tell($build, 'done', ['op' => $step]);
        }
        $this->mixed($build, 'keys');
        // The day ends at 18:00; a print coat at a quarter past five waits past it.
        $this->travelTo($this->now->setTime(17, 15));
        $this->mixed($build, 'print');
        $state = $this->getJson('/day/state')->json();

        self::assertStringContainsString('Second coat', (string) $state['because']);
        self::assertStringContainsString('cooler room', (string) $state['because']);
        // The rest is planned all the same.
        self::assertArrayHasKey('open', array_column($state['items'], null, 'step'));
    }

    public function test_an_outline_is_put_elsewhere_with_all_that_hangs_on_it_and_taken_back_again(): void
    {
        $build = $this->glove();
        $steps = $this->steps();
        $later = $steps['print']['from_ms'] + 60 * 60_000;
        $tried = $this->postJson('/day/try', ['id' => "b{$build->id}:print", 'at_ms' => $later])->assertOk()->json();

        self::assertTrue($tried['ok'], (string) $tried['why']);
        self::assertGreaterThanOrEqual($later + 49 * 60_000, $tried['starts']["b{$build->id}:coat2"]);
        $put = array_column(
            $this->postJson('/day/put', ['id' => "b{$build->id}:print", 'at_ms' => $later, 'key' => 'put-1'])->assertOk()->json('items'),
            null, 'step',
        );
        self::assertGreaterThanOrEqual($later, $put['print']['from_ms']);
        self::assertGreaterThan($put['print']['to_ms'] + 48 * 60_000, $put['coat2']['from_ms']);

        $back = array_column(
            $this->postJson('/day/put', ['id' => "b{$build->id}:print", 'at_ms' => null, 'key' => 'put-2'])->assertOk()->json('items'),
            null, 'step',
        );
        self::assertSame($steps['print']['from_ms'], $back['print']['from_ms']);
        self::assertSame(2, Fact::query()->where('stream', 'build')->where('kind', 'put')->count());
    }

    public function test_why_it_cannot_go_there_is_said(): void
    {
        $build = $this->glove();
        $try = fn (string $step, int $hour, int $minute = 0): string => $this->postJson('/day/try', [
            'id' => "b{$build->id}:{$step}", 'at_ms' => $this->now->setTime($hour, $minute)->getTimestampMs(),
        ])
            ->assertOk()
            ->json('why');

        self::assertStringContainsString('over already', $try('release', 9));
        self::assertStringContainsString('past the working day', $try('flange', 17, 50));
        self::assertStringContainsString('waits for', $try('coat2', 10, 20));
        $this->tell($build, 'done', ['op' => 'release']);
        self::assertStringContainsString('does not move', $try('release', 12));
        $this->postJson('/day/put', [
            'id' => "b{$build->id}:coat2", 'at_ms' => $this->now->setTime(10, 20)->getTimestampMs(), 'key' => 'x',
        ])->assertUnprocessable();
        $this->postJson('/day/try', ['id' => 'b999:coat2', 'at_ms' => 1])->assertUnprocessable();
        $this->postJson('/day/try', ['id' => "b{$build->id}:coat2", 'at_ms' => 'noon'])->assertUnprocessable();
    }

    public function test_a_coat_is_not_put_past_its_window(): void
    {
        $build = $this->glove();
        foreach (['release', 'flange'] as $step) {
            $this->tell($build, 'done', ['op' => $step]);
        }
        $this->mixed($build, 'keys');
        $this->travel(12)->minutes();
        $this->mixed($build, 'print');
        $tried = $this->postJson('/day/try', ['id' => "b{$build->id}:coat2", 'at_ms' => $this->now->addHours(5)->getTimestampMs()])->json();

        self::assertFalse($tried['ok']);
        self::assertStringContainsString('does not bond', $tried['why']);
    }

    public function test_a_plain_pour_that_is_planned_lies_on_the_day_too_and_is_put_elsewhere(): void
    {
        $pour = $this->draft();
        $day = $this->getJson('/day/state')->json();
        self::assertSame(['pour', 'open'], array_column($day['items'], 'step'));
        self::assertCount(1, $day['startable']);
        self::assertGreaterThan($this->now->getTimestampMs(), $day['startable'][0]['last_ms']);

        $at = $this->now->setTime(13, 0)->getTimestampMs();
        $this->postJson('/day/put', ['id' => "p{$pour->id}:pour", 'at_ms' => $at, 'key' => 'put'])->assertOk();
        self::assertSame($at, array_column($this->getJson('/day/state')->json('items'), null, 'step')['pour']['from_ms']);
    }

    public function test_what_takes_longer_than_today_says_when_it_is_done(): void
    {
        $this->draft(['formula' => ['base' => 'ur-35', 'additives' => []]], $this->impression('cast', 'ur-35'));
        $day = $this->getJson('/day/state')->json();

        self::assertSame([], $day['startable']);
        self::assertSame('Open', $day['waits'][0]['why']);
        self::assertGreaterThan($this->now->endOfDay()->getTimestampMs(), $day['waits'][0]['done_ms']);
    }

    public function test_a_gang_is_laid_out_and_says_what_holds_it_up(): void
    {
        $told = $this->postJson('/day/gang', [
            'pieces' => 24, 'pieces_a_mould' => 4, 'moulds' => 1, 'pour_min' => 25, 'wait_min' => 240, 'open_min' => 10,
        ])
            ->assertOk()
            ->json();
        self::assertSame([6, 'moulds'], [$told['cycles'], $told['bottleneck']]);
        self::assertGreaterThan(0.0, $told['one_more_saves_min']);
        $this->postJson('/day/gang', ['pieces' => 0])->assertUnprocessable()->assertJsonPath('error.field', 'pieces');
    }

    public function test_more_hands_are_said_once_and_counted(): void
    {
        $this->glove();
        $one = $this->steps()['open']['to_ms'];
        $this->putJson('/workshop', ['hands' => 2])->assertOk();
        self::assertLessThanOrEqual($one, $this->steps()['open']['to_ms']);
        self::assertSame(2, $this->getJson('/day/state')->json('hands'));
        $this->putJson('/workshop', ['hands' => 0])->assertUnprocessable()->assertJsonPath('error.field', 'hands');
    }

    public function test_a_job_put_away_leaves_the_day(): void
    {
        $build = $this->glove();
        $this->delete("/jobs/{$build->impression->job_id}");
        self::assertSame([], $this->getJson('/day/state')->json('items'));
        self::assertSame(2, Impression::query()->count());
        $this->get('/day')->assertOk();
        $this->get('/paper/day.html')->assertOk()->assertSee('Nothing is planned for today.');
    }
}

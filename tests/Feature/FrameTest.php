<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Cure\Milestone;
use App\Shop\PourClock;
use Carbon\CarbonImmutable;
use Database\Seeders\DatabaseSeeder;
use Tests\TestCase;

final class FrameTest extends TestCase
{
    public function test_units_sound_and_room_are_set_and_answered_with_the_frame(): void
    {
        $this->putJson('/workshop', ['units' => 'imperial', 'muted' => true])->assertOk()->assertJsonPath('workshop.units', 'imperial')->assertJsonPath('workshop.muted', true);
        $this->putJson('/workshop', ['room_c' => 17.5])->assertOk()->assertJsonPath('workshop.room_c', 17.5)->assertJsonPath('workshop.room_source', 'hand');
        foreach ([[['units' => 'cubits'], 'units'], [['room_c' => 80], 'room_c'], [['room_c' => 'cold'], 'room_c'], [['room_c' => -3], 'room_c'], [['wallpaper' => 1], 'wallpaper']] as [$said, $field]) {
            $this->putJson('/workshop', $said)->assertUnprocessable()->assertJsonPath('error.field', $field);
        }
        $this->getJson('/frame')->assertJsonPath('workshop.room_c', 17.5);
    }

    public function test_the_strip_shows_hands_wait_and_windows_and_calls_in_time(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'mix');
        $strip = $this->getJson('/frame')->json('strip');
        self::assertSame(['pot_life'], array_column($strip['lozenges'][0]['windows'], 'kind'));
        self::assertSame(['Mixing time is up', 'Three minutes of pot life left'], array_column($strip['calls'], 'what'));
        self::assertSame((int) now()->addMinutes(3)->getTimestampMs(), $strip['calls'][0]['at_ms']);

        $this->travel(1)->minutes();
        $this->record($pour, 'noted', ['text' => 'streaks on the left'])->assertOk();
        self::assertSame($strip['calls'][0]['at_ms'], $this->getJson('/frame')->json('strip.calls.0.at_ms'), 'A note does not put the end of mixing off.');

        $this->workUntil($pour, 'wait');
        $strip = $this->getJson('/frame')->json('strip');
        $open = app(PourClock::class)->reaches($pour->refresh(), Milestone::Demould);
        self::assertSame(['demould', 'service'], array_column($strip['lozenges'][0]['windows'], 'kind'));
        self::assertSame((int) $open['likely']->getTimestampMs(), $strip['lozenges'][0]['waits'][0]['to_ms']);
        self::assertSame('Ready to open', $strip['calls'][0]['what']);
    }

    public function test_a_brushed_base_has_a_window_for_its_next_coat(): void
    {
        $pour = $this->begun(['formula' => ['base' => 'br-28', 'additives' => []], 'formula_name' => 'Glove']);
        $this->workUntil($pour, 'wait');

        self::assertSame(['recoat', 'demould', 'service'], array_column($this->getJson('/frame')->json('strip.lozenges.0.windows'), 'kind'));
    }

    public function test_an_empty_strip_knows_what_could_still_be_done_today(): void
    {
        $this->draft();
        $strip = $this->getJson('/frame')->json('strip');

        self::assertSame([], $strip['lozenges']);
        // 240 min of the sheet at 23 °C are 295.5 at 20 °C.
        self::assertSame((int) now()->addMinutes(296)->getTimestampMs(), $strip['startable'][0]['open_ms']);
    }

    public function test_the_bench_sorts_by_what_needs_hands(): void
    {
        $running = $this->begun();
        $waiting = $this->begun();
        $this->workUntil($waiting, 'wait');
        $ready = $this->draft();
        $unfinished = $this->draft(['volume.volume_ml' => null]);
        $groups = fn (): array => collect($this->get('/')->inertiaProps('bench.items'))->pluck('group', 'pour_id')->sortKeys()->all();

        self::assertSame([$running->id => 'now', $waiting->id => 'later', $ready->id => 'next', $unfinished->id => 'later'], $groups());
        $this->travel(3)->hours();
        self::assertSame('next', $groups()[$waiting->id]);
        $this->travel(3)->hours();
        self::assertSame('now', $groups()[$waiting->id]);
    }

    public function test_the_jump_box_finds_jobs_sheets_and_formulas(): void
    {
        $this->begun();

        self::assertSame(['job'], array_column($this->getJson('/find?q=OWL')->json('found'), 'kind'));
        self::assertContains('/stores/sf-1', array_column($this->getJson('/find?q=soften')->json('found'), 'href'));
        self::assertContains('formula', array_column($this->getJson('/find?q=brow+skin')->json('found'), 'kind'));
        self::assertSame([], $this->getJson('/find?q=%25%25')->json('found'));
        self::assertSame([], $this->getJson('/find?q=')->json('found'));
    }

    public function test_sheets_are_read_with_the_times_of_this_room(): void
    {
        $this->get('/stores/pr-10')->assertInertia(static fn ($page) => $page->component('stores/Stores')->where('open', 'pr-10')
            ->where('bases', static fn ($bases): bool => abs(collect($bases)->firstWhere('code', 'pr-10')['here']['pot_life_min']['likely'] - 22 * 2 ** 0.3) < 1e-6));
        $this->get('/stores/zz-99')->assertNotFound();
    }

    public function test_the_demo_workshop_has_every_stage_and_three_months_behind_it(): void
    {
        $this->travelTo(CarbonImmutable::parse('2026-05-20 15:00:00'));
        $this->seed(DatabaseSeeder::class);
        $items = collect($this->get('/')->assertOk()->inertiaProps('bench.items'));

        foreach (['now', 'next', 'later'] as $group) {
            self::assertTrue($items->contains('group', $group), $group);
        }
        self::assertCount(5, $this->getJson('/frame')->json('strip.lozenges'));
        $rows = collect($this->get('/log')->inertiaProps('log.rows'));
        self::assertGreaterThan(30, $rows->count());
        self::assertEqualsCanonicalizing(['spoilt', 'poor', 'usable', 'good', 'superb'], $rows->pluck('grade')->unique()->values()->all());
        self::assertLessThan(now()->subDays(80)->getTimestampMs(), $rows->min('at_ms'));
        self::assertLessThanOrEqual(now()->getTimestampMs(), $rows->max('at_ms'));
    }
}

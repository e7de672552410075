<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Cure\Milestone;
use App\Log\RecordedRun;
use App\Models\Pour;
use App\Models\RoomReading;
use App\Models\Workshop;
use App\Room\CureClock;
use Carbon\CarbonImmutable;
use Database\Seeders\DatabaseSeeder;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class FrameTest extends TestCase
{
    public function test_units_sound_and_room_are_set_and_answered_with_the_frame(): void
    {
        $this->putJson('/workshop', ['units' => 'imperial', 'muted' => true])
            ->assertOk()
            ->assertJsonPath('workshop.units', 'imperial')
            ->assertJsonPath('workshop.muted', true);
        $this->putJson('/workshop', ['room_c' => 17.5])
            ->assertOk()
            ->assertJsonPath('workshop.room_c', 17.5)
            ->assertJsonPath('workshop.room_source', 'hand');
        foreach ([
            [['units' => 'cubits'], 'units'], [['room_c' => 80], 'room_c'], [['room_c' => 'cold'], 'room_c'], [['room_c' => -3], 'room_c'],
            [['wallpaper' => 1], 'wallpaper'],
        ] as [$said, $field]) {
            $this->putJson('/workshop', $said)->assertUnprocessable()->assertJsonPath('error.field', $field);
        }
        $this->getJson('/frame')->assertJsonPath('workshop.room_c', 17.5);
    }

    public function test_the_scale_and_the_working_day_are_set_once_and_every_new_sheet_weighs_on_it(): void
    {
        $old = $this->draft();
        $this->putJson('/workshop', [
            'name' => 'Under the arches', 'scale_division_g' => 0.01, 'scale_capacity_g' => 600, 'day_starts_min' => 480,
            'day_ends_min' => 1020,
        ])
            ->assertOk()
            ->assertJsonPath('workshop.scale_division_g', 0.01)
            ->assertJsonPath('workshop.day_ends_min', 1020)
            ->assertJsonPath('workshop.name', 'Under the arches');
        $this->post("/impressions/{$this->impression()->id}/pours")->assertRedirect();

        self::assertEquals(['division_g' => 0.01, 'capacity_g' => 600], Pour::query()->latest('id')->firstOrFail()->sheet['plan']['scale']);
        self::assertEquals(
            0.1, $old->refresh()->sheet['plan']['scale']['division_g'], 'A sheet that was begun keeps the scale it was begun with.',
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function benchesThatCannotBe(): iterable
    {
        yield 'no step at all' => [['scale_division_g' => 0], 'scale_division_g', 'This must be 0.001 or more; it was 0.'];
        yield 'a step left empty' => [['scale_division_g' => null], 'scale_division_g', 'This is missing. Give a value.'];
        yield 'a kitchen scale that carries one cup' => [
            ['scale_division_g' => 5, 'scale_capacity_g' => 400], 'scale_division_g',
            'A scale that carries 400 g in steps of 5 g has too few steps to weigh with. Check both numbers.',
        ];
        yield 'a capacity in kilograms' => [
            ['scale_capacity_g' => 3], 'scale_capacity_g',
            'A scale that carries 3 g in steps of 0.1 g has too few steps to weigh with. Check both numbers.',
        ];
        yield 'a day that is over before it begins' => [
            ['day_starts_min' => 1050, 'day_ends_min' => 1080], 'day_ends_min',
            'The working day must end an hour or more after it begins. Check both times.',
        ];
        yield 'a zone that is nowhere' => [
            ['time_zone' => 'Moon/Base'], 'time_zone', '“Moon/Base” is no time zone. Choose one from the list.',
        ];
        yield 'a day of 25 hours' => [['day_ends_min' => 1500], 'day_ends_min', 'This must be 1440 at most; it was 1500. Check the unit.'];
        yield 'a shop without a name' => [['name' => '  '], 'name', 'This needs a word or a name; it was “  ”.'];
    }

    /** @param  array<string, mixed>  $said */
    #[DataProvider('benchesThatCannotBe')]
    public function test_a_bench_that_cannot_be_is_refused_whole(array $said, string $field, string $message): void
    {
        $before = Workshop::here()->getAttributes();
        $this->putJson('/workshop', ['muted' => true, 'room_c' => 11, ...$said])
            ->assertUnprocessable()
            ->assertJsonPath('error.field', $field)
            ->assertJsonPath('error.message', $message);

        self::assertSame($before, Workshop::here()->getAttributes());
        self::assertSame(0, RoomReading::query()->where('celsius', 11)->count());
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
        self::assertSame(
            $strip['calls'][0]['at_ms'], $this->getJson('/frame')->json('strip.calls.0.at_ms'),
            'A note does not put the end of mixing off.',
        );

        $this->workUntil($pour, 'wait');
        $strip = $this->getJson('/frame')->json('strip');
        $open = RecordedRun::of($pour->refresh())->reaches(app(CureClock::class), Milestone::Demould);
        self::assertSame(['demould', 'service'], array_column($strip['lozenges'][0]['windows'], 'kind'));
        self::assertSame((int) $open?->likely()->getTimestampMs(), $strip['lozenges'][0]['waits'][0]['to_ms']);
        self::assertSame('Ready to open', $strip['calls'][0]['what']);
    }

    public function test_a_brushed_base_has_a_window_for_its_next_coat(): void
    {
        $pour = $this->begun(['formula' => ['base' => 'br-28', 'additives' => []], 'formula_name' => 'Glove']);
        $this->workUntil($pour, 'wait');

        self::assertSame(
            ['recoat', 'demould', 'service'], array_column($this->getJson('/frame')->json('strip.lozenges.0.windows'), 'kind'),
        );
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
        $groups = fn (): array => collect($this->get('/')->inertiaProps('bench.items'))->pluck('group', 'id')->sortKeys()->all();

        self::assertSame(
            [
                "pour-{$running->id}" => 'now', "pour-{$waiting->id}" => 'later', "pour-{$ready->id}" => 'next',
                "pour-{$unfinished->id}" => 'later',
            ],
            $groups(),
        );
        $this->travel(3)->hours();
        self::assertSame('next', $groups()["pour-{$waiting->id}"]);
        $this->travel(3)->hours();
        self::assertSame('now', $groups()["pour-{$waiting->id}"]);
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
            ->where('base.here.pot_life_min.likely', static fn (float $minutes): bool => abs($minutes - 22 * 2 ** 0.3) < 1e-6));
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
        $strip = $this->getJson('/frame')->json('strip');
        self::assertCount(4, $strip['lozenges']);
        // A glove whose window is open, a funnel to be topped up soon, a film nobody was there for.
        $plans = array_column($strip['plans'], null, 'name');
        self::assertLessThan($strip['now_ms'], $plans['Second coat']['opens_ms']);
        self::assertGreaterThan($strip['now_ms'], $plans['Second coat']['shuts_ms']);
        self::assertEqualsWithDelta(9.0, ($plans['Top up the funnel']['shuts_ms'] - $strip['now_ms']) / 60_000, 8.9);
        self::assertLessThan($strip['now_ms'], $plans['Film, third mist']['shuts_ms']);
        $rows = collect([...$this->get('/log')->inertiaProps('log.rows'), ...$this->get('/log?page=2')->inertiaProps('log.rows')]);
        self::assertGreaterThan(30, $rows->count());
        self::assertEqualsCanonicalizing(
            ['spoilt', 'poor', 'usable', 'good', 'superb', 'laid'], $rows->pluck('grade')->unique()->values()->all(),
        );
        self::assertLessThan(now()->subDays(80)->getTimestampMs(), $rows->min('at_ms'));
        self::assertLessThanOrEqual(now()->getTimestampMs(), $rows->max('at_ms'));
    }
}

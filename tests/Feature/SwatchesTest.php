<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Swatch;
use App\Models\SwatchReading;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Storage;
use Inertia\Testing\AssertableInertia;
use LogicException;
use Tests\MakesSwatches;
use Tests\TestCase;

final class SwatchesTest extends TestCase
{
    use MakesSwatches;

    public function test_readings_count_by_their_median_and_doubtful_ones_are_questioned(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $this->post("/swatches/{$swatch->id}/readings", [
            'kind' => 'hardness', 'scale' => '00', 'readings' => [26, 35, 27],
        ])->assertRedirect()->assertSessionHas('said', fn (string $said): bool => str_contains($said, '9 points apart'));

        $this->get('/swatches/drawer')->assertInertia(fn (AssertableInertia $page) => $page->component('swatches/Drawer')
            ->where('drawer.swatches.0.hardness', ['scale' => '00', 'reading' => 27, 'written' => '00-27', 'spread' => 9, 'count' => 3])
            ->where('drawer.swatches.0.questions.0.code', 'spread')->where('drawer.swatches.0.readings.1.after_min', 2880));
    }

    public function test_a_reading_on_the_wrong_scale_is_written_down_and_questioned(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $this->post("/swatches/{$swatch->id}/readings", [
            'kind' => 'hardness', 'scale' => 'A', 'readings' => [4, 4, 5],
        ])->assertSessionHas('said', fn (string $said): bool => str_contains($said, 'Read it on 00'));
        self::assertSame(2, $swatch->readings()->count());
    }

    /** Poured an hour ago of a rubber that settles in a day: read now it is soft, and would teach the curve that. */
    public function test_a_puck_read_before_its_time_is_asked_about_once(): void
    {
        $swatch = $this->puck(40, '00', 31);
        $swatch->update(['poured_at' => CarbonImmutable::now()->subHour(), 'demoulded_at' => null]);
        $before = $swatch->readings()->count();
        $read = fn (array $more = []) => $this->post("/swatches/{$swatch->id}/readings", [
            'kind' => 'hardness', 'scale' => '00', 'readings' => [31, 30, 32], ...$more,
        ]);
        $read()->assertSessionHasErrors("early-{$swatch->id}");
        self::assertStringContainsString('softer than it will be', (string) session('errors')?->first("early-{$swatch->id}"));
        self::assertSame($before, $swatch->readings()->count());
        $read(['sure' => true])->assertSessionHasNoErrors();
        self::assertSame($before + 1, $swatch->readings()->count());
        // Of a time when it was through, nobody asks; nor for its colour.
        $swatch->update(['poured_at' => CarbonImmutable::now()->subDays(9)]);
        $read()->assertSessionHasNoErrors();
    }

    public function test_a_puck_that_contradicts_the_others_is_named_in_the_drawer(): void
    {
        foreach ([[0, 'A', 12], [30, '00', 43], [60, 'A', 27], [90, '00', 14]] as [$pct, $scale, $reading]) {
            $this->puck($pct, $scale, $reading);
        }
        $asked = collect($this->get('/swatches/drawer')->inertiaPage()['props']['drawer']['swatches'])->mapWithKeys(
            static fn (array $s): array => [$s['name'] => array_column($s['questions'], 'code')],
        );

        self::assertSame(['Puck 90 %' => [], 'Puck 60 %' => ['outlier'], 'Puck 30 %' => [], 'Puck 0 %' => []], $asked->all());
    }

    public function test_what_is_no_reading_is_refused_with_a_sentence(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $key = "swatch-{$swatch->id}";
        foreach ([
            ['kind' => 'hardness', 'scale' => '00', 'readings' => [120]], ['kind' => 'hardness', 'scale' => '00', 'readings' => []],
            ['kind' => 'hardness', 'scale' => 'D', 'readings' => [12]], ['kind' => 'hardness', 'scale' => '00', 'readings' => ['soft']],
            ['kind' => 'colour', 'lab' => [140, 0, 0], 'backing' => 'white'], ['kind' => 'colour', 'lab' => [50, 0], 'backing' => 'white'],
            ['kind' => 'colour', 'lab' => [50, 0, 0], 'backing' => 'green'],
            ['kind' => 'smell'], ['kind' => 'hardness', 'scale' => '00', 'readings' => [20], 'at' => '2020-01-01'],
            ['kind' => 'hardness', 'scale' => '00', 'readings' => [20], 'at' => '2027-01-01'],
            ['kind' => 'hardness', 'scale' => '00', 'readings' => [20], 'at' => 'tomorrowish'],
        ] as $said) {
            $this->from('/swatches/drawer')->post("/swatches/{$swatch->id}/readings", $said)->assertSessionHasErrors($key);
        }
        self::assertSame(1, $swatch->readings()->count());
    }

    public function test_colour_over_both_cards_tells_translucency_and_swapped_cards_are_noticed(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $this->post("/swatches/{$swatch->id}/readings", [
            'kind' => 'colour', 'lab' => [72, 10, 18], 'backing' => 'white',
        ])->assertSessionHasNoErrors();
        $this->post("/swatches/{$swatch->id}/readings", [
            'kind' => 'colour', 'lab' => [91, 10, 18], 'backing' => 'black',
        ])->assertSessionHasErrors();
        $this->post("/swatches/{$swatch->id}/readings", [
            'kind' => 'colour', 'lab' => [58, 8, 10], 'backing' => 'black', 'source' => 'photo', 'within_delta_e' => 2.6,
        ])->assertSessionHasNoErrors();

        $this->get('/swatches/drawer')->assertInertia(
            fn (AssertableInertia $page) => $page->where('drawer.swatches.0.translucency.words', 'translucent')->where(
                'drawer.swatches.0.readings.2.source', 'off a photo, within ΔE 2.6',
            ),
        );
    }

    public function test_a_card_that_yellowed_is_remembered_and_two_alike_are_refused(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $this->get('/swatches/drawer')->assertInertia(
            fn (AssertableInertia $page) => $page->where('drawer.cards', ['white' => [95, 0, 0], 'black' => [12, 0, 0]]),
        );
        $this->post("/swatches/{$swatch->id}/readings", [
            'kind' => 'colour', 'lab' => [72, 10, 18], 'backing' => 'white', 'card_lab' => [91, -1, 6],
        ])->assertSessionHasNoErrors();
        $this->post("/swatches/{$swatch->id}/readings", [
            'kind' => 'colour', 'lab' => [58, 8, 10], 'backing' => 'black', 'card_lab' => [88, 0, 5],
        ])->assertSessionHasErrors("swatch-{$swatch->id}");
        $this->post("/swatches/{$swatch->id}/readings", [
            'kind' => 'colour', 'lab' => [58, 8, 10], 'backing' => 'black', 'card_lab' => [12, 0, 0],
        ])->assertSessionHasNoErrors();

        self::assertSame(
            [[91, -1, 6], null],
            array_map(
                static fn (?array $card): ?array => $card === null ? null : array_map(intval(...), $card),
                $swatch->readings()->where('kind', 'colour')->orderBy('id')->pluck('card_lab')->all(),
            ),
        );
        $drawer = $this->get('/swatches/drawer')->inertiaPage()['props']['drawer'];
        self::assertEquals(['white' => [91, -1, 6], 'black' => [12, 0, 0]], $drawer['cards']);
        self::assertContains(
            'L 72 a 10 b 18 over white, the card itself L 91 a −1 b 6', array_column($drawer['swatches'][0]['readings'], 'text'),
        );
    }

    public function test_a_new_card_takes_the_place_of_the_yellowed_one(): void
    {
        $swatch = $this->puck(60, '00', 27);
        $read = fn (array $card): mixed => $this->post("/swatches/{$swatch->id}/readings", [
            'kind' => 'colour', 'lab' => [72, 10, 18], 'backing' => 'white', 'card_lab' => $card,
        ])->assertSessionHasNoErrors();
        $cards = fn (): array => $this->get('/swatches/drawer')->inertiaPage()['props']['drawer']['cards'];

        $read([91, -1, 6]);
        self::assertEquals([91, -1, 6], $cards()['white']);
        $read([95, 0, 0]);
        self::assertEquals([95, 0, 0], $cards()['white'], 'The usual card again, and no need to say so twice.');
        self::assertEquals([12, 0, 0], $cards()['black'], 'Never read on: as usual.');
    }

    public function test_a_reading_is_a_fact(): void
    {
        $reading = $this->puck(60, '00', 27)->readings()->first();
        self::assertInstanceOf(SwatchReading::class, $reading);

        $this->expectException(LogicException::class);
        $reading->update(['readings' => [40]]);
    }

    public function test_nearest_first_by_hardness_by_colour_and_by_both(): void
    {
        foreach ([[0, 'A', 12], [30, '00', 43], [60, '00', 27]] as [$pct, $scale, $reading]) {
            $this->puck($pct, $scale, $reading);
        }
        $this->drawdown('pi-fawn', 1.0, [69.7, 12.2, 29.7], [67.9, 8.5, 26.3]);
        $this->drawdown('pi-oxblood', 1.0, [32.1, 30.0, 14.2], [30.7, 25.2, 12.3]);
        $names = fn (string $query): array => array_column(
            $this->get("/swatches/drawer?{$query}")->assertOk()->inertiaPage()['props']['drawer']['swatches'], 'name',
        );

        self::assertSame(['Puck 30 %', 'Puck 60 %', 'Puck 0 %'], array_slice($names('hardness=00-40'), 0, 3));
        self::assertSame('Puck 0 %', $names('hardness=A+10')[0]);
        self::assertSame(['pi-oxblood 1', 'pi-fawn 1'], array_slice($names('colour=40+25+15'), 0, 2));
        self::assertSame('pi-fawn 1', $names('colour=%23c39e76')[0]);
        self::assertSame(['pi-fawn 1'], $names('q=fawn'));
        self::assertSame([], $names('base=pr-25'));
        self::assertCount(5, $names('hardness=soft'));
        self::assertStringContainsString(
            '00-30', (string) $this->get('/swatches/drawer?hardness=soft')->inertiaPage()['props']['drawer']['wrong'],
        );
        self::assertStringContainsString(
            'L a b', (string) $this->get('/swatches/drawer?colour=reddish')->inertiaPage()['props']['drawer']['wrong'],
        );
    }

    public function test_a_swatch_is_labelled_photographed_taken_out_of_its_mould_thrown_out_and_back(): void
    {
        Storage::fake();
        $version = $this->version('Brow skin', 'pr-10', [['sf-1', 60, 'pct_of_ab', 'after']]);
        $this->post('/swatches', ['version' => $version->id, 'name' => 'Brow puck'])->assertRedirect()->assertSessionHasNoErrors();
        $swatch = Swatch::query()->sole();
        self::assertNull($swatch->demoulded_at);
        $this->post('/swatches', ['version' => $version->id, 'name' => ''])->assertSessionHasErrors('name');

        $this->travel(300)->minutes();
        $this->post("/swatches/{$swatch->id}", ['demoulded' => true]);
        $this->post("/swatches/{$swatch->id}", [
            'name' => 'Brow puck, cold day', 'thickness_mm' => 7.5, 'note' => 'Good', 'photo' => self::picture(),
        ])->assertSessionHasNoErrors();
        $swatch->refresh();
        self::assertSame(['Brow puck, cold day', 7.5, 'Good'], [$swatch->name, $swatch->thickness_mm, $swatch->note]);
        self::assertEquals($this->now->addMinutes(300), $swatch->demoulded_at);
        $this->get("/swatches/{$swatch->id}/photo")->assertOk();
        $this->post("/swatches/{$swatch->id}", ['thickness_mm' => 0])->assertSessionHasErrors('thickness_mm');

        $this->delete("/swatches/{$swatch->id}")->assertSessionHas('undo', "/swatches/{$swatch->id}/restore");
        self::assertSame(0, $this->workshop->swatches()->count());
        $this->post("/swatches/{$swatch->id}/restore");
        self::assertSame(1, $this->workshop->swatches()->count());
    }

    public function test_the_bench_says_what_waits_to_be_read(): void
    {
        $small = fn (): array => array_column($this->get('/')->inertiaPage()['props']['bench']['small'], 'what');
        $this->pourSeries(self::series(['steps' => [0, 60]]), 'Ten')->assertRedirect('/swatches/drawer');
        $this->post('/contacts/patches', ['fresh' => 'silicone-platinum', 'surface' => 'painted', 'base' => 'pr-10']);
        self::assertSame([], $small());

        $this->travel(8)->hours();
        self::assertSame(
            ['Read the test patch of platinum silicone on painted and clear-coated', '2 swatches of Ten, pucks can come out of the form'],
            $small(),
        );
        [$first, $second] = [...Swatch::query()->orderBy('id')->get()];
        $this->post("/swatches/{$first->id}", ['demoulded' => true]);
        $this->post("/swatches/{$second->id}", ['demoulded' => true]);
        self::assertCount(1, $small());
        $this->travel(25)->hours();
        self::assertContains('2 swatches of Ten, pucks can be read', $small());
        $this->post("/swatches/{$first->id}/readings", ['kind' => 'hardness', 'scale' => 'A', 'readings' => [12, 12, 12]]);
        self::assertContains('A swatch of Ten, pucks can be read', $small());
        $this->travel(40)->days();
        self::assertNotContains('A swatch of Ten, pucks can be read', $small());
    }
}

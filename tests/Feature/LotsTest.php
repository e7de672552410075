<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lot;
use App\Models\Pour;
use Illuminate\Support\Facades\DB;
use Inertia\Testing\AssertableInertia;
use Tests\KeepsThings;
use Tests\TestCase;

/** Grams come from lots: the oldest open one, what it lacks from the next; where they went is known both ways. */
final class LotsTest extends TestCase
{
    use KeepsThings;

    /** @return array<string, float> */
    private function left(Lot $lot): array
    {
        return $lot->refresh()->load('parts')->parts->pluck('left_g', 'part')->all();
    }

    private function cast(): Pour
    {
        return $this->begun(['formula' => ['base' => 'ur-35', 'additives' => []]], $this->impression('cast', 'ur-35'));
    }

    private function weigh(Pour $pour): float
    {
        $this->workUntil($pour, 'wait');

        return (float) $pour->refresh()->weighed_g;
    }

    public function test_a_run_draws_from_the_oldest_open_kit_and_the_trace_goes_both_ways(): void
    {
        $shut = $this->kit(with: ['opened_on' => null, 'got_on' => '2026-01-05']);
        $young = $this->kit(with: ['opened_on' => '2026-02-20']);
        $old = $this->kit(with: ['opened_on' => '2026-02-10']);
        $pour = $this->cast();
        $this->getJson("/pours/{$pour->id}/kept")->assertJsonPath('lots.0.from', $old->id);
        $grams = $this->weigh($pour);
        $left = $this->left($old);
        self::assertEqualsWithDelta(900.0 - $grams, $left['A'] + $left['B'], 0.01);
        self::assertSame([450.0, 450.0], [$this->left($young)['A'], $this->left($shut)['A']]);
        $this->record($pour, 'opened', ['step' => '0:wait']);
        $this->graded($pour, ['pieces' => 2]);

        // From the kit to every pour and piece …
        $this->get("/stores/lots/{$old->id}")->assertInertia(
            static fn (AssertableInertia $page) => $page
                ->has('shown.went', 1)
                ->has('shown.went.0.parts', 2)
                ->where('shown.went.0.pour_id', $pour->id)
                ->where('shown.went.0.pieces.0.n', 2)
                ->where('shown.went.0.pieces.0.outcome', 'good'),
        );
        // … from the pour to the kit, and by the maker’s own number.
        $this->getJson("/pours/{$pour->id}/kept")->assertJsonPath('draws.0.label', "L-{$old->id}");
        self::assertContains("/stores/lots/{$old->id}", array_column($this->getJson('/find?q=ur-b-7')->json('found'), 'href'));
        self::assertContains("/stores/lots/{$old->id}", array_column($this->getJson("/find?q=L-{$old->id}")->json('found'), 'href'));
        self::assertSame(6, substr_count($this->get('/stores/kits.csv')->assertOk()->streamedContent(), 'ur-35'));
    }

    public function test_another_kit_is_taken_where_somebody_says_so_and_what_it_lacks_comes_from_the_next(): void
    {
        $old = $this->kit();
        $small = $this->kit(
            with: ['opened_on' => '2026-02-20', 'parts' => [['part' => 'A', 'grams' => 20], ['part' => 'B', 'grams' => 450]]],
        );
        $pour = $this->cast();
        $this->record($pour, 'drawn_from', ['code' => 'ur-35', 'lot' => $small->id])->assertOk();
        $grams = $this->weigh($pour);
        self::assertSame(0.0, $this->left($small)['A']);
        self::assertEqualsWithDelta(
            900.0 + 470.0 - $grams, array_sum($this->left($old)) + array_sum($this->left($small)), 0.01, 'Grams add up over both.',
        );
        $this->record($pour, 'drawn_from', ['code' => 'ur-35', 'lot' => 999])->assertUnprocessable();
        $this->record($pour, 'drawn_from', ['code' => 'pr-10', 'lot' => $old->id])->assertUnprocessable();
        // Said afterwards that it was the old one after all: everything goes back.
        $this->record($pour, 'drawn_from', ['code' => 'ur-35', 'lot' => $old->id])->assertOk();
        self::assertSame(20.0, $this->left($small)['A']);
        self::assertEqualsWithDelta(900.0 - $grams, array_sum($this->left($old)), 0.01);
    }

    public function test_a_kit_is_never_below_nothing_and_what_no_kit_had_is_said(): void
    {
        $lot = $this->kit(with: ['parts' => [['part' => 'A', 'grams' => 10], ['part' => 'B', 'grams' => 450]]]);
        $pour = $this->cast();
        $this->weigh($pour);
        self::assertSame(0.0, $this->left($lot)['A']);
        self::assertGreaterThan(0.0, $this->getJson("/pours/{$pour->id}/kept")->json('short_g'));
        $said = $this->tell("/stores/lots/{$lot->id}/facts", 'took', ['part' => 'A', 'grams' => 5, 'why' => 'a test patch'])
            ->assertUnprocessable()
            ->json('error.message');
        self::assertStringContainsString('By the book it has 0 g left, not 5 g.', $said);
        // It is counted, and goes on from there.
        $this->tell("/stores/lots/{$lot->id}/facts", 'counted', ['part' => 'A', 'left_g' => 33])->assertOk();
        self::assertSame(33.0, $this->left($lot)['A']);
        $this->tell("/stores/lots/{$lot->id}/facts", 'took', ['part' => 'A', 'grams' => 5, 'why' => 'a test patch'])->assertOk();
        self::assertSame(28.0, $this->left($lot)['A']);
    }

    public function test_what_is_given_up_before_it_met_goes_back_into_its_tubs(): void
    {
        $lot = $this->kit();
        $pour = $this->cast();
        $this->workUntil($pour, 'weigh');
        $line = $this->getJson("/pours/{$pour->id}/state")->json();
        $this->record($pour, 'weighed', ['step' => $line['step']['key'], 'reading_g' => $line['line']['running']])->assertOk();
        self::assertLessThan(900.0, array_sum($this->left($lot)));
        $this->record($pour, 'given_up', ['fate' => 'back', 'note' => ''])->assertOk();
        self::assertSame([450.0, 450.0], array_values($this->left($lot)));
    }

    public function test_a_weighing_taken_back_draws_nothing(): void
    {
        $lot = $this->kit();
        $pour = $this->cast();
        $this->workUntil($pour, 'weigh');
        $line = $this->getJson("/pours/{$pour->id}/state")->json();
        $this->record($pour, 'weighed', ['step' => $line['step']['key'], 'reading_g' => $line['line']['running']])->assertOk();
        self::assertSame(1, DB::table('lot_draws')->count());
        $this->record($pour, 'undone', ['of' => $this->getJson("/pours/{$pour->id}/state")->json('take_back.of')])->assertOk();
        self::assertSame([450.0, 450.0], array_values($this->left($lot)));
        self::assertSame(0, DB::table('lot_draws')->count());
    }

    public function test_begun_means_frozen_a_kit_opened_later_is_not_drawn_from(): void
    {
        $first = $this->kit();
        $pour = $this->cast();
        $older = $this->kit(with: ['opened_on' => '2026-02-02']);
        $this->weigh($pour);
        self::assertSame(450.0, $this->left($older)['A']);
        self::assertLessThan(450.0, $this->left($first)['A']);
    }

    public function test_reorder_line_price_and_doubts(): void
    {
        $lot = $this->kit(with: ['best_before' => '2026-02-28']);
        $this->putJson('/stores/ur-35/kit', ['price' => '58.40', 'mass_g' => 900, 'reorder_g' => 1000])->assertOk();
        $this->tell("/stores/lots/{$lot->id}/facts", 'doubted', [
            'what' => 'lid_off',
        ])->assertOk()->assertJsonPath('lot.trouble', 'lid_off');
        $this->get('/stores/ur-35')->assertInertia(
            static fn (AssertableInertia $page) => $page
                ->where('reorder.0.code', 'ur-35')
                ->where('lots.0.past', true)
                ->where('lots.0.trouble', 'lid_off')
                ->where('on_hand.ur-35', static fn (float|int $g): bool => (float) $g === 900.0),
        );
        $this->putJson('/stores/ur-35/kit', [
            'price' => '58.400', 'mass_g' => 900,
        ])->assertUnprocessable()->assertJsonPath('error.field', 'price');
        $this->putJson('/stores/ur-35/kit', [
            'price' => '58.40', 'mass_g' => null,
        ])->assertUnprocessable()->assertJsonPath('error.field', 'mass_g');
        $this->putJson('/stores/moonstone/kit', ['price' => null])->assertNotFound();
        $this->tell("/stores/lots/{$lot->id}/facts", 'ended', ['why' => 'thick'])->assertOk();
        $this->tell("/stores/lots/{$lot->id}/facts", 'took', ['part' => 'A', 'grams' => 1])->assertStatus(409);
        $this->tell("/stores/lots/{$lot->id}/facts", 'returned')->assertOk()->assertJsonPath('lot.ended', false);
    }

    public function test_a_kit_that_makes_no_sense_is_refused_at_its_field(): void
    {
        $kit = ['code' => 'ur-35', 'got_on' => '2026-02-01', 'parts' => [['part' => 'A', 'grams' => 450], ['part' => 'B', 'grams' => 450]]];
        foreach ([
            [['code' => 'moon'], 'code'], [['got_on' => '1.2.2026'], 'got_on'], [['got_on' => '2026-02-30'], 'got_on'],
            [['opened_on' => '2026-01-01'], 'opened_on'], [['price' => '12.345'], 'price'], [['price' => '12,30'], 'price'],
            [['parts' => []], 'parts'], [['parts' => [['part' => 'C', 'grams' => 1]]], 'parts'],
            [['parts' => [['part' => 'A', 'grams' => -1]]], 'parts.0.grams'],
        ] as [$change, $field]) {
            $this->postJson('/stores/lots', [...$kit, ...$change])->assertUnprocessable()->assertJsonPath('error.field', $field);
        }
        self::assertSame(0, Lot::query()->count());
    }

    public function test_scrap_comes_in_with_how_often_it_was_melted_and_nothing_else_does(): void
    {
        $scrap = ['code' => 'hv-re', 'got_on' => '2026-03-01', 'parts' => [['part' => 'A', 'grams' => 400]]];
        $this->get('/stores/hv-re')->assertInertia(static fn (AssertableInertia $page) => $page->where('melts', true));
        $this->get('/stores/ur-35')->assertInertia(static fn (AssertableInertia $page) => $page->where('melts', false));
        self::assertSame(
            3, Lot::query()->findOrFail($this->postJson('/stores/lots', [...$scrap, 'remelts' => 3])->assertOk()->json('id'))->remelts,
        );
        self::assertSame(
            1, Lot::query()->findOrFail($this->postJson('/stores/lots', $scrap)->assertOk()->json('id'))->remelts,
            'What is scrap was melted once at least.',
        );
        $this->postJson('/stores/lots', [...$scrap, 'remelts' => 1.5])->assertUnprocessable()->assertJsonPath('error.field', 'remelts');
        $this->postJson('/stores/lots', [...$scrap, 'remelts' => -1])->assertUnprocessable()->assertJsonPath('error.field', 'remelts');
        $this->postJson('/stores/lots', [
            'code' => 'ur-35', 'got_on' => '2026-03-01', 'parts' => [['part' => 'A', 'grams' => 400], ['part' => 'B', 'grams' => 400]],
            'remelts' => 2,
        ])->assertUnprocessable()->assertJsonPath('error.field', 'remelts');
        self::assertNull($this->kit()->remelts);
    }
}

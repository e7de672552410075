<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Log\GoodPieces;
use App\Log\RecordedRun;
use App\Models\Lot;
use App\Models\Mould;
use App\Models\Pour;
use App\Moulds\CastKeeper;
use App\Moulds\MouldStreams;
use App\Stock\LotBook;
use App\Stock\Prices;
use App\Stock\RecordedLot;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Inertia\Testing\AssertableInertia;
use Tests\KeepsThings;
use Tests\TestCase;

/** One figure has one source; what was told first comes back; what is read off facts is what facts say, told again from nothing. */
final class OneFigureTest extends TestCase
{
    use KeepsThings;

    public function test_a_poor_pour_with_a_good_piece_counts_that_piece_everywhere(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        $mould = $this->mould($link);
        $pour = $this->poured($cast, [
            'grade' => 'poor', 'faults' => ['bubbles'], 'pieces' => 3,
            'each' => [['outcome' => 'good'], ['outcome' => 'reject', 'fault' => 'bubbles'], ['outcome' => 'usable']],
        ]);

        $this->get("/jobs/{$cast->job_id}")->assertInertia(static fn (AssertableInertia $page) => $page->where('job.cast', 2));
        $this->get('/jobs')->assertInertia(static fn (AssertableInertia $page) => $page->where('list.jobs.0.cast', 2));
        $this->get("/rack/{$mould->id}")->assertInertia(
            static fn (AssertableInertia $page) => $page
                ->where('mould.tally.good', 1)
                ->where('mould.tally.usable', 1)
                ->where('mould.tally.reject', 1),
        );
        self::assertSame(2, $pour->refresh()->good);
    }

    public function test_moulds_that_stand_for_each_other_wear_once(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        foreach (['60.00', '90.00'] as $cost) {
            $this->tell("/rack/{$this->mould($link)->id}/facts", 'priced', ['cost' => $cost])->assertOk();
        }
        $this->poured($cast);

        $moulds = $this->get("/jobs/{$cast->job_id}/cost")->inertiaProps('cost.asked.moulds');
        self::assertCount(1, $moulds);
        self::assertSame(['150.00', null], [$moulds[0]['cost'], $moulds[0]['id']]);
    }

    public function test_a_first_cast_that_is_spoilt_does_not_plan_two_thousand(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        $this->mould($link);
        $cast->job->update(['quantity' => 20]);
        $this->poured($cast, ['grade' => 'spoilt', 'faults' => ['bubbles']]);

        $asked = $this->get("/jobs/{$cast->job_id}/cost")->inertiaProps('cost.asked');
        self::assertSame(28.0, (float) $asked['reject_pct']);
        self::assertSame(28, $asked['casts']);
    }

    public function test_cash_counts_what_is_still_to_be_cast(): void
    {
        $asked = [
            'currency' => 'EUR', 'casts' => 10, 'reject_pct' => 0,
            'materials' => [
                ['name' => 'A', 'used_g' => 1000, 'waste_pct' => 0, 'on_hand_g' => 0, 'kit' => ['price' => '50.00', 'mass_g' => 500]],
            ],
            'moulds' => [], 'labour' => [], 'other' => [],
        ];
        $this->postJson('/cost', $asked)->assertOk()->assertJsonPath('cash', '100.00')->assertJsonPath('total', '100.00');
        $this->postJson('/cost', [...$asked, 'done' => 6])->assertOk()->assertJsonPath('cash', '50.00')->assertJsonPath('total', '100.00');
        $this->postJson('/cost', [...$asked, 'done' => 10])->assertJsonPath('cash', '0.00');
        $this->postJson('/cost', [...$asked, 'done' => 11])->assertUnprocessable()->assertJsonPath('error.field', 'done');
    }

    public function test_a_price_said_by_hand_holds_until_a_newer_kit_and_taken_back_it_is_the_one_before(): void
    {
        $this->kit();
        $price = fn (): string => app(Prices::class)->of(['ur-35'])['ur-35']['price'];
        self::assertSame('58.40', $price());
        $this->travel(1)->minutes();
        $this->putJson('/stores/ur-35/kit', ['price' => '61.00', 'mass_g' => 900, 'reorder_g' => null])->assertOk();
        self::assertSame('61.00', $price());
        $this->travel(1)->minutes();
        $said = $this->putJson('/stores/ur-35/kit', ['price' => '64.00', 'mass_g' => 900, 'reorder_g' => null])->assertOk()->json();
        self::assertSame('64.00', $price());
        $back = $this->putJson('/stores/ur-35/kit', ['of' => $said['take_back']])->assertOk()->json();
        self::assertSame(['61.00', '61.00'], [$back['price'], $price()]);
        $this->putJson('/stores/ur-35/kit', ['of' => $said['take_back']])->assertConflict();
        $this->travel(1)->minutes();
        $this->kit(with: ['price' => '70.00', 'got_on' => '2026-03-01', 'opened_on' => null]);
        self::assertSame('70.00', $price());
    }

    public function test_the_price_of_a_kit_the_name_and_the_place_of_a_mould_come_back(): void
    {
        $lot = $this->kit();
        $this->tell("/stores/lots/{$lot->id}/facts", 'priced', ['price' => '99.00'])->assertOk();
        $take = $this->getJson("/stores/lots/{$lot->id}")->assertOk()->inertiaProps('shown.take_back');
        $this->tell("/stores/lots/{$lot->id}/facts", 'undone', ['of' => $take])->assertOk()->assertJsonPath('take_back', null);
        self::assertSame('58.40', $lot->refresh()->price);

        ['mould' => $link] = $this->chained();
        $mould = $this->mould($link);
        $first = $mould->name;
        foreach ([
            ['named', ['name' => 'Crab, old']], ['placed', ['place' => 'top shelf']], ['named', ['name' => 'Crab, oldest']],
        ] as [$kind, $said]) {
            $this->tell("/rack/{$mould->id}/facts", $kind, $said)->assertOk();
        }
        foreach ([['Crab, old', 'top shelf'], ['Crab, old', null], [$first, null]] as $stands) {
            $this->tell("/rack/{$mould->id}/facts", 'undone', [
                'of' => $this->get("/rack/{$mould->id}")->inertiaProps('mould.take_back'),
            ])->assertOk();
            self::assertSame($stands, [$mould->refresh()->name, $mould->place]);
        }
        self::assertNull($this->get("/rack/{$mould->id}")->inertiaProps('mould.take_back'));
    }

    public function test_a_reading_of_a_test_patch_and_that_an_original_is_gone_come_back(): void
    {
        $this->post('/contacts/patches', [
            'fresh' => 'silicone-platinum', 'surface' => 'abs-brick', 'base' => 'pr-10', 'place' => 'lid', 'hours' => 0,
        ])->assertSessionHasNoErrors();
        $patch = \App\Models\TestPatch::query()->firstOrFail();
        $this->post("/contacts/patches/{$patch->id}", ['passed' => 0, 'note' => 'tacky'])->assertSessionHasNoErrors();
        $undo = $this->post("/contacts/patches/{$patch->id}", ['passed' => 1, 'sure' => 1])
            ->assertSessionHas('undo')
            ->getSession()
            ?->get('undo');
        self::assertTrue($patch->refresh()->passed);
        $this->post((string) $undo)->assertSessionHas('said', 'It is as it was read before.');
        self::assertSame([false, 'tacky'], [$patch->refresh()->passed, $patch->note]);

        $original = $this->impression('original', '');
        $this->put("/impressions/{$original->id}/gone", ['gone' => true]);
        $went = $original->refresh()->gone_at;
        $this->travel(3)->days();
        $this->put("/impressions/{$original->id}/gone", ['gone' => true]);
        self::assertEquals($went, $original->refresh()->gone_at);
        $undo = $this->put("/impressions/{$original->id}/gone", ['gone' => false])->getSession()?->get('undo');
        self::assertNull($original->refresh()->gone_at);
        $this->post((string) $undo);
        self::assertEquals($went, $original->refresh()->gone_at);
    }

    public function test_days_are_those_of_the_clock_on_the_wall(): void
    {
        $this->workshop->update(['time_zone' => 'Asia/Kolkata']);
        $this->travelTo($this->now->setTime(20, 30));
        $lot = $this->kit(with: ['opened_on' => null]);
        $pour = $this->begun(['formula' => ['base' => 'ur-35', 'additives' => []]], $this->impression('cast', 'ur-35'));
        $this->workUntil($pour, 'wait');
        self::assertSame('2026-03-05', $lot->refresh()->opened_on);
        $this->record($pour, 'opened', ['step' => '0:wait']);
        $this->graded($pour);
        self::assertStringContainsString('2026-03-05T02:', $this->get('/log.csv')->streamedContent());
    }

    public function test_a_kit_counted_between_two_cups_stays_right(): void
    {
        $lot = $this->kit(with: ['parts' => [['part' => 'A', 'grams' => 5000], ['part' => 'B', 'grams' => 5000]]]);
        $pour = $this->begun(
            ['volume.volume_ml' => 700, 'formula' => ['base' => 'ur-35', 'additives' => []], 'plan.pour_g_per_min' => 900],
            $this->impression('cast', 'ur-35'),
        );
        self::assertGreaterThan(1, count($pour->plan['run']['batches'] ?? []));
        $run = $this->weighedOnce($pour);
        $this->travel(1)->minutes();
        $part = $run['line']['add'];
        $this->tell("/stores/lots/{$lot->id}/facts", 'counted', ['part' => $part, 'left_g' => 4000])->assertOk();
        $this->travel(1)->minutes();
        $this->workUntil($pour, 'wait');
        $later = (float) DB::table('lot_draws')->where('part', $part)->sum('grams') - $run['line']['running'];

        self::assertEqualsWithDelta(4000.0 - $later, $lot->refresh()->load('parts')->parts->pluck('left_g', 'part')->all()[$part], 0.01);
    }

    public function test_a_weighing_asks_at_most_fifteen_questions_however_many_kits_there_are(): void
    {
        $asked = function (): int {
            $pour = $this->begun(['formula' => ['base' => 'ur-35', 'additives' => []]], $this->impression('cast', 'ur-35'));
            $this->workUntil($pour, 'weigh');
            $run = $this->getJson("/pours/{$pour->id}/state")->json();
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->record($pour, 'weighed', ['step' => $run['step']['key'], 'reading_g' => $run['line']['running']])->assertOk();
            DB::disableQueryLog();

            return count(DB::getQueryLog());
        };
        self::assertLessThanOrEqual(17, $asked(), 'no kit');
        foreach ([2, 38] as $more) {
            for ($i = 0; $i < $more; $i++) {
                $this->kit();
            }
            self::assertLessThanOrEqual(17, $asked(), "{$more} more");
        }
        self::assertGreaterThan(0.0, (float) DB::table('lot_draws')->sum('grams'));
    }

    public function test_to_order_works_without_a_line(): void
    {
        $lot = $this->kit(with: ['parts' => [['part' => 'A', 'grams' => 120], ['part' => 'B', 'grams' => 120]]]);
        self::assertSame([], $this->get('/stores')->inertiaProps('reorder'));
        $this->poured($this->impression('cast', 'ur-35'));
        $this->tell("/stores/lots/{$lot->id}/facts", 'counted', ['part' => 'A', 'left_g' => 5])->assertOk();
        $this->tell("/stores/lots/{$lot->id}/facts", 'counted', ['part' => 'B', 'left_g' => 5])->assertOk();

        $order = $this->get('/stores')->inertiaProps('reorder');
        self::assertSame([['ur-35', true]], array_map(static fn (array $one): array => [$one['code'], $one['usual']], $order));
        $this->putJson('/stores/ur-35/kit', ['price' => null, 'mass_g' => null, 'reorder_g' => 8])->assertOk();
        self::assertSame([], $this->get('/stores')->inertiaProps('reorder'));
    }

    public function test_a_thrown_away_plan_whose_place_is_taken_comes_back_beside_it(): void
    {
        $link = $this->impression();
        $this->post("/impressions/{$link->id}/pours");
        $first = Pour::query()->latest('id')->firstOrFail();
        $undo = $this->delete("/pours/{$first->id}")->assertSessionHas('undo')->getSession()?->get('undo');
        $this->post("/impressions/{$link->id}/pours");
        $this->post((string) $undo)->assertRedirect();

        self::assertSame(2, $link->pours()->count());
    }

    /** Twenty shops in which all is told and taken back in any order: what lists show is what facts say, read again from nothing. */
    public function test_what_lists_show_is_what_facts_say_told_again_from_nothing(): void
    {
        mt_srand(1911);
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        $mould = $this->mould($link);
        $lots = [
            $this->kit(),
            $this->kit(with: ['opened_on' => '2026-02-20', 'parts' => [['part' => 'A', 'grams' => 60], ['part' => 'B', 'grams' => 60]]]),
        ];
        for ($round = 0; $round < 12; $round++) {
            $this->anyHistory($cast, $mould, $lots);
            $shown = $this->shown();
            DB::table('lot_draws')->delete();
            DB::table('castings')->delete();
            DB::table('lot_parts')->update(['left_g' => 0]);
            DB::table('lots')->update(['price' => null, 'opened_on' => null]);
            DB::table('moulds')->update(['casts' => 0, 'place' => null]);
            $this->fromNothing();
            self::assertEquals($shown, $this->shown(), "round {$round}");
        }
    }

    /** @param  list<Lot>  $lots */
    private function anyHistory(\App\Models\Impression $cast, Mould $mould, array $lots): void
    {
        $pour = $this->begun(['volume.volume_ml' => mt_rand(20, 90), 'formula' => ['base' => 'ur-35', 'additives' => []]], $cast);
        $ends = mt_rand(0, 3);
        for ($i = 0; $i < 22; $i++) {
            $this->travel(mt_rand(5, 90))->seconds();
            $run = $this->getJson("/pours/{$pour->id}/state")->json();
            $kind = $run['step']['kind'];
            $lot = $lots[mt_rand(0, 1)];
            match (true) {
                mt_rand(0, 9) === 0 && $run['take_back'] !== null => $this->record($pour, 'undone', ['of' => $run['take_back']['of']]),
                mt_rand(0, 9) === 0 => $this->tell("/stores/lots/{$lot->id}/facts", 'counted', [
                    'part' => 'A', 'left_g' => mt_rand(100, 400),
                ]),
                mt_rand(0, 11) === 0 => $this->tell("/stores/lots/{$lot->id}/facts", 'priced', ['price' => mt_rand(40, 90).'.00']),
                mt_rand(0, 11) === 0 => $this->tell("/rack/{$mould->id}/facts", 'placed', ['place' => 'shelf '.mt_rand(1, 9)]),
                mt_rand(0, 11) === 0 => $this->takeBack("/stores/lots/{$lot->id}", 'shown'),
                mt_rand(0, 11) === 0 => $this->takeBack("/rack/{$mould->id}", 'mould'),
                $kind === 'contacts' => array_map(
                    fn (array $item) => $item['done'] || $this->record($pour, 'checked', ['item' => $item['id']]), $run['checklist'],
                ),
                default => null,
            };
            $run = $this->getJson("/pours/{$pour->id}/state")->json();
            match ($run['step']['kind']) {
                'weigh' => $this->record($pour, 'weighed', ['step' => $run['step']['key'], 'reading_g' => $run['line']['running']]),
                'wait' => $this->record($pour, 'opened', ['step' => $run['step']['key']]),
                'grade' => $this->graded(
                    $pour,
                    mt_rand(0, 1) === 0
                        ? ['grade' => 'poor', 'faults' => ['bubbles']]
                        : ['pieces' => 2, 'each' => [['outcome' => 'good'], ['outcome' => 'reject']]],
                ),
                'done', 'given_up' => null,
                default => $this->record($pour, 'confirmed', ['step' => $run['step']['key']]),
            };
        }
        if ($ends === 0 || ! in_array($pour->refresh()->state->value, ['graded', 'given_up'], true)) {
            $this->record($pour, 'given_up', ['fate' => $pour->met_at === null ? 'back' : 'waste', 'note' => '']);
        }
    }

    private function takeBack(string $page, string $prop): void
    {
        $of = $this->get($page)->inertiaProps("{$prop}.take_back");
        $of === null || $this->tell("{$page}/facts", 'undone', ['of' => $of]);
    }

    private function fromNothing(): void
    {
        foreach (Pour::query()->with('impression.job', 'build')->whereNotNull('started_at')->orderBy('id')->get() as $pour) {
            $run = RecordedRun::of($pour);
            app(LotBook::class)->draw($run);
            app(CastKeeper::class)->settle($run);
        }
        Lot::query()->with('parts')->get()->each(static fn (Lot $lot) => RecordedLot::of($lot)->write());
        foreach (Mould::query()->pluck('id') as $id) {
            app(MouldStreams::class)->open($id, CarbonImmutable::now())->project();
        }
    }

    /** @return array<string, mixed> */
    private function shown(): array
    {
        // What stands in the row of a pour is what its pieces come to, one by one.
        self::assertSame(
            0,
            DB::table('pours')->whereRaw(
                "good != (select count(*) from castings where pour_id = pours.id and outcome != 'reject')",
            )->count(),
        );
        $rows = static fn (string $table, array $columns): array => array_map(
            static fn (object $row): array => (array) $row, DB::table($table)->orderBy($columns[0])->get($columns)->all(),
        );

        return [
            'parts' => $rows('lot_parts', ['id', 'left_g']), 'lots' => $rows('lots', ['id', 'price', 'opened_on', 'ended_at']),
            'moulds' => $rows('moulds', ['id', 'name', 'place', 'casts', 'casts_before', 'retired_at']),
            'castings' => DB::table('castings')
                ->orderBy('pour_id')
                ->orderBy('number')
                ->get(['pour_id', 'mould_id', 'number', 'outcome', 'fault'])
                ->map(static fn (object $row): array => (array) $row)
                ->all(),
            'draws' => DB::table('lot_draws')
                ->orderBy('pour_id')
                ->orderBy('at')
                ->orderBy('part')
                ->orderBy('lot_id')
                ->get(['pour_id', 'lot_id', 'part', 'grams', 'at'])
                ->map(static fn (object $row): array => (array) $row)
                ->all(),
            'good' => GoodPieces::of(DB::table('impressions')->pluck('id')->map(intval(...))->all()),
            'prices' => app(Prices::class)->of(['ur-35', 'pr-25']),
        ];
    }

    /** @return array<string, mixed> the run as it stood before its first weighing */
    private function weighedOnce(Pour $pour): array
    {
        $this->workUntil($pour, 'weigh');
        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        $this->record($pour, 'weighed', ['step' => $run['step']['key'], 'reading_g' => $run['line']['running']])->assertOk();

        return $run;
    }
}

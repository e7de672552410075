<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Build;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\TakenWay;
use App\Models\Workshop;
use App\Ways\KindOfMould;
use App\Ways\ShopSays;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** From a piece to a plan one can begin today, and back. */
final class WaysTest extends TestCase
{
    /** @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function question(array $more = []): array
    {
        return array_replace_recursive([
            'piece' => [
                'size_mm' => ['l' => 150, 'w' => 42, 'h' => 42], 'volume_ml' => 130, 'area_mm2' => null, 'undercuts' => 'slight',
                'detail' => 'fine', 'thinnest_mm' => null, 'flat_back' => false, 'hollow' => false, 'skin' => false,
                'original' => ['surface' => 'clay-oil-sulphur-free', 'may_be_lost' => true], 'stretch_pct' => null,
            ],
            'casts' => ['count' => 12, 'code' => 'ur-35', 'heat_c' => null, 'ready_on' => null],
            'gear' => ['pot' => false, 'oven' => false, 'printer' => false, 'vacuum' => true],
        ], $more);
    }

    private function job(): Job
    {
        $this->post('/jobs', ['name' => 'Grips', 'quantity' => 12], ['X-Press' => 'press-grips-1'])->assertRedirect();

        return Job::query()->where('name', 'Grips')->firstOrFail();
    }

    /** @param  array<string, mixed>  $question */
    private function take(Job $job, string $way, array $question, string $press = 'press-take-1', ?int $edition = null): TestResponse
    {
        return $this->postJson(
            "/jobs/{$job->id}/plan?edition=".($edition ?? $job->refresh()->edition), ['way' => $way, 'question' => $question],
            ['X-Press' => $press],
        );
    }

    public function test_a_question_is_answered_with_the_shops_own_shelf_hands_and_days(): void
    {
        $job = $this->job();
        $answer = $this->postJson("/jobs/{$job->id}/ways", self::question())->assertOk()->json();
        self::assertNotSame([], $answer['ways']);
        $way = $answer['ways'][0];
        self::assertGreaterThan(CarbonImmutable::now()->getTimestampMs(), $way['done_ms']);
        self::assertSame($way['done_ms'], end($way['line'])['to_ms']);
        foreach ($way['line'] as $step) {
            // Nobody works at night.
            $at = CarbonImmutable::createFromTimestampMs($step['from_ms'], Workshop::here()->zone());
            self::assertGreaterThanOrEqual(Workshop::here()->day_starts_min, 60 * $at->hour + $at->minute);
        }
        $fewer = $this->postJson("/jobs/{$job->id}/ways", self::question(['shelf' => ['ur-35', 'tr-25']]))->json();
        self::assertSame(
            [], array_filter($fewer['ways'], static fn (array $one): bool => ! in_array($one['base'], ['ur-35', 'tr-25'], true)),
        );
        $this->postJson("/jobs/{$job->id}/ways", self::question([
            'casts' => ['ready_on' => '2001-02-03'],
        ]))->assertStatus(422)->assertJsonPath('error.message', 'That day has gone by. Say a later one, or none.');
        $this->postJson("/jobs/{$job->id}/ways", self::question(['casts' => ['ready_on' => 'soon']]))->assertStatus(422);
    }

    public function test_one_press_writes_the_whole_way_and_one_undo_takes_it_back(): void
    {
        $job = $this->job();
        $question = self::question(['why_not' => ['kind' => 'two-part-block', 'base' => 'pr-25', 'cast' => 'ur-35']]);
        $way = $this->postJson("/jobs/{$job->id}/ways", $question)->json('why_not.way');
        $this->take($job, $way['id'], $question)->assertOk();
        $this->take($job, $way['id'], $question, edition: $job->edition)->assertOk();
        self::assertSame(1, TakenWay::query()->count(), 'Pressed twice it is taken once.');

        $links = $job->impressions()->get();
        self::assertSame([ImpressionKind::Original, ImpressionKind::Mould, ImpressionKind::Cast], $links->pluck('kind')->all());
        self::assertSame(['clay-oil-sulphur-free', 'pr-25', 'ur-35'], [$links[0]->surface, $links[1]->material, $links[2]->material]);
        $build = Build::query()->where('impression_id', $links[1]->id)->where('plain', false)->sole();
        self::assertSame('two-part-block', $build->kind);
        self::assertNotNull($build->wanted_on);
        $sheet = Pour::query()->where('impression_id', $links[2]->id)->where('state', PourState::Draft)->sole();
        self::assertSame(['capacity', 130.0, 'ur-35'], [
            $sheet->sheet['volume']['method'], (float) $sheet->sheet['volume']['capacity_ml'], $sheet->sheet['formula']['base'],
        ]);
        // What goes between is chosen, so that no contact blocks.
        $this->get("/jobs/{$job->id}")->assertOk()->assertInertia(
            fn ($page) => $page->where('promise.promised.count', 12)->where('promise.undoable', true)->where('promise.came', null),
        );
        $this->get('/stores')->assertInertia(
            fn ($page) => $page->where('wanted.0.job', 'Grips')->where('wanted.1.code', 'ur-35')->where('wanted.1.grams', 2000),
        );

        $taken = TakenWay::query()->sole();
        $this->post("/jobs/{$job->id}/plan/{$taken->id}/back")->assertRedirect("/jobs/{$job->id}");
        self::assertSame(0, $job->impressions()->count());
        self::assertSame(
            0,
            Build::query()->where('plain', false)->count() + Pour::query()->where('state', PourState::Draft)->count()
                + DB::table('job_wants')->count(),
        );
        $this->get("/jobs/{$job->id}")->assertInertia(fn ($page) => $page->where('promise', null));
    }

    public function test_what_was_only_meant_gives_way_and_comes_back_and_what_has_begun_stays(): void
    {
        $job = $this->job();
        $original = $job->impressions()->create([
            'kind' => ImpressionKind::Original, 'name' => 'Clay grip', 'surface' => 'clay-oil-sulphur-free', 'position' => 0,
        ]);
        $meant = $job->impressions()->create([
            'kind' => ImpressionKind::Mould, 'name' => 'Some mould', 'material' => 'pr-10', 'position' => 1,
        ]);
        $casts = $job->impressions()->create(['kind' => ImpressionKind::Cast, 'name' => 'Grips', 'material' => 'pr-25', 'position' => 2]);
        $question = self::question(['why_not' => ['kind' => 'open-block', 'base' => 'pr-25', 'cast' => 'ur-35']]);
        $way = $this->postJson("/jobs/{$job->id}/ways", $question)->json('why_not.way');
        self::assertNotNull($way);
        $this->take($job, $way['id'], $question)->assertOk();
        self::assertSame(['Clay grip', 'Open block', 'Grips'], $job->impressions()->pluck('name')->all());
        self::assertSame('ur-35', $casts->refresh()->material);
        $this->post("/jobs/{$job->id}/plan/".TakenWay::query()->sole()->id.'/back');
        self::assertSame(['Clay grip', 'Some mould', 'Grips'], $job->impressions()->pluck('name')->all());
        self::assertSame('pr-25', $casts->refresh()->material);
        self::assertSame($original->id, $job->impressions()->firstOrFail()->id);

        // A mould that lies is no plan any more.
        $pour = $meant->refresh()->pours()->create(['sheet' => [], 'state' => PourState::Graded, 'base_code' => 'pr-10']);
        $this->take($job, $way['id'], $question, 'press-take-2')->assertStatus(422)->assertJsonPath(
            'error.message', '“Some mould” has begun, and stays as it is. Take it out of the chain first, or plan the rest by hand.',
        );
        self::assertTrue(Impression::query()->whereKey($meant->id)->exists());
        $pour->delete();
        // Nor does it count twice, from two screens.
        $this->take($job, $way['id'], $question, 'press-take-3')->assertOk();
        $this->take($job, 'nonsense/way', $question, 'press-take-4')->assertStatus(422)->assertJsonPath('error.field', 'way');
        $job->refresh()->update(['purpose' => 'something else']);
        $this->take($job, $way['id'], $question, 'press-take-5', 1)->assertStatus(409);
    }

    public function test_a_way_that_has_begun_is_not_taken_back(): void
    {
        $job = $this->job();
        $question = self::question(['why_not' => ['kind' => 'open-block', 'base' => 'pr-25', 'cast' => 'ur-35']]);
        $way = $this->postJson("/jobs/{$job->id}/ways", $question)->json('why_not.way');
        $this->take($job, $way['id'], $question)->assertOk();
        Pour::query()->whereKey(TakenWay::query()->sole()->made['sheets'][0])->update(['state' => PourState::Running]);
        $this->from("/jobs/{$job->id}")->post(
            "/jobs/{$job->id}/plan/".TakenWay::query()->sole()->id.'/back',
        )->assertSessionHasErrors('edition');
        self::assertNull(TakenWay::query()->sole()->undone_at);
        $this->get("/jobs/{$job->id}")->assertInertia(fn ($page) => $page->where('promise.undoable', false));
    }

    public function test_the_rack_and_the_log_of_the_shop_are_what_it_rests_on(): void
    {
        $job = $this->job();
        Mould::query()->create(['name' => 'Of another piece', 'material' => 'pr-25', 'parts' => [], 'made_at' => now()]);
        $mould = Mould::query()->create([
            'job_id' => $job->id, 'name' => 'Open block, grips', 'material' => 'pr-25', 'parts' => [], 'made_at' => now(),
            'casting' => 'ur-35', 'casts' => 4,
        ]);
        $said = app(ShopSays::class)->toArray($job, null, CarbonImmutable::now());
        self::assertSame(
            [['id' => (string) $mould->id, 'kind' => 'open-block', 'base' => 'pr-25']],
            array_map(static fn (array $one): array => array_diff_key($one, ['left' => 0]), $said['rack']),
        );
        $link = $job->impressions()->create(['kind' => ImpressionKind::Cast, 'name' => 'x', 'position' => 0]);
        foreach (['good', 'good', 'usable', 'reject'] as $i => $outcome) {
            $pour = $link->pours()->create(['sheet' => [], 'state' => PourState::Graded, 'base_code' => 'ur-35']);
            DB::table('castings')->insert([
                'workshop_id' => Workshop::here()->id, 'pour_id' => $pour->id, 'mould_id' => $mould->id, 'number' => 1,
                'outcome' => $outcome, 'at' => now()->format('Y-m-d H:i:s.v'),
            ]);
        }
        self::assertSame(
            [['kind' => 'open-block', 'base' => 'pr-25', 'cast' => 'ur-35', 'good' => 3, 'all' => 4]],
            app(ShopSays::class)->toArray($job, null, CarbonImmutable::now())['past'],
        );
        $answer = $this->postJson("/jobs/{$job->id}/ways", self::question(['casts' => ['count' => 5]]))->json();
        self::assertContains((string) $mould->id, array_column($answer['ways'], 'rack'));
        self::assertStringContainsString('4 just like it', implode(' ', array_column($answer['ways'], 'rests_on')));
        // Taken, it makes no mould; and what came stands beside what it promised as soon as pieces are counted.
        $link->update(['material' => 'ur-35']);
        $rack = array_values(array_filter($answer['ways'], static fn (array $way): bool => $way['rack'] === (string) $mould->id))[0];
        $this->take($job, $rack['id'], self::question(['casts' => ['count' => 5]]), 'press-rack-1')->assertOk();
        self::assertSame(0, $job->impressions()->where('kind', ImpressionKind::Mould)->count());
        $this->get("/jobs/{$job->id}")->assertInertia(
            fn ($page) => $page
                ->where('promise.came.pieces', 4)
                ->where('promise.came.good', 3)
                ->where('promise.came.whole', false)
                ->where('promise.promised.count', 5),
        );
    }

    public function test_of_which_kind_a_mould_is_stands_on_its_link_and_not_in_its_name(): void
    {
        $of = fn (?string $kind, string $name, array $roles = ['whole']): string => app(KindOfMould::class)->of(Mould::query()->create([
            'impression_id' => tap($this->impression('mould', 'pr-25'))->update(['mould_kind' => $kind, 'name' => $name])->id, 'name' => $name,
            'parts' => array_map(static fn (string $role): array => ['name' => $role, 'role' => $role], $roles), 'material' => 'pr-25',
            'made_at' => CarbonImmutable::now(),
        ]));

        self::assertSame('gang', $of('gang', 'Block seven'));
        self::assertSame('matrix', $of('matrix', 'Two-part block', ['whole', 'jacket']));
        self::assertSame('brushed-glove', $of(null, 'Open block', ['whole', 'jacket']));
        self::assertSame('two-part-block', $of('of-another-shop', 'Gang mould', ['half', 'half']));
        self::assertSame('open-block', $of(null, 'Gang mould, many originals in one block'));
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Care\Condition;
use App\Models\Fact;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Pour;
use App\Upgrades\LiftTicks;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Inertia\Testing\AssertableInertia;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\KeepsThings;
use Tests\TestCase;

/** Moulds and castings are things: made by the last grade of their parts, cast in, looked after, retired and re-made. */
final class RackTest extends TestCase
{
    use KeepsThings;

    public function test_a_mould_comes_onto_the_rack_when_the_last_of_its_halves_is_graded_and_leaves_with_the_grade(): void
    {
        $first = $this->impression('mould', 'pr-25');
        $second = $this->impression('mould', 'pr-25');
        $jacket = $this->impression('mould', 'pr-25');
        $first->update(['role' => 'half']);
        $second->update(['role' => 'half', 'contacts' => ["link-{$first->id}" => ['release' => 'petroleum-jelly']]]);
        $jacket->update(['role' => 'jacket', 'material' => null]);
        $this->poured($first);
        self::assertSame(0, Mould::query()->count());
        $pour = $this->poured($second);
        $mould = Mould::query()->firstOrFail();
        self::assertSame(['half', 'half', 'jacket'], array_column($mould->parts, 'role'));
        self::assertSame([$first->id, 'pr-25', 0], [$mould->impression_id, $mould->material, $mould->casts]);

        $this->record($pour, 'undone', ['of' => $this->getJson("/pours/{$pour->id}/state")->json('take_back.of')])->assertOk();
        self::assertSame(0, Mould::query()->count());
        $this->graded($pour);
        self::assertSame(1, Mould::query()->count());
    }

    public function test_a_cast_names_its_mould_and_becomes_its_castings(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        $mould = $this->mould($link);
        $pour = $this->begun(['formula' => ['base' => 'ur-35', 'additives' => []]], $cast);
        self::assertSame([$mould->id], $pour->plan['moulds'] ?? null);
        $this->getJson("/pours/{$pour->id}/kept")->assertOk()->assertJsonPath('moulds', [$mould->id])->assertJsonPath('in_a_mould', true);
        $this->get("/rack/{$mould->id}")->assertInertia(
            static fn (AssertableInertia $page) => $page->where('mould.filled.pour', $pour->id),
        );
        $this->workUntil($pour, 'wait');
        $this->record($pour, 'opened', ['step' => '0:wait']);
        $this->graded($pour, [
            'grade' => 'usable', 'pieces' => 3,
            'each' => [
                ['outcome' => 'good', 'fault' => null], ['outcome' => 'reject', 'fault' => 'bubbles'],
                ['outcome' => 'usable', 'fault' => null],
            ],
        ]);

        self::assertSame(
            [['good', null], ['reject', 'bubbles'], ['usable', null]],
            DB::table('castings')
                ->where('mould_id', $mould->id)
                ->orderBy('number')
                ->get()
                ->map(static fn (object $row): array => [$row->outcome, $row->fault])
                ->all(),
        );
        self::assertSame([1, 'ur-35'], [$mould->refresh()->casts, $mould->casting]);
        self::assertSame([3, 2], [$pour->refresh()->pieces, $pour->good], 'Three came out, and a reject is no good one.');
        $this->get("/jobs/{$cast->job_id}")->assertInertia(static fn (AssertableInertia $page) => $page->where('job.cast', 2));
        $this->get('/log')->assertInertia(
            static fn (AssertableInertia $page) => $page->where('log.rows.0.pieces', 3)->where('log.rows.0.good', 2),
        );
        $this->get("/rack/{$mould->id}")->assertInertia(static fn (
            AssertableInertia $page,
        ) => $page->where('mould.casts', 1)->where('mould.tally.reject', 1)->where('mould.filled', null)
            ->where('mould.castings.0.pour_id', $pour->id)->where('mould.life.left.likely', static fn (int $left): bool => $left > 10));

        // Taken back, it never came out.
        $this->record($pour, 'undone', ['of' => $this->getJson("/pours/{$pour->id}/state")->json('take_back.of')])->assertOk();
        self::assertSame([0, 0], [DB::table('castings')->count(), $mould->refresh()->casts]);
    }

    public function test_what_it_wants_is_ticked_off_in_the_run_and_told_the_mould(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained('pr-10');
        $cast->update(['contacts' => ["link-{$link->id}" => ['release' => 'wax-spray']]]);
        $mould = $this->mould($link);
        $this->travel(20)->days();
        $this->get("/rack/{$mould->id}")->assertInertia(
            static fn (AssertableInertia $page) => $page->where('mould.wants.0.id', 'like-in-like')->where('mould.wants.0.certain', true),
        );
        $pour = $this->begun(['formula' => ['base' => 'pr-10', 'additives' => []]], $cast);
        $released = array_values(
            array_filter(
                array_column($this->getJson("/pours/{$pour->id}/state")->json('checklist'), 'id'),
                static fn (string $id): bool => str_contains($id, "care-{$mould->id}-released"),
            ),
        );
        self::assertCount(1, $released, 'Asked once: by the contact, and not by the mould again.');
        $this->workUntil($pour, 'premix');
        self::assertSame(1, $mould->refresh()->releases);
        self::assertSame(0, $mould->care['released']['casts'] ?? null);
        $ticked = array_values(
            array_filter($pour->refresh()->plan['run']['checklist'], static fn (array $item): bool => isset($item['care'])),
        );
        self::assertSame(
            [['released', $mould->id, 'wax spray, silicone-free, 2 coats']],
            array_map(static fn (array $item): array => [$item['care'], $item['mould'], mb_strtolower($item['with'])], $ticked),
        );
        self::assertSame($ticked[0]['with'], DB::table('mould_care')->where('act', 'released')->value('what'));
        $this->get("/rack/{$mould->id}")->assertInertia(static fn (AssertableInertia $page) => $page->where('mould.wants', []));
    }

    public function test_a_sealer_on_the_list_does_not_pass_for_the_release(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained('pr-10');
        $cast->update(['contacts' => ["link-{$link->id}" => ['release' => 'wax-spray', 'sealed_with' => 'shellac']]]);
        $mould = $this->mould($link);
        $pour = $this->begun(['formula' => ['base' => 'pr-10', 'additives' => []]], $cast);
        $list = $pour->plan['run']['checklist'];
        self::assertNotSame([], array_filter($list, static fn (array $item): bool => str_contains($item['text'], 'hellac')));
        foreach ($list as $item) {
            self::assertSame(isset($item['care']) && $item['care'] === 'released', str_contains($item['id'], 'released'));
            self::assertFalse(isset($item['care']) && str_contains($item['text'], 'hellac'), 'Sealing is no release.');
        }
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> as it stood; what it carries since */
    public static function ticks(): iterable
    {
        yield 'released with' => [
            ['id' => 'care-3-released-link-7-0', 'text' => 'Plaster mould: warm jelly, thin, on. Wipe it off.'],
            ['care' => 'released', 'mould' => 3, 'with' => 'warm jelly, thin'],
        ];
        yield 'flashed off' => [
            ['id' => 'care-12-released-link-7-1', 'text' => 'Block, first half: Wax spray, 2 coats, flashed off. It is flammable.'],
            ['care' => 'released', 'mould' => 12, 'with' => 'Wax spray, 2 coats'],
        ];
        yield 'what the mould wants' => [
            ['id' => 'care-3-rested-cool', 'text' => 'Bath grip (M-3): Let it cool. It was hot an hour ago.'],
            ['care' => 'rested', 'mould' => 3],
        ];
        yield 'only looked at' => [['id' => 'care-3-look-cracked', 'text' => 'Bath grip (M-3): It is cracked.'], []];
        yield 'no mould' => [['id' => 'link-7-0', 'text' => 'Plaster: tacky.'], []];
        yield 'lifted before' => [
            ['id' => 'care-3-released-x', 'text' => 'A: b, on.', 'care' => 'released', 'mould' => 3, 'with' => 'wax'],
            ['care' => 'released', 'mould' => 3, 'with' => 'wax'],
        ];
    }

    /**
     * @param  array<string, mixed>  $item
     * @param  array<string, mixed>  $carries
     */
    #[DataProvider('ticks')]
    public function test_a_tick_of_before_carries_what_it_said_in_words(array $item, array $carries): void
    {
        $pour = $this->begun();
        $plan = $pour->plan;
        $plan['run']['checklist'] = [[...$item, 'minutes' => 0.0]];
        $pour->update(['plan' => $plan]);
        LiftTicks::lift();
        LiftTicks::lift();
        self::assertEquals([...$item, 'minutes' => 0.0, ...$carries], $pour->refresh()->plan['run']['checklist'][0]);
    }

    public function test_a_school_is_no_answer_to_what_is_certain(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained('pr-10');
        $mould = $this->mould($link);
        $this->travel(20)->days();
        $this->put('/rack/school', ['school' => 'wash'])->assertRedirect();
        $this->tell("/rack/{$mould->id}/facts", 'cared', ['act' => 'released'])->assertOk()->assertJsonPath('wants', []);
        $this->put('/rack/school', ['school' => 'sometimes'])->assertSessionHasErrors('school');
        DB::table('moulds')->where('id', $mould->id)->update(['casts' => 1]);
        $this->get("/rack/{$mould->id}")->assertInertia(
            static fn (AssertableInertia $page) => $page->where('mould.wants.0.id', 'like-in-like'),
        );
        self::assertSame(ImpressionKind::Cast, $cast->kind);
    }

    public function test_condition_care_place_note_and_price_are_facts_and_the_last_can_be_taken_back(): void
    {
        $mould = $this->mould($this->chained()['mould']);
        $url = "/rack/{$mould->id}/facts";
        $this->tell($url, 'looked', ['condition' => 'gloss_gone', 'marks' => ['torn_key']])
            ->assertOk()
            ->assertJsonPath('condition', 'gloss_gone')
            ->assertJsonPath('marks', ['torn_key']);
        $this->tell($url, 'placed', ['place' => 'Shelf 2'])->assertOk();
        $this->tell($url, 'cared', ['act' => 'washed'])->assertOk();
        $this->tell($url, 'priced', ['cost' => '74.50'])->assertOk()->assertJsonPath('cost', '74.50');
        self::assertSame([Condition::GlossGone, 'Shelf 2', '74.50'], [$mould->refresh()->condition, $mould->place, $mould->cost]);
        $last = $this->get("/rack/{$mould->id}")->inertiaProps('mould.take_back');
        $this->tell($url, 'undone', ['of' => $last])->assertOk()->assertJsonPath('cost', null);
        $this->tell($url, 'undone', ['of' => $last])->assertStatus(409);
        foreach ([
            ['looked', ['condition' => 'lovely']], ['cared', ['act' => 'rested']], ['cared', ['act' => 'kissed']],
            ['priced', ['cost' => '12.345']], ['placed', ['place' => '']], ['retired', ['why' => 'bored']], ['counted', ['casts' => 1.5]],
            ['looked', ['condition' => 'pits', 'marks' => ['dirty']]],
        ] as [$kind, $payload]) {
            self::assertMatchesRegularExpression(
                '/[.?]$/', (string) $this->tell($url, $kind, $payload)->assertUnprocessable()->json('error.message'),
            );
        }
        // A key sent twice tells it once.
        $this->postJson($url, ['key' => 'same', 'kind' => 'noted', 'payload' => ['text' => 'A hair in the left corner']])->assertOk();
        $this->postJson($url, ['key' => 'same', 'kind' => 'noted', 'payload' => ['text' => 'A hair in the left corner']])->assertOk();
        self::assertSame(1, Fact::query()->where('stream', 'mould')->where('kind', 'noted')->count());
    }

    public function test_one_mould_holds_one_cast_whatever_the_job(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        $mould = $this->mould($link);
        $pour = $this->begun(['formula' => ['base' => 'ur-35', 'additives' => []]], $cast);
        $other = Job::query()->create(['name' => 'Otter paw', 'quantity' => 2]);
        $paw = $other->impressions()->create(['position' => 0, 'kind' => 'cast', 'name' => 'Paws', 'material' => 'ur-35']);
        $second = $this->begun(['formula' => ['base' => 'ur-35', 'additives' => []]], $paw);
        self::assertSame([], $second->plan['moulds'] ?? null);
        $said = $this->record($second, 'moulded', ['moulds' => [$mould->id]])->assertUnprocessable()->json('error.message');
        self::assertStringContainsString('is filled already: Owl brow, Cast', $said);
        $this->record($second, 'moulded', ['moulds' => []])->assertUnprocessable();
        $this->record($second, 'moulded', ['moulds' => [999]])->assertUnprocessable();
        // Nor is it retired under a cast.
        self::assertStringContainsString(
            'being cast in just now',
            $this->tell("/rack/{$mould->id}/facts", 'retired', ['why' => 'worn'])->assertUnprocessable()->json('error.message'),
        );
        $this->record($pour, 'given_up', ['fate' => 'back', 'note' => ''])->assertOk();
        $this->record($second, 'moulded', ['moulds' => [$mould->id]])->assertOk();
        $this->tell("/rack/{$mould->id}/facts", 'retired', ['why' => 'worn'])->assertUnprocessable();
        self::assertNull($mould->refresh()->retired_at);
        self::assertSame('running', $second->refresh()->state->value, 'Nothing of the run is lost.');
    }

    public function test_retired_and_re_made_from_the_original_in_one_press_while_that_is_there(): void
    {
        ['mould' => $link] = $this->chained();
        $mould = $this->mould($link);
        $original = Impression::query()->where('kind', 'original')->firstOrFail();
        $this->put("/impressions/{$original->id}/gone", ['gone' => true])->assertRedirect();
        $this->post("/rack/{$mould->id}/remake", ['why' => 'worn'])->assertSessionHasErrors('remake');
        self::assertNull($mould->refresh()->retired_at);
        $this->put("/impressions/{$original->id}/gone", ['gone' => false]);

        $this->post("/rack/{$mould->id}/remake", ['why' => 'worn'])->assertRedirect();
        $draft = Pour::query()->where('impression_id', $link->id)->where('state', 'draft')->firstOrFail();
        self::assertNotNull($mould->refresh()->retired_at);
        $this->tell("/rack/{$mould->id}/facts", 'cared', ['act' => 'washed'])->assertStatus(409);
        $this->post("/pours/{$draft->id}/run");
        $this->workUntil($draft->refresh(), 'wait');
        $this->record($draft, 'opened', ['step' => '0:wait']);
        $this->graded($draft);
        self::assertSame($mould->id, Mould::query()->where('generation', 2)->firstOrFail()->remade_of);
        $this->get('/rack')->assertInertia(
            static fn (AssertableInertia $page) => $page->has('rack.rows', 1)->where(
                'rack.rows.0.code', "M-{$mould->id}" === 'M-1' ? 'M-2' : 'M-'.($mould->id + 1),
            ),
        );
        $this->get('/rack?show=retired')->assertInertia(static fn (AssertableInertia $page) => $page->where('rack.rows.0.id', $mould->id));
    }

    public function test_worn_moulds_teach_how_long_the_next_will_do_and_spare_ones_only_that_they_lasted(): void
    {
        $left = function (): int {
            return $this->get('/rack?q=Third')->inertiaProps('rack.rows.0.left.likely');
        };
        $put = fn (string $name, int $casts): int => $this->postJson('/rack', [
            'name' => $name, 'material' => 'pr-40', 'casting' => 'hv-08', 'casts' => $casts, 'place' => null,
        ])
            ->assertOk()
            ->json('id');
        $put('Third block', 18);
        $alone = $left();
        $this->tell("/rack/{$put('First block', 22)}/facts", 'retired', ['why' => 'worn'])->assertOk();
        $this->tell("/rack/{$put('Second block', 25)}/facts", 'retired', ['why' => 'broken'])->assertOk();
        $after = $left();
        self::assertLessThan($alone, $after);
        $this->tell("/rack/{$put('Lucky block', 160)}/facts", 'retired', ['why' => 'spare'])->assertOk();
        self::assertGreaterThan($after, $left());
        $this->postJson('/rack', [
            'name' => 'Half a cast', 'material' => null, 'casting' => null, 'casts' => 0.5, 'place' => null,
        ])->assertUnprocessable();
        $this->postJson('/rack', ['name' => 'Of honey', 'material' => 'honey'])->assertUnprocessable();
    }

    public function test_a_casting_without_a_mould_is_told_so_and_finds_its_home(): void
    {
        $cast = $this->impression('cast', 'ur-35');
        $this->post("/impressions/{$cast->id}/mould")->assertSessionHasErrors('mould');
        $pour = $this->poured($cast);
        self::assertNull(DB::table('castings')->where('pour_id', $pour->id)->value('mould_id'));
        $this->get('/rack')->assertInertia(static fn (AssertableInertia $page) => $page->where('rack.homeless', 1));

        ['cast' => $next] = $this->chained();
        $this->post("/impressions/{$next->id}/mould")->assertRedirect();
        $mould = Mould::query()->firstOrFail();
        self::assertSame([0, 'Mould'], [$mould->generation, $mould->name]);
        $this->poured($next);
        self::assertSame(1, $mould->refresh()->casts);
    }

    public function test_a_grade_taken_back_takes_its_own_mould_along_and_no_other(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        $first = $this->poured($link);
        $this->poured($link);
        [$one, $two] = Mould::query()->orderBy('generation')->get()->all();
        // The first was cast in: it is there, whatever is said of its pour later.
        $this->tell("/rack/{$two->id}/facts", 'placed', ['place' => 'Shelf 9'])->assertOk();
        $this->record($first, 'undone', ['of' => $this->getJson("/pours/{$first->id}/state")->json('take_back.of')])->assertOk();
        self::assertSame([$two->id], Mould::query()->pluck('id')->all());
        self::assertSame(array_column($two->parts, 'pour_id'), array_column($two->refresh()->parts, 'pour_id'));
        $this->graded($first);
        self::assertSame([2, 3], Mould::query()->orderBy('generation')->pluck('generation')->all());
        self::assertSame($one->name, Mould::query()->where('generation', 3)->value('name'));
        self::assertSame(ImpressionKind::Cast, $cast->kind);
    }

    public function test_a_cast_in_several_coats_fills_its_mould_until_it_is_out_and_wears_it_once(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        $mould = $this->mould($link);
        $this->post("/impressions/{$cast->id}/builds", ['kind' => 'rotated-skin', 'measured' => ['area_mm2' => 20000]])->assertRedirect();
        $build = (int) DB::table('builds')->where('plain', false)->max('id');
        $tell = fn (string $kind, array $payload): int => $this->tell("/builds/{$build}/facts", $kind, $payload)
            ->assertOk()
            ->json('last_fact_id');
        $filled = fn (): ?int => $this->get("/rack/{$mould->id}")->inertiaProps('mould.filled.pour');
        $tell('done', ['op' => 'release']);
        foreach (['pass-1' => 'ur-35', 'pass-2' => 'ur-35'] as $op => $base) {
            $this->travel(15)->minutes();
            $this->post("/builds/{$build}/operations/{$op}/pour")->assertRedirect();
            $pour = Pour::query()->where('build_id', $build)->where('operation', $op)->firstOrFail();
            $pour->update(['sheet' => $this->sheet(['formula' => ['base' => $base, 'additives' => []], 'formula_name' => 'Skin'])]);
            $this->post("/pours/{$pour->id}/run")->assertRedirect("/pours/{$pour->id}/run");
            self::assertNotNull($filled(), $op);
            $this->workUntil($pour->refresh(), 'done');
            self::assertNotNull($filled(), "{$op}, laid");
        }
        $this->travel(40)->hours();
        $tell('left_out', ['op' => 'look', 'why' => 'no lamp']);
        $tell('done', ['op' => 'open', 'early' => true]);
        $tell('graded', ['grade' => 'good', 'faults' => [], 'pieces' => 1, 'note' => '']);
        self::assertNull($filled());
        self::assertSame([1, 1], [$mould->refresh()->casts, DB::table('castings')->where('mould_id', $mould->id)->count()]);
        $tell('undone', ['of' => $this->getJson("/builds/{$build}/state")->json('take_back.of')]);
        self::assertSame(0, $mould->refresh()->casts);
        self::assertNotNull($filled());
        $tell('given_up', ['note' => 'dropped']);
        self::assertNull($filled(), 'What is given up lies in no mould.');
    }

    public function test_a_photo_is_a_picture_of_the_mould_and_no_other_file(): void
    {
        Storage::fake();
        $mould = $this->mould($this->chained()['mould']);
        foreach (['.env', '../../.env', 'swatches/01ARZ3NDEKTSV4RRFFQ69G5FAV.jpg', 'moulds/01ARZ3NDEKTSV4RRFFQ69G5FAV.jpg'] as $path) {
            $this->tell("/rack/{$mould->id}/facts", 'photographed', ['photo' => $path])->assertUnprocessable();
        }
        $this->get("/rack/{$mould->id}/photo")->assertNotFound();
        $this->post("/rack/{$mould->id}/photo", ['photo' => UploadedFile::fake()->image('m.jpg', 300, 200)])->assertRedirect();
        self::assertMatchesRegularExpression('#^moulds/#', (string) $mould->refresh()->photo);
        $this->get("/rack/{$mould->id}/photo")->assertOk();
        $this->post("/rack/{$mould->id}/photo", ['photo' => UploadedFile::fake()->create('m.txt', 4)])->assertSessionHasErrors('photo');
    }
}

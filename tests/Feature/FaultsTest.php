<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Role;
use App\Models\Swatch;
use App\Models\TestPatch;
use App\Models\Trial;
use Illuminate\Support\Facades\DB;
use Inertia\Testing\AssertableInertia;
use Tests\KeepsThings;
use Tests\MakesPeople;
use Tests\TestCase;

/** After a bad cast: two questions at most, the likeliest causes, and what a shop finds counts; what goes wrong again and again; trials. */
final class FaultsTest extends TestCase
{
    use KeepsThings, MakesPeople;

    /** @param  array<string, mixed>  $answers */
    private function causes(Pour $pour, array $answers = []): array
    {
        return $this->postJson("/pours/{$pour->id}/causes", ['answers' => $answers])->assertOk()->json();
    }

    public function test_two_questions_at_most_lead_to_the_cause_and_it_is_kept_with_the_pour(): void
    {
        $pour = $this->poured($this->impression('cast', 'pr-10'), ['grade' => 'spoilt', 'faults' => ['sticky'], 'pieces' => 1]);
        $first = $this->causes($pour);
        self::assertCount(3, $first['causes']);
        self::assertContains($first['question']['fact'], ['where', 'contact']);
        $then = $this->causes($pour, ['where' => 'surface']);
        self::assertSame('contact', $then['question']['fact']);
        $found = $this->causes($pour, ['where' => 'surface', 'contact' => 'sulphur']);
        self::assertNull($found['question']);
        self::assertSame('inhibited', $found['causes'][0]['id']);
        self::assertGreaterThan(0.8, $found['causes'][0]['share']);

        $this->record($pour, 'diagnosed', [
            'cause' => 'inhibited', 'answers' => ['where' => 'surface', 'contact' => 'sulphur'],
        ])->assertOk();
        self::assertSame('inhibited', $pour->refresh()->cause);
        $this->getJson("/pours/{$pour->id}/kept")->assertJsonPath('diagnosis.cause', 'inhibited');
        $this->get('/faults')->assertInertia(
            static fn (AssertableInertia $page) => $page->where('page.causes.0.id', 'inhibited')->where('page.causes.0.times', 1),
        );

        // It moves the odds of the next, and not of itself.
        $next = $this->poured($pour->impression, ['grade' => 'spoilt', 'faults' => ['sticky']]);
        $share = static fn (array $causes): float => array_column($causes['causes'], 'share', 'id')['inhibited'];
        self::assertGreaterThan($share($first), $share($this->causes($next)));
        self::assertEqualsWithDelta($share($first), $share($this->causes($pour)), 1e-9);

        $this->record($pour, 'undone', ['of' => $this->getJson("/pours/{$pour->id}/state")->json('take_back.of')])->assertOk();
        self::assertNull($pour->refresh()->cause);
    }

    public function test_what_the_log_knows_is_filled_in_and_not_asked(): void
    {
        $this->kit('pr-10', ['best_before' => '2026-02-20']);
        $pour = $this->begun(['formula' => ['base' => 'pr-10', 'additives' => []]], $this->impression('cast', 'pr-10'));
        $this->workUntil($pour, 'weigh');
        for ($i = 0; $i < 4; $i++) {
            $run = $this->getJson("/pours/{$pour->id}/state")->json();
            if ($run['step']['kind'] === 'weigh') {
                // Eight per cent too little of the second part, and poured all the same.
                $short = $run['step']['weighing'] === 1 ? 0.08 * $run['line']['grams'] : 0.0;
                $this->record($pour, 'weighed', [
                    'step' => $run['step']['key'], 'reading_g' => round($run['line']['running'] - $short, 1), 'short' => true,
                ])->assertOk();
            }
        }
        $this->workUntil($pour, 'wait');
        $this->record($pour, 'opened', ['step' => '0:wait']);
        $this->graded($pour, ['grade' => 'poor', 'faults' => ['soft-spots']]);
        $why = fn (string $cause): array => array_column($this->causes($pour, ['where' => 'all'])['causes'], 'because', 'id')[$cause] ?? [];
        self::assertContains('It was mixed further off its ratio than this chemistry bears.', $why('off-ratio'));
        self::assertContains('Its lot is past its best-before date.', $why('old-lot'));
    }

    /** Weighed to the tenth, the parts of a gram do not come out even: what is left of them is no fact. */
    public function test_the_noise_of_a_division_is_no_fact(): void
    {
        $link = $this->impression('cast', 'pr-10');
        foreach ([97.3, 61.9, 143.7] as $ml) {
            $pour = $this->poured(
                $link, ['grade' => 'poor', 'faults' => ['bubbles']],
                ['volume' => ['method' => 'mesh', 'volume_ml' => $ml, 'allowance_pct' => 7]],
            );
            self::assertCount(3, $this->causes($pour)['causes']);
        }
    }

    public function test_without_a_fault_or_a_bad_cast_there_is_nothing_to_ask(): void
    {
        $pour = $this->poured($this->impression('cast', 'pr-10'));
        $this->postJson("/pours/{$pour->id}/causes", ['answers' => []])->assertUnprocessable();
        $this->record($pour, 'diagnosed', ['cause' => 'gremlins', 'answers' => []])->assertUnprocessable();
        $bad = $this->poured($pour->impression, ['grade' => 'poor', 'faults' => ['bubbles']]);
        $this->postJson("/pours/{$bad->id}/causes", ['answers' => ['where' => 'moon']])->assertUnprocessable();
        $this->postJson("/pours/{$bad->id}/causes", ['answers' => ['where' => ['surface']]])->assertUnprocessable();
    }

    /** @param  callable(int): array<string, mixed>  $how */
    private function log(int $pours, callable $how): void
    {
        $job = Job::query()->create(['name' => 'Otter', 'quantity' => 1]);
        $link = $job->impressions()->create(['position' => 0, 'kind' => ImpressionKind::Cast, 'name' => 'Paws', 'material' => 'pr-10']);
        for ($i = 0; $i < $pours; $i++) {
            Pour::query()->create([
                'impression_id' => $link->id, 'sheet' => [], 'state' => PourState::Graded, 'graded_at' => $this->now->subHours($pours - $i),
                'poured_at' => $this->now->subHours($pours - $i), 'started_at' => $this->now->subHours($pours - $i), 'grade' => 'good',
                'faults' => [], 'room_c' => 20.0, 'base_code' => 'pr-10', ...$how($i),
            ]);
        }
    }

    public function test_again_and_again_a_base_that_spoils_is_found_and_chance_is_called_chance(): void
    {
        $this->log(
            60,
            static fn (int $i): array => [
                'base_code' => $i % 6 === 0 ? 'ur-35' : 'pr-10',
                ...($i % 6 === 0 && $i !== 54 ? ['grade' => 'spoilt', 'faults' => ['foamed']] : ['grade' => 'good']),
            ],
        );
        $this->get('/faults')->assertInertia(
            static fn (AssertableInertia $page) => $page
                ->where('page.found.0.what', 'base')
                ->where('page.found.0.sure', true)
                ->where('page.found.0.href', '/stores/ur-35')
                ->where('page.bad', 9)
                ->where('page.all', 60),
        );
        $this->get('/faults?fault=foamed')->assertInertia(static fn (AssertableInertia $page) => $page->where('page.found.0.bad', 9));
        $this->get('/faults?fault=tear')->assertInertia(
            static fn (AssertableInertia $page) => $page->where('page.found', [])->where(
                'page.says', 'Of 60 casts 0 came out badly: too few to tell. Whatever they share could be chance.',
            ),
        );
    }

    public function test_nobody_is_named_for_what_could_be_chance_and_where_it_is_none_their_hands_are_not_judged(): void
    {
        $this->person('Odila', Role::Owner);
        [$tove, $bram] = [$this->person('Tove', Role::Maker), $this->person('Bram', Role::Maker)];
        $this->as($tove);
        $of = static fn (int $bad): callable => static fn (int $i): array => [
            'graded_by' => $i % 5 === 0 ? $tove->id : $bram->id,
            ...($i % 5 === 0 && $i < 5 * $bad ? ['grade' => 'spoilt', 'faults' => ['foamed']] : []),
        ];
        $this->log(60, $of(2));
        $people = static fn (AssertableInertia $page): array => array_values(
            array_filter((array) $page->toArray()['props']['page']['found'], static fn (array $one): bool => $one['what'] === 'person'),
        );
        $this->get('/faults')->assertInertia(static fn (AssertableInertia $page) => self::assertSame([], $people($page)));
        Pour::query()->delete();
        $this->log(60, $of(10));
        $this->get('/faults')->assertInertia(static function (AssertableInertia $page) use ($people): void {
            [$one] = $people($page);
            self::assertSame(['Tove', 10, 12, true], [$one['value'], $one['bad'], $one['all'], $one['sure']]);
            self::assertStringStartsWith('That is no verdict on Tove', $one['note']);
        });
    }

    public function test_with_few_casts_it_says_that_it_cannot_know(): void
    {
        $this->log(6, static fn (int $i): array => $i < 2 ? ['grade' => 'spoilt', 'faults' => ['foamed']] : []);
        $this->get('/faults')->assertInertia(
            static fn (AssertableInertia $page) => $page->where(
                'page.says', static fn (string $says): bool => str_contains($says, 'too few to tell'),
            ),
        );
    }

    /** @return array<string, mixed> */
    private function planned(array $with = []): array
    {
        return [
            'name' => 'Two ways with the air', 'about' => 'air', 'base' => 'pr-10', 'cups' => 4, 'cup_g' => 20,
            'variants' => [['name' => 'drawn'], ['name' => 'left alone']], ...$with,
        ];
    }

    private function trial(array $with = [], array $grades = [['good', 'good', 'superb', 'good'], ['poor', 'spoilt', 'poor', 'poor']]): int
    {
        $id = $this->postJson('/trials', $this->planned($with))->assertOk()->json('id');
        foreach ($grades as $variant => $cups) {
            foreach ($cups as $cup => $grade) {
                $this->tell("/trials/{$id}/facts", 'graded', ['variant' => $variant, 'cup' => $cup, 'grade' => $grade])->assertOk();
            }
        }

        return $id;
    }

    public function test_a_trial_says_plainly_what_its_cups_tell_and_becomes_a_cause(): void
    {
        $id = $this->trial();
        $this->get("/trials/{$id}")->assertInertia(
            static fn (AssertableInertia $page) => $page
                ->where('trial.verdict.word', 'sure')
                ->where('trial.verdict.best', 'drawn')
                ->where('trial.all_g', static fn (float|int $g): bool => (float) $g === 160.0),
        );
        $this->postJson("/trials/{$id}/become", ['what' => 'faults', 'cause' => 'air-mixed-in'])->assertUnprocessable();
        $this->tell("/trials/{$id}/facts", 'ended')->assertOk();
        $this->tell("/trials/{$id}/facts", 'graded', ['variant' => 0, 'cup' => 0, 'grade' => 'poor'])->assertStatus(409);
        $this->postJson("/trials/{$id}/become", [
            'what' => 'faults', 'cause' => 'air-mixed-in',
        ])->assertOk()->assertJsonPath('became', 'faults');
        $this->postJson("/trials/{$id}/become", ['what' => 'faults', 'cause' => 'air-mixed-in'])->assertUnprocessable();
        $this->get('/faults')->assertInertia(static fn (AssertableInertia $page) => $page->where('page.causes.0.id', 'air-mixed-in'));
    }

    public function test_cups_are_numbered_by_chance_weighed_as_one_batch_and_counted(): void
    {
        $id = $this->postJson('/trials', $this->planned([
            'counted' => 'bubbles', 'control' => 1,
            'variants' => [['name' => 'drawn', 'vacuum_min' => 4], ['name' => 'left alone'], ['name' => 'pressed', 'pot_min' => 60]],
        ]))
            ->assertOk()
            ->json('id');
        $view = $this->get("/trials/{$id}")->inertiaProps('trial');
        self::assertSame(range(1, 12), array_column($view['labels'], 'label'));
        self::assertSame(
            12, count(array_unique(array_map(static fn (array $cup): string => "{$cup['variant']}-{$cup['cup']}", $view['labels']))),
            'Every cup has one number.',
        );
        self::assertEqualsWithDelta(
            1.08 * 240.0, array_sum(array_column($view['batch'], 'grams')), 0.2, 'All of one batch, with what stays on the sides.',
        );
        self::assertEquals([4, null, null], array_column($view['variants'], 'vacuum_min'));
        self::assertSame([false, true, false], array_column($view['variants'], 'alone'));

        // Two of many such trials have their cups in another order, or chance is none.
        $orders = [];
        for ($i = 0; $i < 6; $i++) {
            $orders[] = json_encode(Trial::query()->findOrFail($this->postJson('/trials', $this->planned())->json('id'))->labels);
        }
        self::assertGreaterThan(1, count(array_unique($orders)));

        $this->tell("/trials/{$id}/facts", 'graded', ['variant' => 0, 'cup' => 0, 'grade' => 'good'])->assertUnprocessable();
        $this->tell("/trials/{$id}/facts", 'counted', ['variant' => 0, 'cup' => 0, 'n' => 1.5])->assertUnprocessable();
        foreach ([[1, 0, 2, 1], [9, 12, 8, 11], [1, 2, 1, 0]] as $variant => $counts) {
            foreach ($counts as $cup => $n) {
                $this->tell("/trials/{$id}/facts", 'counted', ['variant' => $variant, 'cup' => $cup, 'n' => $n])->assertOk();
            }
        }
        $verdict = $this->get("/trials/{$id}")->inertiaProps('trial')['verdict'];
        self::assertSame([true, true, false], array_column($verdict['pairs'], 'left_alone'), 'Against what was left alone first.');
        foreach (array_slice($verdict['pairs'], 0, 2) as $pair) {
            self::assertSame('left alone', $pair['other'], 'Fewer bubbles are better.');
            self::assertLessThan(0.06, $pair['corrected']);
        }
        self::assertGreaterThan(0.5, $verdict['pairs'][2]['corrected'], 'Drawn and pressed are alike.');
    }

    public function test_after_the_end_nothing_can_be_changed(): void
    {
        $id = $this->trial();
        $before = $this->get("/trials/{$id}")->inertiaProps('trial');
        self::assertNotNull($before['take_back']);
        $this->tell("/trials/{$id}/facts", 'ended')->assertOk()->assertJsonPath('take_back', null);
        $this->tell("/trials/{$id}/facts", 'graded', ['variant' => 1, 'cup' => 0, 'grade' => 'superb'])->assertStatus(409);
        $this->tell("/trials/{$id}/facts", 'undone', ['of' => $before['take_back']])->assertStatus(409);
        $this->tell("/trials/{$id}/facts", 'noted', ['text' => 'Cup 3 stood in a draught.'])->assertOk();
        $after = $this->get("/trials/{$id}")->inertiaProps('trial');
        self::assertSame([$before['variants'], $before['verdict']], [$after['variants'], $after['verdict']]);
        $this->tell("/trials/{$id}/facts", 'undone', ['of' => $after['take_back']])->assertOk();
        self::assertTrue($this->get("/trials/{$id}")->inertiaProps('trial')['ended'], 'A note may be taken back; the end may not.');
    }

    public function test_a_trial_of_what_cures_bare_becomes_test_patches_and_one_of_rubber_a_puck(): void
    {
        $id = $this->trial(
            [
                'about' => 'release', 'surface' => 'clay-oil-sulphur',
                'variants' => [['name' => 'bare'], ['name' => 'wax', 'release' => 'wax-spray']],
            ],
            [['spoilt', 'spoilt'], ['good', 'good']],
        );
        $this->tell("/trials/{$id}/facts", 'ended')->assertOk();
        $this->postJson("/trials/{$id}/become", ['what' => 'contacts'])->assertOk();
        $patch = TestPatch::query()->firstOrFail();
        self::assertSame(
            ['silicone-platinum', 'clay-oil-sulphur', false], [$patch->fresh, $patch->surface, $patch->passed],
            'What had wax between tells nothing of the bare clay.',
        );

        $this->begun();
        $version = $this->workshop->formulas()->firstOrFail()->versions()->firstOrFail();
        $soft = $this->trial(['name' => 'Softer?']);
        $this->tell("/trials/{$soft}/facts", 'ended')->assertOk();
        $this->postJson("/trials/{$soft}/become", [
            'what' => 'hardness', 'version' => $version->id, 'scale' => 'A', 'readings' => [],
        ])->assertUnprocessable();
        $this->postJson("/trials/{$soft}/become", [
            'what' => 'hardness', 'version' => $version->id, 'scale' => 'A', 'readings' => [11, 12, 11],
        ])->assertOk();
        self::assertSame([11, 12, 11], Swatch::query()->firstOrFail()->readings()->firstOrFail()->readings);
    }

    public function test_a_trial_that_saw_nothing_confirms_nothing_and_nonsense_is_refused(): void
    {
        $id = $this->trial(grades: [['good', 'good'], ['good', 'good']]);
        $this->tell("/trials/{$id}/facts", 'ended')->assertOk();
        $this->postJson("/trials/{$id}/become", ['what' => 'faults', 'cause' => 'cold'])->assertUnprocessable();
        foreach ([
            ['variants' => [['name' => 'one']]], ['variants' => [['name' => 'a'], ['name' => 'a']]], ['cups' => 2.5], ['cups' => 20],
            ['about' => 'luck'], ['base' => 'moon'], ['cup_g' => 0], ['name' => ''],
        ] as $change) {
            $this->postJson('/trials', $this->planned($change))->assertUnprocessable();
        }
        $this->tell("/trials/{$id}/facts", 'undone', ['of' => 1])->assertStatus(409);
    }

    public function test_a_rest_of_the_cup_and_a_level_too_low(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'fill');
        $this->postJson("/pours/{$pour->id}/left-over", ['left_g' => 42])->assertOk()->assertJsonPath('fill', []);
        $this->putJson('/waiting', ['name' => 'Key tray', 'ml' => 12])->assertOk();
        $this->putJson('/waiting', ['name' => 'Puck', 'ml' => 18])->assertOk();
        $this->postJson("/pours/{$pour->id}/left-over", ['left_g' => 33])->assertOk()->assertJsonPath('fill.1.name', 'Puck');
        $this->travel(5)->hours();
        $this->postJson("/pours/{$pour->id}/left-over", ['left_g' => 33])->assertOk()->assertJsonPath('fill', []);
        $short = $this->postJson("/pours/{$pour->id}/came-short", ['area_mm2' => 9000, 'height_mm' => 3])->assertOk()->json();
        self::assertEqualsWithDelta(27.0, $short['missing_ml'], 1e-9);
        foreach ([['left_g' => 0], ['left_g' => 'much']] as $bad) {
            $this->postJson("/pours/{$pour->id}/left-over", $bad)->assertUnprocessable();
        }
        $this->postJson("/pours/{$pour->id}/came-short", ['area_mm2' => -1, 'height_mm' => 3])->assertUnprocessable();
        $this->putJson('/waiting', ['name' => 'Puck', 'gone' => true])->assertOk()->assertJsonCount(1, 'waiting');
        self::assertSame(1, DB::table('waiting_things')->count());
    }
}

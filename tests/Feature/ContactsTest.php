<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\OwnRule;
use App\Models\Pour;
use App\Models\TestPatch;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Symfony\Component\Yaml\Yaml;
use Tests\TestCase;

final class ContactsTest extends TestCase
{
    /** A sculpt, a platinum mould of it, and platinum casts in that. */
    private function chain(string $surface = 'clay-oil-sulphur-free'): Job
    {
        $job = Job::query()->create(['workshop_id' => $this->workshop->id, 'name' => 'Ear', 'quantity' => 3]);
        $job->impressions()->create([
            'position' => 0, 'kind' => ImpressionKind::Original, 'name' => 'Sculpt', 'material' => 'clay', 'surface' => $surface,
        ]);
        $job->impressions()->create(['position' => 1, 'kind' => ImpressionKind::Mould, 'name' => 'Mould', 'material' => 'pr-25']);
        $job->impressions()->create(['position' => 2, 'kind' => ImpressionKind::Cast, 'name' => 'Ears', 'material' => 'pr-10']);

        return $job;
    }

    private function link(Job $job, string $name): Impression
    {
        return $job->impressions()->where('name', $name)->firstOrFail();
    }

    /**
     * @param  array<string, mixed>  $said
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function choose(Impression $impression, string $key, array $said): TestResponse
    {
        return $this->put("/impressions/{$impression->id}/contacts/{$key}", $said);
    }

    private function start(Impression $impression): Pour
    {
        $pour = $this->draft([], $impression);
        $this->post("/pours/{$pour->id}/run");

        return $pour->refresh();
    }

    public function test_silicone_in_silicone_does_not_begin_until_something_is_between(): void
    {
        $job = $this->chain();
        $ears = $this->link($job, 'Ears');
        $key = "link-{$this->link($job, 'Mould')->id}";
        $pour = $this->draft([], $ears);
        $this->post("/pours/{$pour->id}/run")->assertSessionHasErrors('sheet');
        self::assertNull($pour->refresh()->started_at);

        $this->choose($ears, $key, ['release' => 'talc'])->assertRedirect();
        $this->post("/pours/{$pour->id}/run")->assertSessionHasErrors('sheet');
        $this->choose($ears, $key, ['release' => 'warm-jelly'])->assertRedirect();
        $this->post("/pours/{$pour->id}/run")->assertSessionHasNoErrors();

        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        self::assertStringContainsString('Warm jelly', implode(' ', array_column($run['checklist'], 'text')));
    }

    public function test_the_checklist_cannot_be_skipped_and_its_waits_are_called(): void
    {
        $job = $this->chain();
        $ears = $this->link($job, 'Ears');
        $this->choose($ears, "link-{$this->link($job, 'Mould')->id}", ['release' => 'warm-jelly']);
        $pour = $this->start($ears);
        $this->record($pour, 'confirmed', ['step' => '0:gear'])->assertOk()->assertJsonPath('step.kind', 'contacts');
        $this->record($pour, 'confirmed', ['step' => '0:contacts'])->assertUnprocessable()->assertJsonPath('error.field', 'step');

        $list = $this->getJson("/pours/{$pour->id}/state")->json('checklist');
        $release = collect($list)->first(static fn (array $item): bool => $item['minutes'] > 0);
        $this->record($pour, 'begun', ['item' => $release['id']])->assertOk()->assertJsonPath(
            'checklist.1.begun_ms', (int) now()->getTimestampMs(),
        );
        self::assertContains('The wait is over: look at the contact', array_column($this->getJson('/frame')->json('strip.calls'), 'what'));

        foreach ($list as $item) {
            $this->record($pour, 'checked', ['item' => $item['id']])->assertOk();
        }
        $this->record($pour, 'checked', ['item' => $list[0]['id']])->assertConflict();
        $this->record($pour, 'checked', ['item' => 'nonsense'])->assertConflict();
        $this->record($pour, 'confirmed', ['step' => '0:contacts'])->assertOk()->assertJsonPath('step.kind', 'premix');
    }

    public function test_a_stop_is_overruled_only_with_a_reason_that_is_kept_and_asked_again(): void
    {
        $job = $this->chain('clay-oil-sulphur');
        $mould = $this->link($job, 'Mould');
        $key = "link-{$this->link($job, 'Sculpt')->id}";
        self::assertNull($this->start($mould)->started_at);

        // Sulphur is certain: nothing talks it round.
        $why = 'It is a practice piece and may stay wet.';
        $this->choose($mould, $key, [
            'overruled' => $why, 'words' => 'Platinum silicone on oil clay with sulphur: will not cure',
        ])->assertSessionHasErrors('contact.overruled');
        self::assertNull($this->start($mould)->started_at);

        // Young epoxy is usual: a reason that says something is kept, and asked again.
        $this->link($job, 'Sculpt')->update(['surface' => 'epoxy']);
        $this->choose($mould, $key, ['hours_since_cure' => 20])->assertSessionHasNoErrors();
        self::assertNull($this->start($mould)->started_at);
        $this->choose($mould, $key, ['overruled' => 'so what'])->assertSessionHasErrors('contact.overruled');
        $this->choose($mould, $key, ['overruled' => $why])->assertSessionHasNoErrors();
        $pour = $this->start($mould);
        self::assertNotNull($pour->started_at);
        $text = implode(' ', array_column($this->getJson("/pours/{$pour->id}/state")->json('checklist'), 'text'));
        self::assertStringContainsString('Amines', $text);
        self::assertStringContainsString('may stay wet', $text);
    }

    public function test_what_is_certain_and_only_asks_for_something_is_overruled_by_typing_it_out(): void
    {
        $job = $this->chain('silicone-tin');
        $this->link($job, 'Mould')->update(['material' => 'tr-25']);
        $mould = $this->link($job, 'Mould');
        $key = "link-{$this->link($job, 'Sculpt')->id}";
        $why = 'The two are meant to stay one piece.';
        $this->choose($mould, $key, ['overruled' => $why])->assertSessionHasErrors('contact.words');
        $this->choose($mould, $key, ['overruled' => $why, 'words' => 'yes, yes'])->assertSessionHasErrors('contact.words');
        $this->choose($mould, $key, [
            'overruled' => $why, 'words' => 'Tin silicone on tin silicone, cured: fuses: no release',
        ])->assertSessionHasNoErrors();
    }

    public function test_what_is_really_poured_is_judged_and_not_what_the_chain_had_in_mind(): void
    {
        $job = $this->chain('clay-oil-sulphur');
        $pour = $this->draft(['formula' => ['base' => 'tr-25', 'additives' => []]], $this->link($job, 'Mould'));
        $this->post("/pours/{$pour->id}/run")->assertSessionHasNoErrors();

        self::assertNotNull($pour->refresh()->started_at);
    }

    public function test_how_long_ago_a_mould_was_opened_is_known_from_its_own_pour(): void
    {
        $job = $this->chain();
        $mould = $this->link($job, 'Mould');
        $boots = $job->impressions()->create([
            'position' => 3, 'kind' => ImpressionKind::Cast, 'name' => 'Soft boots', 'material' => 'ur-35', 'from_id' => $mould->id,
        ]);
        $pour = $this->begun(['formula' => ['base' => 'pr-25', 'additives' => []]], $mould);
        $this->workUntil($pour, 'grade');
        $verdict = fn (): array => collect(
            $this->get("/jobs/{$job->id}")->inertiaProps('job.chain'),
        )->firstWhere('id', $boots->id)['contacts'][0];

        $this->travel(3)->hours();
        self::assertSame('test-first', $verdict()['result']['verdict'], 'A mould this young slows a soft urethane.');
        self::assertEqualsWithDelta(now()->subHours(3)->getTimestampMs(), $verdict()['opened_ms'], 60_000);
        self::assertSame($verdict()['opened_ms'], $verdict()['cured_ms']);
        $this->travel(2)->days();
        self::assertSame('clear', $verdict()['result']['verdict']);
        $this->choose($boots, "link-{$mould->id}", ['hours_since_cure' => 2]);
        self::assertSame('test-first', $verdict()['result']['verdict']);
    }

    public function test_nonsense_about_a_contact_is_refused_and_what_was_chosen_stays(): void
    {
        $job = $this->chain();
        $ears = $this->link($job, 'Ears');
        $key = "link-{$this->link($job, 'Mould')->id}";
        $this->choose($ears, $key, ['release' => 'wax-spray']);
        foreach ([
            [['release' => 'hope'], 'contact.release'], [['sealed_with' => 'butter'], 'contact.sealed_with'],
            [['hours_since_cure' => 'many'], 'contact.hours_since_cure'],
        ] as [$said, $field]) {
            $this->choose($ears, $key, $said)->assertSessionHasErrors($field);
        }
        $this->choose($ears, 'link-99999', ['release' => 'wax-spray'])->assertNotFound();
        self::assertSame('wax-spray', $ears->refresh()->contacts[$key]['release'] ?? null);
    }

    public function test_a_passed_dab_counts_in_every_verdict_and_a_failed_one_stops(): void
    {
        $question = ['fresh' => ['family' => 'silicone-platinum', 'skin_safe' => true], 'surface' => ['id' => 'painted']];
        $this->postJson('/contacts/judge', $question)->assertJsonPath('verdict', 'test-first');
        $this->post('/contacts/patches', [
            'fresh' => 'silicone-platinum', 'surface' => 'painted', 'base' => 'pr-10', 'place' => 'under the foot',
        ])->assertSessionHasNoErrors();
        $patch = TestPatch::query()->firstOrFail();
        // 240 min at 23 °C are 295.5 at 20 °C.
        self::assertEqualsWithDelta(240 * 2 ** 0.3, $patch->put_on_at->diffInSeconds($patch->due_at) / 60, 0.02);
        self::assertContains('The test patch is ready to read', array_column($this->getJson('/frame')->json('strip.calls'), 'what'));
        $this->postJson('/contacts/judge', $question)->assertJsonPath('verdict', 'test-first');

        Storage::fake();
        $this->post("/contacts/patches/{$patch->id}", ['passed' => '1'])->assertSessionHasErrors("patch-{$patch->id}");
        self::assertNull($patch->refresh()->passed, 'Ten seconds of five hours: it is asked first.');
        $this->post("/contacts/patches/{$patch->id}", [
            'passed' => '1', 'sure' => '1', 'note' => 'clean',
            'photo' => UploadedFile::fake()->createWithContent(
                'patch.png',
                base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='),
            ),
        ])->assertSessionHasNoErrors();
        $this->postJson('/contacts/judge', [...$question, 'base' => 'pr-10'])->assertJsonPath('verdict', 'clear');
        // It clears that very base, not every platinum silicone.
        $this->postJson('/contacts/judge', [...$question, 'base' => 'pr-25'])->assertJsonPath('verdict', 'test-first');
        $this->postJson('/contacts/judge', $question)->assertJsonPath('verdict', 'test-first');
        self::assertTrue($this->get('/contacts')->inertiaProps('board.cells')['silicone-platinum']['painted']['tested']);
        $this->get("/contacts/patches/{$patch->id}/photo")->assertOk();

        $this->travel(1)->hours();
        $this->post('/contacts/patches', ['fresh' => 'silicone-platinum', 'surface' => 'painted']);
        $this->post('/contacts/patches/'.TestPatch::query()->latest('id')->firstOrFail()->id, [
            'passed' => '0',
        ])->assertSessionHasNoErrors();
        $this->postJson('/contacts/judge', $question)->assertJsonPath('verdict', 'stop');
        $this->post("/contacts/patches/{$patch->id}", ['passed' => 'maybe'])->assertSessionHasErrors('passed');
        $this->post('/contacts/patches', ['fresh' => 'jam', 'surface' => 'painted'])->assertSessionHasErrors('patch');
    }

    public function test_the_board_answers_every_pair(): void
    {
        $board = $this->get('/contacts')->assertOk()->inertiaProps('board');

        self::assertCount(16, $board['cells']);
        self::assertCount(42, $board['cells']['latex']);
        self::assertSame('stop', $board['cells']['silicone-platinum']['silicone-tin']['verdict']);
        $this->postJson('/contacts/judge', ['fresh' => ['family' => 'jam']])->assertUnprocessable();
    }

    public function test_own_rules_and_tests_go_out_and_come_back_the_same(): void
    {
        $file = Yaml::dump(['rules' => [[
            'id' => 'own-lime', 'kind' => 'inhibition', 'fresh' => ['silicone-platinum'], 'surface' => ['wood'],
            'when' => ['sealed' => true], 'gives' => 'may-slow', 'sure' => 'usual', 'text' => 'Our lime wood sweats through shellac.',
        ]],
            'tests' => [
                [
                    'fresh' => 'silicone-platinum', 'surface' => 'painted', 'passed' => true, 'note' => 'the blue tin',
                    'read_at' => '2026-01-05T10:00:00+00:00',
                ],
            ]], 4);
        $this->post('/contacts/import', ['text' => $file])->assertSessionHasNoErrors()->assertSessionHas('said', 'New: 1 rule and 1 test.');
        $this->postJson('/contacts/judge', [
            'fresh' => ['family' => 'silicone-platinum', 'skin_safe' => false], 'surface' => ['id' => 'wood', 'sealed_with' => 'shellac'],
        ])->assertJsonPath('verdict', 'test-first');

        $out = $this->get('/contacts.json')->assertOk()->getContent();
        OwnRule::query()->delete();
        TestPatch::query()->delete();
        $this->post('/contacts/import', ['text' => $out])->assertSessionHas('said', 'New: 1 rule and 1 test.');
        $this->post('/contacts/import', [
            'text' => $this->get('/contacts.yaml')->getContent(),
        ])->assertSessionHas('said', 'New: 0 rules and 0 tests.');
        $this->delete('/contacts/rules/'.OwnRule::query()->firstOrFail()->id)->assertRedirect();
        self::assertSame(0, OwnRule::query()->count());
    }

    public function test_a_file_that_makes_no_sense_is_refused_whole(): void
    {
        $rule = static fn (array $more): array => [
            ...[
                'id' => 'own', 'kind' => 'adhesion', 'fresh' => ['@silicone'], 'surface' => ['wax'], 'gives' => 'grips', 'sure' => 'usual',
                'text' => 'So.',
            ],
            ...$more,
        ];
        foreach ([
            ['a: [', 'neither YAML nor JSON'],
            ['- 1', 'needs “rules”'],
            [Yaml::dump(['rules' => [$rule(['gives' => 'floats'])]], 4), 'Choose one of'],
            [Yaml::dump(['rules' => [$rule(['surface' => ['silicone-platinum'], 'gives' => 'lets-go'])]], 4), 'that is certain'],
            [Yaml::dump(['rules' => [$rule([]), $rule([])]], 4), 'already a rule named'],
            [Yaml::dump(['rules' => [$rule(['id' => 'a-default'])]], 4), 'already a rule named'],
            [Yaml::dump(['rules' => [$rule([]), $rule(['id' => 'own2', 'gives' => 'fuses'])]], 4), 'contradict each other'],
            [Yaml::dump(['tests' => [['fresh' => 'jam', 'surface' => 'wax', 'passed' => true]]], 4), 'no fresh material “jam”'],
            ['', 'Choose a file'],
        ] as [$text, $says]) {
            $errors = $this->post('/contacts/import', ['text' => $text])
                ->assertSessionHasErrors('file')
                ->getSession()
                ->get('errors')
                ->first('file');
            self::assertStringContainsString($says, $errors);
        }
        self::assertSame([0, 0], [OwnRule::query()->count(), TestPatch::query()->count()]);
    }

    public function test_links_are_put_between_moved_and_never_into_a_circle(): void
    {
        $job = $this->chain();
        $names = fn (): array => $job->impressions()->get()->pluck('name')->all();
        $this->post("/jobs/{$job->id}/impressions", [
            'kind' => 'copy', 'name' => 'Hard copy', 'material' => 'rf-70', 'after' => $this->link($job, 'Mould')->id,
        ])->assertSessionHas('undo');
        self::assertSame(['Sculpt', 'Mould', 'Hard copy', 'Ears'], $names());
        $copy = $this->link($job, 'Hard copy');
        $this->post("/impressions/{$copy->id}/move", ['by' => -1])->assertSessionHas(
            'undo', "/impressions/{$copy->id}/move?by=1&edition=2",
        );
        self::assertSame(['Sculpt', 'Hard copy', 'Mould', 'Ears'], $names());
        $this->post("/impressions/{$copy->id}/move?by=1");

        $ears = $this->link($job, 'Ears');
        $this->put("/impressions/{$ears->id}", [
            'kind' => 'cast', 'name' => 'Ears', 'material' => 'pr-10', 'from_id' => $copy->id,
        ])->assertSessionHasNoErrors();
        $this->put("/impressions/{$copy->id}", [
            'kind' => 'copy', 'name' => 'Hard copy', 'material' => 'rf-70', 'from_id' => $ears->id,
        ])->assertSessionHasErrors('from_id');
        self::assertSame($this->link($job, 'Mould')->id, $copy->refresh()->from_id);
        $this->delete("/impressions/{$copy->id}")->assertSessionHasErrors('impression');
        self::assertSame(['Sculpt', 'Mould', 'Hard copy', 'Ears'], $names());
        $this->put("/impressions/{$copy->id}", ['kind' => 'copy', 'name' => 'Hard copy', 'wall' => 'moon'])->assertSessionHasErrors('wall');
    }

    public function test_a_chosen_mould_goes_into_the_chain_in_as_many_parts_as_it_has(): void
    {
        $job = $this->chain();
        $this->get("/jobs/{$job->id}/mould")->assertOk()->assertInertia(
            static fn ($page) => $page
                ->component('mould/Mould')
                ->where('original', 'clay-oil-sulphur-free')
                ->where('casting', 'silicone-platinum'),
        );
        $this->post("/jobs/{$job->id}/mould", [
            'kind' => 'two-part-block', 'chemistry' => 'silicone-tin',
        ])->assertRedirect("/jobs/{$job->id}");

        // It stands in place of the one that was only meant, of the rubber the job had, and says what else it needs.
        self::assertFalse($job->impressions()->where('name', 'Mould')->exists());
        self::assertStringContainsString('in place of “Mould”', (string) session('said'));
        self::assertStringContainsString('It also needs: clay bed', (string) session('said'));
        $made = $job->impressions()->where('name', 'like', 'Two-part%')->get();
        self::assertSame(['half', 'half'], $made->map(static fn (Impression $i): string => $i->role->value)->all());
        self::assertSame(['pr-25', 'pr-25'], $made->pluck('material')->all());
        self::assertSame('Ears', $job->impressions()->get()->last()?->name);
    }

    public function test_taking_in_what_was_taken_out_changes_nothing_whatever_the_clock_read(): void
    {
        $this->travelTo(\Carbon\CarbonImmutable::parse('2026-03-04 10:15:00.437'));
        $this->post('/contacts/patches', ['fresh' => 'silicone-platinum', 'surface' => 'painted', 'base' => 'pr-10']);
        $this->post('/contacts/patches/'.TestPatch::query()->firstOrFail()->id, ['passed' => '1', 'sure' => '1', 'note' => 'clean']);
        $this->travel(1)->days();
        foreach (['yaml', 'json', 'yaml'] as $format) {
            $this->post('/contacts/import', [
                'text' => (string) $this->get("/contacts.{$format}")->getContent(),
            ])->assertSessionHas('said', 'New: 0 rules and 0 tests.');
        }
        // One without a moment is the same one as long as it says the same.
        foreach ([1, 0] as $new) {
            $this->post('/contacts/import', [
                'text' => '{"tests": [{"fresh": "latex", "surface": "plaster", "passed": true, "note": "old book"}]}',
            ])->assertSessionHas('said', "New: 0 rules and {$new} test".($new === 1 ? '.' : 's.'));
        }
        self::assertSame(2, TestPatch::query()->count());
    }

    public function test_an_empty_export_is_a_template_and_a_refusal_names_the_entry(): void
    {
        $template = (string) $this->get('/contacts.yaml')->getContent();
        self::assertSame(['rules' => [], 'tests' => []], Yaml::parse($template));
        $filled = Yaml::parse(
            (string) preg_replace(['/^(rules|tests): \[\]$/m', '/^# (?!rules|tests| )/m', '/^# /m'], ['', '#', ''], $template),
        );
        $this->post('/contacts/import', ['text' => Yaml::dump($filled)])->assertSessionHas('said', 'New: 1 rule and 1 test.');

        $this->post('/contacts/import', [
            'text' => '{"rules": [{"id": "mine", "kind": "inhibition", "fresh": ["latex"], "surface": ["wax"], "gives": "perhaps", "sure": "usual", "text": "x"}]}',
        ])
            ->assertSessionHasErrors(['file' => 'Rule 1 “mine”, rules.0.gives: Choose one of: none, may-slow, stops. It was “perhaps”.']);
        $this->post('/contacts/import', [
            'text' => '{"tests": [{"fresh": "latex", "surface": "moon", "passed": true}]}',
        ])->assertSessionHasErrors('file');
        self::assertStringStartsWith('Test 1, tests.0.surface: There is no surface “moon”', session('errors')?->first('file'));
    }

    public function test_a_rule_is_written_on_the_screen_and_shows_first_what_it_changes(): void
    {
        $rule = [
            'id' => 'grey-primer', 'kind' => 'inhibition', 'fresh' => ['silicone-platinum'], 'surface' => ['metal'], 'gives' => 'stops',
            'sure' => 'usual', 'text' => 'Our primer stops it.',
        ];
        $this->postJson('/contacts/rules/try', $rule)->assertOk()->assertJson([
            'changes' => [['fresh' => 'silicone-platinum', 'surface' => 'metal', 'was' => 'clear', 'becomes' => 'stop']],
        ]);
        self::assertSame(
            'clear', $this->get('/contacts')->inertiaProps('board.cells')['silicone-platinum']['metal']['verdict'], 'Trying keeps nothing.',
        );

        $this->postJson('/contacts/rules', $rule)->assertOk()->assertJson(['kept' => 'grey-primer']);
        self::assertSame('stop', $this->get('/contacts')->inertiaProps('board.cells')['silicone-platinum']['metal']['verdict']);
        $this->postJson('/contacts/rules/try', [
            ...$rule, 'gives' => 'may-slow',
        ])->assertOk()->assertJsonPath('changes.0.becomes', 'test-first');

        foreach ([
            ['gives' => 'maybe', 'field' => 'gives'], ['surface' => ['moon'], 'field' => 'surface'], ['id' => 'a-pores', 'field' => 'id'],
            ['text' => '', 'field' => 'text'],
            ['kind' => 'adhesion', 'surface' => ['silicone-platinum'], 'gives' => 'lets-go', 'field' => 'rules.1'],
        ] as $wrong) {
            $this->postJson(
                '/contacts/rules', array_diff_key([...$rule, 'id' => 'other', ...$wrong], ['field' => 0]),
            )->assertUnprocessable()->assertJsonPath('error.field', $wrong['field']);
        }
        self::assertSame(1, $this->workshop->ownRules()->count());
    }

    public function test_what_nobody_has_said_is_no_reason_for_silence(): void
    {
        $job = $this->impression('original', 'a found thing')->job;
        $mould = $this->impression('mould', 'pr-25');
        $half = $this->impression('mould', 'pr-25');
        $half->update(['role' => 'half']);
        $pour = $this->begun(['formula' => ['base' => 'pr-25', 'additives' => []]], $mould);
        $list = array_column($this->getJson("/pours/{$pour->id}/state")->json('checklist'), 'text');
        self::assertNotSame(
            [], array_filter($list, static fn (string $text): bool => str_contains($text, 'Original: tested with a test patch')),
            implode("\n", $list),
        );

        $contacts = collect($this->get("/jobs/{$job->id}")->inertiaProps('job.chain'))->firstWhere('id', $half->id)['contacts'];
        self::assertContains('bed', array_column($contacts, 'key'), 'The first half lies on something, named or not.');
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\OwnRule;
use App\Models\TestPatch;
use Illuminate\Testing\TestResponse;
use Symfony\Component\Yaml\Yaml;
use Tests\TestCase;

/** Contacts of a job that cannot be talked round, and what leads out of them. */
final class ContactsHoldTest extends TestCase
{
    private Job $job;

    private Impression $mould;

    private string $key;

    protected function setUp(): void
    {
        parent::setUp();
        $this->job = $this->workshop->jobs()->create(['name' => 'Street-lamp nose', 'quantity' => 3]);
        $sculpt = $this->job->impressions()->create([
            'position' => 0, 'kind' => ImpressionKind::Original, 'name' => 'Sculpt', 'surface' => 'clay-oil-sulphur',
        ]);
        $this->mould = $this->job->impressions()->create([
            'position' => 1, 'kind' => ImpressionKind::Mould, 'name' => 'Mould', 'material' => 'pr-25',
        ]);
        $this->job->impressions()->create(['position' => 2, 'kind' => ImpressionKind::Cast, 'name' => 'Noses', 'material' => 'pg-30']);
        $this->key = "link-{$sculpt->id}";
    }

    /** @return array<string, mixed> */
    private function contact(?Impression $link = null, int $i = 0): array
    {
        return collect(
            $this->get("/jobs/{$this->job->id}")->assertOk()->inertiaProps('job.chain'),
        )->firstWhere('id', ($link ?? $this->mould)->id)['contacts'][$i];
    }

    /** @param  array<string, mixed>  $said */
    private function choose(array $said, ?Impression $link = null, ?string $key = null): TestResponse
    {
        return $this->put('/impressions/'.($link ?? $this->mould)->id.'/contacts/'.($key ?? $this->key), $said);
    }

    private function overrule(): void
    {
        $this->choose([
            'overruled' => 'A practice piece that may stay wet.', 'words' => $this->contact()['words'],
        ])->assertSessionHasNoErrors();
        self::assertFalse($this->contact()['blocks']);
    }

    public function test_an_overruling_lapses_with_the_original_it_was_given_for(): void
    {
        $sculpt = $this->job->impressions()->where('name', 'Sculpt')->firstOrFail();
        $sculpt->update(['surface' => 'wood']);
        $this->choose(['release' => 'pva-film'])->assertSessionHasNoErrors();
        self::assertTrue($this->contact()['blocks'], 'A film of alcohol does not part silicone.');
        $this->overrule();

        $sculpt->update(['surface' => 'clay-oil-sulphur']);
        $contact = $this->contact();
        self::assertSame([true, null, 'A practice piece that may stay wet.'], [
            $contact['blocks'], $contact['overruled'], $contact['lapsed'],
        ]);
        $sculpt->update(['surface' => 'wood']);
        self::assertFalse($this->contact()['blocks'], 'and holds again for what it was given for.');
    }

    public function test_an_overruling_lapses_with_the_material_the_release_and_the_state(): void
    {
        $this->job->impressions()->where('name', 'Sculpt')->firstOrFail()->update(['surface' => 'epoxy']);
        $this->choose(['hours_since_cure' => 20])->assertSessionHasNoErrors();
        foreach ([['material' => 'pr-10', 'lapses' => false], ['material' => 'ur-35', 'lapses' => true]] as $change) {
            $this->overrule();
            $this->mould->update(['material' => $change['material']]);
            $contact = $this->contact();
            self::assertSame(
                $change['lapses'] ? null : 'A practice piece that may stay wet.', $contact['overruled'],
                'Another rubber of the same family is the same chemistry.',
            );
            $this->mould->update(['material' => 'pr-25']);
        }
        foreach ([['latex_touched' => true], ['sealed_with' => 'shellac'], ['damp' => true], ['release' => 'petroleum-jelly']] as $change) {
            $this->choose(['latex_touched' => false, 'sealed_with' => null, 'damp' => false, 'release' => null]);
            $this->overrule();
            $this->choose($change)->assertSessionHasNoErrors();
            self::assertNull($this->contact()['overruled'], (string) json_encode($change));
        }
    }

    public function test_what_was_typed_as_hours_ages(): void
    {
        $this->job->impressions()->where('name', 'Sculpt')->firstOrFail()->update(['surface' => 'epoxy']);
        $this->choose(['hours_since_cure' => 70])->assertSessionHasNoErrors();
        self::assertSame('stop', $this->contact()['result']['verdict'], 'Amines still sweat out of it.');
        $this->choose(['release' => 'wax-spray'])->assertSessionHasNoErrors();
        $this->travel(3)->hours();

        self::assertSame(
            'test-first', $this->contact()['result']['verdict'],
            'Seventy hours ago became seventy-three, though something else was chosen meanwhile.',
        );
    }

    public function test_a_mould_opened_since_outranks_what_was_typed_before(): void
    {
        $this->job->impressions()->where('name', 'Sculpt')->firstOrFail()->update(['surface' => 'clay-oil-sulphur-free']);
        $soft = $this->job->impressions()->create([
            'position' => 3, 'kind' => ImpressionKind::Cast, 'name' => 'Soft noses', 'material' => 'ur-35', 'from_id' => $this->mould->id,
        ]);
        $this->choose(['hours_since_cure' => 72], $soft, "link-{$this->mould->id}")->assertSessionHasNoErrors();
        self::assertSame('clear', $this->contact($soft)['result']['verdict']);

        $pour = $this->begun(['formula' => ['base' => 'pr-25', 'additives' => []]], $this->mould);
        $this->workUntil($pour, 'grade');
        $this->travel(1)->hours();
        self::assertSame('test-first', $this->contact($soft)['result']['verdict'], 'The mould was opened an hour ago.');
    }

    public function test_a_rule_for_half_an_hour_cannot_talk_round_what_is_certain(): void
    {
        $rule = [
            'id' => 'quick', 'kind' => 'adhesion', 'fresh' => ['@silicone'], 'surface' => ['silicone-platinum'],
            'when' => ['hours_below' => 0.5], 'gives' => 'lets-go', 'sure' => 'usual', 'text' => 'So.',
        ];
        $this->post('/contacts/import', ['text' => Yaml::dump(['rules' => [$rule]], 4)])->assertSessionHasErrors('file');
        self::assertSame(0, OwnRule::query()->count());
    }

    public function test_a_piece_worn_on_skin_is_never_offered_a_release_that_is_not_for_skin(): void
    {
        $cast = $this->job->impressions()->where('name', 'Noses')->firstOrFail();
        $ids = fn (): array => array_column($this->contact($cast)['result']['releases'], 'id');
        self::assertContains('wax-spray', $ids());
        $this->put("/jobs/{$this->job->id}", ['name' => $this->job->name, 'quantity' => 3, 'skin' => true])->assertSessionHasNoErrors();

        self::assertNotContains('wax-spray', $ids());
        self::assertContains('petroleum-jelly', $ids());
        $this->choose(['release' => 'wax-spray'], $cast, "link-{$this->mould->id}");
        $contact = $this->contact($cast);
        self::assertTrue($contact['blocks']);
        self::assertStringContainsString('not for skin', implode(' ', array_column($contact['result']['because'], 'text')));
        $cast->update(['material' => 'tr-25']);
        self::assertTrue(
            collect($this->get("/jobs/{$this->job->id}")->inertiaProps('job.chain'))->firstWhere('id', $cast->id)['not_for_skin'],
            'Tin rubber is not sold for skin.',
        );
    }

    public function test_a_way_that_breaks_the_next_contact_is_none(): void
    {
        $url = "/impressions/{$this->mould->id}/contacts/{$this->key}";
        $bases = fn (): array => collect($this->getJson("{$url}/ways")->assertOk()->json('ways'))
            ->where('kind', 'base')
            ->pluck('what')
            ->all();
        self::assertSame([], $bases(), 'The noses are of platinum: in a mould of tin they would not cure.');
        $noses = $this->job->impressions()->where('name', 'Noses')->firstOrFail();
        $noses->update(['material' => 'ur-35']);
        self::assertNotSame([], $bases());
        $this->post("{$url}/way", ['steps' => [['kind' => 'base', 'id' => 'tr-25']]])->assertSessionHasNoErrors();
        self::assertSame('tr-25', $this->mould->refresh()->material);
    }

    public function test_a_way_out_is_taken_in_one_press(): void
    {
        $this->job->impressions()->where('name', 'Noses')->firstOrFail()->update(['material' => 'ur-35']);
        $url = "/impressions/{$this->mould->id}/contacts/{$this->key}";
        $ways = $this->getJson("{$url}/ways")->assertOk()->json('ways');
        self::assertSame([0, 'base'], [(int) $ways[0]['adds_min'], $ways[0]['kind']]);
        $tin = collect($ways)->first(static fn (array $way): bool => $way['steps'] === [['kind' => 'base', 'id' => 'tr-25']]);
        $draft = $this->draft(['formula' => ['base' => 'pr-25', 'additives' => []]], $this->mould);

        $this->post("{$url}/way", ['steps' => $tin['steps']])->assertSessionHasNoErrors();
        self::assertFalse($this->contact()['blocks']);
        self::assertSame(['tr-25', 'tr-25'], [$this->mould->refresh()->material, $draft->refresh()->sheet['formula']['base']]);
        $this->post("{$url}/way", ['steps' => $tin['steps']])->assertSessionHasErrors('contact.way');
    }

    public function test_two_more_links_lead_round_a_surface(): void
    {
        $url = "/impressions/{$this->mould->id}/contacts/{$this->key}";
        $link = collect($this->getJson("{$url}/ways")->json('ways'))->firstWhere('kind', 'link');
        $this->post("{$url}/way", ['steps' => $link['steps']])->assertSessionHasNoErrors();

        $chain = collect($this->get("/jobs/{$this->job->id}")->inertiaProps('job.chain'));
        self::assertSame(['original', 'mould', 'copy', 'mould', 'cast'], $chain->pluck('kind')->all());
        self::assertFalse(
            collect($chain->firstWhere('id', $this->mould->id)['contacts'])->contains('key', $this->key),
            'The mould no longer meets the clay.',
        );
    }

    public function test_a_test_patch_is_put_on_from_the_contact(): void
    {
        $this->job->impressions()->where('name', 'Sculpt')->firstOrFail()->update(['surface' => 'polyester']);
        $url = "/impressions/{$this->mould->id}/contacts/{$this->key}";
        $test = collect($this->getJson("{$url}/ways")->json('ways'))->firstWhere('kind', 'test');
        $this->post("{$url}/way", ['steps' => $test['steps']])->assertSessionHasNoErrors();

        $patch = TestPatch::query()->firstOrFail();
        self::assertSame(['silicone-platinum', 'polyester', 'pr-25'], [$patch->fresh, $patch->surface, $patch->base]);
        self::assertGreaterThan(200, $patch->put_on_at->diffInMinutes($patch->due_at));
    }

    public function test_a_way_that_was_never_offered_is_no_way(): void
    {
        foreach ([[], [['kind' => 'release', 'id' => 'hope']], [['kind' => 'overrule', 'id' => 'x']]] as $steps) {
            $this->post("/impressions/{$this->mould->id}/contacts/{$this->key}/way", [
                'steps' => $steps,
            ])->assertSessionHasErrors('contact.way');
        }
        $this->getJson("/impressions/{$this->mould->id}/contacts/link-999/ways")->assertNotFound();
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\TestPatch;
use Tests\TestCase;

/** A test patch is of one combination; sealing is done before it counts; what is not known is said. */
final class PatchesTest extends TestCase
{
    private Impression $mould;

    private string $url;

    protected function setUp(): void
    {
        parent::setUp();
        $original = $this->impression('original', '');
        $original->update(['surface' => 'polyester']);
        $this->mould = $this->impression('mould', 'pr-25');
        $this->url = "/impressions/{$this->mould->id}/contacts/link-{$original->id}";
    }

    /** @return array<string, mixed> */
    private function contact(): array
    {
        $chain = $this->get("/jobs/{$this->mould->job_id}")->inertiaProps('job.chain');

        return array_column($chain, null, 'id')[$this->mould->id]['contacts'][0];
    }

    /** @param  array<string, mixed>  $change */
    private function choose(array $change): void
    {
        $this->put($this->url, $change)->assertSessionHasNoErrors();
    }

    private function read(TestPatch $patch, bool $passed): void
    {
        $this->travel(1)->days();
        $this->post("/contacts/patches/{$patch->id}", ['passed' => $passed, 'sure' => true])->assertSessionHasNoErrors();
    }

    public function test_several_patches_are_put_on_from_one_contact_and_each_clears_just_its_own_combination(): void
    {
        $this->post("{$this->url}/patches", [
            'patches' => [['release' => null], ['release' => 'petroleum-jelly'], ['release' => 'wax-spray']],
        ])->assertSessionHas('said');
        [$bare, $jelly, $wax] = TestPatch::query()->orderBy('id')->get()->all();
        self::assertSame(
            [['pr-25', null, null], ['pr-25', null, 'petroleum-jelly'], ['pr-25', null, 'wax-spray']],
            array_map(static fn (TestPatch $one): array => [$one->base, $one->sealed_with, $one->released_with], [$bare, $jelly, $wax]),
        );

        $this->choose(['release' => 'petroleum-jelly']);
        self::assertSame('test-first', $this->contact()['result']['verdict']);
        $this->read($bare, true);
        self::assertSame('test-first', $this->contact()['result']['verdict'], 'The bare surface was tested, and a release is to go on.');
        $this->read($wax, false);
        self::assertSame('test-first', $this->contact()['result']['verdict'], 'The wax failed, and jelly is chosen.');
        $this->read($jelly, true);
        self::assertNotSame('test-first', $this->contact()['result']['verdict']);
        $this->choose(['release' => 'wax-spray']);
        self::assertSame('stop', $this->contact()['result']['verdict'], 'With wax it failed, until with wax it passes.');
        $this->choose(['release' => 'petroleum-jelly']);

        // Another base is another test.
        $this->mould->update(['material' => 'pr-40']);
        self::assertSame('test-first', $this->contact()['result']['verdict']);
    }

    public function test_nothing_is_put_on_twice_none_or_over_a_sealer_that_is_only_planned(): void
    {
        foreach ([
            [], [['release' => null], ['release' => null]], [['release' => 'hope']], array_fill(0, 30, ['release' => null]),
        ] as $patches) {
            $this->post("{$this->url}/patches", ['patches' => $patches])->assertSessionHasErrors('contact.patches');
        }
        $this->choose(['sealed_with' => 'lacquer']);
        $this->post("{$this->url}/patches", [
            'patches' => [['sealed_with' => 'lacquer', 'release' => null]],
        ])->assertSessionHasErrors('contact.patches');
        self::assertSame(0, TestPatch::query()->count());
        $this->choose(['sealed_ms' => (int) now()->getTimestampMs()]);
        $this->post("{$this->url}/patches", ['patches' => [['sealed_with' => 'lacquer', 'release' => null]]])->assertSessionHasNoErrors();
        self::assertSame('lacquer', TestPatch::query()->firstOrFail()->sealed_with);
    }

    public function test_a_patch_follows_the_room_and_stands_on_the_bench_when_it_can_be_read(): void
    {
        $this->post("{$this->url}/patches", ['patches' => [['release' => null]]])->assertSessionHasNoErrors();
        $due = fn (): int => $this->get('/contacts')->inertiaProps('board.patches.0.due_ms');
        $before = $due();
        $this->warm(12.0);
        self::assertGreaterThan($before + 600_000, $due());
        $this->travelTo(\Carbon\CarbonImmutable::createFromTimestampMs($before + 60_000));
        self::assertStringNotContainsString('Read the test patch', (string) json_encode($this->get('/')->inertiaProps()));
        $this->travelTo(\Carbon\CarbonImmutable::createFromTimestampMs($due() + 60_000));
        self::assertStringContainsString('Read the test patch', (string) json_encode($this->get('/')->inertiaProps()));
    }

    public function test_a_sealer_is_planned_until_somebody_has_done_it_and_stands_on_the_checklist_till_then(): void
    {
        Impression::query()->where('kind', ImpressionKind::Original)->update(['surface' => 'plaster']);
        $this->choose(['sealed_with' => 'shellac', 'release' => 'petroleum-jelly']);
        self::assertSame([null, 2, 210.0], [
            $this->contact()['sealed_ms'], $this->contact()['seal']['coats'], (float) $this->contact()['seal']['minutes'],
        ]);
        $texts = function (): string {
            $pour = $this->draft(['formula' => ['base' => 'pr-25', 'additives' => []]], $this->mould);
            $this->post("/pours/{$pour->id}/run")->assertSessionHasNoErrors();
            $list = implode(' ', array_column($this->getJson("/pours/{$pour->id}/state")->json('checklist'), 'text'));
            $this->record($pour, 'given_up', ['fate' => 'waste', 'note' => '']);

            return $list;
        };
        self::assertStringContainsString('Shellac, 2 coats', $texts());
        $this->choose(['sealed_ms' => (int) now()->getTimestampMs()]);
        self::assertStringNotContainsString('Shellac', $texts());
        // Another sealer is another operation.
        $this->choose(['sealed_with' => 'acrylic-spray']);
        self::assertNull($this->contact()['sealed_ms']);
        $this->put($this->url, ['sealed_ms' => (int) now()->addHour()->getTimestampMs()])->assertSessionHasErrors('contact.sealed_ms');
        $this->choose(['sealed_with' => null]);
        $this->put($this->url, ['sealed_ms' => (int) now()->getTimestampMs()])->assertSessionHasErrors('contact.sealed_ms');
    }

    public function test_what_is_cast_in_a_printed_mould_is_judged_by_it_and_the_mould_lies_on_the_rack(): void
    {
        $job = Job::query()->create(['workshop_id' => $this->mould->job->workshop_id, 'name' => 'Grip', 'quantity' => 2]);
        $this->post("/jobs/{$job->id}/impressions", [
            'kind' => 'mould', 'name' => 'Printed mould', 'material' => '', 'surface' => 'print-resin',
        ])->assertSessionHasNoErrors();
        $this->post("/jobs/{$job->id}/impressions", [
            'kind' => 'cast', 'name' => 'Grips', 'material' => 'ur-35', 'from_id' => null,
        ])->assertSessionHasNoErrors();
        [$mould, $cast] = $job->impressions()->get()->all();
        $chain = array_column($this->get("/jobs/{$job->id}")->inertiaProps('job.chain'), null, 'id');

        self::assertSame([true, false, false], [
            $chain[$mould->id]['had'], $chain[$mould->id]['pourable'], $chain[$cast->id]['knows_nothing'],
        ]);
        self::assertSame(['print-resin'], array_column($chain[$cast->id]['contacts'], 'surface'));
        $release = $chain[$cast->id]['contacts'][0]['result']['releases'][0]['id'];
        $this->put("/impressions/{$cast->id}/contacts/link-{$mould->id}", ['release' => $release, 'sealed_with' => 'acrylic-spray']);
        $pour = $this->begun(['formula' => ['base' => 'ur-35', 'additives' => []]], $cast->refresh());
        $made = Mould::query()->where('impression_id', $mould->id)->firstOrFail();
        self::assertSame(['print-resin', [$made->id]], [$made->material, $pour->plan['moulds'] ?? null]);
        $this->get("/rack/{$made->id}")->assertOk();
    }

    public function test_where_no_contact_is_known_that_is_said_and_stands_on_the_checklist(): void
    {
        $job = Job::query()->create(['workshop_id' => $this->mould->job->workshop_id, 'name' => 'Lost', 'quantity' => 1]);
        $cast = $job->impressions()->create(['position' => 0, 'kind' => ImpressionKind::Cast, 'name' => 'Pieces', 'material' => 'pr-10']);
        self::assertTrue($this->get("/jobs/{$job->id}")->inertiaProps('job.chain.0.knows_nothing'));
        $pour = $this->begun([], $cast);
        self::assertStringContainsString(
            'No contact known', implode(' ', array_column($this->getJson("/pours/{$pour->id}/state")->json('checklist'), 'text')),
        );
        self::assertNotNull(Pour::query()->find($pour->id));
    }

    public function test_a_mould_of_wood_is_put_on_the_rack_and_a_base_nobody_knows_is_not(): void
    {
        $this->postJson('/rack', ['name' => 'Turned block', 'material' => 'print-resin'])->assertOk();
        $this->postJson('/rack', [
            'name' => 'Dream', 'material' => 'moonstone',
        ])->assertUnprocessable()->assertJsonPath('error.field', 'material');
        $this->get('/rack')->assertInertia(
            static fn ($page) => $page->where('rack.rows.0.material', static fn (string $name): bool => $name !== 'print-resin'),
        );
    }
}

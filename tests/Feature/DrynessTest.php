<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Build;
use App\Models\Impression;
use App\Models\Mould;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Tests\BuildsGloves;
use Tests\TestCase;

/** Proved dry is the state of a plaster: by the scale, in its build or on the rack, and by nothing else. */
final class DrynessTest extends TestCase
{
    use BuildsGloves;

    /** @return array{Impression, Impression} a plaster mould, and what is cast in it of hot vinyl */
    private function plasterMould(): array
    {
        $mould = $this->impression('mould', 'cp-70');
        $cast = $mould->job->impressions()->create([
            'position' => 9, 'kind' => 'cast', 'name' => 'Lures', 'material' => 'hv-08', 'from_id' => $mould->id,
        ]);

        return [$mould, $cast];
    }

    /** @return array<string, mixed> */
    private function contact(Impression $cast): array
    {
        return array_column(
            array_column($this->get("/jobs/{$cast->job_id}")->assertOk()->inertiaProps('job')['chain'], null, 'id')[$cast->id]['contacts'],
            null, 'with',
        )['Mould'] ?? array_column($this->get("/jobs/{$cast->job_id}")->inertiaProps('job')['chain'], null, 'id')[$cast->id]['contacts'][0];
    }

    private function weigh(Mould $mould, float $grams): void
    {
        $this->postJson("/rack/{$mould->id}/facts", [
            'key' => 'w-'.(++$this->told), 'kind' => 'weighed', 'payload' => ['mass_g' => $grams],
        ])->assertOk();
    }

    public function test_hot_vinyl_waits_for_a_plaster_mould_on_the_rack_until_the_scale_has_proved_it(): void
    {
        [$link, $cast] = $this->plasterMould();
        $mould = Mould::query()->create([
            'job_id' => $link->job_id, 'impression_id' => $link->id, 'name' => 'Lure mould',
            'parts' => [['name' => 'Mould', 'role' => 'whole', 'pour_id' => null, 'base' => 'cp-70']], 'material' => 'cp-70',
            'made_at' => CarbonImmutable::now()->subDays(9),
        ]);
        $contact = $this->contact($cast);
        self::assertSame(
            ['stop', true, null, true],
            [$contact['result']['verdict'], $contact['holds_water'], $contact['proved_dry_ms'], $contact['certain']],
            'Nine days are no proof.',
        );

        $edition = $cast->refresh()->edition;
        $ways = $this->getJson("/impressions/{$cast->id}/contacts/{$contact['key']}/ways")->assertOk()->json('ways');
        $own = array_values(array_filter($ways, static fn (array $way): bool => $way['kind'] === 'wait'));
        self::assertSame('prove-dry', $own[0]['steps'][0]['id']);
        $this->post("/impressions/{$cast->id}/contacts/{$contact['key']}/way?edition={$edition}", [
            'steps' => $own[0]['steps'],
        ])->assertSessionHasNoErrors();
        self::assertStringContainsString('weigh it', (string) session('said'));
        self::assertSame('stop', $this->contact($cast)['result']['verdict'], 'Taking a way out plans it; only doing it makes it so.');

        $this->weigh($mould, 1250.0);
        $this->travel(90)->minutes();
        $this->weigh($mould, 1250.0);
        self::assertSame('stop', $this->contact($cast)['result']['verdict'], 'Nor is an hour and a half.');
        self::assertNull($this->get("/rack/{$mould->id}")->inertiaProps('mould')['dry']['state'], 'Two weighings tell nothing yet.');
        $this->travel(11)->hours();
        $this->weigh($mould, 1249.9);
        self::assertSame('dry', $this->get("/rack/{$mould->id}")->inertiaProps('mould')['dry']['state']);
        $contact = $this->contact($cast);
        self::assertSame('clear', $contact['result']['verdict'], 'Its pores are to be closed, and that stands on the checklist.');
        self::assertNotNull($contact['proved_dry_ms']);

        // Washed, it is wet again, whatever it weighed before.
        $this->postJson("/rack/{$mould->id}/facts", ['key' => 'washed', 'kind' => 'cared', 'payload' => ['act' => 'washed']])->assertOk();
        self::assertSame('stop', $this->contact($cast)['result']['verdict']);
    }

    public function test_a_weighing_keeps_the_step_of_the_scale_it_was_made_on(): void
    {
        [$link] = $this->plasterMould();
        $mould = Mould::query()->create([
            'job_id' => $link->job_id, 'impression_id' => $link->id, 'name' => 'Lure mould',
            'parts' => [['name' => 'Mould', 'role' => 'whole', 'pour_id' => null, 'base' => 'cp-70']], 'material' => 'cp-70',
            'made_at' => CarbonImmutable::now()->subDays(9),
        ]);
        $shop = app(Workshop::class);
        $shop->update(['scale_division_g' => 1.0, 'scale_capacity_g' => 6000.0]);
        foreach ([1262.0, 1251.0, 1250.0] as $grams) {
            $this->weigh($mould, $grams);
            $this->travel(13)->hours();
        }
        $state = fn (): ?string => $this->get("/rack/{$mould->id}")->inertiaProps('mould')['dry']['state'];
        self::assertSame('dry', $state(), 'A gram is nothing on a kitchen scale.');
        $shop->update(['scale_division_g' => 0.1]);
        self::assertSame('dry', $state(), 'A finer scale bought since changes nothing of what was weighed.');
    }

    public function test_a_positive_weighed_in_its_build_is_held_against_what_was_poured(): void
    {
        $copy = $this->impression('copy', 'cp-70');
        $this->post("/impressions/{$copy->id}/builds", [
            'kind' => 'plaster-positive', 'measured' => ['ml' => 500],
        ])->assertSessionHasNoErrors();
        $build = Build::query()->where('impression_id', $copy->id)->firstOrFail();
        $this->tell($build, 'done', ['op' => 'soap'])->assertOk();
        $pour = $this->mixed($build, 'pour');
        $this->travel(2)->hours();
        $this->tell($build, 'done', ['op' => 'open'])->assertOk();
        $expected = 1.186 * (float) $pour->weighed_g * 100.0 / 170.0;

        $say = fn (float $grams): array => $this->tell($build, 'weighed', ['op' => 'dry', 'mass_g' => $grams])->assertOk()->json();
        $say((float) $pour->weighed_g * 0.99);
        $this->travel(20)->hours();
        $say((float) $pour->weighed_g * 0.95);
        $this->travel(20)->hours();
        $dry = array_column($say((float) $pour->weighed_g * 0.91)['operations'], null, 'id')['dry']['dry'];
        self::assertEqualsWithDelta($expected, $dry['expected_g'] ?? 0.0, 0.01 * $expected);
        self::assertSame(['wet', null], [$dry['state'], $dry['at_ms']], 'That is how wet plaster dries: no forecast.');
        $this->travel(6)->days();
        $say($expected * 1.004);
        self::assertNull(Impression::query()->findOrFail($copy->id)->proved_dry_at);
        $this->travel(13)->hours();
        $dry = array_column($say($expected * 1.004)['operations'], null, 'id')['dry']['dry'];
        self::assertSame('dry', $dry['state']);
        self::assertNotNull(Impression::query()->findOrFail($copy->id)->proved_dry_at);
    }

    public function test_an_original_weighed_before_it_is_sealed_is_proved_dry_for_the_urethane_that_goes_on_it(): void
    {
        $original = $this->impression('original', '');
        $original->update(['surface' => 'plaster']);
        $mould = $original->job->impressions()->create([
            'position' => 5, 'kind' => 'mould', 'name' => 'Glove', 'material' => 'ub-40',
            'contacts' => ["link-{$original->id}" => ['release' => 'paste-wax', 'sealed_with' => 'shellac']],
        ]);
        $this->post("/impressions/{$mould->id}/builds", [
            'kind' => 'glove-urethane', 'measured' => self::MEASURED,
        ])->assertSessionHasNoErrors();
        $build = Build::query()->where('impression_id', $mould->id)->firstOrFail();
        $verdict = fn (): string => array_column(
            $this->get("/jobs/{$mould->job_id}")->inertiaProps('job')['chain'], null, 'id',
        )[$mould->id]['contacts'][0]['result']['verdict'];
        self::assertSame('test-first', $verdict());
        foreach ([3210.0, 3209.9] as $grams) {
            $this->tell($build, 'weighed', ['op' => 'dry', 'mass_g' => $grams])->assertOk();
            $this->travel(13)->hours();
        }
        self::assertNotSame('test-first', $verdict(), 'The proof lifts the test.');
        self::assertNull($mould->refresh()->proved_dry_at, 'It is of the original, not of the glove.');
        $this->tell($build, 'undone', ['of' => $this->look($build)['take_back']['of']])->assertOk();
        self::assertSame('test-first', $verdict());
    }

    public function test_a_print_that_was_warmed_in_its_build_is_so_for_its_contact_until_it_is_taken_back(): void
    {
        $mould = $this->impression('mould', '');
        $mould->update(['surface' => 'print-resin', 'material' => 'printed resin']);
        $cast = $mould->job->impressions()->create([
            'position' => 9, 'kind' => 'cast', 'name' => 'Collars', 'material' => 'pr-10', 'from_id' => $mould->id,
        ]);
        $this->post("/impressions/{$cast->id}/builds", ['kind' => 'printed-one', 'measured' => ['ml' => 80]])->assertSessionHasNoErrors();
        $build = Build::query()->where('impression_id', $cast->id)->firstOrFail();
        self::assertSame('stop', $this->contact($cast)['result']['verdict']);
        foreach (['wash' => 40, 'lamp' => 30, 'warm' => 200] as $op => $minutes) {
            $this->tell($build, 'done', ['op' => $op, 'early' => 'a test need not wait'])->assertOk();
            $this->travel($minutes)->minutes();
        }
        $contact = $this->contact($cast);
        self::assertSame([true, 'test-first'], [$contact['post_cured'], $contact['result']['verdict']]);
        $look = $this->look($build);
        $this->tell($build, 'undone', ['of' => $look['take_back']['of']])->assertOk();
        self::assertSame('stop', $this->contact($cast)['result']['verdict']);
    }

    public function test_a_plan_of_before_said_in_its_name_what_a_check_asks_and_says_it_as_data_from_now_on(): void
    {
        $link = $this->impression('mould', 'cp-70');
        $check = static fn (string $id, string $name, array $more = []): array => [
            'id' => $id, 'kind' => 'check', 'name' => $name, 'minutes' => 2.0, 'uses' => [], 'after' => [], 'mix' => null, 'how' => '',
            'cautions' => [], 'care' => [], ...$more,
        ];
        $build = Build::query()->create([
            'impression_id' => $link->id, 'kind' => 'own', 'name' => 'Of before', 'created_at' => CarbonImmutable::now(),
            'plan' => ['operations' => [
                $check('a', 'Dry: weigh it until it stands still'), $check('b', 'Is the original dry?', ['care' => ['dry']]),
                $check('c', 'Look at the drying oven’s door'), [...$check('d', 'Wash it, let it dry'), 'kind' => 'prepare'],
            ], 'measured' => null],
        ]);
        $migration = require database_path('migrations/2026_12_20_000000_one_word_one_thing.php');
        $migration->down();
        $migration->up();

        self::assertSame(
            ['a'],
            array_column(
                array_filter($build->refresh()->plan['operations'] ?? [], static fn (array $one): bool => isset($one['weighed'])), 'id',
            ),
        );
    }

    public function test_a_maker_says_of_a_check_that_the_scale_answers_it_whatever_it_is_called(): void
    {
        $build = $this->glove();
        $shown = fn (): array => array_column($this->get("/builds/{$build->id}")->assertOk()->inertiaProps('build')['operations'], null, 'id');
        $written = array_map(static fn (array $one): array => [
            ...array_intersect_key($one, array_flip(['id', 'kind', 'name', 'how', 'minutes', 'uses', 'after', 'mix'])),
            'cautions' => $one['own_cautions'], 'care' => $one['acts'], 'weighed' => $one['weighed'],
        ], array_values($shown()));
        $check = [
            'id' => 'look', 'kind' => 'check', 'name' => 'Tap it: does it ring?', 'how' => '', 'minutes' => 2, 'uses' => ['hands'],
            'after' => [], 'mix' => null, 'cautions' => [], 'care' => [],
        ];
        $kept = fn (bool $weighed, int $was) => $this->tell($build, 'changed', [
            'operations' => [[...$check, 'weighed' => $weighed], ...$written], 'was' => $was,
        ])->assertOk();

        $kept(false, 0);
        self::assertSame([false, null], [$shown()['look']['weighed'], $shown()['look']['dry']]);
        $kept(true, 1);
        self::assertTrue($shown()['look']['weighed']);
        self::assertNotNull($shown()['look']['dry'], 'Its weighings can be written down.');
    }
}

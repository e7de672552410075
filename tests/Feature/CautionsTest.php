<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Build\Measured;
use Apalos\Core\Input\BadInput;
use App\Builds\BuildBook;
use App\Builds\RecordedBuild;
use App\Builds\StepHazards;
use App\Library\Library;
use App\Models\Build;
use App\Models\Pour;
use Carbon\CarbonImmutable;
use Tests\BuildsGloves;
use Tests\TestCase;

/** Cautions stand where the hand is, and uses ask for more than a shop can know. */
final class CautionsTest extends TestCase
{
    use BuildsGloves;

    /** Every step of every build with every base: each hazard of what it touches is there, and has words. */
    public function test_every_hazard_of_what_a_step_touches_stands_on_that_step(): void
    {
        $library = app(Library::class);
        $book = app(BuildBook::class);
        $hazards = app(StepHazards::class);
        $impression = $this->impression('mould', 'pr-10');
        [$steps, $known] = [0, $library->cautions()];
        foreach ($library->builds() as $made) {
            foreach ($library->shelf()->bases as $code => $base) {
                try {
                    $plan = $made->plan(new Measured(60_000.0, 5_000.0, 10.0, 400.0), $base, $book->times($base));
                } catch (BadInput) {
                    continue;
                }
                $impression->setAttribute('material', (string) $code);
                $build = (new Build)->forceFill([
                    'id' => 0, 'workshop_id' => $impression->workshop_id, 'impression_id' => $impression->id, 'kind' => $made->id,
                    'name' => $made->name, 'plan' => $plan->toArray(), 'created_at' => CarbonImmutable::now(),
                ]);
                $build->setRelation('impression', $impression->loadMissing('job'));
                $recorded = RecordedBuild::of($build, CarbonImmutable::now());
                foreach ($plan->operations as $operation) {
                    $said = $hazards->of($recorded, $operation);
                    $of = $operation->mixing === null ? null : $library->shelf()->bases[$operation->mixing->base ?? (string) $code];
                    $touched = [...$operation->cautions, ...$of->hazards ?? []];
                    self::assertSame([], array_values(array_diff($touched, $said)), "{$made->id} of {$code}: {$operation->name}");
                    self::assertSame(
                        [], array_values(array_filter($said, static fn (string $id): bool => ! isset($known[$id]))),
                        "{$made->id} of {$code}: {$operation->name} has a caution without words",
                    );
                    $steps++;
                }
            }
        }
        self::assertGreaterThan(1_000, $steps);
    }

    public function test_what_is_weighed_into_a_mix_and_put_on_brings_its_own(): void
    {
        $build = $this->glove();
        $titles = fn (string $operation): array => array_column($this->operation($build, $operation)['cautions'], 'title');
        self::assertContains('Plaster', $titles('jacket'));
        $mould = $this->impression('mould', 'sx-25');
        $this->post("/impressions/{$mould->id}/builds", [
            'kind' => 'starch-putty', 'measured' => ['ml' => 100],
        ])->assertSessionHasNoErrors();
        $putty = Build::query()->where('impression_id', $mould->id)->firstOrFail();
        self::assertContains(
            'Dust', array_column($this->operation($putty, 'press')['cautions'], 'title'), 'Starch is dust while it is loose.',
        );
    }

    public function test_what_a_piece_is_for_is_said_on_the_job_and_asked_before_every_cast_and_never_clears_itself(): void
    {
        $cast = $this->impression('cast', 'pr-10');
        $job = $cast->job;
        $this->put("/jobs/{$job->id}?edition={$job->edition}", [
            'name' => $job->name, 'quantity' => 1, 'skin' => true, 'uses' => ['food', 'toy'],
        ])->assertSessionHasNoErrors();
        $uses = $this->get("/jobs/{$job->id}")->inertiaProps('job')['uses'];
        self::assertSame(['skin', 'food', 'toy'], array_column($uses, 'id'));
        self::assertStringContainsString('supplier', $uses[1]['ask']);
        $job->refresh();
        $this->put("/jobs/{$job->id}?edition={$job->edition}", [
            'name' => $job->name, 'quantity' => 1, 'uses' => ['moon'],
        ])->assertSessionHasErrors('uses.0');

        for ($i = 0; $i < 2; $i++) {
            $this->post("/impressions/{$cast->id}/pours")->assertSessionHasNoErrors();
            $pour = Pour::query()->latest('id')->firstOrFail();
            $sheet = $this->get("/pours/{$pour->id}")->inertiaProps('pour')['sheet'];
            $sheet['volume'] = ['method' => 'capacity', 'capacity_ml' => 120, 'allowance_pct' => 5];
            $sheet['formula'] = ['base' => 'pr-10', 'additives' => []];
            $this->putJson("/pours/{$pour->id}/sheet", $sheet)->assertOk();
            $this->post("/pours/{$pour->id}/run")->assertSessionHasNoErrors();
            $asked = array_column($this->getJson("/pours/{$pour->id}/state")->json('checklist'), 'done', 'id');
            self::assertSame([false, false, false], [$asked['use-skin'], $asked['use-food'], $asked['use-toy']]);
        }
    }

    /** Vacuum is read before the pump is on, and heat before the pot; what is worn is said at the beginning, all of it. */
    public function test_a_caution_of_a_run_stands_on_the_step_of_its_act_and_once(): void
    {
        $mould = $this->impression('mould', 'pr-25');
        $cast = $mould->job->impressions()->create([
            'position' => 9, 'kind' => 'cast', 'name' => 'Grips', 'material' => 'ur-35', 'from_id' => $mould->id,
            'contacts' => ["link-{$mould->id}" => ['release' => 'wax-spray']],
        ]);
        $this->post("/impressions/{$cast->id}/pours")->assertSessionHasNoErrors();
        $pour = Pour::query()->latest('id')->firstOrFail();
        $sheet = $this->get("/pours/{$pour->id}")->inertiaProps('pour')['sheet'];
        $sheet['volume'] = ['method' => 'capacity', 'capacity_ml' => 1500, 'allowance_pct' => 5];
        $sheet['formula'] = ['base' => 'ur-35', 'additives' => []];
        $sheet['plan']['vessel'] = ['capacity_ml' => 2000, 'tare_g' => 0, 'degas' => true, 'rise_factor' => 3];
        $sheet['plan']['degas_min'] = 3;
        $this->putJson("/pours/{$pour->id}/sheet", $sheet)->assertOk();
        $this->post("/pours/{$pour->id}/run")->assertSessionHasNoErrors();
        $told = [];
        $gear = $this->getJson("/pours/{$pour->id}/state")->json('gear');
        for ($i = 0; $i < 80; $i++) {
            $state = $this->getJson("/pours/{$pour->id}/state")->json();
            foreach ($state['cautions'] as $caution) {
                $told[$caution['id']][$state['step']['key']] = true;
            }
            $kind = $state['step']['kind'];
            if ($kind === 'wait') {
                break;
            }
            foreach ($kind === 'contacts' ? $state['checklist'] : [] as $item) {
                $this->record($pour, 'checked', ['item' => $item['id']])->assertOk();
            }
            $this->record($pour, $kind === 'weigh' ? 'weighed' : 'confirmed', [
                'step' => $state['step']['key'], ...($kind === 'weigh' ? ['reading_g' => $state['line']['running']] : []),
            ])->assertOk();
        }
        self::assertSame(['0:gear'], array_keys($told['isocyanate']));
        self::assertSame(['1:degas'], array_keys($told['vacuum']), 'Of several cups, before the first.');
        self::assertSame(['0:contacts'], array_keys($told['solvent'] ?? []), 'The release is sprayed while the list is ticked off.');
        self::assertContains('Eye protection', $gear);
        self::assertNotContains([], $told);
    }

    public function test_what_is_under_way_and_known_to_hurt_now_says_so_and_changes_no_record(): void
    {
        $mould = $this->impression('mould', 'pr-25');
        $cast = $mould->job->impressions()->create([
            'position' => 9, 'kind' => 'cast', 'name' => 'Lures', 'material' => 'hv-08', 'from_id' => $mould->id,
        ]);
        $this->post("/impressions/{$cast->id}/pours")->assertSessionHasNoErrors();
        $pour = Pour::query()->latest('id')->firstOrFail();
        $sheet = $this->get("/pours/{$pour->id}")->inertiaProps('pour')['sheet'];
        $sheet['volume'] = ['method' => 'capacity', 'capacity_ml' => 120, 'allowance_pct' => 5];
        $sheet['formula'] = ['base' => 'hv-08', 'additives' => []];
        $this->putJson("/pours/{$pour->id}/sheet", $sheet)->assertOk();
        $this->post("/pours/{$pour->id}/run")->assertSessionHasNoErrors();
        self::assertSame([], $this->get("/pours/{$pour->id}/run")->inertiaProps('hurts'));
        $before = $pour->refresh()->plan;

        $mould->update(['material' => 'cp-70']);
        $hurts = $this->get("/pours/{$pour->id}/run")->assertOk()->inertiaProps('hurts');
        self::assertStringContainsString('steam', $hurts[0] ?? '');
        self::assertEquals($before, $pour->refresh()->plan);
    }

    public function test_which_of_what_is_worn_are_gloves_is_said_and_not_read_out_of_a_word(): void
    {
        foreach (app(Library::class)->cautions() as $id => $caution) {
            isset($caution['gloves']) && self::assertContains($caution['gloves'], $caution['gear'], $id);
            self::assertSame(
                array_filter($caution['gear'], static fn (string $gear): bool => stripos($gear, 'glove') !== false) !== [],
                isset($caution['gloves']), $id,
            );
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Build;
use App\Models\Pour;
use App\Models\Workshop;
use Tests\BuildsGloves;
use Tests\TestCase;

/** Each shop ticks its own school under *This bench*, and answers follow. */
final class SchoolsTest extends TestCase
{
    use BuildsGloves;

    /** @param  array<string, string>  $schools */
    private function hold(array $schools): \Illuminate\Testing\TestResponse
    {
        return $this->putJson('/workshop?edition='.Workshop::query()->firstOrFail()->edition, ['schools' => $schools]);
    }

    public function test_the_schools_are_asked_kept_and_shown(): void
    {
        self::assertContains('putty', array_column($this->getJson('/workshop/schools')->assertOk()->json('schools'), 'id'));
        self::assertSame(['putty' => 'soap'], $this->hold(['putty' => 'soap'])->assertOk()->json('workshop.schools'));
        $this->hold(['putty' => 'butter'])->assertUnprocessable()->assertJsonPath('error.field', 'schools.putty');
        self::assertSame(['putty' => 'soap'], Workshop::query()->firstOrFail()->schools);
    }

    public function test_putty_under_soapy_water_weighs_no_starch_and_a_run_that_began_stays_as_it_was(): void
    {
        $mould = $this->impression('mould', 'sx-25');
        $this->post("/impressions/{$mould->id}/builds", [
            'kind' => 'starch-putty', 'measured' => ['ml' => 200],
        ])->assertSessionHasNoErrors();
        $build = Build::query()->where('impression_id', $mould->id)->firstOrFail();
        $this->tell($build, 'done', ['op' => 'wet'])->assertOk();
        $pour = $this->sheetOf($build, 'press');
        self::assertSame(
            ['st-1'], array_column($this->get("/pours/{$pour->id}")->inertiaProps('pour')['sheet']['formula']['additives'], 'code'),
        );

        $this->hold(['putty' => 'soap'])->assertOk();
        $this->app->forgetScopedInstances();
        self::assertSame(
            [], $this->get("/pours/{$pour->id}")->inertiaProps('pour')['sheet']['formula']['additives'], 'What is not weighed follows.',
        );
        $this->post("/pours/{$pour->id}/run")->assertSessionHasNoErrors();
        $title = fn (): string => Pour::query()->whereKey($pour->id)->exists()
            ? $this->getJson("/pours/{$pour->id}/state")->json('worked.mix.title')
            : '';
        self::assertSame('Knead it under the soapy water', $title());
        $this->hold(['putty' => 'starch'])->assertOk();
        self::assertSame('Knead it under the soapy water', $title(), 'Begun means frozen.');
    }

    public function test_a_tin_mould_is_baked_before_resin_where_the_shop_holds_that(): void
    {
        $this->hold(['tin-resin' => 'bake'])->assertOk();
        $mould = $this->impression('mould', 'tr-25');
        $cast = $mould->job->impressions()->create([
            'position' => 9, 'kind' => 'cast', 'name' => 'Knobs', 'material' => 'rf-70', 'from_id' => $mould->id,
        ]);
        $this->post("/impressions/{$cast->id}/pours")->assertSessionHasNoErrors();
        $pour = Pour::query()->latest('id')->firstOrFail();
        $sheet = $this->get("/pours/{$pour->id}")->inertiaProps('pour')['sheet'];
        $sheet['volume'] = ['method' => 'capacity', 'capacity_ml' => 60, 'allowance_pct' => 5];
        $sheet['formula'] = ['base' => 'rf-70', 'additives' => []];
        $this->putJson("/pours/{$pour->id}/sheet", $sheet)->assertOk();
        $this->post("/pours/{$pour->id}/run")->assertSessionHasNoErrors();
        self::assertStringContainsString(
            'baked for some hours', implode(' ', array_column($this->getJson("/pours/{$pour->id}/state")->json('checklist'), 'text')),
        );
    }
}

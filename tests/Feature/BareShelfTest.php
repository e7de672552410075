<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\FormulaVersion;
use Tests\MakesSwatches;
use Tests\TestCase;

/** A house code that was on the shelf once and is there no more: what was made of it stays, and nothing is worked out with it. */
final class BareShelfTest extends TestCase
{
    use MakesSwatches;

    private function gone(string $base = 'zz-1', string $additive = 'sf-1'): FormulaVersion
    {
        $formula = $this->workshop->formulas()->create(['name' => 'Last year’s gel', 'kind' => 'mix']);

        return $formula->versions()->create(['number' => 1, 'recipe' => self::recipe($base, [[$additive, 30, 'pct_of_ab', 'after']])]);
    }

    public function test_its_swatch_stays_in_the_drawer_with_what_was_read(): void
    {
        $swatch = $this->workshop->swatches()->create([
            'formula_version_id' => $this->gone()->id, 'name' => 'Old puck', 'poured_at' => $this->now->subYear(),
        ]);
        $swatch->readings()->create(['kind' => 'hardness', 'at' => $this->now->subMonths(11), 'scale' => '00', 'readings' => [22, 23, 22]]);
        $drawer = $this->get('/swatches/drawer')->assertOk()->inertiaPage()['props']['drawer'];

        self::assertSame(['Old puck', 'no longer on the shelf', '00-22'], [
            $drawer['swatches'][0]['name'], $drawer['swatches'][0]['base'], $drawer['swatches'][0]['hardness']['written'],
        ]);
        self::assertSame(
            'Old puck', $this->get('/swatches/drawer?hardness=00-20')->inertiaPage()['props']['drawer']['swatches'][0]['name'],
            'Found by what it reads.',
        );
    }

    public function test_it_moves_no_curve_and_no_colour(): void
    {
        $this->puck(30, '00', 43);
        $ask = fn (): array => $this->postJson('/swatches/hardness', [
            'base' => 'pr-10', 'softener' => 'sf-1', 'target' => ['scale' => '00', 'reading' => 30],
        ])
            ->assertOk()
            ->json('harden');
        $before = $ask();
        $swatch = $this->workshop->swatches()->create([
            'formula_version_id' => $this->gone('pr-10', 'zz-9')->id, 'name' => 'Puck with something', 'poured_at' => $this->now->subYear(),
            'thickness_mm' => 8,
        ]);
        $swatch->readings()->create(['kind' => 'hardness', 'at' => $this->now->subMonths(11), 'scale' => '00', 'readings' => [5]]);

        self::assertSame($before, $ask());
        $this->get('/swatches/colour')->assertOk();
    }

    public function test_its_formula_can_be_read_and_is_not_poured(): void
    {
        $version = $this->gone();
        $this->get('/formulas')->assertOk();
        $this->get("/formulas/{$version->formula_id}")->assertOk();

        $said = $this->postJson('/formulas/reckon', ['recipe' => $version->recipe])->assertUnprocessable()->json('error.message');
        self::assertStringContainsString('zz-1', (string) $said);
        $this->from('/formulas')
            ->post("/versions/{$version->id}/pour", ['impression_id' => $this->impression()->id, 'mass_g' => 100])
            ->assertRedirect('/formulas')
            ->assertSessionHasErrors('pour');
        self::assertSame(0, \App\Models\Pour::query()->count(), 'Nothing is weighed of what nobody knows.');
    }
}

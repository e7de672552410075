<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Build;
use App\Models\Pour;
use Tests\BuildsGloves;
use Tests\TestCase;

/** Plan and sheet are one: what is not weighed follows the plan, what was changed by hand stays and is said. */
final class PlanAndSheetTest extends TestCase
{
    use BuildsGloves;

    /** @param  array<string, mixed>  $mix */
    private function change(Build $build, string $operation, array $mix): void
    {
        $look = $this->look($build);
        $operations = array_map(static fn (array $op): array => [
            ...array_intersect_key($op, array_flip(['id', 'kind', 'name', 'how', 'minutes', 'uses'])),
            'after' => array_map(
                static fn (array $wait): array => array_filter($wait, static fn (mixed $v): bool => $v !== null), $op['after'],
            ),
            'cautions' => $op['own_cautions'], 'care' => $op['acts'],
            'mix' => $op['mix'] === null
                ? null
                : array_filter([...$op['mix'], ...$op['id'] === $operation ? $mix : []], static fn (mixed $v): bool => $v !== null),
        ], $look['operations']);
        $this->tell($build, 'changed', ['operations' => $operations, 'was' => $look['edition']])->assertOk();
    }

    /** @return array<string, mixed> */
    private function shown(Pour $pour): array
    {
        return $this->get("/pours/{$pour->id}")->assertOk()->inertiaProps('pour');
    }

    public function test_a_sheet_follows_thickness_area_and_tint_until_it_is_begun_and_says_so(): void
    {
        $build = $this->glove();
        $coat = $this->sheetOf($build, 'coat3');
        self::assertSame([[], []], [$this->shown($coat)['build']['follows'], $this->shown($coat)['build']['by_hand']]);
        $this->change($build, 'coat3', ['thickness_mm' => 2.5, 'area_mm2' => 50_000, 'tint' => 'fawn']);

        $pour = $this->shown($coat);
        self::assertEquals(
            ['method' => 'coats', 'area_mm2' => 50_000, 'coats' => [['thickness_mm' => 2.5]], 'allowance_pct' => 12],
            $pour['sheet']['volume'],
        );
        self::assertContains('pi-fawn', array_column($pour['sheet']['formula']['additives'], 'code'));
        self::assertNotContains('pi-bone', array_column($pour['sheet']['formula']['additives'], 'code'));
        self::assertCount(3, $pour['build']['follows']);
        self::assertStringContainsString('2.5 mm', implode(' ', $pour['build']['follows']));
    }

    public function test_what_was_changed_by_hand_stays_and_is_marked(): void
    {
        $build = $this->glove();
        $coat = $this->sheetOf($build, 'coat3');
        $sheet = $this->shown($coat)['sheet'];
        data_set($sheet, 'volume.coats.0.thickness_mm', 3.1);
        $this->putJson("/pours/{$coat->id}/sheet", $sheet)->assertOk();
        $this->change($build, 'coat3', ['thickness_mm' => 2.5, 'tint' => 'fawn']);

        $pour = $this->shown($coat);
        self::assertEqualsWithDelta(3.1, $pour['sheet']['volume']['coats'][0]['thickness_mm'], 1e-9);
        self::assertContains(
            'pi-fawn', array_column($pour['sheet']['formula']['additives'], 'code'), 'What was not touched follows all the same.',
        );
        self::assertCount(1, $pour['build']['by_hand']);
    }

    public function test_a_plan_that_changes_under_an_open_sheet_is_shown_before_it_is_begun(): void
    {
        $build = $this->glove();
        $this->prepared($build);
        $this->travel(12)->minutes();
        $print = $this->sheetOf($build, 'print');
        $edition = $print->refresh()->edition;
        $this->change($build, 'print', ['thickness_mm' => 1.4]);
        $this->post("/pours/{$print->id}/run?edition={$edition}")->assertSessionHasErrors('sheet');
        self::assertNull($print->refresh()->started_at);
        $this->post("/pours/{$print->id}/run")->assertSessionHasNoErrors();
        self::assertEqualsWithDelta(1.4, $print->refresh()->sheet['volume']['coats'][0]['thickness_mm'], 1e-9);
    }

    public function test_the_formula_of_the_piece_runs_through_its_operations_until_it_is_changed(): void
    {
        $cast = $this->impression('cast', 'pr-10');
        $this->post("/impressions/{$cast->id}/builds", [
            'kind' => 'core-and-shell', 'measured' => ['ml' => 500],
        ])->assertSessionHasNoErrors();
        $build = Build::query()->where('impression_id', $cast->id)->firstOrFail();
        $hold = $this->sheetOf($build, 'hold');
        $sheet = $this->shown($hold)['sheet'];
        $sheet['formula']['additives'] = [
            ['code' => 'sf-1', 'amount' => 40, 'basis' => 'pct_of_ab', 'into' => 'after'],
            ['code' => 'fl-red', 'amount' => 0.3, 'basis' => 'pct_of_ab', 'into' => 'b'],
        ];
        $this->putJson("/pours/{$hold->id}/sheet", $sheet)->assertOk();

        $rest = $this->sheetOf($build, 'pour');
        self::assertSame(['sf-1', 'fl-red'], array_column($this->shown($rest)['sheet']['formula']['additives'], 'code'));
        $sheet['formula']['additives'][0]['amount'] = 55;
        $this->putJson("/pours/{$hold->id}/sheet", $sheet)->assertOk();
        self::assertEqualsWithDelta(
            55.0, $this->shown($rest)['sheet']['formula']['additives'][0]['amount'], 1e-9, 'It runs through as it is now.',
        );

        $own = $this->shown($rest)['sheet'];
        $own['formula']['additives'] = [];
        $this->putJson("/pours/{$rest->id}/sheet", $own)->assertOk();
        $sheet['formula']['additives'][0]['amount'] = 60;
        $this->putJson("/pours/{$hold->id}/sheet", $sheet)->assertOk();
        self::assertSame([], $this->shown($rest)['sheet']['formula']['additives'], 'Changed by hand it runs its own way.');
    }

    public function test_a_coat_without_an_area_is_doubted_aloud(): void
    {
        $build = $this->glove();
        $this->change($build, 'coat3', ['area_mm2' => null]);
        self::assertContains('no_area', array_column($this->look($build)['doubts'], 'code'));
    }

    public function test_cautions_and_cares_survive_a_change_of_plan(): void
    {
        $build = $this->glove();
        $before = $this->operation($build, 'jacket');
        $this->change($build, 'jacket', ['thickness_mm' => 25]);
        $after = $this->operation($build, 'jacket');
        self::assertSame([$before['own_cautions'], ['release']], [$after['own_cautions'], $this->operation($build, 'fence')['acts']]);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Build;
use App\Models\Pour;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\BuildsGloves;
use Tests\TestCase;

/** A weigh-up is done, and said, as its process is: what goes into it is weighed, what flies past is reckoned in. */
final class WorkedTest extends TestCase
{
    use BuildsGloves;

    /** @param  array<string, float>  $measured */
    private function built(string $link, string $material, string $kind, array $measured): Build
    {
        $impression = $this->impression($link, $material);
        $this->post("/impressions/{$impression->id}/builds", ['kind' => $kind, 'measured' => $measured])->assertSessionHasNoErrors();

        return Build::query()->where('impression_id', $impression->id)->firstOrFail();
    }

    public function test_starch_is_weighed_with_the_silicone_and_the_plan_still_stands(): void
    {
        $build = $this->built('mould', 'sx-25', 'starch-putty', ['ml' => 200]);
        $pour = $this->sheetOf($build, 'press');
        $additives = $this->get("/pours/{$pour->id}")->inertiaProps('pour')['sheet']['formula']['additives'];
        self::assertSame(['st-1'], array_column($additives, 'code'));
        self::assertEqualsWithDelta(65.0, $additives[0]['amount'], 1e-9, 'As much as the silicone by volume is two thirds by weight.');
        self::assertSame([], $this->get("/pours/{$pour->id}")->inertiaProps('pour')['build']['by_hand']);
    }

    /** By another route: 80,000 mm² of 0.2 mm are 16 ml that lie, and as much again flies past; one part of film, three of solvent. */
    public function test_film_is_weighed_with_its_solvent_and_half_of_it_flies_past(): void
    {
        $build = $this->built('cast', 'pr-10', 'appliance', ['area_mm2' => 80_000, 'ml' => 60]);
        self::assertSame(
            ['clean', 'film', 'mist-2', 'mist-3', 'mist-4', 'fill', 'close', 'open', 'back', 'back-2', 'trim'],
            array_column($this->look($build)['operations'], 'id'),
        );
        $pour = $this->sheetOf($build, 'film');
        $sheet = $this->get("/pours/{$pour->id}")->inertiaProps('pour')['sheet'];
        self::assertEqualsWithDelta(100.0, $sheet['volume']['allowance_pct'], 1e-9);
        self::assertSame(['fs-1'], array_column($sheet['formula']['additives'], 'code'));
        $parts = $this->get("/pours/{$pour->id}")->inertiaProps('reckoning')['mix']['parts'];
        self::assertEqualsWithDelta(3.0, $parts['fs-1'] / $parts['A'], 1e-3);
        self::assertEqualsWithDelta(32.0, $parts['A'] / 0.88 + $parts['fs-1'] / 0.87, 0.4);
    }

    /** @return iterable<string, array{string, string, list<string>, string}> */
    public static function processes(): iterable
    {
        yield 'plaster' => ['cp-70', 'Sift, slake, then stir', ['Powder met water'], 'starts when powder meets water'];
        yield 'putty' => ['pp-45', 'Knead it into one colour', ['The doughs met'], 'starts when the doughs meet'];
        yield 'two parts' => ['pr-10', 'Mix it into one colour', ['A met B'], 'starts when A meets B'];
    }

    /** @param  list<string>  $met */
    #[DataProvider('processes')]
    public function test_a_run_says_its_own_steps_from_plan_to_history(string $base, string $mix, array $met, string $starts): void
    {
        $cast = $this->impression('cast', $base);
        $pour = $this->plainPour($cast, $base, 120.0);
        $run = $this->get("/pours/{$pour->id}/run")->assertOk()->inertiaProps('run');
        self::assertSame([$mix, $starts], [$run['worked']['mix']['title'], $run['worked']['starts']]);
        self::assertSame($met[0], $this->getJson("/pours/{$pour->id}/history")->json('met'));
        self::assertSame($base === 'pr-10', $run['worked']['premix'] !== null);
    }

    private function plainPour(\App\Models\Impression $cast, string $base, float $ml): Pour
    {
        $this->post("/impressions/{$cast->id}/pours")->assertSessionHasNoErrors();
        $pour = Pour::query()->latest('id')->firstOrFail();
        $sheet = $this->get("/pours/{$pour->id}")->inertiaProps('pour')['sheet'];
        $sheet['volume'] = ['method' => 'capacity', 'capacity_ml' => $ml, 'allowance_pct' => 5];
        $sheet['formula'] = ['base' => $base, 'additives' => []];
        $this->putJson("/pours/{$pour->id}/sheet", $sheet)->assertOk();
        $this->post("/pours/{$pour->id}/run")->assertSessionHasNoErrors();

        return $pour->refresh();
    }
}

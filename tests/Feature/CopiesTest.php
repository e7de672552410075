<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Build;
use App\Models\Impression;
use Carbon\CarbonImmutable;
use Tests\BuildsGloves;
use Tests\TestCase;

/** Six appliances for six days of shooting are one build with six dates. */
final class CopiesTest extends TestCase
{
    use BuildsGloves;

    private const DATES = ['2031-03-04', '2031-03-05', '2031-03-06', '2031-03-07', '2031-03-10', '2031-03-11'];

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo(CarbonImmutable::parse('2031-03-03 08:00', 'UTC'));
    }

    /** @param  list<string>  $dates */
    private function six(array $dates = self::DATES): Impression
    {
        $cast = $this->impression('cast', 'pr-10');
        $this->post("/impressions/{$cast->id}/builds", [
            'kind' => 'appliance', 'measured' => ['area_mm2' => 20_000, 'ml' => 40], 'dates' => $dates,
        ])->assertSessionHasNoErrors();

        return $cast;
    }

    /** @return list<Build> */
    private function copies(Impression $cast): array
    {
        return array_values(Build::query()->where('impression_id', $cast->id)->where('plain', false)->orderBy('copy')->get()->all());
    }

    public function test_each_copy_has_its_day_and_pressed_twice_they_are_planned_once(): void
    {
        $cast = $this->six();
        $this->post("/impressions/{$cast->id}/builds", [
            'kind' => 'appliance', 'measured' => ['area_mm2' => 20_000, 'ml' => 40], 'dates' => array_reverse(self::DATES),
        ])->assertSessionHasNoErrors();
        $copies = $this->copies($cast);
        self::assertCount(6, $copies);
        self::assertSame(self::DATES, array_column($this->look($copies[0])['copies'], 'wanted_on'));
        self::assertSame('2031-03-07', $this->look($copies[3])['wanted_on']);
        self::assertSame(['2031-03-11', 6], [
            (
                $chain = array_column($this->get("/jobs/{$cast->job_id}")->inertiaProps('job')['chain'], null, 'id')[$cast->id]['builds']
            )[0]['wanted_on'],
            $chain[0]['copy'],
        ]);
    }

    public function test_a_day_that_is_over_or_is_none_is_refused_in_a_sentence(): void
    {
        $cast = $this->impression('cast', 'pr-10');
        foreach (['2031-03-02' => 'is over', '2031-02-30' => 'year-month-day', 'soon' => 'year-month-day'] as $date => $says) {
            $this->post("/impressions/{$cast->id}/builds", [
                'kind' => 'appliance', 'measured' => ['area_mm2' => 20_000, 'ml' => 40], 'dates' => [$date],
            ])->assertSessionHasErrors('build');
            self::assertStringContainsString($says, (string) session('errors')->first('build'));
        }
        self::assertSame([], $this->copies($cast));
    }

    public function test_a_change_of_plan_holds_for_every_copy_that_has_not_begun_and_for_no_other(): void
    {
        [$first, $second, $third] = $this->copies($this->six());
        $this->tell($first, 'done', ['op' => 'clean'])->assertOk();
        $look = $this->look($second);
        $operations = array_map(static fn (array $op): array => [
            ...array_intersect_key($op, array_flip(['id', 'kind', 'name', 'how', 'minutes', 'uses'])),
            'after' => array_map(
                static fn (array $wait): array => array_filter($wait, static fn (mixed $v): bool => $v !== null), $op['after'],
            ),
            'cautions' => $op['own_cautions'], 'care' => $op['acts'],
            'mix' => $op['mix'] === null
                ? null
                : array_filter(
                    $op['id'] === 'film' ? [...$op['mix'], 'thickness_mm' => 0.3] : $op['mix'], static fn (mixed $v): bool => $v !== null,
                ),
        ], $look['operations']);
        $this->tell($second, 'changed', ['operations' => $operations, 'was' => $look['edition']], 'change-1')->assertOk();
        $this->tell($second, 'changed', ['operations' => $operations, 'was' => $look['edition']], 'change-1')->assertOk();
        self::assertEqualsWithDelta(0.3, $this->operation($second, 'film')['thickness_mm'], 1e-9);
        self::assertEqualsWithDelta(0.3, $this->operation($third, 'film')['thickness_mm'], 1e-9);
        self::assertEqualsWithDelta(
            0.2, $this->operation($first, 'film')['thickness_mm'], 1e-9, 'What has begun goes on as it was planned.',
        );
    }

    public function test_what_one_is_coloured_with_all_are(): void
    {
        [$first, $second] = $this->copies($this->six());
        $fill = $this->sheetOf($first, 'fill');
        $sheet = $this->get("/pours/{$fill->id}")->inertiaProps('pour')['sheet'];
        $sheet['formula']['additives'] = [['code' => 'sf-1', 'amount' => 80, 'basis' => 'pct_of_ab', 'into' => 'after']];
        $this->putJson("/pours/{$fill->id}/sheet", $sheet)->assertOk();
        $other = $this->sheetOf($second, 'fill');
        self::assertEqualsWithDelta(
            80.0, $this->get("/pours/{$other->id}")->inertiaProps('pour')['sheet']['formula']['additives'][0]['amount'], 1e-9,
        );
    }

    public function test_bench_shows_the_next_copy_alone_and_the_day_keeps_each_to_its_date_in_one_mould(): void
    {
        $cast = $this->six();
        [$first, $second] = $this->copies($cast);
        $onBench = fn (): array => array_values(
            array_filter(
                array_column($this->get('/')->assertOk()->inertiaProps('bench.items'), 'id'),
                static fn (string $id): bool => str_starts_with($id, 'build-'),
            ),
        );
        self::assertSame(["build-{$first->id}"], $onBench());
        $this->tell($first, 'done', ['op' => 'clean'])->assertOk();
        self::assertEqualsCanonicalizing(["build-{$first->id}", "build-{$second->id}"], $onBench());

        $day = collect($this->get('/day')->assertOk()->inertiaProps('day.items'));
        $open = $day->firstWhere('id', "b{$first->id}:open");
        $next = $day->firstWhere('id', "b{$second->id}:clean");
        self::assertNotNull($open);
        self::assertNotNull($next);
        self::assertGreaterThanOrEqual($open['to_ms'], $next['from_ms'], 'One mould bears one copy at a time.');
    }

    public function test_graded_one_by_one_the_job_counts_its_pieces_and_a_plan_thrown_away_comes_back_whole(): void
    {
        $cast = $this->six(['2031-03-04', '2031-03-05', '2031-03-06']);
        [$first, $second] = $this->copies($cast);
        $this->delete("/builds/{$first->id}")->assertSessionHasNoErrors();
        self::assertSame([], $this->copies($cast));
        $this->post("/builds/{$first->id}/restore")->assertRedirect();
        $back = $this->copies($cast);
        self::assertSame([1, 2, 3], array_map(static fn (Build $build): int => $build->copy, $back));
        self::assertSame($cast->id, $back[0]->planned_of);
        $this->tell($back[0], 'done', ['op' => 'clean'])->assertOk();
        self::assertSame($cast->id, $back[1]->refresh()->planned_of, 'The next copy is what is planned now.');
    }

    public function test_the_same_is_built_again_with_its_formula_its_colours_and_its_sheets(): void
    {
        $cast = $this->impression('cast', 'pr-10');
        $this->post("/impressions/{$cast->id}/builds", [
            'kind' => 'appliance', 'measured' => ['area_mm2' => 20_000, 'ml' => 40],
        ])->assertSessionHasNoErrors();
        [$first] = $this->copies($cast);
        $this->post("/builds/{$first->id}/again", ['copies' => 2])->assertSessionHasErrors('again');
        $fill = $this->sheetOf($first, 'fill');
        $sheet = $this->get("/pours/{$fill->id}")->inertiaProps('pour')['sheet'];
        $sheet['formula']['additives'] = [
            ['code' => 'sf-1', 'amount' => 80, 'basis' => 'pct_of_ab', 'into' => 'after'],
            ['code' => 'pi-fawn', 'amount' => 0.4, 'basis' => 'pct_of_total', 'into' => 'b'],
        ];
        $sheet['volume']['allowance_pct'] = 17;
        $sheet['plan']['mix_min'] = 4;
        $this->putJson("/pours/{$fill->id}/sheet", $sheet)->assertOk();
        $this->tell($first, 'done', ['op' => 'clean'])->assertOk();
        $look = $this->look($first);
        $operations = array_map(static fn (array $op): array => [
            ...array_intersect_key($op, array_flip(['id', 'kind', 'name', 'how', 'minutes', 'uses'])),
            'after' => array_map(
                static fn (array $wait): array => array_filter($wait, static fn (mixed $v): bool => $v !== null), $op['after'],
            ),
            'cautions' => $op['own_cautions'], 'care' => $op['acts'],
            'mix' => $op['mix'] === null
                ? null
                : array_filter(
                    $op['id'] === 'film' ? [...$op['mix'], 'thickness_mm' => 0.4] : $op['mix'], static fn (mixed $v): bool => $v !== null,
                ),
        ], $look['operations']);
        $this->tell($first, 'changed', ['operations' => $operations, 'was' => $look['edition']])->assertOk();

        foreach ([0, 61, 1.5, null] as $copies) {
            $this->post("/builds/{$first->id}/again", ['copies' => $copies])->assertSessionHasErrors('again');
        }
        $this->post("/builds/{$first->id}/again", ['copies' => 2])->assertSessionHasNoErrors()->assertRedirect();
        [$one, $two, $three] = $this->copies($cast);
        self::assertSame(
            [[1, null], [2, $cast->id], [3, null]],
            array_map(static fn (Build $build): array => [$build->copy, $build->planned_of], [$one, $two, $three]),
        );
        $this->post("/builds/{$first->id}/again", ['copies' => 1])->assertSessionHasErrors('again');
        self::assertEqualsWithDelta(0.4, $this->operation($two, 'film')['thickness_mm'], 1e-9, 'As it was built in the end.');
        foreach ([$two, $three] as $copy) {
            $again = $this->get('/pours/'.$this->sheetOf($copy, 'fill')->id)->inertiaProps('pour')['sheet'];
            self::assertSame(['sf-1', 'pi-fawn'], array_column($again['formula']['additives'], 'code'));
            self::assertEquals([17, 4], [$again['volume']['allowance_pct'], $again['plan']['mix_min']]);
        }
        self::assertSame([1, 2, 3], array_column($this->look($three)['copies'], 'copy'));
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Mix\BatchLimit;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Minutes;
use App\Devices\DeviceLost;
use App\Devices\ProbePort;
use App\Models\Lot;
use App\Models\Pour;
use Carbon\CarbonImmutable;
use Tests\TestCase;

/** Hot vinyl as it is done: weighed up cold, heated and read in steps, and on the clock from the heat. */
final class HotRunTest extends TestCase
{
    /** @param  list<array{code: string, amount: float|int, basis: string, into: string}>  $more */
    private function begunHot(array $more = [], ?float $thickest = null): Pour
    {
        $pour = $this->plannedHot($more, $thickest);
        $this->post("/pours/{$pour->id}/run")->assertSessionHasNoErrors();

        return $pour->refresh();
    }

    /** @param  list<array{code: string, amount: float|int, basis: string, into: string}>  $more */
    private function plannedHot(array $more, ?float $thickest): Pour
    {
        $mould = $this->impression('mould', 'pr-40');
        $cast = $mould->job->impressions()->create([
            'position' => 9, 'kind' => 'cast', 'name' => 'Lures', 'material' => 'hv-08', 'from_id' => $mould->id,
        ]);
        $this->post("/impressions/{$cast->id}/pours")->assertSessionHasNoErrors();
        $pour = Pour::query()->latest('id')->firstOrFail();
        $sheet = $this->get("/pours/{$pour->id}")->inertiaProps('pour')['sheet'];
        $sheet['volume'] = ['method' => 'capacity', 'capacity_ml' => 120, 'allowance_pct' => 5];
        $sheet['formula'] = [
            'base' => 'hv-08', 'additives' => [['code' => 'pv-soot', 'amount' => 1, 'basis' => 'pct_of_total', 'into' => 'a'], ...$more],
        ];
        // Stirred for ten minutes of six it would be lost; heat does the stirring.
        $sheet['plan']['mix_min'] = 10;
        $thickest === null || $sheet['plan']['thickest_mm'] = $thickest;
        $this->putJson("/pours/{$pour->id}/sheet", $sheet)->assertOk();
        $answer = $this->postJson("/pours/{$pour->id}/sheet/ask", $sheet)->assertOk()->json('mix');
        self::assertEqualsWithDelta(BatchLimit::pourable(Minutes::of(6.0))->min, $answer['usable_min'], 1e-6);
        self::assertCount(1, $answer['batches']);

        return $pour->refresh();
    }

    public function test_it_is_weighed_up_cold_and_its_clock_counts_from_the_heat(): void
    {
        $pour = $this->begunHot();
        $this->workUntil($pour, 'weigh');
        $this->travel(25)->minutes();
        $this->workUntil($pour, 'heat');
        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        self::assertSame(
            [null, null, 'unread'], [$run['clock']['met_ms'], $run['clock']['pot_ends_ms'], $run['heat']['stands']],
            'Cold it may stand all day.',
        );
        self::assertTrue($run['may_plan']);
        $step = ['step' => $run['step']['key']];

        $this->record($pour, 'confirmed', $step)
            ->assertUnprocessable()
            ->assertJsonPath('error.field', 'sure')
            ->assertJsonPath('error.message', static fn (string $says): bool => str_contains($says, 'Nobody has read'));
        $this->record($pour, 'heated', [...$step, 'c' => 1650])->assertUnprocessable()->assertJsonPath('error.field', 'payload.c');
        $this->record($pour, 'heated', [...$step, 'c' => 140, 'by' => 'probe'])->assertOk()->assertJsonPath('heat.stands', 'below');
        $this->record($pour, 'confirmed', $step)->assertUnprocessable()->assertJsonPath(
            'error.message', static fn (string $says): bool => str_contains($says, '140'),
        );
        $this->travel(1)->minutes();
        $this->record($pour, 'heated', [...$step, 'c' => 174])->assertOk()->assertJsonPath('heat.stands', 'right');
        $this->travel(4)->minutes();
        $this->record($pour, 'confirmed', $step)->assertUnprocessable()->assertJsonPath(
            'error.message', static fn (string $says): bool => str_contains($says, 'Read it again'),
        );
        $off = CarbonImmutable::now();
        $run = $this->record($pour, 'confirmed', [...$step, 'sure' => true])->assertOk()->assertJsonPath('step.kind', 'fill')->json();
        self::assertSame($off->getTimestampMs(), $run['clock']['met_ms']);
        self::assertEqualsWithDelta(6.0, ($run['clock']['pot_ends_ms'] - $run['clock']['met_ms']) / 60_000.0, 1e-6);
        self::assertSame([0, 0], [$run['clock']['mix_min'], $run['clock']['degas_min']]);
    }

    public function test_what_grew_thick_goes_back_on_the_heat_and_what_was_pressed_wrongly_comes_back(): void
    {
        $pour = $this->begunHot();
        $this->workUntil($pour, 'fill');
        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        $this->record($pour, 'undone', ['of' => $run['take_back']['of']])
            ->assertOk()
            ->assertJsonPath('step.kind', 'heat')
            ->assertJsonPath('clock.met_ms', null)
            ->assertJsonPath('heat.stands', 'right');
        $this->workUntil($pour, 'fill');
        $this->record($pour, 'reheated', ['step' => '1:fill'])
            ->assertOk()
            ->assertJsonPath('step.kind', 'heat')
            ->assertJsonPath('heat.readings', [])
            ->assertJsonPath('heat.reheats', 1)
            ->assertJsonPath('clock.met_ms', null);
        $this->workUntil($pour, 'wait');
        self::assertNotNull($pour->refresh()->met_at);
        $steps = array_column($this->getJson("/pours/{$pour->id}/history")->assertOk()->json('steps'), 'kind');
        self::assertContains('heated', $steps);
        self::assertContains('reheated', $steps);
    }

    public function test_it_opens_by_its_thickest_place_as_it_was_begun(): void
    {
        // Eight minutes for the sheet's 12 mm: half an hour and two for 24.
        $pour = $this->plannedHot([], 24.0);
        $asked = $this->postJson("/pours/{$pour->id}/sheet/ask", [...$pour->sheet, 'plan' => [...$pour->sheet['plan'], 'thickest_mm' => 6]])
            ->assertOk()
            ->json();
        self::assertEqualsWithDelta(2.0, $asked['cure']['demould_min']['likely'], 1e-6);
        self::assertEqualsWithDelta(6.0, $asked['cure']['pot_life_min']['likely'], 1e-6);
        $this->postJson("/pours/{$pour->id}/sheet/ask", [
            ...$pour->sheet, 'plan' => [...$pour->sheet['plan'], 'thickest_mm' => 0],
        ])->assertOk()->assertJsonPath('errors.0.field', 'plan.thickest_mm');
        $this->post("/pours/{$pour->id}/run")->assertSessionHasNoErrors();
        $this->workUntil($pour, 'wait');
        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        self::assertEqualsWithDelta(32.0, ($run['wait']['open_likely_ms'] - $run['clock']['met_ms']) / 60_000.0, 1e-3);
        self::assertEqualsWithDelta(6.0, ($run['clock']['pot_ends_ms'] - $run['clock']['met_ms']) / 60_000.0, 1e-3);
        $other = $this->begunHot();
        $this->workUntil($other, 'wait');
        $run = $this->getJson("/pours/{$other->id}/state")->json();
        self::assertEqualsWithDelta(8.0, ($run['wait']['open_likely_ms'] - $run['clock']['met_ms']) / 60_000.0, 1e-3);
    }

    /** @return array<string, mixed> */
    private function graded(Pour $pour, float $left, bool $keep = true): array
    {
        $this->workUntil($pour, 'grade');
        $run = $this->getJson("/pours/{$pour->id}/state")->json();

        return $this->record($pour, 'graded', [
            'step' => '0:grade', 'grade' => 'good', 'faults' => [], 'used_g' => round($run['weighed_g'] - $left, 3), 'left_g' => $left,
            'pieces' => 4, 'note' => '', 'scrap' => $keep,
        ])
            ->assertOk()
            ->json();
    }

    public function test_what_is_left_goes_back_on_the_shelf_with_its_melts_and_into_the_next_pot(): void
    {
        $first = $this->begunHot();
        $done = $this->graded($first, 48.0);
        self::assertSame([48, 1], [$done['scrap']['lot']['grams'], $done['scrap']['lot']['remelts']]);
        $lot = Lot::query()->where('of_pour_id', $first->id)->firstOrFail();
        self::assertSame(['hv-re', '0.00', 1], [$lot->code, $lot->price, $lot->remelts]);
        self::assertStringContainsString('Lures', (string) $lot->note);

        // Graded anew, it is as much as is left now; taken back, nothing is.
        $this->record($first, 'undone', ['of' => $done['take_back']['of']])->assertOk();
        self::assertSame(0.0, $lot->refresh()->parts->firstOrFail()->left_g);
        $this->graded($first, 30.0);
        self::assertSame(30.0, $lot->refresh()->parts->firstOrFail()->left_g);
        self::assertSame(1, Lot::query()->where('of_pour_id', $first->id)->count());

        $next = $this->begunHot([['code' => 'hv-re', 'amount' => 20, 'basis' => 'pct_of_total', 'into' => 'a']]);
        $asked = array_column($this->getJson("/pours/{$next->id}/state")->json('checklist'), 'text', 'id');
        self::assertStringContainsString(
            "L-{$lot->id} was melted 1 time before. At 20 % of the pot the cast comes out about 0.3 points harder", $asked['scrap-hv-re'],
        );
        $this->workUntil($next, 'heat');
        $was = $this->getJson("/pours/{$next->id}/state")->json('cup.fills');
        $drawn = array_column($was, 'poured_g', 'code')['hv-re'];
        self::assertEqualsWithDelta(
            max(0.0, 30.0 - $drawn), $lot->refresh()->parts->firstOrFail()->left_g, 0.01, 'It is drawn as anything of the stores is.',
        );
        $done = $this->graded($next, 10.0);
        self::assertSame(2, $done['scrap']['lot']['remelts'], 'Once more than what went in.');
        self::assertNull($this->graded($this->begunHot(), 12.0, false)['scrap']['lot'], 'Thrown away is not on the shelf.');
        $this->get('/stores/hv-re')->assertOk();
        $this->get("/stores/lots/{$lot->id}")->assertOk();
    }

    public function test_what_has_scorched_is_no_scrap_unless_somebody_keeps_it(): void
    {
        $pour = $this->begunHot();
        $this->workUntil($pour, 'heat');
        $this->record($pour, 'heated', ['step' => '1:heat', 'c' => 197])->assertOk()->assertJsonPath('heat.stands', 'over');
        $this->record($pour, 'confirmed', ['step' => '1:heat'])->assertUnprocessable();
        $this->record($pour, 'confirmed', ['step' => '1:heat', 'sure' => true])->assertOk()->assertJsonPath('scrap.worth', false);
        $this->workUntil($pour, 'grade');
        $this->record($pour, 'graded', [
            'step' => '0:grade', 'grade' => 'poor', 'faults' => [], 'used_g' => 60, 'left_g' => 40, 'pieces' => 1, 'note' => '',
        ])->assertOk()->assertJsonPath('scrap.lot', null);
    }

    public function test_rubber_is_never_put_on_the_heat(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'fill');
        $this->record($pour, 'reheated', ['step' => '1:fill'])->assertConflict();
        $this->record($pour, 'heated', ['step' => '1:fill', 'c' => 170])->assertConflict();
        self::assertNull($this->getJson("/pours/{$pour->id}/state")->json('heat'));
    }

    public function test_the_probe_is_read_and_where_it_is_lost_one_types(): void
    {
        $this->app->bind(ProbePort::class, static fn (): ProbePort => new class implements ProbePort
        {
            public function celsius(): float
            {
                return 171.5;
            }
        });
        $this->getJson('/devices/probe')->assertOk()->assertExactJson(['celsius' => 171.5, 'lost' => null]);
        $this->app->bind(ProbePort::class, static fn (): ProbePort => new class implements ProbePort
        {
            public function celsius(): float
            {
                throw new DeviceLost(Phrase::written('The probe does not answer. Type it.'));
            }
        });
        $this->getJson('/devices/probe')
            ->assertOk()
            ->assertJsonPath('celsius', null)
            ->assertJsonPath('lost', 'The probe does not answer. Type it.');
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Pour;
use Carbon\CarbonImmutable;
use Inertia\Testing\AssertableInertia;
use Tests\MakesSwatches;
use Tests\TestCase;

/** Whoever is asked how long a rubber pours here, now, gives the same answer. */
final class OneClockTest extends TestCase
{
    use MakesSwatches;

    /** Ten pours of the bare rubber that gelled after so many minutes. */
    private function gels(int $times, float $minutes, string $base = 'pr-10'): void
    {
        for ($i = 0; $i < $times; $i++) {
            $pour = $this->bare($base);
            $this->workUntil($pour, 'wait');
            $met = $pour->refresh()->met_at ?? CarbonImmutable::now();
            $this->travelTo($met->addSeconds((int) ($minutes * 60)));
            $this->record($pour, 'gelled', ['sure' => true])->assertOk();
        }
        self::assertEqualsWithDelta($minutes, Pour::query()->whereNotNull('gel_min')->latest('id')->value('gel_min'), 0.02);
    }

    private function bare(string $base = 'pr-10'): Pour
    {
        return $this->begun(['formula' => ['base' => $base, 'additives' => []], 'formula_name' => "Bare {$base}", 'plan.mix_min' => 1]);
    }

    public function test_after_ten_gels_at_half_the_time_every_screen_and_verb_says_the_same(): void
    {
        $this->gels(10, 11.0);
        $logs = array_fill(0, 10, ['room_c' => 20, 'kind' => 'gel', 'minutes' => 11]);
        $times = ['pot_life_min' => 22, 'demould_min' => 240, 'ref_c' => 23, 'q10' => 2.0];
        $likely = $this->postJson('/api/reckon/cure', ['base' => $times, 'room_c' => 20, 'logs' => $logs])
            ->assertOk()
            ->json('pot_life_min.likely');
        self::assertLessThan(14.0, $likely, 'Far from the 27 min the sheet would give in this room.');

        $said = ['verb mix' => $this->postJson('/api/reckon/mix', [
            'base' => ['ratio' => ['by' => 'weight', 'a' => 1, 'b' => 1], 'sg' => ['a' => 1.06, 'b' => 1.08], ...$times],
            'target' => ['mass_g' => 100, 'waste_pct' => 0],
            'additives' => [], 'scale' => ['division_g' => 0.1], 'room_c' => 20, 'mix_min' => 1, 'logs' => $logs,
        ])->assertOk()->json('pot_life_min')];

        $draft = $this->draft(['formula.additives' => [], 'plan.mix_min' => 1]);
        $sheet = $this->putJson("/pours/{$draft->id}/sheet", $draft->sheet)->assertOk()->json();
        $said['the plan on the sheet'] = $sheet['mix']['pot_life_min'];
        $said['the clock on the sheet'] = $sheet['cure']['pot_life_min']['likely'];
        $this->get('/stores/pr-10')->assertInertia(function (AssertableInertia $page) use (&$said): void {
            $said['the stores'] = $page->toArray()['props']['base']['here']['pot_life_min']['likely'];
        });
        $said['the softener screen'] = $this->postJson('/swatches/hardness', [
            'base' => 'pr-10', 'softener' => 'sf-1', 'target' => ['scale' => 'A', 'reading' => 10],
        ])
            ->assertOk()
            ->json('cost.pot_life_min');

        $pour = $this->bare();
        $said['the run before A meets B'] = $this->getJson("/pours/{$pour->id}/state")->json('clock.pot_life_min');
        $this->workUntil($pour, 'weigh');
        $line = $this->getJson("/pours/{$pour->id}/state")->json('line.running');
        $this->record($pour, 'weighed', ['step' => '1:weigh:0', 'reading_g' => $line])->assertOk();
        $clock = $this->record($pour, 'met')->assertOk()->json('clock');
        $said['the run'] = ($clock['pot_ends_ms'] - $clock['met_ms']) / 60_000;
        $windows = collect($this->getJson('/frame')->json('strip.lozenges'))->firstWhere('id', "pour-{$pour->id}")['windows'];
        $said['the strip'] = ($windows[0]['to_ms'] - $windows[0]['from_ms']) / 60_000;
        $this->get('/')->assertInertia(function (AssertableInertia $page) use (&$said, $pour): void {
            $item = collect($page->toArray()['props']['bench']['items'])->firstWhere('id', "pour-{$pour->id}");
            $said['the bench'] = ($item['to_ms'] - $item['from_ms']) / 60_000;
        });
        $series = $this->beginSeries(self::series(['mix_min' => 1]));
        $run = $this->fact($series, 'met')->assertOk()->json();
        $said['the series'] = ($run['fills_until_ms'] - $run['met_ms']) / 60_000 / 0.8;

        foreach ($said as $who => $minutes) {
            self::assertEqualsWithDelta($likely, $minutes, $who === 'the softener screen' ? 0.05 : 0.02, $who);
        }
    }

    public function test_a_base_that_heats_itself_pours_the_shorter_the_more_stands_in_the_cup(): void
    {
        $of = function (float $grams): array {
            $pour = $this->draft([
                'formula' => ['base' => 'rf-70', 'additives' => []], 'volume' => null, 'target' => ['mass_g' => $grams, 'waste_pct' => 0],
                'plan.vessel.capacity_ml' => 5000, 'plan.mix_min' => 0.5, 'plan.pour_g_per_min' => 2000,
            ]);
            $sheet = $this->putJson("/pours/{$pour->id}/sheet", $pour->sheet)->assertOk()->json();
            $this->post("/pours/{$pour->id}/run")->assertRedirect("/pours/{$pour->id}/run");

            return [
                $sheet['mix']['pot_life_min'], $sheet['cure']['pot_life_min']['likely'],
                $this->getJson("/pours/{$pour->id}/state")->json('clock.pot_life_min'), $sheet,
            ];
        };
        [$small, $large] = [$of(100.0), $of(2000.0)];
        foreach ([$small, $large] as [$mix, $cure, $run]) {
            self::assertEqualsWithDelta($mix, $cure, 1e-9);
            self::assertEqualsWithDelta($mix, $run, 1e-9);
        }
        $batches = count($large[3]['mix']['batches']);
        self::assertEqualsWithDelta($small[0] * (2000.0 / $batches / 100.0) ** -0.3, $large[0], 1e-6);
        self::assertContains('exotherm', array_column($large[3]['warnings'], 'code'));
        self::assertNotContains('exotherm', array_column($small[3]['warnings'], 'code'));
    }

    public function test_pours_of_all_sizes_teach_one_clock(): void
    {
        // 400 g of a resin with alpha 0.3 gel so much faster than 100 g: the sheet is right, and nothing is learnt from the size.
        $pour = $this->begun([
            'formula' => ['base' => 'rf-70', 'additives' => []], 'volume' => null, 'target' => ['mass_g' => 400, 'waste_pct' => 0],
            'plan.vessel.capacity_ml' => 5000, 'plan.mix_min' => 0.2, 'plan.pour_g_per_min' => 5000,
        ]);
        $this->workUntil($pour, 'wait');
        $clock = $this->getJson("/pours/{$pour->id}/state")->json('clock');
        $this->travelTo(CarbonImmutable::createFromTimestampMs($clock['pot_ends_ms'])->max(CarbonImmutable::now()));
        $late = CarbonImmutable::now()->getTimestampMs() > $clock['pot_ends_ms'];
        $this->record($pour, 'gelled', ['sure' => true])->assertOk();

        $sheet = $pour->refresh()->plan['clock']['model']['sheet'];
        $late
            ? self::assertGreaterThan(0.0, $pour->gel_min)
            : self::assertEqualsWithDelta(
                $sheet['pot_life_min'] * ($sheet['q10'] ?? 2.0) ** (($sheet['ref_c'] - 20.0) / 10.0), $pour->gel_min, 0.05,
            );
    }

    public function test_a_gel_that_is_taken_back_teaches_nothing(): void
    {
        $pour = $this->bare();
        $this->workUntil($pour, 'wait');
        $this->travel(9)->minutes();
        $run = $this->record($pour, 'gelled', ['sure' => true])->assertOk()->json();
        self::assertNotNull($pour->refresh()->gel_min);
        $this->record($pour, 'undone', ['of' => $run['take_back']['of']])->assertOk();
        self::assertNull($pour->refresh()->gel_min);
    }
}

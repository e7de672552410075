<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Devices\ScalePort;
use App\Devices\ScaleReading;
use App\Models\Fact;
use App\Models\Pour;
use Illuminate\Testing\TestResponse;
use Tests\MakesSwatches;
use Tests\TestCase;

/** The scale serves one weigh-up at a time, and is believed only while it does what pouring does. */
final class ScaleWatchTest extends TestCase
{
    use MakesSwatches;

    /** What the display shows: the test pours. */
    private string $line = 'ST,+00000.0,g';

    private int $tared = 0;

    protected function setUp(): void
    {
        parent::setUp();
        $this->app->instance(ScalePort::class, new class(fn (): string => $this->line, fn () => $this->tared++) implements ScalePort
        {
            public function __construct(private readonly \Closure $shows, private readonly \Closure $tares) {}

            public function read(): ScaleReading
            {
                return ScaleReading::parse(($this->shows)());
            }

            public function tare(): void
            {
                ($this->tares)();
            }

            public function zero(): void {}
        });
    }

    private function shows(float $grams, bool $stable = true, float $afterSeconds = 0.25): void
    {
        $this->travel((int) ($afterSeconds * 1000))->milliseconds();
        $this->line = sprintf('%s,%s%07.1f,g', $stable ? 'ST' : 'US', $grams < 0 ? '-' : '+', abs($grams));
    }

    /** @return array<string, mixed> */
    private function watch(string $for): array
    {
        return $this->postJson('/devices/scale/watch', ['for' => $for])->assertOk()->json();
    }

    /** A pour with an empty cup just tared. */
    private function atTheScale(): Pour
    {
        $pour = $this->begun(['formula.additives' => [], 'volume' => ['method' => 'mesh', 'volume_ml' => 64.5, 'allowance_pct' => 0]]);
        $this->workUntil($pour, 'tare');
        $this->postJson('/devices/scale/tare', ['for' => "run:{$pour->id}"])->assertOk();
        $this->record($pour, 'confirmed', ['step' => '1:tare'])->assertOk();

        return $pour;
    }

    private function weighed(Pour $pour, float $grams, string $step): TestResponse
    {
        return $this->record($pour, 'weighed', ['step' => $step, 'reading_g' => $grams, 'by' => 'scale', 'stable' => true]);
    }

    public function test_the_worst_of_all_set_to_zero_with_b_in_the_cup(): void
    {
        $pour = $this->atTheScale();
        $for = "run:{$pour->id}";
        $wanted = $this->getJson("/pours/{$pour->id}/state")->json('line.running');
        $this->shows($wanted);
        self::assertNull($this->watch($for)['trouble']);
        $this->weighed($pour, $wanted, '1:weigh:0')->assertOk();

        // The scale's own zero key: the display says nought, and A would be poured twice over.
        $this->shows(0.0);
        $trouble = $this->watch($for)['trouble'];
        self::assertSame(['fell', 0.0, $wanted], [$trouble['kind'], (float) $trouble['saw_g'], (float) $trouble['expected_g']]);
        $this->shows(2 * $wanted, afterSeconds: 5);
        self::assertSame('fell', $this->watch($for)['trouble']['kind'], 'However well it fits afterwards.');
        $this->weighed($pour, 2 * $wanted, '1:weigh:1')->assertConflict()->assertJsonPath(
            'error.message', static fn (string $says): bool => str_contains($says, 'less than is in the cup'),
        );
        self::assertSame(1, Fact::query()->where('kind', 'weighed')->count());

        // It was set to zero: count from there.
        $line = $this->record($pour, 'counted', ['step' => '1:weigh:1', 'reading_g' => 0.0])->assertOk()->json('line');
        self::assertEqualsWithDelta($wanted, $line['running'], 0.11, 'As much A as B, on a display that begins at nought.');
        $this->shows($line['running'], afterSeconds: 10);
        self::assertNull($this->watch($for)['trouble']);
        $run = $this->weighed($pour, $line['running'], '1:weigh:1')->assertOk()->json();
        self::assertEqualsWithDelta(2 * $wanted, $run['weighed_g'], 0.2, 'and what is written down is what is in.');
    }

    public function test_set_to_zero_half_way_through_a_line_only_the_rest_of_it_is_asked_for(): void
    {
        $pour = $this->atTheScale();
        $for = "run:{$pour->id}";
        $wanted = $this->getJson("/pours/{$pour->id}/state")->json('line.running');
        $this->shows(20.0, afterSeconds: 3);
        $this->watch($for);
        $this->shows(0.0);
        $trouble = $this->watch($for)['trouble'];
        self::assertSame([20.0, 20.0], [(float) $trouble['in_line_g'], (float) $trouble['expected_g']]);

        $line = $this->record($pour, 'counted', ['step' => '1:weigh:0', 'reading_g' => 0.0, 'in_line_g' => $trouble['in_line_g']])
            ->assertOk()
            ->json('line');
        self::assertEqualsWithDelta($wanted - 20.0, $line['running'], 1e-9);
        $this->shows($line['running'], afterSeconds: 5);
        self::assertNull($this->watch($for)['trouble']);
        self::assertEqualsWithDelta($wanted, $this->weighed($pour, $line['running'], '1:weigh:0')->assertOk()->json('weighed_g'), 1e-9);
    }

    public function test_a_line_half_poured_when_the_scale_was_lost_is_remembered_when_it_comes_back(): void
    {
        $pour = $this->atTheScale();
        $this->shows(12.0, afterSeconds: 3);
        $this->watch("run:{$pour->id}");
        $series = $this->beginSeries(self::series());
        $this->postJson('/devices/scale/tare', ['for' => "series:{$series->id}", 'take' => true])->assertOk();
        $this->fact($series, 'tared', ['vessel' => 'plain-cup'])->assertOk();

        $trouble = $this->postJson('/devices/scale/take-over', ['for' => "run:{$pour->id}"])->assertOk()->json('trouble');
        self::assertSame(['elsewhere', 12.0], [$trouble['kind'], (float) $trouble['in_line_g']]);
    }

    public function test_what_was_left_half_poured_is_remembered_for_each_and_only_for_the_line_it_was(): void
    {
        $first = $this->atTheScale();
        $this->shows(12.0, afterSeconds: 3);
        $this->watch("run:{$first->id}");
        $series = $this->beginSeries(self::series());
        $for = "series:{$series->id}";
        $this->postJson('/devices/scale/tare', ['for' => $for, 'take' => true])->assertOk();
        $next = $this->fact($series, 'tared', ['vessel' => 'plain-cup'])->json('next');
        $this->shows(5.0, afterSeconds: 3);
        self::assertNull($this->watch($for)['trouble']);

        // Back and forth: each has its own.
        self::assertEqualsWithDelta(
            12.0, $this->postJson('/devices/scale/take-over', ['for' => "run:{$first->id}"])->json('trouble.in_line_g'), 1e-9,
        );
        self::assertEqualsWithDelta(5.0, $this->postJson('/devices/scale/take-over', ['for' => $for])->json('trouble.in_line_g'), 1e-9);

        // Typed meanwhile, the line is another: what was poured of the last one is in the cup already.
        $wanted = $this->getJson("/pours/{$first->id}/state")->json('line.running');
        $this->record($first, 'weighed', ['step' => '1:weigh:0', 'reading_g' => $wanted])->assertOk();
        $back = $this->postJson('/devices/scale/take-over', ['for' => "run:{$first->id}"])->json('trouble');
        self::assertSame(['elsewhere', 0.0], [$back['kind'], (float) $back['in_line_g']]);
        self::assertGreaterThan(0.0, $next['running']);
    }

    public function test_taking_over_twice_asks_the_same_again(): void
    {
        $pour = $this->atTheScale();
        $this->shows(12.0, afterSeconds: 3);
        $this->watch("run:{$pour->id}");
        $this->postJson('/devices/scale/take-over', ['for' => "run:{$pour->id}"])
            ->assertOk()
            ->assertJsonPath('held_by', null)
            ->assertJsonPath('trouble.in_line_g', 12);

        self::assertSame('elsewhere', $this->watch("run:{$pour->id}")['trouble']['kind']);
        $this->record($pour, 'counted', ['step' => '1:weigh:0', 'reading_g' => 12.0, 'in_line_g' => 12.0])->assertOk();
        self::assertNull($this->watch("run:{$pour->id}")['trouble']);
    }

    public function test_a_scale_just_tared_is_not_taken_back_before_the_fact_of_it_has_come(): void
    {
        $pour = $this->atTheScale();
        $series = $this->beginSeries(self::series());
        $this->postJson('/devices/scale/tare', ['for' => "series:{$series->id}", 'take' => true])->assertOk();

        self::assertSame('Pucks · PR-10', $this->watch("run:{$pour->id}")['held_by']['title']);
        // It never came: the scale is free for whoever weighs.
        $this->travel(11)->seconds();
        self::assertNull($this->watch("run:{$pour->id}")['held_by']);
    }

    public function test_what_was_lifted_and_put_back_goes_on_by_itself(): void
    {
        $pour = $this->atTheScale();
        $for = "run:{$pour->id}";
        $wanted = $this->getJson("/pours/{$pour->id}/state")->json('line.running');
        $this->shows($wanted);
        $this->watch($for);
        $this->weighed($pour, $wanted, '1:weigh:0')->assertOk();
        $this->shows(-45.0);
        self::assertSame('fell', $this->watch($for)['trouble']['kind']);
        $this->shows($wanted);
        self::assertNull($this->watch($for)['trouble']);
    }

    public function test_a_hand_reading_is_taken_whatever_the_display_does(): void
    {
        $pour = $this->atTheScale();
        $wanted = $this->getJson("/pours/{$pour->id}/state")->json('line.running');
        $this->shows(-45.0);
        $this->watch("run:{$pour->id}");

        $this->record($pour, 'weighed', ['step' => '1:weigh:0', 'reading_g' => $wanted])->assertOk();
    }

    public function test_something_laid_beside_the_cup_is_asked_about(): void
    {
        $pour = $this->atTheScale();
        $for = "run:{$pour->id}";
        $this->shows(0.0);
        $this->watch($for);
        $this->shows(130.0, stable: false);
        self::assertSame('jumped', $this->watch($for)['trouble']['kind']);
        $this->shows(200.0);
        self::assertNull($this->postJson('/devices/scale/accept', ['for' => $for])->assertOk()->json('trouble'), 'It is all in the cup.');
    }

    public function test_another_unit_is_no_weight(): void
    {
        $pour = $this->atTheScale();
        $this->line = 'ST,+00001.2,oz';
        $seen = $this->watch("run:{$pour->id}");

        self::assertSame([null, 'oz', 'unit'], [$seen['grams'], $seen['unit'], $seen['trouble']['kind']]);
    }

    public function test_one_scale_serves_one_weigh_up_and_the_other_says_who_has_it(): void
    {
        $pour = $this->atTheScale();
        $series = $this->beginSeries(self::series());
        $for = "series:{$series->id}";

        $held = $this->postJson('/devices/scale/tare', ['for' => $for])->assertConflict()->json('held_by');
        self::assertSame(['Owl brow · Cast', "/pours/{$pour->id}/run"], [$held['title'], $held['href']]);
        self::assertSame(1, $this->tared, 'Nothing was tared under the other’s cup.');

        // Only when told to; then the run is told, and is not believed until it says from where to count.
        $this->postJson('/devices/scale/tare', ['for' => $for, 'take' => true])->assertOk();
        $this->fact($series, 'tared', ['vessel' => 'plain-cup'])->assertOk();
        self::assertSame('Pucks · PR-10', $this->watch("run:{$pour->id}")['held_by']['title']);
        $this->weighed($pour, 34.5, '1:weigh:0')->assertConflict()->assertJsonPath(
            'error.message', 'The scale serves “Pucks · PR-10” just now. Take it over, or type the reading.',
        );

        $back = $this->postJson('/devices/scale/take-over', ['for' => "run:{$pour->id}"])->assertOk()->json();
        self::assertSame([null, 'elsewhere'], [$back['held_by'], $back['trouble']['kind']]);
        $this->record($pour, 'counted', [
            'step' => '1:weigh:0', 'reading_g' => -12.5,
        ])->assertOk()->assertJsonPath('line.running', static fn (float $g): bool => $g > 0.0);
        self::assertNull($this->watch("run:{$pour->id}")['held_by']);
    }

    public function test_a_series_is_watched_as_a_run_is(): void
    {
        $series = $this->beginSeries(self::series());
        $for = "series:{$series->id}";
        $this->postJson('/devices/scale/tare', ['for' => $for])->assertOk();
        $next = $this->fact($series, 'tared', ['vessel' => 'plain-cup'])->json('next');
        $this->shows($next['running']);
        self::assertNull($this->watch($for)['trouble']);
        $next = $this->fact($series, 'put', ['vessel' => 'plain-cup', 'line' => $next['line'], 'reading_g' => $next['running']])
            ->assertOk()
            ->json('next');
        $this->shows(0.0);
        self::assertSame('fell', $this->watch($for)['trouble']['kind']);
        $this->fact($series, 'put', ['vessel' => 'plain-cup', 'line' => $next['line'], 'reading_g' => $next['running']])->assertConflict();

        $counted = $this->fact($series, 'counted', ['vessel' => 'plain-cup', 'reading_g' => 0.0])->assertOk()->json('next');
        self::assertEqualsWithDelta($next['grams'], $counted['running'], 1e-9);
        $this->shows($counted['running'], afterSeconds: 9);
        self::assertNull($this->watch($for)['trouble']);
        $grams = $this->fact($series, 'put', ['vessel' => 'plain-cup', 'line' => $counted['line'], 'reading_g' => $counted['running']])
            ->assertOk()
            ->json('grams.plain-cup');
        self::assertEqualsWithDelta($grams[0], $grams[1], 0.11, 'As much A as B.');
    }

    public function test_who_asks_for_the_scale_must_say_what_for(): void
    {
        foreach (['', 'run:0', 'tea:1', 'run:99', "run:1' or 1"] as $for) {
            $this->postJson('/devices/scale/watch', ['for' => $for])->assertUnprocessable();
        }
    }
}

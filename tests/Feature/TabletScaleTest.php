<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Pour;
use App\Models\ScaleHold;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** A scale that hangs at a tablet: its browser says what it shows, and all that is known of a watched scale holds for it. */
final class TabletScaleTest extends TestCase
{
    private const HERE = 'scaleatwindow';

    private const THERE = 'scaleatdoor';

    private function at(
        Pour $pour,
        string $what,
        float $grams,
        string $scale = self::HERE,
        bool $rests = true,
        array $more = [],
    ): TestResponse {
        return $this->postJson("/devices/scale/{$what}", [
            'for' => "run:{$pour->id}", 'scale' => $scale,
            'line' => sprintf('%s,%s%07.1f,g', $rests ? 'ST' : 'US', $grams < 0 ? '-' : '+', abs($grams)), ...$more,
        ]);
    }

    /** Poured as a hand pours, look by look. */
    private function pours(Pour $pour, float $from, float $to, string $scale = self::HERE): TestResponse
    {
        for ($grams = $from; $grams < $to; $grams += 20.0) {
            $this->at($pour, 'watch', $grams, $scale, false)->assertOk();
            $this->travel(400)->milliseconds();
        }

        return $this->at($pour, 'watch', $to, $scale)->assertOk();
    }

    private function weighing(): Pour
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'tare');
        $this->at($pour, 'tare', 0.0)->assertOk();
        $this->workUntil($pour, 'weigh');

        return $pour;
    }

    public function test_its_weight_is_read_watched_and_believed(): void
    {
        $pour = $this->weighing();
        $line = $this->getJson("/pours/{$pour->id}/state")->json('line');
        $this->pours($pour, 0.0, $line['running'])
            ->assertJsonPath('grams', $line['running'])
            ->assertJsonPath('stable', true)
            ->assertJsonPath('trouble', null);
        $this->record($pour, 'weighed', [
            'step' => '1:weigh:0', 'reading_g' => $line['running'], 'by' => 'scale', 'stable' => true,
        ])->assertOk()->assertJsonPath('step.key', '1:weigh:1');

        // It falls: what is in the cup is not on its display any more, and nothing is taken from it.
        $this->travel(1)->seconds();
        $this->at($pour, 'watch', 0.0)->assertOk();
        $this->travel(400)->milliseconds();
        $this->at($pour, 'watch', 0.0)->assertOk()->assertJsonPath('trouble.kind', 'fell');
        $this->record($pour, 'weighed', [
            'step' => '1:weigh:1', 'reading_g' => 300.0, 'by' => 'scale', 'stable' => true,
        ])->assertStatus(409);
        $this->record($pour, 'counted', ['step' => '1:weigh:1', 'reading_g' => 0.0, 'in_line_g' => 0.0])->assertOk();
        $this->at($pour, 'watch', 0.0)->assertOk()->assertJsonPath('trouble', null);
    }

    public function test_two_tablets_weigh_at_once_each_on_its_own(): void
    {
        [$one, $other] = [$this->weighing(), $this->begun()];
        $this->workUntil($other, 'tare');
        $this->at($other, 'tare', 0.0, self::THERE)->assertOk();
        $this->workUntil($other, 'weigh');
        self::assertSame(2, ScaleHold::query()->count());
        $this->pours($one, 0.0, 40.0)->assertJsonPath('held_by', null);
        $this->pours($other, 0.0, 30.0, self::THERE)->assertJsonPath('held_by', null)->assertJsonPath('trouble', null);
        // On the same one the second says whose it is, and takes it over only when told to.
        $this->at($other, 'watch', 40.0)->assertOk()->assertJsonPath('held_by.href', "/pours/{$one->id}/run");
        $this->at($other, 'tare', 40.0)->assertStatus(409);
        $this->at($other, 'take-over', 40.0)->assertOk()->assertJsonPath('held_by', null);
        $this->at($one, 'watch', 40.0)->assertJsonPath('held_by.href', "/pours/{$other->id}/run");
    }

    public function test_what_is_no_scale_and_no_line_is_said(): void
    {
        $pour = $this->weighing();
        foreach (['short', 'Has Space In', str_repeat('a', 33), "break\nsomething"] as $scale) {
            $this->at($pour, 'watch', 1.0, $scale)->assertUnprocessable()->assertJsonPath('error.field', 'scale');
        }
        foreach (['ST,+001', 'lots', str_repeat('9', 500), '{}'] as $line) {
            $this->postJson('/devices/scale/watch', ['for' => "run:{$pour->id}", 'scale' => self::HERE, 'line' => $line])->assertJsonPath(
                'lost', 'The scale sent something that is not a weight. Check its cable and its output setting, or type the reading.',
            );
        }
        $this->postJson('/devices/scale/watch', [
            'for' => "run:{$pour->id}", 'scale' => self::HERE,
        ])->assertUnprocessable()->assertJsonPath('error.field', 'line');
    }

    public function test_the_ways_scales_write_are_data_and_each_is_a_pattern(): void
    {
        $lines = $this->getJson('/devices/lines')->assertOk()->json('lines');
        self::assertGreaterThan(3, count($lines));
        foreach ($lines as $way) {
            foreach (array_intersect_key($way, array_flip(['line', 'rests', 'moves', 'over'])) as $pattern) {
                self::assertNotFalse(@preg_match("~{$pattern}~", ''), $pattern);
            }
            self::assertStringContainsString('(?<weight>', $way['line']);
        }
    }
}

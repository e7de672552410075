<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Build;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Tests\BuildsGloves;
use Tests\TestCase;

/** The second colour onto the first while it is tacky, weighed up ahead so that it is ready as the window opens. */
final class TwoColoursTest extends TestCase
{
    use BuildsGloves;

    private function planned(): Build
    {
        $cast = $this->impression('cast', 'pr-10');
        $this->post("/impressions/{$cast->id}/builds", ['kind' => 'two-colour', 'measured' => ['ml' => 100]])->assertSessionHasNoErrors();

        return Build::query()->where('impression_id', $cast->id)->firstOrFail();
    }

    /** @param  list<array{code: string, amount: float, basis: string, into: string}>  $additives */
    private function with(int $pour, array $additives): void
    {
        $sheet = $this->get("/pours/{$pour}")->inertiaProps('pour')['sheet'];
        $sheet['formula']['additives'] = $additives;
        $sheet['plan'] = [...$sheet['plan'], 'mix_min' => 2, 'degas_min' => 0, 'vessel' => [...$sheet['plan']['vessel'], 'degas' => false]];
        $this->putJson("/pours/{$pour}/sheet", $sheet)->assertOk();
    }

    public function test_the_first_takes_three_tenths_and_its_colour_does_not_run_into_the_second(): void
    {
        $build = $this->planned();
        $this->with($this->sheetOf($build, 'first')->id, [
            ['code' => 'sf-1', 'amount' => 20, 'basis' => 'pct_of_ab', 'into' => 'after'],
            ['code' => 'pi-fawn', 'amount' => 1, 'basis' => 'pct_of_total', 'into' => 'b'],
        ]);
        $second = $this->get('/pours/'.$this->sheetOf($build, 'second')->id)->inertiaProps('pour')['sheet'];
        self::assertSame(['sf-1'], array_column($second['formula']['additives'], 'code'), 'Its softener does, its pigment does not.');
        self::assertEqualsWithDelta(
            [30.0, 70.0], [$this->operation($build, 'first')['volume_ml'], $this->operation($build, 'second')['volume_ml']], 1e-9,
        );
    }

    public function test_it_is_weighed_up_ahead_and_laid_on_no_sooner_than_what_is_below_bears_it(): void
    {
        $build = $this->planned();
        $this->tell($build, 'done', ['op' => 'mould'])->assertOk();
        $first = $this->sheetOf($build, 'first');
        $this->with($first->id, []);
        $this->post("/pours/{$first->id}/run")->assertSessionHasNoErrors();
        $this->workUntil($first, 'done');
        $this->travel(3)->minutes();
        $this->tell($build, 'done', ['op' => 'line'])->assertOk();

        $second = $this->sheetOf($build, 'second');
        $this->with($second->id, [['code' => 'pi-bone', 'amount' => 1, 'basis' => 'pct_of_total', 'into' => 'b']]);
        $stands = $this->operation($build, 'second');
        self::assertSame(6 * 60_000, $stands['opens_ms'] - $stands['ahead_ms'], 'Four minutes of weighing and two of stirring.');
        $this->travelTo(CarbonImmutable::createFromTimestampMs($stands['ahead_ms'] - 5_000));
        $this->post("/pours/{$second->id}/run")->assertSessionHasErrors('early');
        $this->travelTo(CarbonImmutable::createFromTimestampMs($stands['ahead_ms']));
        $this->post("/pours/{$second->id}/run")->assertSessionHasNoErrors();
        $said = array_column($this->getJson("/pours/{$second->id}/state")->json('checklist'), 'text', 'id');
        self::assertStringContainsString('may be laid on from', $said['lays-from']);

        // Quick hands: it is mixed before the window opens.
        $this->freezeTime();
        for ($i = 0; $i < 30 && ($run = $this->getJson("/pours/{$second->id}/state")->json())['step']['kind'] !== 'fill'; $i++) {
            foreach ($run['step']['kind'] === 'contacts' ? $run['checklist'] : [] as $item) {
                $item['done'] || $this->record($second, 'checked', ['item' => $item['id']])->assertOk();
            }
            $run['step']['kind'] === 'weigh'
                ? $this->record($second, 'weighed', ['step' => $run['step']['key'], 'reading_g' => $run['line']['running']])->assertOk()
                : $this->record($second, 'confirmed', ['step' => $run['step']['key']])->assertOk();
        }
        $step = $this->getJson("/pours/{$second->id}/state")->json('step.key');
        $this->record($second, 'confirmed', ['step' => $step])
            ->assertUnprocessable()
            ->assertJsonPath('error.field', 'sure')
            ->assertJsonPath('error.message', static fn (string $says): bool => str_contains($says, 'ready for it in 6 min'));
        // Said to be ready all the same, that stands in the record; taken back, it is asked again.
        $this->record($second, 'confirmed', ['step' => $step, 'sure' => true])->assertOk()->assertJsonPath('step.kind', 'done');
        self::assertTrue(
            DB::table('facts')->where(['stream' => 'run', 'stream_id' => $second->id])->orderByDesc('id')->value('payload->sure') == true,
        );
        $this->record($second, 'undone', [
            'of' => $this->getJson("/pours/{$second->id}/state")->json('take_back.of'),
        ])->assertOk()->assertJsonPath('step.kind', 'fill');
        $this->record($second, 'confirmed', ['step' => $step])->assertUnprocessable();
        $this->travelTo(CarbonImmutable::createFromTimestampMs($stands['opens_ms']));
        $this->record($second, 'confirmed', ['step' => $step])->assertOk()->assertJsonPath('step.kind', 'done');
        self::assertSame('done', $this->operation($build, 'second')['state']);
    }
}

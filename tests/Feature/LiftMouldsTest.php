<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Impression;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\PourState;
use App\Upgrades\LiftMoulds;
use Illuminate\Support\Facades\DB;
use Tests\KeepsThings;
use Tests\TestCase;

/** What stands in the log of a shop that worked before there was a rack. */
final class LiftMouldsTest extends TestCase
{
    use KeepsThings;

    private function logged(Impression $link, int $daysAgo, string $grade = 'good', int $pieces = 1): Pour
    {
        $at = $this->now->subDays($daysAgo);

        return Pour::query()->create([
            'impression_id' => $link->id, 'sheet' => [], 'state' => PourState::Graded, 'started_at' => $at, 'poured_at' => $at,
            'graded_at' => $at->addHours(6), 'grade' => $grade, 'faults' => $grade === 'spoilt' ? ['sticky'] : [], 'pieces' => $pieces,
            'base_code' => $link->material,
            'plan' => ['room_c' => 19.5],
        ]);
    }

    public function test_good_moulds_and_all_casts_are_lifted_each_to_the_mould_of_its_time_and_twice_changes_nothing(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        $before = $this->logged($cast, 60);
        $this->logged($link, 50, 'spoilt');
        $this->logged($link, 40);
        $first = $this->logged($cast, 30, 'spoilt');
        $this->logged($link, 20);
        $gang = $this->logged($cast, 10, 'usable', 4);
        for ($i = 0; $i < 2; $i++) {
            (new LiftMoulds)();
            app()->forgetScopedInstances();
        }

        $of = static fn (Pour $pour): array => DB::table('castings')
            ->join('moulds', 'moulds.id', '=', 'castings.mould_id')
            ->where('pour_id', $pour->id)
            ->orderBy('number')
            ->get(['generation', 'outcome', 'fault'])
            ->map(static fn (object $row): array => [(int) $row->generation, $row->outcome, $row->fault])
            ->all();
        self::assertSame([[0, 'good', null]], $of($before), 'Cast before any mould was logged: it was there all the same.');
        self::assertSame([[1, 'reject', 'sticky']], $of($first));
        self::assertSame(array_fill(0, 4, [2, 'usable', null]), $of($gang));
        self::assertSame([0 => 1, 1 => 1, 2 => 1], Mould::query()->orderBy('generation')->pluck('casts', 'generation')->all());
        self::assertSame(19.5, $gang->refresh()->room_c);
        self::assertSame(Mould::query()->where('generation', 1)->value('id'), Mould::query()->where('generation', 2)->value('remade_of'));
        $this->get('/rack')->assertOk();
        self::assertSame(3, substr_count($this->get('/rack.csv')->assertOk()->streamedContent(), 'Owl brow'));
    }

    public function test_a_pour_that_was_in_its_mould_when_the_rack_came_finds_it(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        $mould = $this->mould($link);
        $pour = $this->begun(['formula' => ['base' => 'ur-35', 'additives' => []]], $cast);
        $plan = $pour->plan ?? [];
        unset($plan['moulds'], $plan['lots']);
        $pour->update(['plan' => $plan]);
        DB::table('pour_moulds')->delete();
        $this->workUntil($pour, 'wait');
        $this->record($pour, 'opened', ['step' => '0:wait'])->assertOk();
        $this->graded($pour);
        self::assertSame($mould->id, (int) DB::table('castings')->where('pour_id', $pour->id)->value('mould_id'));
    }

    public function test_a_bad_cast_of_a_build_bears_the_grade_of_that_and_its_cause(): void
    {
        $cast = $this->impression('cast', 'ur-35');
        $this->post("/impressions/{$cast->id}/builds", ['kind' => 'solid-cast', 'measured' => ['ml' => 100]])->assertRedirect();
        $build = (int) DB::table('builds')->where('plain', false)->max('id');
        $tell = fn (string $kind, array $payload = []): int => $this->tell("/builds/{$build}/facts", $kind, $payload)
            ->assertOk()
            ->json('last_fact_id');
        $tell('done', ['op' => 'mould']);
        $this->post("/builds/{$build}/operations/pour/pour")->assertRedirect();
        $pour = Pour::query()->where('build_id', $build)->firstOrFail();
        $pour->update(['sheet' => $this->sheet(['formula' => ['base' => 'ur-35', 'additives' => []], 'formula_name' => 'Solid'])]);
        $this->post("/pours/{$pour->id}/run")->assertRedirect("/pours/{$pour->id}/run");
        $this->workUntil($pour->refresh(), 'done');
        foreach (['top', 'open', 'trim'] as $op) {
            $this->travel(30)->hours();
            $this->tell(
                "/builds/{$build}/facts", $op === 'top' ? 'left_out' : 'done',
                $op === 'top' ? ['op' => $op, 'why' => 'level'] : ['op' => $op, 'early' => true],
            )->assertOk();
        }
        $tell('graded', ['grade' => 'spoilt', 'faults' => ['bubbles'], 'pieces' => 1, 'note' => '']);
        self::assertSame('reject', DB::table('castings')->where('pour_id', $pour->id)->value('outcome'));
        $this->postJson("/pours/{$pour->id}/causes", ['answers' => ['where' => 'all']])->assertOk();
        $this->record($pour, 'diagnosed', ['cause' => 'moisture', 'answers' => []])->assertOk();
        self::assertSame(
            ['moisture', 'spoilt', PourState::Graded], [$pour->refresh()->cause, $pour->grade?->value, $pour->state],
            'The grade of the build stands.',
        );
    }
}

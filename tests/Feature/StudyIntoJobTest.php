<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Contact\MouldPart;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\ModelFile;
use App\Models\Pour;
use App\Models\PourState;
use App\Studies\StudiedPiece;
use Tests\StudiesModels;
use Tests\TestCase;

/** What a study found, written into a job in one press. */
final class StudyIntoJobTest extends TestCase
{
    use StudiesModels;

    public function test_in_one_press_mould_halves_and_casts_are_in_the_job(): void
    {
        $job = $this->job();
        $study = $this->asked($this->ball($job), wall_mm: 10);
        $this->post("/studies/{$study['id']}/job", ['job' => $job->id])->assertRedirect("/jobs/{$job->id}")->assertSessionHas('said');

        $halves = $job->impressions()->where('role', MouldPart::Half)->get();
        self::assertCount(2, $halves);
        self::assertSame(
            ['original', 'mould', 'mould', 'cast'],
            $job->impressions()->get()->map(static fn (Impression $link): string => $link->kind->value)->all(),
        );
        foreach ($halves as $i => $half) {
            self::assertStringContainsString(
                'From the study of ball.stl: box 80 × 80 × 80 mm inside, seam 40 mm above its floor, 4 keys', (string) $half->note,
            );
            $sheet = $half->pours()->firstOrFail()->sheet;
            self::assertSame('mesh', $sheet['volume']['method']);
            self::assertEqualsWithDelta($study['answer']['mould'][$i === 0 ? 'lower_ml' : 'upper_ml'], $sheet['volume']['volume_ml'], 0.1);
        }
        $cast = $job->impressions()->where('kind', ImpressionKind::Cast)->firstOrFail()->pours()->firstOrFail();
        self::assertEqualsWithDelta($study['answer']['volume_ml'], $cast->sheet['volume']['volume_ml'], 0.1);
        self::assertGreaterThanOrEqual(10, $cast->sheet['volume']['allowance_pct']);
        $this->get("/pours/{$cast->id}")->assertOk();

        // Pressed again after the seam was moved: the same links and sheets, other figures.
        $moved = $this->asked(ModelFile::query()->firstOrFail(), wall_mm: 10, seam_mm: 40);
        $this->post("/studies/{$moved['id']}/job", ['job' => $job->id])->assertRedirect("/jobs/{$job->id}");
        self::assertSame(4, $job->impressions()->count());
        self::assertEqualsWithDelta(
            $moved['answer']['mould']['lower_ml'], $halves[0]?->pours()->firstOrFail()->sheet['volume']['volume_ml'], 0.1,
        );
    }

    public function test_a_model_studied_for_two_jobs_stays_with_both_and_each_keeps_its_own_study(): void
    {
        [$first, $second] = [$this->job(), $this->job()];
        $ball = $this->ball($first);
        $whole = $this->asked($ball, wall_mm: 10, one_part: true);
        $this->post("/studies/{$whole['id']}/job", ['job' => $first->id])->assertRedirect();
        $halves = $this->asked($ball, wall_mm: 20);
        $this->post("/studies/{$halves['id']}/job", ['job' => $second->id])->assertRedirect();

        self::assertSame(
            [$second->id, $first->id], array_column($this->get("/study/{$ball->id}")->assertOk()->inertiaProps('file')['jobs'], 'id'),
        );
        foreach ([$first, $second] as $job) {
            self::assertSame($ball->id, $this->get("/jobs/{$job->id}")->assertOk()->inertiaProps('job')['model']['id']);
        }
        self::assertEquals(
            [$whole['answer']['mould']['inner_mm'], $halves['answer']['mould']['inner_mm']],
            [StudiedPiece::of($first->id)?->toArray()['box_mm'], StudiedPiece::of($second->id)?->toArray()['box_mm']],
        );
        self::assertNotNull(
            StudiedPiece::of($first->id)?->toArray()['stretch_pct'],
            'Of one part it says how far the rubber stretches; of two it says nothing of that.',
        );
        self::assertNull(StudiedPiece::of($second->id)?->toArray()['stretch_pct']);
    }

    public function test_a_mould_of_one_part_is_one_link_and_takes_all(): void
    {
        $job = $this->job();
        $study = $this->asked($this->ball($job), wall_mm: 10, one_part: true);
        $this->post("/studies/{$study['id']}/job", ['job' => $job->id])->assertRedirect("/jobs/{$job->id}");

        $mould = $job->impressions()->where('kind', ImpressionKind::Mould)->get();
        self::assertCount(1, $mould);
        self::assertSame(MouldPart::Whole, $mould[0]?->role);
        self::assertSame(0.0, (float) $study['answer']['mould']['lower_ml']);
        // It stands on the board: no wall below.
        self::assertEqualsWithDelta(
            80.0 * 80.0 * 70.0 / 1000.0 - $study['answer']['volume_ml'], $mould[0]->pours()->firstOrFail()->sheet['volume']['volume_ml'],
            1.5,
        );
    }

    public function test_what_has_begun_stays_as_it_is(): void
    {
        $pour = $this->begun();
        $job = $pour->impression->job;
        $before = $pour->refresh()->only('sheet', 'plan', 'state');
        $study = $this->asked($this->ball($job));
        $this->post("/studies/{$study['id']}/job", ['job' => $job->id])->assertRedirect();

        self::assertEquals($before, $pour->refresh()->only('sheet', 'plan', 'state'));
        self::assertSame(
            1, Pour::query()->where('impression_id', $pour->impression_id)->where('state', PourState::Draft)->count(),
            'The next one is planned beside it.',
        );
    }

    public function test_a_planned_build_is_planned_anew_with_what_was_measured(): void
    {
        $job = $this->job(true);
        $glove = $job->impressions()->where('name', 'Glove')->firstOrFail();
        $this->post("/impressions/{$glove->id}/builds", ['kind' => 'two-part-block', 'measured' => ['ml' => 900]])->assertRedirect();
        $study = $this->asked($this->ball($job), wall_mm: 10, seam_mm: 40);
        $this->post("/studies/{$study['id']}/job", ['job' => $job->id])->assertRedirect();

        $plan = $glove->builds()->where('planned_of', $glove->id)->firstOrFail()->plan;
        $ml = array_column(
            array_map(static fn (array $op): array => ['id' => $op['id'], 'ml' => $op['mix']['ml'] ?? null], $plan['operations']), 'ml',
            'id',
        );
        self::assertEqualsWithDelta($study['answer']['mould']['lower_ml'], $ml['half-1'], 0.01);
        self::assertEqualsWithDelta($study['answer']['mould']['upper_ml'], $ml['half-2'], 0.01);
        self::assertSame(0, $job->impressions()->where('role', MouldPart::Half)->count(), 'The build is its mould: no halves beside it.');
    }

    public function test_without_a_job_or_an_answer_nothing_is_written(): void
    {
        $file = $this->ball();
        $waiting = $file->studies()->firstOrFail();
        $this->from('/study')->post("/studies/{$waiting->id}/job", [
            'job' => 99,
        ])->assertSessionHasErrors(['job' => 'Choose the job it is for.']);
        $this->from('/study')->post("/studies/{$waiting->id}/job", ['job' => $this->job()->id])->assertSessionHasErrors('job');
        self::assertSame(0, Pour::query()->count());
    }
}

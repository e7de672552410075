<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Piece\Stretching;
use App\Builds\BuildBook;
use App\Http\Reply;
use App\Jobs\JobQuery;
use App\Library\Library;
use App\Models\Job;
use App\Models\ModelFile;
use App\Models\Study;
use App\Models\Workshop;
use App\PourSheets\PourSheetReckoner;
use App\Queue\AskStudy;
use App\Storage\Files;
use App\Studies\BoxDrawing;
use App\Studies\ChangeModel;
use App\Studies\ModelFileView;
use App\Studies\PutStudyIn;
use App\Studies\RubbersView;
use App\Studies\StudiedView;
use App\Studies\StudyDesk;
use App\Studies\StudyView;
use App\Studies\TakeModelIn;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response as Answer;

/** Studying a piece before anything is poured: its model in, questions to it, and what it told into a job. */
final readonly class StudyController
{
    private const JOBS_OFFERED = 40;

    public function __construct(
        private StudyDesk $desk,
        private Library $library,
        private BuildBook $book,
        private PourSheetReckoner $reckoner,
        private AskStudy $ask,
    ) {}

    public function index(Request $request): Response
    {
        return Reply::page('study/Studies', [
            'studied' => (new StudiedView(max(1, min(10_000, $request->integer('page', 1)))))->toArray(),
            'job' => $request->has('job') ? Job::query()->find($request->integer('job'))?->only('id', 'name') : null,
        ]);
    }

    /** A piece of a file on its way in. */
    public function piece(Request $request, TakeModelIn $take, string $upload): JsonResponse
    {
        return Reply::json(['there' => $take->piece($upload, max(0, min(1 << 40, $request->integer('at'))), $request->getContent())]);
    }

    public function drop(TakeModelIn $take, string $upload): JsonResponse
    {
        $take->drop($upload);

        return Reply::json(['there' => 0]);
    }

    public function store(Request $request, TakeModelIn $take): JsonResponse
    {
        $said = Fields::fromJson($request->getContent())->only('upload', 'name', 'job');
        $job = $said->has('job') ? Job::query()->find((int) $said->number('job', 1.0, 1e15)) : null;
        $file = $take->whole($said->text('upload'), $said->text('name'), $job, CarbonImmutable::now());
        ($this->ask)($file, Fields::of([]), CarbonImmutable::now());

        return Reply::json(['id' => $file->id]);
    }

    public function show(ModelFile $model, JobQuery $jobs): Response
    {
        $study = $this->ask->shown($model, CarbonImmutable::now());
        $first = $this->desk->found($model);

        return Reply::page('study/Study', [
            'file' => (new ModelFileView($model->load('jobs')))->toArray(),
            'study' => (new StudyView($study))->toArray(),
            'first' => $first === null ? null : (new StudyView($first))->toArray(),
            'rubbers' => (new RubbersView($this->library, $this->book, $this->reckoner, $model->jobs->first()))->toArray(),
            'jobs' => $jobs->offered(self::JOBS_OFFERED),
        ]);
    }

    /** Another question to the same piece. */
    public function question(Request $request, ModelFile $model): JsonResponse
    {
        return Reply::json(
            (
                new StudyView(
                    ($this->ask)(
                        $model,
                        Fields::fromJson($request->getContent())->only(
                            'pull', 'pour', 'one_part', 'school', 'wall_mm', 'shore_a', 'seam_mm', 'float',
                        ),
                        CarbonImmutable::now(),
                    )->refresh(),
                )
            )->toArray(),
        );
    }

    public function state(Study $study): JsonResponse
    {
        return Reply::json((new StudyView($this->desk->lapsed($study, CarbonImmutable::now())))->toArray());
    }

    public function stop(Study $study): JsonResponse
    {
        $this->desk->stop($study);

        return $this->state($study->refresh());
    }

    /** What its picture is drawn from. */
    public function picture(Study $study, string $part): BinaryFileResponse
    {
        $path = $study->state === Study::DONE ? Files::here($part === 'mesh' ? $study->modelFile->mesh() : $study->states()) : null;
        $path === null && abort(404);

        return response()->file($path, [
            'Content-Type' => 'application/octet-stream', 'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }

    /** In which unit it was drawn, what its sides are called, which job it is for. */
    public function update(Request $request, ModelFile $model, ChangeModel $change): RedirectResponse
    {
        try {
            $change($model, Fields::of($request->all())->only('unit', 'sides', 'job'), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back('model', $wrong);
        }
        $this->ask->again($model, CarbonImmutable::now());

        return back();
    }

    public function destroy(ModelFile $model): RedirectResponse
    {
        $model->delete();
        $until = CarbonImmutable::now()->addDays(ModelFile::KEPT_DAYS)->setTimezone(app(Workshop::class)->zone());

        return redirect()
            ->to('/study')
            ->with('said', Reply::say(Phrase::of('bench.model_is_put_away', ['name' => $model->name, 'until' => $until->format('j F')])))
            ->with('undo', "/study/{$model->id}/restore");
    }

    public function restore(int $model): RedirectResponse
    {
        $back = ModelFile::withTrashed()->findOrFail($model);
        $back->restore();

        return redirect()->to("/study/{$back->id}");
    }

    public function put(Request $request, Study $study, PutStudyIn $put): RedirectResponse
    {
        $job = Job::query()->find($request->integer('job'));
        if ($job === null) {
            return Reply::back('job', Phrase::of('bench.choose_job_for'));
        }
        try {
            return redirect()->to("/jobs/{$job->id}")->with('said', $put($study->load('modelFile'), $job, CarbonImmutable::now()));
        } catch (BadInput $wrong) {
            return Reply::back('job', $wrong);
        }
    }

    /** Which rubbers of the shelf let go of it in one part. */
    public function stretch(Study $study): JsonResponse
    {
        $needed = Fields::of($study->answer ?? [])->object('stretch')->number('needed_pct', 0.0, 1e9);
        $rubbers = [];
        foreach ((new RubbersView($this->library, $this->book, $this->reckoner, null))->toArray()['bases'] as $base) {
            if ($base['soft'] && $base['elongation_pct'] !== null) {
                $rubbers[] = [
                    'name' => $base['name'], 'shore' => $base['shore'], 'elongation_pct' => $base['elongation_pct'],
                    ...Stretching::of($needed, $base['elongation_pct'], $base['tear_n_mm']),
                ];
            }
        }

        return Reply::json(['needed_pct' => $needed, 'rubbers' => $rubbers]);
    }

    /** The walls of its box, to cut. */
    public function box(Request $request, Study $study, string $format, BoxDrawing $box): Answer
    {
        $drawn = $box->of($study, $request->query->all());

        return response($format === 'svg' ? $drawn['svg'] : $drawn['dxf'], 200, [
            'Content-Type' => $format === 'svg' ? 'image/svg+xml' : 'application/dxf',
            'Content-Disposition' => "attachment; filename=\"box-{$study->id}.{$format}\"",
        ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Frame\BoxToCut;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Piece\Stretching;
use App\Builds\BuildBook;
use App\Http\Reply;
use App\Library\Library;
use App\Models\Job;
use App\Models\ModelFile;
use App\Models\Study;
use App\Models\Workshop;
use App\PourSheets\PourSheetReckoner;
use App\Queue\StudyPiece;
use App\Storage\Files;
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

    /** So much the walls of a box stand above its fill: what is poured to the brim runs over. */
    private const FREEBOARD_MM = 10.0;

    public function __construct(
        private StudyDesk $desk,
        private Library $library,
        private BuildBook $book,
        private PourSheetReckoner $reckoner,
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
        $this->ask($file, Fields::of([]));

        return Reply::json(['id' => $file->id]);
    }

    public function show(ModelFile $model): Response
    {
        $last = $model->studies()->reorder()->orderByDesc('id')->first();
        $study = $last === null || $this->desk->isOfBefore($model, $last) ? $this->ask($model, Fields::of($last->asked ?? [])) : $last;
        $first = $this->desk->found($model);

        return Reply::page('study/Study', [
            'file' => (new ModelFileView($model->load('jobs')))->toArray(),
            'study' => (new StudyView($study))->toArray(),
            'first' => $first === null ? null : (new StudyView($first))->toArray(),
            'rubbers' => (new RubbersView($this->library, $this->book, $this->reckoner, $model->jobs->first()))->toArray(),
            'jobs' => array_values(
                Job::query()
                    ->orderByDesc('id')
                    ->limit(self::JOBS_OFFERED)
                    ->get(['id', 'name', 'workshop_id'])
                    ->map(static fn (Job $job): array => ['id' => $job->id, 'name' => $job->name])
                    ->all(),
            ),
        ]);
    }

    /** Another question to the same piece. */
    public function question(Request $request, ModelFile $model): JsonResponse
    {
        return Reply::json(
            (
                new StudyView(
                    $this->ask(
                        $model,
                        Fields::fromJson($request->getContent())->only(
                            'pull', 'pour', 'one_part', 'school', 'wall_mm', 'shore_a', 'seam_mm', 'float',
                        ),
                    )->refresh(),
                )
            )->toArray(),
        );
    }

    private function ask(ModelFile $model, Fields $asked): Study
    {
        $study = $this->desk->open($model, $asked, CarbonImmutable::now());
        if ($study->state !== Study::WAITING) {
            return $study;
        }
        // Without a pull and a pour all of it is to be searched.
        $isQuick = $model->bytes <= StudyDesk::AT_ONCE_BYTES
            && $asked->has('pull')
            && $asked->has('pour')
            && $asked->toArray()['pull'] !== 'auto'
            && $asked->toArray()['pour'] !== 'auto';
        StudyPiece::dispatch($study->id)->onQueue($isQuick ? StudyPiece::AT_ONCE : 'default');

        return $study->refresh();
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
        $last = $model->studies()->reorder()->orderByDesc('id')->first();
        $this->ask($model, Fields::of($last->asked ?? []));

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
    public function box(Request $request, Study $study, string $format): Answer
    {
        $block = Fields::of($study->answer ?? [])->object('mould');
        $joint = $request->query('joint', 'tabs');
        $inner = $block->numbers('inner_mm', 0.0, 5000.0, 3);
        if ($joint === 'round') {
            // As wide as from corner to corner of the piece, and its margin all round.
            $margin = $block->number('margin_mm');
            $asked = [
                'round' => [
                    'diameter_mm' => hypot($inner[0] - 2.0 * $margin, $inner[1] - 2.0 * $margin) + 2.0 * $margin, 'height_mm' => $inner[2],
                    'clay_bed_mm' => $block->number('seam_mm'), 'fill_mm' => $block->number('fill_mm'),
                    'freeboard_mm' => self::FREEBOARD_MM,
                ],
            ];

            return $this->drawing((new BoxToCut)->ask(Fields::of($asked))[$format], $study, $format);
        }
        $asked = [
            'inner_mm' => $inner, 'board_mm' => self::number($request, 'board', 6.0), 'joint' => $joint,
            'kerf_mm' => self::number($request, 'kerf', 0.0), 'clay_bed_mm' => $block->number('seam_mm'),
            'fill_mm' => $block->number('fill_mm'), 'margin_mm' => $block->number('margin_mm'), 'freeboard_mm' => self::FREEBOARD_MM,
        ];
        $sheet = $request->query('sheet');
        if (is_string($sheet)) {
            $asked['sheet_mm'] = array_map(floatval(...), explode('x', $sheet));
        }
        $box = (new BoxToCut)->ask(Fields::of($asked));

        return $this->drawing($box[$format], $study, $format);
    }

    /** What is no number is for the core to refuse. */
    private static function number(Request $request, string $key, float $usual): mixed
    {
        $said = $request->query($key);

        return $said === null || $said === '' ? $usual : (is_numeric($said) ? (float) $said : $said);
    }

    private function drawing(mixed $text, Study $study, string $format): Answer
    {
        return response(is_string($text) ? $text : '', 200, [
            'Content-Type' => $format === 'svg' ? 'image/svg+xml' : 'application/dxf',
            'Content-Disposition' => "attachment; filename=\"box-{$study->id}.{$format}\"",
        ]);
    }
}

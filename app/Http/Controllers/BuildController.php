<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Build\BuildFactKind;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Builds\BuildAgain;
use App\Builds\BuildAheadView;
use App\Builds\BuildStreams;
use App\Builds\BuildView;
use App\Builds\ChangeCopies;
use App\Builds\FollowPlan;
use App\Builds\KeepBuild;
use App\Builds\MixOperation;
use App\Builds\PlanBuild;
use App\Builds\RecordedBuild;
use App\Builds\ThrowBuildAway;
use App\Facts\AppendFact;
use App\Facts\FactDiffers;
use App\Facts\StepHasMoved;
use App\Http\Reply;
use App\Library\Library;
use App\Library\ShelfView;
use App\Models\Build;
use App\Models\Impression;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

final readonly class BuildController
{
    public function __construct(private Library $library) {}

    public function plan(Request $request, Impression $impression, PlanBuild $plan): RedirectResponse
    {
        try {
            $build = $plan($impression->load('job'), Fields::of($request->all()), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back('build', $wrong);
        }

        return redirect()->to("/builds/{$build->id}");
    }

    public function show(Build $build): Response|RedirectResponse
    {
        if ($build->plain) {
            $pour = $build->pours()->first();

            return redirect()->to($pour === null ? "/jobs/{$build->impression->job_id}" : "/pours/{$pour->id}");
        }

        [$recorded] = RecordedBuild::legible([$build->load('impression.job')], CarbonImmutable::now());

        return $recorded === [] ? Reply::page('lost/Damaged', [
            'kind' => 'builds', 'id' => $build->id, 'title' => $build->title(),
        ]) : Reply::page('build/Build', [
            'build' => $this->view($recorded[0]),
            'bases' => (new ShelfView($this->library))->toArray()['bases'],
        ]);
    }

    public function state(Build $build): JsonResponse
    {
        return Reply::json($this->view(RecordedBuild::of($build->load('impression.job'), CarbonImmutable::now())));
    }

    /** What a tablet follows it by where nobody answers. */
    public function ahead(Build $build): JsonResponse
    {
        return Reply::json((new BuildAheadView(RecordedBuild::of($build->load('impression.job'), CarbonImmutable::now())))->toArray());
    }

    public function record(
        Request $request,
        Build $build,
        AppendFact $append,
        BuildStreams $builds,
        FollowPlan $follow,
        ChangeCopies $copies,
    ): JsonResponse {
        $now = CarbonImmutable::now();
        try {
            $in = Fields::fromJson($request->getContent());
            $stream = $append($builds, $build->id, $in, $now);
            $in->text('kind') === BuildFactKind::Changed->value && $copies($stream->recorded->build, $in, $now);
            // What is not weighed yet follows the plan.
            foreach ($in->text('kind') === BuildFactKind::Changed->value ? $stream->recorded->pours : [] as $pour) {
                $follow($pour, $now);
            }

            return Reply::json($this->view($stream->recorded));
        } catch (StepHasMoved|FactDiffers $moved) {
            return Reply::json(
                [
                    'error' => ['field' => 'step', 'message' => $moved->says],
                    'build' => $this->view(RecordedBuild::of($build->load('impression.job'), $now)),
                ],
                409,
            );
        }
    }

    /** The sheet of what an operation mixes, or its run where that has begun. */
    public function mix(Build $build, string $operation, MixOperation $mix): RedirectResponse
    {
        try {
            return redirect()->to('/pours/'.$mix($build, $operation, CarbonImmutable::now())->id);
        } catch (BadInput $wrong) {
            return Reply::back('build', $wrong);
        }
    }

    /** More copies of it. */
    public function again(Request $request, Build $build, BuildAgain $again): RedirectResponse
    {
        try {
            return redirect()->to('/builds/'.$again($build, Fields::of($request->all()), CarbonImmutable::now())->id);
        } catch (BadInput $wrong) {
            return Reply::back('again', $wrong);
        }
    }

    /** As the shop's own, to be taken again. */
    public function keep(Request $request, Build $build, KeepBuild $keep): RedirectResponse
    {
        try {
            $own = $keep(
                RecordedBuild::of($build->load('impression.job'), CarbonImmutable::now()), Fields::of($request->all()),
                CarbonImmutable::now(),
            );
        } catch (BadInput $wrong) {
            return Reply::back('keep', $wrong);
        }

        return back()->with('said', Reply::say(Phrase::of('bench.one_your_own_ways', ['name' => $own->name])));
    }

    /** A plan nothing of which has begun. */
    public function destroy(Build $build, ThrowBuildAway $throw): RedirectResponse
    {
        $job = $build->impression->job_id;

        return $throw($build)
            ? redirect()
                ->to("/jobs/{$job}")
                ->with('said', Reply::say(Phrase::of('bench.plan_thrown_away')))
                ->with('undo', "/builds/{$build->id}/restore")
            : back()->withErrors(['build' => Reply::say(Phrase::of('bench.build_has_begun_give'))]);
    }

    public function restore(ThrowBuildAway $throw, int $build): RedirectResponse
    {
        $back = $throw->back($build) ?? abort(404);

        return redirect()->to("/builds/{$back->id}");
    }

    /** @return array<string, mixed> */
    private function view(RecordedBuild $recorded): array
    {
        return app()->make(BuildView::class, ['recorded' => $recorded])->toArray();
    }
}

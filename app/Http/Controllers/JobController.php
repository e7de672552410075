<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Phrase\Phrase;
use App\Builds\WaysToBuildView;
use App\Contacts\JobContacts;
use App\Http\Edition;
use App\Http\Reply;
use App\Http\Requests\JobRequest;
use App\Jobs\ChangeJob;
use App\Jobs\JobQuery;
use App\Jobs\JobsView;
use App\Jobs\JobView;
use App\Jobs\StartJob;
use App\Jobs\ToChooseView;
use App\Library\Library;
use App\Lists\Slice;
use App\Looks\Look;
use App\Models\Job;
use App\Ways\PromiseView;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** @phpstan-import-type NewJob from StartJob */
final class JobController
{
    private const ON_A_PAGE = 12;

    public function index(
        Request $request,
        Library $library,
        JobContacts $contacts,
        ToChooseView $choose,
        Look $look,
        JobQuery $query,
    ): Response {
        $q = is_string($said = $request->query('q')) ? trim($said) : '';
        $away = $request->boolean('away');
        $found = $query($q, $away);
        $total = (clone $found)->count();
        $slice = Slice::asked($request, self::ON_A_PAGE)->within($total);
        $jobs = $found->offset($slice->offset())->limit($slice->size)->get();

        return Reply::page('jobs/Jobs', [
            'list' => (
                new JobsView($jobs, $slice, $total, $q, $library, $contacts, $look, CarbonImmutable::now(), $away, $query->putAway())
            )->toArray(),
            ...$choose->toArray(),
        ]);
    }

    public function store(JobRequest $request, StartJob $start): RedirectResponse
    {
        /** @var NewJob $said */
        $said = $request->validated();
        $job = $start($said);

        return redirect()->to("/jobs/{$job->id}");
    }

    public function show(Job $job, ToChooseView $choose, WaysToBuildView $ways): Response
    {
        return Reply::page('jobs/Job', [
            'job' => app()->make(JobView::class, ['job' => $job, 'now' => CarbonImmutable::now()])->toArray(),
            'promise' => app()->make(PromiseView::class, ['job' => $job])->toArray()['taken'], ...$choose->toArray(),
            ...$ways->toArray(),
        ]);
    }

    public function update(JobRequest $request, Job $job, ChangeJob $change): RedirectResponse
    {
        /** @var array<string, mixed> $said */
        $said = $request->validated();
        $change($job->id, Edition::of($request), $said);

        return back();
    }

    public function destroy(Job $job): RedirectResponse
    {
        $job->delete();

        return redirect()
            ->to('/jobs')
            ->with('said', Reply::say(Phrase::of('bench.put_away_and_what', ['name' => $job->name])))
            ->with('undo', "/jobs/{$job->id}/restore");
    }

    public function restore(int $job): RedirectResponse
    {
        Job::withTrashed()->findOrFail($job)->restore();

        return redirect()->to("/jobs/{$job}");
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Build\ReadyMade;
use Apalos\Core\Contact\Release;
use Apalos\Core\Contact\Sealer;
use Apalos\Core\Contact\Surface;
use Apalos\Core\Phrase\Phrase;
use App\Builds\BuildBook;
use App\Contacts\ContactBook;
use App\Contacts\JobContacts;
use App\Http\Edition;
use App\Http\Reply;
use App\Http\Requests\JobRequest;
use App\Jobs\JobsView;
use App\Jobs\JobView;
use App\Library\Library;
use App\Lists\Like;
use App\Lists\Slice;
use App\Looks\HeldLook;
use App\Models\Job;
use App\Models\Workshop;
use App\Ways\PromiseView;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Response;

final class JobController
{
    private const ON_A_PAGE = 12;

    public function index(Request $request, Workshop $workshop, Library $library, JobContacts $contacts, ContactBook $shop, HeldLook $look): Response
    {
        $q = is_string($said = $request->query('q')) ? trim($said) : '';
        $away = $request->boolean('away');
        $found = ($away ? $workshop->jobs()->onlyTrashed() : $workshop->jobs())->when($q !== '', static fn ($jobs) => $jobs->where(Like::of('name', $q)));
        $total = $found->count();
        $slice = Slice::asked($request, self::ON_A_PAGE)->within($total);
        $jobs = $found->orderByDesc('updated_at')->orderByDesc('id')->offset($slice->offset())->limit($slice->size)->get();

        return Reply::page('jobs/Jobs', ['list' => (new JobsView($jobs, $slice, $total, $q, $library, $contacts, $look, CarbonImmutable::now(), $away, $workshop->jobs()->onlyTrashed()->count()))->toArray(), 'materials' => self::materials($library), 'words' => self::words($shop), 'uses' => array_map(static fn (array $use): string => $use['name'], $library->uses())]);
    }

    public function store(JobRequest $request, Workshop $workshop): RedirectResponse
    {
        /** @var array{name: string, purpose?: string|null, for_whom?: string|null, quantity: int, due_on?: string|null, skin?: bool, uses?: list<string>, chain?: list<array{kind: string, name: string, material?: string|null}>} $said */
        $said = $request->validated();
        $job = DB::transaction(static function () use ($said, $workshop): Job {
            $job = $workshop->jobs()->create(['name' => $said['name'], 'purpose' => $said['purpose'] ?? null, 'for_whom' => $said['for_whom'] ?? null, 'quantity' => $said['quantity'], 'due_on' => ($said['due_on'] ?? null) ?: null, 'skin' => (bool) ($said['skin'] ?? false), 'uses' => $said['uses'] ?? []]);
            foreach ($said['chain'] ?? [] as $position => $link) {
                $job->impressions()->create([...$link, 'position' => $position]);
            }

            return $job;
        });

        return redirect()->to("/jobs/{$job->id}");
    }

    public function show(Job $job, Library $library, ContactBook $shop, BuildBook $builds): Response
    {
        return Reply::page('jobs/Job', ['job' => app()->make(JobView::class, ['job' => $job, 'now' => CarbonImmutable::now()])->toArray(), 'promise' => app()->make(PromiseView::class, ['job' => $job])->toArray()['taken'], 'ways' => self::ways($builds), 'materials' => self::materials($library), 'words' => self::words($shop), 'uses' => array_map(static fn (array $use): string => $use['name'], $library->uses())]);
    }

    public function update(JobRequest $request, Job $job): RedirectResponse
    {
        $said = $request->safe()->only(['name', 'purpose', 'for_whom', 'quantity', 'due_on', 'skin', 'uses']);
        DB::transaction(static fn (): bool => Job::asShown($job->id, Edition::of($request))->update([...$said, 'due_on' => ($said['due_on'] ?? null) ?: null]));

        return back();
    }

    public function destroy(Job $job): RedirectResponse
    {
        $job->delete();

        return redirect()->to('/jobs')->with('said', Reply::say(Phrase::of('bench.put_away_and_what', ['name' => $job->name])))->with('undo', "/jobs/{$job->id}/restore");
    }

    public function restore(int $job): RedirectResponse
    {
        Job::withTrashed()->findOrFail($job)->restore();

        return redirect()->to("/jobs/{$job}");
    }

    /** @return list<array{id: string, name: string, what: string, makes: list<string>, asks: list<string>, base: string|null}> how a link can be built */
    private static function ways(BuildBook $builds): array
    {
        return array_map(static fn (ReadyMade $made): array => ['id' => $made->id, 'name' => $made->name, 'what' => $made->what, 'makes' => $made->makes, 'asks' => $made->asks, 'base' => $made->base], $builds->all());
    }

    /** @return list<array{code: string, name: string, shore: string|null, family: string, here: bool}> */
    private static function materials(Library $library): array
    {
        return array_values(array_map(static fn ($base): array => ['code' => $base->code, 'name' => $base->name, 'shore' => $base->shore(), 'family' => $base->family, 'here' => isset($library->atHand()->bases[$base->code])], $library->shelf()->bases));
    }

    /** @return array{surfaces: array<string, string>, releases: array<string, array{name: string, how: string, hides: int, paint: string, skin_safe: bool, vapour: bool, coats: int, minutes: float, every: int, cost: float}>, sealers: array<string, string>} */
    private static function words(ContactBook $shop): array
    {
        $knowledge = $shop->knowledge();

        return [
            'surfaces' => array_map(static fn (Surface $surface): string => $surface->name, $knowledge->surfaces),
            'releases' => array_map(static fn (Release $release): array => [
                'name' => $release->name, 'how' => $release->how, 'hides' => $release->hides, 'paint' => $release->paint, 'skin_safe' => $release->skinSafe, 'vapour' => $release->vapour,
                'coats' => $release->coats, 'minutes' => $release->minutes(false, $release->coats), 'every' => $release->every, 'cost' => $release->cost,
            ], $knowledge->releases),
            'sealers' => array_map(static fn (Sealer $sealer): string => $sealer->name, $knowledge->sealers),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Contacts\ContactBook;
use App\Http\Reply;
use App\Jobs\PutMouldIn;
use App\Library\Library;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Workshop;
use App\Moulds\MouldAnswerView;
use App\Stock\Prices;
use App\Studies\StudiedPiece;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** Choosing a kind of mould for a job: a comparison beside a handful of questions. */
final readonly class MouldController
{
    public function __construct(private Library $library) {}

    public function show(Job $job, ContactBook $contacts, Workshop $workshop): Response
    {
        $job->load('impressions');
        $knowledge = $contacts->knowledge();
        $original = $job->impressions->firstWhere('kind', ImpressionKind::Original);
        $cast = $job->impressions->firstWhere('kind', ImpressionKind::Cast);

        return Reply::page('mould/Mould', [
            'job' => ['id' => $job->id, 'name' => $job->name, 'quantity' => $job->quantity, 'skin' => $job->skin],
            'families' => array_map(static fn ($family): string => $family->name, $knowledge->families),
            'surfaces' => array_map(static fn ($surface): string => $surface->name, $knowledge->surfaces),
            // What is poured hot comes into the mould as warm as it is best.
            'heats' => array_filter(
                array_map(
                    fn ($family): ?float => $this->library->castingsHere()->choose(null, $family->id, true, false)->heat?->to->degrees,
                    $knowledge->families,
                ),
            ),
            'hour_rate' => $workshop->hour_rate === null ? 0.0 : (float) $workshop->hour_rate,
            'studied' => StudiedPiece::of($job->id)?->toArray(),
            'original' => $original->surface ?? $this->library->usual('original'),
            'casting' => $this->library->shelf()->bases[$cast->material ?? '']->family ?? $this->library->usual('casting'),
        ]);
    }

    /** The kinds for a piece, and what their order rests on. */
    public function ask(Request $request, ContactBook $contacts, Prices $prices): JsonResponse
    {
        return Reply::json((new MouldAnswerView($this->library, $contacts, $prices, Fields::fromJson($request->getContent())))->toArray());
    }

    /** Puts a mould of this kind into the chain, in place of one that is only meant. */
    public function store(Request $request, Job $job, PutMouldIn $put): RedirectResponse
    {
        $said = $request->validate(['kind' => ['required', 'string'], 'chemistry' => ['required', 'string']]);
        $kind = $this->library->moulds()->kinds[$said['kind']] ?? abort(422, Reply::say(Phrase::of('bench.no_such_kind_mould')));

        return redirect()->to("/jobs/{$job->id}")->with('said', $put($job, $kind, (string) $said['chemistry']));
    }
}

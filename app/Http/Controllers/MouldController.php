<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ReviseChain;
use App\Http\Reply;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Workshop\ContactBook;
use App\Workshop\Library;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** Choosing a kind of mould for a job: a comparison beside a handful of questions. */
final readonly class MouldController
{
    public function __construct(private Library $library) {}

    public function show(Job $job, ContactBook $contacts): Response
    {
        $job->load('impressions');
        $knowledge = $contacts->knowledge();
        $original = $job->impressions->firstWhere('kind', ImpressionKind::Original);
        $cast = $job->impressions->firstWhere('kind', ImpressionKind::Cast);

        return Reply::page('mould/Mould', [
            'job' => ['id' => $job->id, 'name' => $job->name, 'quantity' => $job->quantity],
            'families' => array_map(static fn ($family): string => $family->name, $knowledge->families),
            'surfaces' => array_map(static fn ($surface): string => $surface->name, $knowledge->surfaces),
            'original' => $original->surface ?? $this->library->usual('original'),
            'casting' => $this->library->shelf()->bases[$cast->material ?? '']->family ?? $this->library->usual('casting'),
        ]);
    }

    /** Puts a mould of this kind into the chain, behind the original or the last positive before the casts. */
    public function store(Request $request, Job $job, ReviseChain $chain): RedirectResponse
    {
        $said = $request->validate(['kind' => ['required', 'string'], 'chemistry' => ['required', 'string']]);
        $kind = $this->library->moulds()->kinds[$said['kind']] ?? abort(422, 'There is no such kind of mould.');
        $base = collect($this->library->shelf()->bases)->firstWhere('family', $said['chemistry']);
        $after = $job->impressions()->reorder()->whereNot('kind', ImpressionKind::Cast)->orderByDesc('position')->first();
        $halves = $kind->rubber === 'split' ? ['first half' => 'half', 'second half' => 'half'] : ['' => 'whole'];
        foreach ($halves as $which => $role) {
            $after = $chain->insert($job, [
                'kind' => ImpressionKind::Mould, 'name' => trim("{$kind->name} {$which}"), 'role' => $role,
                'material' => $base?->code, 'note' => implode(', ', $kind->parts),
            ], $after?->id);
        }

        return redirect()->to("/jobs/{$job->id}");
    }
}

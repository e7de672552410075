<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\PlanPour;
use App\Http\Requests\ImpressionRequest;
use App\Models\Impression;
use App\Models\Job;
use App\Models\PourState;
use Illuminate\Http\RedirectResponse;

final class ImpressionController
{
    public function store(ImpressionRequest $request, Job $job): RedirectResponse
    {
        $job->impressions()->create([...$request->validated(), 'position' => (int) $job->impressions()->max('position') + 1]);

        return back();
    }

    public function update(ImpressionRequest $request, Impression $impression): RedirectResponse
    {
        $impression->update($request->validated());

        return back();
    }

    public function destroy(Impression $impression): RedirectResponse
    {
        if ($impression->pours()->whereNot('state', PourState::Draft)->exists()) {
            return back()->withErrors(['impression' => "“{$impression->name}” has been poured; what happened stays in the log. Only a link that was never poured can be taken out."]);
        }
        $impression->delete();

        return back()->with('said', "“{$impression->name}” is taken out of the chain.")->with('undo', "/impressions/{$impression->id}/restore");
    }

    public function restore(int $impression): RedirectResponse
    {
        Impression::withTrashed()->findOrFail($impression)->restore();

        return back();
    }

    public function pour(Impression $impression, PlanPour $plan): RedirectResponse
    {
        return redirect()->to('/pours/'.$plan($impression)->id);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Http\Edition;
use App\Http\Reply;
use App\Http\Requests\ImpressionRequest;
use App\Jobs\ReviseChain;
use App\Models\Impression;
use App\Models\Job;
use App\PourSheets\PlanPour;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class ImpressionController
{
    public function __construct(private ReviseChain $chain) {}

    public function store(ImpressionRequest $request, Job $job): RedirectResponse
    {
        $after = $request->integer('after');

        $made = null;
        $answer = $this->answered(function () use ($job, $request, $after, &$made): void {
            $made = $this->chain->insert($job, $this->said($request), $after === 0 ? null : $after);
        });

        return $made === null
            ? $answer
            : $answer->with('said', Reply::say(Phrase::of('bench.in_chain', [
                'name' => $made->name,
            ])))->with('undo', "/impressions/{$made->id}/take-out?edition={$made->edition}");
    }

    public function update(ImpressionRequest $request, Impression $impression): RedirectResponse
    {
        return $this->answered(
            fn () => $this->chain->change($impression, $this->said($request), Edition::of($request), $request->boolean('sure')),
        );
    }

    public function move(Request $request, Impression $impression): RedirectResponse
    {
        $by = $request->integer('by') < 0 ? -1 : 1;

        $moved = $impression;

        return $this->answered(function () use ($impression, $by, $request, &$moved): void {
            $moved = $this->chain->move($impression, $by, Edition::of($request));
        }, Reply::say(Phrase::of('bench.link_is_moved', ['name' => $impression->name])), static function () use (&$moved, $by): string {
            return "/impressions/{$moved->id}/move?by=".-$by."&edition={$moved->edition}";
        });
    }

    public function destroy(Request $request, Impression $impression): RedirectResponse
    {
        return $this->answered(
            fn () => $this->chain->remove($impression, Edition::of($request)),
            Reply::say(Phrase::of('bench.taken_out_chain', ['name' => $impression->name])),
            static fn (): string => "/impressions/{$impression->id}/restore",
        );
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

    /** @return array<string, mixed> */
    private function said(ImpressionRequest $request): array
    {
        $said = $request->safe()->except('after', 'sure');
        foreach (['surface', 'wall', 'bed'] as $surface) {
            if (array_key_exists($surface, $said)) {
                $said[$surface] = $said[$surface] === '' ? null : $said[$surface];
            }
        }

        return $said;
    }

    /** @param  (callable(): string)|null  $undo where to post to have it as it was */
    private function answered(callable $revise, ?string $said = null, ?callable $undo = null): RedirectResponse
    {
        try {
            $revise();
        } catch (BadInput $wrong) {
            return Reply::back($wrong->field, $wrong);
        }

        return $said === null ? back() : back()->with('said', $said)->with('undo', $undo === null ? null : $undo());
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\Fields;
use App\Facts\AppendFact;
use App\Facts\FactDiffers;
use App\Facts\StepHasMoved;
use App\Faults\FaultsView;
use App\Faults\PlanTrial;
use App\Faults\RecordedTrial;
use App\Faults\TrialBecomes;
use App\Faults\TrialStreams;
use App\Faults\TrialView;
use App\Http\Reply;
use App\Library\Library;
use App\Models\Trial;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** What goes wrong again and again, and what is tried against it. */
final readonly class FaultController
{
    public function show(Request $request, Library $library): Response
    {
        $fault = $request->query('fault');

        return Reply::page('faults/Faults', [
            'page' => app()->make(FaultsView::class, [
                'fault' => is_string($fault) && isset($library->faults()[$fault]) ? $fault : null,
            ])->toArray(),
        ]);
    }

    public function plan(Request $request, PlanTrial $plan): JsonResponse
    {
        return Reply::json(['id' => $plan(Fields::fromJson($request->getContent()), CarbonImmutable::now())->id]);
    }

    public function trial(Trial $trial): Response
    {
        return Reply::page('faults/OneTrial', ['trial' => $this->view($trial)]);
    }

    public function record(Request $request, Trial $trial, AppendFact $append, TrialStreams $trials): JsonResponse
    {
        try {
            $append($trials, $trial->id, Fields::fromJson($request->getContent()), CarbonImmutable::now());
        } catch (StepHasMoved|FactDiffers $moved) {
            return Reply::json(['error' => ['field' => 'kind', 'message' => $moved->says]], 409);
        }

        return Reply::json($this->view($trial->refresh()));
    }

    public function become(Request $request, Trial $trial, TrialBecomes $becomes): JsonResponse
    {
        $said = $becomes($trial, Fields::fromJson($request->getContent()), CarbonImmutable::now());

        return Reply::json([...$this->view($trial->refresh()), 'said' => $said]);
    }

    /** @return array<string, mixed> */
    private function view(Trial $trial): array
    {
        return app()->make(TrialView::class, ['recorded' => RecordedTrial::of($trial)])->toArray();
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Actions\AppendFact;
use App\Actions\BackToPlan;
use App\Facts\FactDiffers;
use App\Facts\RunStream;
use App\Facts\StepHasMoved;
use App\Http\Reply;
use App\Models\Pour;
use App\Models\PourState;
use App\Reads\RunView;
use App\Workshop\CureClock;
use App\Workshop\Readiness;
use App\Workshop\RecordedRun;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

final readonly class RunController
{
    public function __construct(private CureClock $clock, private Readiness $readiness) {}

    public function show(Pour $pour): Response|RedirectResponse
    {
        if ($pour->state === PourState::Draft) {
            return redirect()->to("/pours/{$pour->id}");
        }

        return Reply::page('run/Run', ['run' => $this->view(RecordedRun::of($pour->load('impression.job', 'snapshot')))]);
    }

    public function state(Pour $pour): JsonResponse
    {
        if ($pour->state === PourState::Draft) {
            return Reply::json(['error' => ['field' => '', 'message' => 'This pour is a plan again: another screen went back to its sheet.']], 409);
        }

        return Reply::json($this->view(RecordedRun::of($pour->load('impression.job', 'snapshot'))));
    }

    public function record(Request $request, Pour $pour, AppendFact $append): JsonResponse
    {
        try {
            return Reply::json($this->view($append(static fn (): RunStream => RunStream::open($pour), Fields::fromJson($request->getContent()), CarbonImmutable::now())->run));
        } catch (StepHasMoved|FactDiffers $moved) {
            return Reply::json([
                'error' => ['field' => 'step', 'message' => $moved->getMessage()],
                'run' => $this->view(RecordedRun::of($pour->fresh(['impression.job', 'snapshot']) ?? $pour)),
            ], 409);
        }
    }

    /** Back to the sheet, as long as nothing has met. */
    public function plan(Pour $pour, BackToPlan $back): RedirectResponse
    {
        try {
            $back($pour, CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return redirect()->to("/pours/{$pour->id}/run")->withErrors(['plan' => Reply::say($wrong)]);
        }

        return redirect()->to("/pours/{$pour->id}");
    }

    /** @return array<string, mixed> */
    private function view(RecordedRun $run): array
    {
        return (new RunView($run, $this->clock, $this->readiness))->toArray();
    }
}

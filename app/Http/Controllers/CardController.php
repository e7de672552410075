<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Facts\FactDiffers;
use App\Facts\StepHasMoved;
use App\Http\Edition;
use App\Http\Reply;
use App\Library\Library;
use App\Log\Readiness;
use App\Log\RecordedRun;
use App\Models\Outdated;
use App\Models\Pour;
use App\Models\PourState;
use App\Paper\CardView;
use App\Paper\TypeCardIn;
use App\Pours\RunView;
use App\Room\CureClock;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** What was poured by a card, typed in afterwards. */
final readonly class CardController
{
    public function __construct(private CureClock $clock, private Readiness $readiness, private Library $library) {}

    public function show(Pour $pour): Response|RedirectResponse
    {
        if ($pour->state === PourState::Draft) {
            return redirect()->to("/pours/{$pour->id}");
        }
        [$runs] = RecordedRun::legible([$pour->load('impression.job', 'snapshot')]);

        return $runs === [] ? redirect()->to("/pours/{$pour->id}/run") : Reply::page('run/Card', $this->view($runs[0]));
    }

    /** The run begins when the card says it was begun. */
    public function begin(Request $request, Pour $pour, TypeCardIn $type): RedirectResponse
    {
        try {
            $type->begins($pour, Edition::of($request), Fields::of($request->only('began_ms', 'stamp', 'early')), CarbonImmutable::now());
        } catch (Outdated $since) {
            return redirect()->to("/pours/{$pour->id}")->withErrors(['sheet' => Reply::say($since->says)]);
        } catch (BadInput $wrong) {
            return redirect()->to("/pours/{$pour->id}")->withErrors([
                $wrong->field === 'early'
                    ? 'card_early'
                    : 'card' => $wrong->isMissing
                    ? Reply::say(Phrase::of('bench.something_sheet_no_figure'))
                    : Reply::say($wrong),
            ]);
        }

        return redirect()->to("/pours/{$pour->id}/card");
    }

    public function type(Request $request, TypeCardIn $type, int $pour): JsonResponse
    {
        try {
            return Reply::json($this->view($type($pour, Fields::fromJson($request->getContent()), CarbonImmutable::now())));
        } catch (StepHasMoved|FactDiffers $moved) {
            return Reply::json([
                'error' => ['field' => 'after', 'message' => $moved->says],
                ...$this->view(RecordedRun::of(Pour::query()->with('impression.job', 'snapshot')->findOrFail($pour))),
            ], 409);
        }
    }

    /** @return array{run: array<string, mixed>, card: array<string, mixed>} */
    private function view(RecordedRun $run): array
    {
        return [
            'run' => (new RunView($run, $this->clock, $this->readiness, $this->library->castings()))->toArray(),
            'card' => (new CardView($run))->toArray(),
        ];
    }
}

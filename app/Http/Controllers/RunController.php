<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Run\StepKind;
use App\Contacts\JobContacts;
use App\Contacts\JudgedContact;
use App\Facts\AppendFact;
use App\Facts\FactDiffers;
use App\Facts\StepHasMoved;
use App\Http\Reply;
use App\Library\Library;
use App\Log\HistoryView;
use App\Log\Readiness;
use App\Log\RecordedRun;
use App\Models\Pour;
use App\Models\PourState;
use App\People\Names;
use App\Pours\AheadView;
use App\Pours\BackToPlan;
use App\Pours\RunStreams;
use App\Pours\RunView;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

final readonly class RunController
{
    public function __construct(
        private CureClock $clock,
        private Readiness $readiness,
        private Library $library,
        private JobContacts $contacts,
        private Phrasebook $words,
    ) {}

    public function show(Pour $pour): Response|RedirectResponse
    {
        if ($pour->state === PourState::Draft) {
            return redirect()->to("/pours/{$pour->id}");
        }

        [$runs] = RecordedRun::legible([$pour->load('impression.job', 'snapshot')]);

        return $runs === []
            ? Reply::page('lost/Damaged', [
                'kind' => 'pours', 'id' => $pour->id, 'title' => "{$pour->impression->job->name} · {$pour->impression->name}",
            ])
            : Reply::page('run/Run', ['run' => $this->view($runs[0]), 'hurts' => $this->hurts($runs[0])]);
    }

    public function state(Pour $pour): JsonResponse
    {
        if ($pour->state === PourState::Draft) {
            return Reply::json(
                ['error' => ['field' => '', 'message' => Reply::say(Phrase::of('bench.pour_plan_again'))]], 409,
            );
        }

        [$runs] = RecordedRun::legible([$pour->load('impression.job', 'snapshot')]);

        return $runs === []
            ? Reply::json(
                [
                    'error' => [
                        'field' => '',
                        'message' => Reply::say(Phrase::of('bench.record_pour_damaged_cannot')),
                    ],
                ],
                409,
            )
            : Reply::json($this->view($runs[0]));
    }

    /** What a tablet walks on by where nobody answers. */
    public function ahead(Pour $pour): JsonResponse
    {
        abort_if($pour->state === PourState::Draft, 404);

        return Reply::json(
            (new AheadView(RecordedRun::of($pour->load('impression.job', 'snapshot')), $this->clock, CarbonImmutable::now()))->toArray(),
        );
    }

    /** The pour is read once, with the turn taken to write to it. */
    public function record(Request $request, AppendFact $append, RunStreams $runs, int $pour): JsonResponse
    {
        try {
            return Reply::json(
                $this->view(
                    $append($runs, $pour, Fields::fromJson($request->getContent()), CarbonImmutable::now())->run,
                ),
            );
        } catch (StepHasMoved|FactDiffers $moved) {
            return Reply::json([
                'error' => ['field' => 'step', 'message' => $moved->says],
                'run' => $this->view(RecordedRun::of(Pour::query()->with('impression.job', 'snapshot')->findOrFail($pour))),
            ], 409);
        }
    }

    /** How it went. */
    public function history(Pour $pour, RoomTemperature $room): JsonResponse
    {
        abort_if($pour->state === PourState::Draft, 404);

        return Reply::json(
            (new HistoryView(RecordedRun::of($pour), $room, $this->clock, $this->library->castings(), app(Names::class)))->toArray(),
        );
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

    /**
     * What is under way was judged when it was begun, and stays so; what is known to hurt now is said all the same. It changes no record.
     *
     * @return list<string>
     */
    private function hurts(RecordedRun $run): array
    {
        if (in_array($run->state->step->kind, [StepKind::Wait, StepKind::Grade, StepKind::Done, StepKind::GivenUp], true)) {
            return [];
        }
        $link = $run->pour->impression->setAttribute('material', $run->pour->base_code);
        $chain = $this->contacts->chain($link->job->loadMissing('impressions'));
        $hurts = array_filter(
            $this->contacts->of($link, $chain),
            static fn (JudgedContact $contact): bool => $contact->isOutOfTheQuestion() && $contact->result->isForbidden,
        );

        return array_values(
            array_map(
                fn (JudgedContact $contact): string => "{$contact->touch->with}: {$this->words->say($contact->result->because[0]['text'])}",
                $hurts,
            ),
        );
    }

    /** @return array<string, mixed> */
    private function view(RecordedRun $run): array
    {
        return (new RunView($run, $this->clock, $this->readiness, $this->library->castings()))->toArray();
    }
}

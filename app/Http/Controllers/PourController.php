<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Builds\FollowPlan;
use App\Formulas\FormulaBook;
use App\Http\Edition;
use App\Http\Reply;
use App\Library\Library;
use App\Log\EarlierPours;
use App\Models\Formula;
use App\Models\Outdated;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use App\Pours\PourAgain;
use App\Pours\PourSheetAnswer;
use App\Pours\PourSheetView;
use App\Pours\StartPour;
use App\PourSheets\Amount;
use App\PourSheets\KeepPourSheet;
use App\PourSheets\PourSheetReckoner;
use App\PourSheets\ThrowPlanAway;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

final class PourController
{
    /** A sheet is a page, not a book. */
    private const LARGEST_SHEET = 40_000;

    /** The newest; others are poured from their own page. */
    private const FORMULAS_OFFERED = 40;

    public function show(
        Pour $pour,
        Library $library,
        Workshop $workshop,
        PourSheetReckoner $reckoner,
        PourSheetAnswer $answer,
        FollowPlan $follow,
        FormulaBook $book,
        EarlierPours $earlier,
    ): Response|RedirectResponse {
        if ($pour->state !== PourState::Draft) {
            return redirect()->to("/pours/{$pour->id}/run");
        }
        // Where nothing can be written it is shown as it was; it follows once there is room again.
        rescue(static fn (): bool => $follow($pour, CarbonImmutable::now()), false, false);
        $pour->load('impression.job', 'build');
        try {
            $reckoning = $reckoner->reckon($pour->sheet);
        } catch (BadInput) {
            return Reply::page('lost/Damaged', [
                'kind' => 'pours', 'id' => $pour->id, 'title' => "{$pour->impression->job->name} · {$pour->impression->name}",
            ]);
        }
        $formulas = $book->offered(self::FORMULAS_OFFERED);
        $view = new PourSheetView($pour, $library, $workshop, $formulas, $earlier->against($pour), $earlier->took($pour));

        return Reply::page('pour/PourSheet', [
            'pour' => $view->toArray(),
            'reckoning' => $answer->of($pour, $reckoning)->toArray(),
        ]);
    }

    /** Keeps the sheet as typed, right or wrong, and answers it. */
    public function sheet(
        Request $request,
        Pour $pour,
        KeepPourSheet $keep,
        PourSheetReckoner $reckoner,
        PourSheetAnswer $answer,
    ): JsonResponse {
        ['sheet' => $sheet, 'cup' => $cup] = $reckoner->fitted(self::typed($request));
        try {
            $reckoning = $reckoner->reckon($sheet);
            $kept = $keep($pour, $sheet, Edition::of($request));
        } catch (Outdated $since) {
            return $this->clash($pour, $since, $reckoner, $answer);
        }

        return Reply::json($answer->of($kept, $reckoning, $cup)->toArray());
    }

    /** Answers it as it stands on screen, in the room and the units of now, and writes nothing. */
    public function ask(Request $request, Pour $pour, PourSheetReckoner $reckoner, PourSheetAnswer $answer): JsonResponse
    {
        $sheet = self::typed($request);
        if ($pour->state !== PourState::Draft || $pour->edition !== Edition::of($request)) {
            return $this->clash($pour, Outdated::of($pour), $reckoner, $answer);
        }

        return Reply::json($answer->of($pour, $reckoner->reckon($sheet))->toArray());
    }

    /** What stands there now, beside what was typed: the screen shows both, or goes to the run where one has begun. */
    private function clash(Pour $pour, Outdated $since, PourSheetReckoner $reckoner, PourSheetAnswer $answer): JsonResponse
    {
        $now = $pour->fresh() ?? abort(404);

        return Reply::json([
            'error' => ['field' => 'edition', 'message' => $since->says],
            'begun' => $now->state !== PourState::Draft,
            'now' => ['sheet' => $now->sheet, 'reckoning' => $answer->of($now, $reckoner->reckon($now->sheet))->toArray()],
        ], 409);
    }

    /** @return array<string, mixed> */
    private static function typed(Request $request): array
    {
        /** @var array<array-key, mixed> $sheet */
        $sheet = $request->json()->all();
        if ($sheet === [] || array_is_list($sheet) || strlen($request->getContent()) > self::LARGEST_SHEET) {
            throw BadInput::at('', Phrase::of('bench.sheet_is_one_object'));
        }

        /** @var array<string, mixed> $sheet */
        return $sheet;
    }

    /** The same formula once more, scaled to a new mass; the sheet says what it comes to. */
    public function again(Request $request, Pour $pour, PourAgain $again): RedirectResponse
    {
        try {
            $sheet = $again->scaled($pour->load('formulaVersion.formula', 'impression'), Amount::from(Fields::of($request->all())));
        } catch (BadInput $wrong) {
            return Reply::back('again', $wrong);
        }

        return redirect()->to("/pours/{$sheet->id}");
    }

    /** Begins what stands on the screen, and nothing else. */
    public function start(Request $request, Pour $pour, StartPour $start): RedirectResponse
    {
        try {
            $start(
                $pour, Edition::of($request), is_string($stamp = $request->query('stamp')) ? $stamp : null, CarbonImmutable::now(),
                $this->why($request),
            );
        } catch (Outdated $since) {
            return redirect()->to("/pours/{$pour->id}")->withErrors(['sheet' => Reply::say($since->says)]);
        } catch (BadInput $wrong) {
            return redirect()->to("/pours/{$pour->id}")->withErrors([
                $wrong->field === 'early'
                    ? 'early'
                    : 'sheet' => $wrong->isMissing
                    ? Reply::say(Phrase::of('bench.something_sheet_no_figure'))
                    : Reply::say($wrong),
            ]);
        }

        return redirect()->to("/pours/{$pour->id}/run");
    }

    /** Why it goes on before its window opens. */
    private function why(Request $request): ?string
    {
        $why = Fields::of($request->only('early'))->textOrNull('early');

        return $why === null || trim($why) === '' ? null : mb_substr(trim($why), 0, 500);
    }

    /** A plan that was thrown away stands again. */
    public function restore(ThrowPlanAway $throw, int $pour): RedirectResponse
    {
        $back = $throw->back($pour) ?? abort(404);

        return redirect()->to("/pours/{$back->id}");
    }

    public function destroy(Request $request, Pour $pour, ThrowPlanAway $throw): RedirectResponse
    {
        if ($pour->state !== PourState::Draft) {
            return back()->withErrors(['sheet' => Reply::say(Phrase::of('bench.pour_has_begun_give'))]);
        }
        $job = $pour->impression->job_id;
        $throw($pour, Edition::of($request));

        return redirect()
            ->to("/jobs/{$job}")
            ->with('said', Reply::say(Phrase::of('bench.plan_thrown_away')))
            ->with('undo', "/pours/{$pour->id}/restore");
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Practice\Mishap;
use Apalos\Core\Practice\PracticeBench;
use Apalos\Core\Practice\Situation;
use App\Http\Reply;
use App\Library\Library;
use App\Library\ShelfView;
use App\Models\Hands;
use App\Models\PracticeTry;
use App\People\AtPractice;
use App\Practice\BeginPractice;
use App\Practice\EndPractice;
use App\Practice\PracticeBenchView;
use App\Practice\PracticeDesk;
use App\Practice\PracticeScenario;
use App\Practice\PracticeTime;
use App\Practice\PracticeView;
use App\Practice\PractiseThis;
use App\Practice\Scenarios;
use App\Practice\TryView;
use App\Practice\WriteScenario;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** To practise: what there is, one of it begun, its bench and its time, its end, and what it came to. */
final readonly class PracticeController
{
    /** Plaster dries for weeks: to what comes next is jumped at once, minutes. */
    private const JUMP_MIN = 60.0 * 1440.0;

    /** Of a seed, so that it can be told again. */
    private const LARGEST_SEED = 2_000_000_000;

    public function index(PracticeView $view, Library $library): Response
    {
        return Reply::page('practice/Practice', [
            'practice' => $view->toArray(), 'bases' => (new ShelfView($library))->toArray()['bases'], 'mishaps' => WriteScenario::mishaps(),
            'grounds' => Mishap::GROUNDS,
        ]);
    }

    public function begin(Request $request, BeginPractice $begin, Scenarios $scenarios): RedirectResponse
    {
        try {
            $in = Fields::of($request->all())->only('scenario');

            return redirect()->to(
                $begin($scenarios->one($in->text('scenario')), random_int(1, self::LARGEST_SEED), CarbonImmutable::now())->place,
            );
        } catch (BadInput $wrong) {
            return Reply::back('practice', $wrong);
        }
    }

    /** Anything of the shop: a formula, a build, a pour. */
    public function this(Request $request, PractiseThis $practise, BeginPractice $begin): RedirectResponse
    {
        try {
            return redirect()->to(
                $begin($practise(Fields::of($request->all())), random_int(1, self::LARGEST_SEED), CarbonImmutable::now())->place,
            );
        } catch (BadInput $wrong) {
            return Reply::back('practice', $wrong);
        }
    }

    /** The bench as it is now. */
    public function bench(AtPractice $practice, PracticeDesk $desk, PracticeTime $time): JsonResponse
    {
        return Reply::json($this->seen($practice, $desk, $time));
    }

    /** What somebody does at it, or with its time. */
    public function act(Request $request, AtPractice $practice, PracticeDesk $desk, PracticeTime $time): JsonResponse
    {
        [$try, $real] = $this->standing($practice);
        $in = Fields::fromJson($request->getContent())->only('act', 'rate', 'jump_min');
        if ($in->has('rate')) {
            $time->runs($try, (int) $in->number('rate', 1.0, 60.0), $real);
        } elseif ($in->has('jump_min')) {
            $time->jumps($try, $in->number('jump_min', 0.0, self::JUMP_MIN), $real);
        } else {
            $takes = $desk->at(
                $try, (float) $real->format('U.u'), CarbonImmutable::now(),
                static fn (PracticeBench $bench, Situation $at): float => $bench->does($in->text('act'), $at, (float) $real->format('U.u')),
            );
            $time->jumps($try, $takes, $real);
        }

        return Reply::json($this->seen($practice, $desk, $time));
    }

    public function end(PracticeTry $try, EndPractice $end, Hands $hands): RedirectResponse
    {
        abort_if($try->person_id !== $hands->person?->id, 404);
        try {
            $end($try, CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return back()->withErrors(['practice' => Reply::say($wrong)]);
        }

        return redirect()->to("/practice/tries/{$try->id}");
    }

    public function came(PracticeTry $try, Library $library, Hands $hands): Response|RedirectResponse
    {
        abort_if($try->person_id !== $hands->person?->id, 404);

        return $try->shop_id !== null
            ? redirect()->to($try->place)
            : Reply::page('practice/CameTo', ['came' => (new TryView($try, $library))->toArray()]);
    }

    /** From before one of its facts on. */
    public function again(Request $request, PracticeTry $try, BeginPractice $begin, Hands $hands): RedirectResponse
    {
        abort_if($try->person_id !== $hands->person?->id || $try->record === null, 404);
        try {
            $in = Fields::of($request->all())->only('of', 'fact');

            return redirect()->to(
                $begin($try->told(), $try->seed, CarbonImmutable::now(), [
                    'record' => $try->record, 'of' => $in->text('of', 60), 'fact' => (int) $in->number('fact', 0.0, 1e15),
                ])->place,
            );
        } catch (BadInput $wrong) {
            return Reply::back('practice', $wrong);
        }
    }

    public function write(Request $request, WriteScenario $write): RedirectResponse
    {
        try {
            $kept = $write(Fields::of($request->all()), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back('scenario', $wrong);
        }

        return redirect()->to('/practice')->with('said', Reply::say(Phrase::of('bench.scenario_kept', ['name' => $kept->name])));
    }

    public function forget(PracticeScenario $scenario): RedirectResponse
    {
        $scenario->delete();

        return redirect()->to('/practice')->with('said', Reply::say(Phrase::of('bench.scenario_gone', ['name' => $scenario->name])));
    }

    /** @return array<string, mixed> */
    private function seen(AtPractice $practice, PracticeDesk $desk, PracticeTime $time): array
    {
        [$try, $real] = $this->standing($practice);
        $now = CarbonImmutable::now();

        return $desk->at($try, (float) $real->format('U.u'), $now, static function (
            PracticeBench $bench,
            Situation $at,
        ) use ($try, $desk, $time, $now, $real): array {
            $time->looked($try, $at->line > 0, $real);

            return (new PracticeBenchView($try, $bench, $at, $desk->next($now), $now))->toArray();
        });
    }

    /** @return array{PracticeTry, CarbonImmutable} */
    private function standing(AtPractice $practice): array
    {
        return $practice->in === null || $practice->real === null ? abort(409) : [$practice->in, $practice->real];
    }
}

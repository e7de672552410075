<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Http\Edition;
use App\Http\Reply;
use App\Library\Library;
use App\Models\Job;
use App\Ways\LeaveWay;
use App\Ways\PlanItView;
use App\Ways\ShopSays;
use App\Ways\TakeWay;
use App\Ways\WaysDesk;
use App\Ways\WaysView;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** From a piece to a plan: whole ways beside each other, one of them taken, and had back. */
final readonly class WaysController
{
    public function show(Job $job): Response
    {
        return Reply::page('plan/PlanIt', ['plan' => app()->make(PlanItView::class, ['job' => $job])->toArray()]);
    }

    public function ask(Request $request, Job $job, WaysDesk $desk, ShopSays $shop, Library $library): JsonResponse
    {
        $now = CarbonImmutable::now();

        return Reply::json(
            (new WaysView($desk->ask($job, Fields::fromJson($request->getContent()), $now), $library, $shop->midnight($now)))->toArray(),
        );
    }

    public function take(Request $request, Job $job, TakeWay $take): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('way', 'question');
        $taken = $take($job, $in->text('way'), $in->object('question'), Edition::of($request), CarbonImmutable::now());

        return Reply::json(['taken' => $taken->id, 'job' => "/jobs/{$job->id}"]);
    }

    public function leave(Job $job, int $taken, LeaveWay $leave): RedirectResponse
    {
        try {
            $leave($job, $taken, CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back('edition', $wrong);
        }

        return redirect()->to("/jobs/{$job->id}")->with('said', Reply::say(Phrase::of('bench.way_is_taken_back')));
    }
}

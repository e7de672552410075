<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Fill\CameShort;
use Apalos\Core\Fill\LeftOver;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;
use Apalos\Core\Units\Minutes;
use App\Faults\FaultDesk;
use App\Http\Reply;
use App\Log\RecordedRun;
use App\Models\Pour;
use App\Models\PourState;
use App\Pours\KeptView;
use App\Pours\WaitingThings;
use App\Room\CureClock;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What is kept beside a run, and what is asked there: causes of a bad cast, what takes the rest, what is missing. */
final readonly class KeptController
{
    private const POUR_ML_PER_MIN = 100.0;

    public function show(Pour $pour): JsonResponse
    {
        return Reply::json(app()->make(KeptView::class, ['run' => $this->run($pour)])->toArray());
    }

    /** The likeliest causes, after at most two questions. */
    public function causes(Request $request, Pour $pour, FaultDesk $desk): JsonResponse
    {
        $run = $this->run($pour);
        if ($pour->state !== PourState::Graded || ($pour->faults ?? []) === []) {
            throw BadInput::at('faults', Phrase::of('bench.say_in_grade_what'));
        }
        $answers = Fields::fromJson($request->getContent())->only('answers')->objectOrNull('answers');

        return Reply::json($desk->causes($run, $answers?->toArray() ?? []));
    }

    /** What a rest of the cup would fill in the minutes that remain. */
    public function leftOver(Request $request, Pour $pour, CureClock $clock, WaitingThings $things): JsonResponse
    {
        $run = $this->run($pour);
        $left = Grams::of(Fields::fromJson($request->getContent())->only('left_g')->positive('left_g'));
        $ends = $run->potLifeEnds($clock, $run->lastFilled());
        $remain = $ends === null ? 0.0 : max(0.0, CarbonImmutable::now()->diffInSeconds($ends) / 60.0);
        $waiting = $things->all();
        $ml = $left->volumeAt($run->plan->density);
        $which = (new LeftOver)->fill($ml, Minutes::of($remain), self::POUR_ML_PER_MIN, $waiting);
        $filled = array_map(static fn (int $i): array => $waiting[$i], $which);
        $values = ['left' => Quantity::volume($ml), 'remain' => Quantity::duration($remain)];

        return Reply::json(['fill' => $filled, 'remain_min' => $remain, 'left_ml' => $ml->ml, 'says' => match (true) {
            $waiting === [] => Phrase::of('bench.nothing_waits', $values),
            $filled === [] => Phrase::of('bench.nothing_fits', $values),
            default => Phrase::of('bench.left_fills', [
                ...$values, 'things' => array_column($filled, 'name'),
                'over' => Quantity::volume(Millilitres::of(max(0.0, $ml->ml - array_sum(array_column($filled, 'ml'))))),
            ]),
        }]);
    }

    /** How much is missing where the level stands too low. */
    public function cameShort(Request $request, Pour $pour): JsonResponse
    {
        $run = $this->run($pour);
        $in = Fields::fromJson($request->getContent())->only('area_mm2', 'height_mm');
        $inMould = $run->state->filledAt === [] ? null : Grams::of($run->state->weighedGrams())->volumeAt($run->plan->density);
        $short = CameShort::of($in->positive('area_mm2', 1e8), $in->positive('height_mm', 5_000.0), $run->plan->density, $inMould);

        $values = [
            'ml' => Quantity::volume($short->missing), 'fresh' => Quantity::mass($short->fresh), 'scrap' => Quantity::mass($short->scrap),
            'beside' => Quantity::mass($short->freshBeside),
        ];

        return Reply::json([
            'missing_ml' => $short->missing->ml, 'fresh_g' => $short->fresh->g, 'scrap_g' => $short->scrap->g,
            'beside_g' => $short->freshBeside->g,
            'says' => $short->freshBeside->g > 0.05
                ? Phrase::of('bench.came_short_both', $values)
                : Phrase::of('bench.came_short', $values),
        ]);
    }

    /** The small things that wait for a rest. */
    public function waiting(Request $request, WaitingThings $things): JsonResponse
    {
        $things->told(Fields::fromJson($request->getContent()));

        return Reply::json(['waiting' => $things->all()]);
    }

    private function run(Pour $pour): RecordedRun
    {
        abort_if($pour->started_at === null, 404);

        return RecordedRun::of($pour->load('impression.job', 'snapshot'));
    }
}

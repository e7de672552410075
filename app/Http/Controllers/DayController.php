<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Day\GangWork;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Minutes;
use App\Builds\BuildStreams;
use App\Day\DayDesk;
use App\Day\DayLook;
use App\Day\DayView;
use App\Day\DayWork;
use App\Day\PutElsewhere;
use App\Exchange\DayCalendar;
use App\Facts\AppendFact;
use App\Facts\FactDiffers;
use App\Facts\StepHasMoved;
use App\Http\Reply;
use App\Log\Readiness;
use App\Looks\Look;
use App\Models\Build;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as Plain;
use Inertia\Response;

final readonly class DayController
{
    /** What closes on the day closes to the half minute. */
    private const HOLDS_S = 30;

    public function __construct(private DayLook $kept, private DayDesk $desk, private Workshop $workshop, private Look $look) {}

    public function show(): Response
    {
        return Reply::page('day/Day', ['day' => $this->view()]);
    }

    public function state(): JsonResponse
    {
        return Reply::json($this->view());
    }

    /** A calendar one can subscribe to: it keeps up. */
    public function calendar(DayCalendar $calendar, Readiness $readiness): Plain
    {
        $now = CarbonImmutable::now();

        return new Plain(
            $calendar->of($this->kept->at($now), $readiness->curing($now)), 200,
            [
                'Content-Type' => 'text/calendar; charset=utf-8', 'Content-Disposition' => 'inline; filename="day.ics"',
                'Cache-Control' => 'no-cache',
            ],
        );
    }

    public function try(Request $request): JsonResponse
    {
        [$work, $at] = $this->said(Fields::fromJson($request->getContent())->only('id', 'at_ms'));

        return Reply::json($this->tried()->put($work, $at));
    }

    /** Puts an operation where the maker wants it: a fact like any other, so it can be taken back. */
    public function put(Request $request, AppendFact $append, BuildStreams $builds): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('id', 'at_ms', 'key');
        $now = CarbonImmutable::now();
        [$work, $at] = $this->said($in);
        $tried = $in->has('at_ms') ? $this->tried()->put($work, $at) : ['ok' => true, 'why' => null];
        if ($tried['why'] !== null) {
            throw BadInput::at('at_ms', $tried['why']);
        }
        $build = Build::query()->findOrFail($work->build);
        try {
            $append(
                $builds, $build->id,
                Fields::of([
                    'key' => $in->text('key'), 'kind' => 'put',
                    'payload' => ['op' => $work->step, 'at_ms' => $in->numberOrNull('at_ms', 0.0, 1e14)],
                ]),
                $now,
            );
        } catch (StepHasMoved|FactDiffers $moved) {
            return Reply::json(['error' => ['field' => 'at_ms', 'message' => $moved->says]], 409);
        }

        // The day is laid out anew, with it where it was put.
        return Reply::json((new DayView($this->kept->afresh($now), $this->desk, $this->workshop, $now))->toArray());
    }

    public function gang(Request $request): JsonResponse
    {
        $now = CarbonImmutable::now();
        $hours = $this->desk->request([], $now);
        $gang = GangWork::from(Fields::fromJson($request->getContent()), $hours->hours, $hours->now, $this->workshop->hands)->run();
        $midnight = (int) $this->desk->midnight($now)->getTimestampMs();
        $ms = static fn (float $minutes): int => $midnight + Minutes::ms($minutes);
        $told = $gang->toArray();

        return Reply::json([
            ...$told, 'end_ms' => $told['end_min'] === null ? null : $ms($told['end_min']),
            'pours_ms' => array_map($ms, $told['pours_min']),
        ]);
    }

    /** @return array{DayWork, float} */
    private function said(Fields $in): array
    {
        $day = $this->kept->at(CarbonImmutable::now());
        $work = $day->one($in->text('id')) ?? throw BadInput::at('id', Phrase::of('bench.no_longer_on_day'));
        $at = $in->numberOrNull('at_ms', 0.0, 1e14);

        return [$work, $at === null ? 0.0 : ($at - (float) $day->midnight->getTimestampMs()) / 60_000.0];
    }

    private function tried(): PutElsewhere
    {
        $now = CarbonImmutable::now();

        return new PutElsewhere($this->kept->at($now), $this->desk, $this->workshop, $now);
    }

    /** @return array<string, mixed> */
    private function view(): array
    {
        $now = CarbonImmutable::now();
        $changes = $this->look->changes();

        return [
            'now_ms' => (int) $now->getTimestampMs(),
        ] + $this->look->of('day-view', $changes, $now, self::HOLDS_S, function () use ($changes, $now): array {
            $this->kept->changes = $changes;

            return (new DayView($this->kept->at($now), $this->desk, $this->workshop, $now))->toArray();
        }, fn (): bool => ! $this->kept->isOfBefore);
    }
}

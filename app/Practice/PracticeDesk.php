<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Build\OperationState;
use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Practice\PracticeBench;
use Apalos\Core\Practice\Situation;
use Apalos\Core\Practice\TrueClock;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Celsius;
use App\Builds\RecordedBuild;
use App\Log\RecordedRun;
use App\Models\Build;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\PracticeTry;
use App\Models\Workshop;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** The bench of a practice that goes on: asked in its shop and on its clock. What happened on it is kept with the practice. */
final readonly class PracticeDesk
{
    /** What waits for its clock is jumped to so closely. */
    private const AFTER_S = 5;

    private const UNDER_HANDS = [PourState::Running, PourState::Waiting];

    public function __construct(private Workshop $shop, private RoomTemperature $room, private CureClock $clock) {}

    /**
     * @template T
     *
     * @param  float  $seconds  of the hand: the bench under it runs at its own pace, whatever the clock does
     * @param  callable(PracticeBench, Situation): T  $do
     * @return T
     */
    public function at(PracticeTry $try, float $seconds, CarbonImmutable $now, callable $do): mixed
    {
        $room = TrueClock::celsius($try->told(), $try->minute($now));
        abs($this->room->now()->degrees - $room) < 0.1 || $this->room->note(Celsius::of($room), 'thermometer', $now);
        $situation = $this->situation($try, $now);

        return DB::transaction(function () use ($try, $seconds, $situation, $do): mixed {
            $kept = DB::table('practice_tries')->where('id', $try->id)->lockForUpdate()->value('bench');
            $was = json_decode((string) $kept, true);
            $bench = PracticeBench::goesOn($try->told(), $was, $this->shop->scale_division_g, $this->shop->scale_capacity_g);
            $bench->comesTo($situation, $seconds);
            $said = $do($bench, $situation);
            DB::table('practice_tries')->where('id', $try->id)->update([
                'bench' => json_encode($bench->toArray(), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
            ]);

            return $said;
        }, 3);
    }

    /** Where the hands are: at the run under way, or at what comes next of the build. */
    private function situation(PracticeTry $try, CarbonImmutable $now): Situation
    {
        $minute = $try->minute($now);
        $pour = Pour::query()
            ->with('impression.job')
            ->whereIn('state', self::UNDER_HANDS)
            ->orderByDesc('started_at')
            ->orderByDesc('id')
            ->first();
        if ($pour !== null) {
            $run = RecordedRun::of($pour);

            return Situation::ofRun($run->state, $pour->operation, $try->minute($pour->started_at ?? $now), $minute, self::sheet($run));
        }
        $build = Build::query()->where('plain', false)->with('impression.job')->first();
        $next = $build === null ? null : RecordedBuild::of($build, $now);
        $laid = Pour::query()->with('impression.job')->whereNotNull('poured_at')->orderByDesc('poured_at')->first();
        $run = $laid === null ? null : RecordedRun::of($laid);
        $at = $next?->state->next();

        return new Situation(
            $minute, $at !== null && $at->state !== OperationState::Waits ? $at->operation->id : 'none',
            metAt: $run === null ? null : self::minute($try, $run, $run->state->lastMetAt()),
            laidAt: $laid?->poured_at === null || $build === null ? null : $try->minute($laid->poured_at),
            sheet: $run === null ? null : self::sheet($run),
        );
    }

    private static function minute(PracticeTry $try, RecordedRun $run, ?float $at): ?float
    {
        $moment = $run->at($at);

        return $moment === null ? null : $try->minute($moment);
    }

    /** The sheet of its base as one cup of it keeps it. */
    public static function sheet(RecordedRun $run): CureSheet
    {
        return TrueClock::inMass($run->frozen->clock->model->sheet, $run->frozen->clock->mass);
    }

    /** When what is waited for is there: as the clock on the screen has it; null where nothing is waited for. */
    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        $pour = Pour::query()
            ->with('impression.job')
            ->whereIn('state', self::UNDER_HANDS)
            ->orderByDesc('started_at')
            ->orderByDesc('id')
            ->first();
        $at = $pour === null ? $this->nextOfBuild($now) : $this->nextOfRun(RecordedRun::of($pour), $now);

        return $at === null || $at <= $now ? null : $at->addSeconds(self::AFTER_S);
    }

    private function nextOfRun(RecordedRun $run, CarbonImmutable $now): ?CarbonImmutable
    {
        $state = $run->state;
        $since = $run->at($state->since) ?? $now;
        $waits = array_filter(
            array_map(
                static fn (array $item): ?CarbonImmutable => isset($state->begunAt[$item['id']])
                    && ! in_array($item['id'], $state->checked, true)
                    ? $run->at($state->begunAt[$item['id']] + $item['minutes'])
                    : null,
                $run->plan->checklist,
            ),
        );

        return match ($state->step->kind) {
            StepKind::Contacts => $waits === [] ? null : min($waits),
            StepKind::Mix => $since->addSeconds((int) round(60.0 * $run->plan->mixing->min)),
            StepKind::Degas => $since->addSeconds((int) round(60.0 * $run->plan->degassing->min)),
            StepKind::Heat => $this->stir($run, $since),
            StepKind::Wait => $run->reaches($this->clock, Milestone::Demould)?->likely(),
            default => null,
        };
    }

    /** When the pot wants to be stirred and read again. */
    private function stir(RecordedRun $run, CarbonImmutable $since): ?CarbonImmutable
    {
        $read = $run->state->heated[$run->state->step->batch] ?? [];
        $last = $read === [] ? $since : $run->at($read[count($read) - 1]['at']);

        return $run->plan->heat === null || $last === null ? null : $last->addSeconds((int) round($run->plan->heat->stepSeconds));
    }

    private function nextOfBuild(CarbonImmutable $now): ?CarbonImmutable
    {
        $build = Build::query()->where('plain', false)->with('impression.job')->first();
        $recorded = $build === null ? null : RecordedBuild::of($build, $now);
        $opens = [];
        foreach ($recorded->state->operations ?? [] as $one) {
            $at = $one->state === OperationState::Waits && $one->waitsFor === [] ? $recorded?->at($one->opensAt) : null;
            $at === null || $at <= $now || $opens[] = $at;
        }

        return $opens === [] ? null : min($opens);
    }
}

<?php

declare(strict_types=1);

namespace App\Log;

use Apalos\Core\Cure\CureResult;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Cure\ReadyResult;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use App\Room\CureClock;
use App\Room\FrozenClock;
use Carbon\CarbonImmutable;

/**
 * When what was poured is ready for use: fully cured, in the room as it was and is, by its clock; where its sheet gives no full cure, when
 * it first may serve. Held against the day the job is wanted by, to its end by the clock on the wall.
 */
final readonly class Readiness
{
    /** Of what met longer ago all is ready. */
    private const LOOKED_BACK_DAYS = 15;

    private const MOST = 60;

    public function __construct(private CureClock $clock, private Workshop $workshop) {}

    /** Of a pour that has begun; what has not met yet would meet now. */
    public function of(Pour $pour, ?CarbonImmutable $met, FrozenClock $clock, CarbonImmutable $now): ReadyResult
    {
        $met ??= $now;
        $full = $this->clock->from($met, $clock, Milestone::FullCure)?->likely();

        return $this->told(
            $full ?? $this->clock->from($met, $clock, Milestone::Service)?->likely(), $full !== null, $this->wantedOn($pour),
        );
    }

    /** Of a plan that would meet now. */
    public function planned(?CureResult $cure, Job $job, CarbonImmutable $now): ReadyResult
    {
        $full = $cure?->band(Milestone::FullCure);
        $band = $full ?? $cure?->band(Milestone::Service);

        return $this->told($band === null ? null : $now->addSeconds((int) round(60.0 * $band->likely->min)), $full !== null, $job->due_on);
    }

    /**
     * What is still on its way to being ready.
     *
     * @param  list<int>|null  $links  of these only
     * @return list<array{pour: Pour, ready: ReadyResult}> the soonest first
     */
    public function curing(CarbonImmutable $now, ?array $links = null): array
    {
        $pours = Pour::query()
            ->with('impression.job')
            ->whereNotNull('met_at')
            ->where('met_at', '>=', $now->subDays(self::LOOKED_BACK_DAYS)->format('Y-m-d H:i:s.v'))
            ->whereIn('state', [
                PourState::Running, PourState::Waiting, PourState::Opened, PourState::Graded,
            ])->when($links !== null, static fn ($query) => $query->whereIn('impression_id', $links ?? []))
            ->atHand()->orderByDesc('met_at')->limit(self::MOST)->get()->sortBy('met_at');
        $curing = [];
        foreach ($pours as $pour) {
            $frozen = $pour->plan === null || $pour->grade?->counts() === false ? null : FrozenPlan::legible($pour);
            if ($frozen === null) {
                continue;
            }
            $ready = $this->of($pour, $pour->met_at, $frozen->clock, $now);
            if ($ready->readyMs !== null && $ready->readyMs > $now->getTimestampMs()) {
                $curing[] = ['pour' => $pour, 'ready' => $ready];
            }
        }
        usort($curing, static fn (array $one, array $other): int => $one['ready']->readyMs <=> $other['ready']->readyMs);

        return $curing;
    }

    /** Only what is of a build may be wanted on a day of its own. */
    private function wantedOn(Pour $pour): ?CarbonImmutable
    {
        $ofBuild = is_array($run = $pour->plan['run'] ?? null) && ($run['ends_laid'] ?? false) === true;

        return ($ofBuild ? $pour->build->wanted_on : null) ?? $pour->impression->job->due_on;
    }

    private function told(?CarbonImmutable $ready, bool $isFull, ?CarbonImmutable $wantedOn): ReadyResult
    {
        $wanted = $wantedOn?->format('Y-m-d');
        $ends = $wanted === null ? null : CarbonImmutable::parse($wanted, $this->workshop->zone())->endOfDay();

        return new ReadyResult(
            $ready === null ? null : (int) $ready->getTimestampMs(), $isFull, $wanted,
            $ends === null ? null : (int) $ends->getTimestampMs(),
        );
    }
}

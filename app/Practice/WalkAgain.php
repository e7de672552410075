<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Input\Fields;
use Apalos\Core\Practice\PracticeBench;
use Apalos\Core\Practice\Situation;
use Apalos\Core\Practice\Truth;
use Apalos\Core\Run\StepKind;
use App\Models\PracticeTry;
use Carbon\CarbonImmutable;

/**
 * The bench of a practice that is walked again: what was poured stands in the cup, and what was noticed is noticed. Its facts tell what was
 * weighed and confirmed; what was done beside them is read off what came of it.
 *
 * @phpstan-import-type ToldShape from PracticeTry
 */
final class WalkAgain
{
    /** A leak that was let run for no longer was stopped. */
    private const STOPPED_MIN = 5.0;

    /** Seconds of the hand between two things that are told, and before all of them: what was poured has come to rest. */
    private const STEP_S = 20.0;

    private const BEFORE_S = 200_000.0;

    private readonly Truth $truth;

    private float $seconds;

    /** @param  array<string, mixed>  $truth  what came of it the time before */
    public function __construct(private readonly PracticeTry $try, array $truth)
    {
        $this->seconds = (float) $try->real_at->format('U.u') - self::BEFORE_S;
        $this->truth = Truth::from(Fields::of($truth));
    }

    /** @param  ToldShape|null  $fact  that is about to be told once more */
    public function before(?array $fact, CarbonImmutable $at): void
    {
        $this->bench($at, function (PracticeBench $bench, Situation $where, float $seconds) use ($fact): void {
            if ($where->step === StepKind::Contacts && $this->truth->noticed !== null && ($fact['kind'] ?? '') === 'confirmed') {
                $bench->does('other_ground', $where, $seconds);
            }
            if ($where->step === StepKind::Tare) {
                $bench->scale('CLR', $seconds, $where);
            }
            if ($where->step === StepKind::Heat && ($fact['kind'] ?? '') === 'heated') {
                $bench->potStandsAt(is_numeric($c = $fact['payload']['c'] ?? null) ? (float) $c : 0.0, $where);
            }
            if ($where->step === StepKind::Weigh && ($fact['kind'] ?? '') === 'weighed') {
                $this->noticed($where) && $bench->does('other_tub', $where, $seconds);
                $reading = $fact['payload']['reading_g'] ?? 0.0;
                $bench->standsAgain((is_numeric($reading) ? (float) $reading : 0.0) - $where->display, $where, $seconds);
            }
        });
    }

    /** What was held back is held back as soon as it can be. */
    public function after(CarbonImmutable $at): void
    {
        $this->bench($at, function (PracticeBench $bench, Situation $where, float $seconds): void {
            $leak = $this->truth->spans('leak', $where->of)[0] ?? null;
            match (true) {
                $where->step === StepKind::Degas
                    && ($this->truth->rose[$where->of][$where->batch] ?? 0.0) <= 0.0 => $bench->does('let_air', $where, $seconds),
                $where->filledAt !== null
                    && $leak !== null
                    && ($leak['to_min'] ?? INF) - $leak['from_min'] <= self::STOPPED_MIN => $bench->does('clay', $where, $seconds),
                default => null,
            };
        });
    }

    /** Whether a wrong tub, or an empty tube, at this line was seen the time before. */
    private function noticed(Situation $where): bool
    {
        $poured = array_filter(
            $this->truth->lids,
            static fn (array $lid): bool => $lid['of'] === $where->of && $lid['line'] === $where->line && $lid['poured'],
        );

        return $poured === [];
    }

    /** @param  callable(PracticeBench, Situation, float): void  $do */
    private function bench(CarbonImmutable $at, callable $do): void
    {
        $seconds = $this->seconds += self::STEP_S;
        app()->forgetInstance(PracticeDesk::class);
        app(PracticeDesk::class)->at($this->try, $seconds, $at, static function (
            PracticeBench $bench,
            Situation $where,
        ) use ($do, $seconds): void {
            $do($bench, $where, $seconds);
        });
    }
}

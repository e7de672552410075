<?php

declare(strict_types=1);

namespace App\Upgrades;

use Apalos\Core\Run\Grade;
use Apalos\Core\Run\Outcome;
use App\Lists\Rows;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Mould;
use App\Models\PourState;
use App\Models\Workshop;
use App\Moulds\CountMould;
use App\Moulds\MouldGroup;
use App\Moulds\Rack;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Lifts what stands in the log onto the rack: every good set of a mould's parts becomes a mould, every graded cast a casting of the mould
 * there was at the time. Where casts came out of a mould whose pour nobody recorded, it is put on the rack as it must have been.
 */
final class LiftMoulds
{
    private const AT_ONCE = 200;

    /** @var array{pour_moulds: list<array<string, mixed>>, castings: list<array<string, mixed>>} rows that wait to be written */
    private array $open = ['pour_moulds' => [], 'castings' => []];

    public function __invoke(): void
    {
        foreach (Workshop::query()->withoutGlobalScope('real')->orderBy('id')->get() as $workshop) {
            app()->instance(Workshop::class, $workshop);
            DB::statement(
                'update pours set room_c = cast('.(
                    DB::getDriverName() === 'sqlite' ? "json_extract(plan, '$.room_c')" : "plan->>'room_c'"
                ).' as '.(
                    DB::getDriverName() === 'sqlite' ? 'real' : 'numeric'
                ).') where plan is not null and room_c is null and workshop_id = ?',
                [$workshop->id],
            );
            foreach (Job::query()->withTrashed()->orderBy('id')->lazyById(100) as $job) {
                $this->job($job, app(Rack::class), app(CountMould::class));
            }
        }
        app()->forgetInstance(Workshop::class);
    }

    private function job(Job $job, Rack $rack, CountMould $count): void
    {
        $groups = $rack->groups($job);
        foreach ($groups->groups as $group) {
            $rack->settle($group->first());
        }
        foreach ($job->impressions()->withTrashed()->get() as $link) {
            $group = in_array($link->kind, [ImpressionKind::Cast, ImpressionKind::Copy], true) ? $groups->before($link) : null;
            if ($link->kind !== ImpressionKind::Mould && $link->kind !== ImpressionKind::Original) {
                $this->casts($link->id, $group, $rack);
            }
        }
        Mould::query()->where('job_id', $job->id)->get()->each(static fn (Mould $mould) => $count($mould, roughly: true));
    }

    private function casts(int $link, ?MouldGroup $group, Rack $rack): void
    {
        $moulds = $group === null ? [] : Mould::query()->where('impression_id', $group->first()->id)->orderBy('made_at')->get()->all();
        // Each is found by its pour; the workshop of that is this one.
        $known = DB::table('castings')
            ->whereIn('pour_id', Rows::of('pours')->where('impression_id', $link)->where('state', PourState::Graded->value)->select('id'))
            ->distinct()
            ->pluck('pour_id')
            ->flip();
        $this->open = ['pour_moulds' => [], 'castings' => []];
        foreach (Rows::of('pours')->where('impression_id', $link)->where('state', PourState::Graded->value)->orderBy('id')->select([
            'id', 'workshop_id', 'graded_at', 'started_at', 'grade', 'faults', 'pieces',
        ])->lazyById(500) as $pour) {
            if ($known->has($pour->id)) {
                continue;
            }
            // The newest there was when it was begun.
            $was = array_values(
                array_filter(
                    $moulds,
                    static fn (Mould $mould): bool => $mould->made_at->format(
                        'Y-m-d H:i:s.v',
                    ) <= (string) ($pour->started_at ?? $pour->graded_at),
                ),
            );
            $mould = $was === [] ? null : $was[count($was) - 1];
            if ($mould === null && $group !== null) {
                $mould = $rack->adopt($group, CarbonImmutable::parse((string) ($pour->started_at ?? $pour->graded_at), 'UTC'));
                array_unshift($moulds, $mould);
            }
            $this->one($pour, $mould);
        }
        $this->flush(0);
    }

    private function one(\stdClass $pour, ?Mould $mould): void
    {
        $outcome = Outcome::of(Grade::tryFrom((string) $pour->grade));
        $faults = json_decode((string) $pour->faults, true);
        $fault = $outcome === Outcome::Reject && is_array($faults) && is_string($faults[0] ?? null) ? $faults[0] : null;
        if ($mould !== null) {
            $this->open['pour_moulds'][] = [
                'pour_id' => $pour->id, 'mould_id' => $mould->id, 'workshop_id' => $pour->workshop_id, 'cast_at' => $pour->graded_at,
                'live' => false,
            ];
        }
        for ($i = 1, $n = min(2_000, max(1, (int) ($pour->pieces ?? 1))); $i <= $n; $i++) {
            $this->open['castings'][] = [
                'workshop_id' => $pour->workshop_id, 'pour_id' => $pour->id, 'mould_id' => $mould?->id, 'number' => $i,
                'outcome' => $outcome->value, 'fault' => $fault, 'at' => $pour->graded_at,
            ];
        }
        $this->flush(self::AT_ONCE);
    }

    /** Many rows at once: a shop may have a hundred thousand pours behind it. */
    private function flush(int $from): void
    {
        foreach ($this->open as $table => $rows) {
            if (count($rows) > $from) {
                foreach (array_chunk($rows, self::AT_ONCE) as $some) {
                    DB::table($table)->insertOrIgnore($some);
                }
                $this->open[$table] = [];
            }
        }
    }
}

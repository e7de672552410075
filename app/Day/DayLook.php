<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Day\After;
use Apalos\Core\Day\DayGraph;
use Apalos\Core\Day\DayOperation;
use Apalos\Core\Day\DayPlanner;
use Apalos\Core\Day\DayRequest;
use Apalos\Core\Day\DayResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Budget;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\DB;

/**
 * The one plan of the day: strip, day and calendar show the same. It holds until anything happens, and for a few minutes at most,
 * since what nobody has begun cannot begin in the past. When something happens it says what that moved. It is laid out once, by whoever
 * comes first; who comes meanwhile is shown the plan before, with what is new in its place.
 */
final class DayLook
{
    public const HOLDS_S = 300;

    /** Raised where something else is kept. */
    private const EDITION = 2;

    /** What moves by less is no news, in minutes. */
    private const NEWS_MIN = 10.0;

    /** For so long a move is told, in seconds. */
    private const TOLD_S = 1800;

    /** Steps of a plan that stands for a moment. */
    private const MOMENT = 400_000;

    private ?PlannedDay $day = null;

    /** Whoever put something elsewhere waits for where it went. */
    private bool $mustBeNew = false;

    /** Whether another one is being laid out just now: what is drawn of this is not kept. */
    public bool $isOfBefore = false;

    /** How often anything changed, where somebody has asked already. */
    public ?int $changes = null;

    public function __construct(
        private readonly Workshop $workshop,
        private readonly DayDesk $desk,
        private readonly LiveWork $work,
        private readonly Repository $cache,
    ) {}

    public function at(CarbonImmutable $now): PlannedDay
    {
        return $this->day ??= $this->planned($now);
    }

    /** Laid out anew after something was put elsewhere. */
    public function afresh(CarbonImmutable $now): PlannedDay
    {
        $this->day = $this->changes = null;
        $this->isOfBefore = false;
        $this->mustBeNew = true;
        $this->work->forgetBuilds();

        return $this->at($now);
    }

    private function planned(CarbonImmutable $now): PlannedDay
    {
        $changes = $this->changes ?? (int) DB::table('workshops')->where('id', $this->workshop->id)->value('change_count');
        $work = $this->desk->work($now);
        $midnight = $this->desk->midnight($now);
        $rests = sprintf(
            '%d/%d/%d/%d/%d', $changes, intdiv((int) $now->getTimestamp(), self::HOLDS_S), $this->workshop->hands,
            $this->workshop->day_starts_min, $this->workshop->day_ends_min,
        );
        $kept = $this->cache->get($key = sprintf('day:%d:%s', self::EDITION, $this->workshop->mark));
        $kept = is_array($kept) && $kept['midnight'] === (int) $midnight->getTimestampMs() ? $kept : null;
        $laid = $this->again($kept, $rests, $work, $now);
        $lock = $laid === null ? $this->lockToLay() : null;
        if ($lock === false) {
            $this->isOfBefore = true;
            [$asked, $result, $because] = $this->ofBefore($kept, $work, $now);

            return new PlannedDay($midnight, $work, $asked, $result, $because, $kept['moved'] ?? []);
        }
        [$asked, $result, $because] = $laid ?? $this->plan($work, $now);
        $moved = $kept['moved'] ?? [];
        if ($kept !== null && $kept['changes'] !== $changes) {
            $news = $this->moved($work, $result->starts, $kept['starts'], DayDesk::minutes($now, $midnight));
            $moved = $news === []
                ? $moved
                : array_map(static fn (array $one): array => [...$one, 'told_ms' => (int) $now->getTimestampMs()], $news);
        }
        // What is given up, begun or done since has no place to be moved to.
        $there = array_column(
            array_map(static fn (DayWork $one): array => ['id' => $one->operation->id, 'moves' => $one->moves], $work), 'moves', 'id',
        );
        $moved = array_values(
            array_filter(
                $moved,
                static fn (array $one): bool => ($there[$one['id']] ?? false)
                    && $one['told_ms'] > $now->getTimestampMs() - self::TOLD_S * 1000,
            ),
        );
        $this->cache->put(
            $key,
            [
                'changes' => $changes, 'rests' => $rests, 'midnight' => (int) $midnight->getTimestampMs(), 'starts' => $result->starts,
                'because' => $because, 'moved' => $moved,
            ],
            self::TOLD_S * 4,
        );
        $lock === null || $this->giveBack($lock);

        return new PlannedDay($midnight, $work, $asked, $result, $because, $moved);
    }

    /**
     * Held until it is closed or its process is no more.
     *
     * @return resource|false|null false where somebody else lays the day just now; null where no lock can be kept, as on a full disk
     */
    private function lockToLay()
    {
        $file = @fopen($this->lockFile(), 'c');

        return $file === false ? null : (flock($file, $this->mustBeNew ? LOCK_EX : LOCK_EX | LOCK_NB) ? $file : false);
    }

    /** @param  resource  $lock  whoever opened its file just before lays the day once more at worst */
    private function giveBack($lock): void
    {
        @unlink($this->lockFile());
        fclose($lock);
    }

    /** Of this very shop, wherever its number is another's too. */
    private function lockFile(): string
    {
        return storage_path("framework/cache/day-{$this->workshop->mark}");
    }

    /**
     * In the order of the plan before, at once: good enough for the moment until the other one stands.
     *
     * @param  array<string, mixed>|null  $kept
     * @param  list<DayWork>  $work
     * @return array{DayRequest, DayResult, Phrase|null}
     */
    private function ofBefore(?array $kept, array $work, CarbonImmutable $now): array
    {
        $before = is_array($kept['starts'] ?? null) ? array_filter($kept['starts'], is_float(...)) : [];
        $because = ($kept['because'] ?? null) instanceof Phrase ? $kept['because'] : null;
        $request = $this->desk->request($work, $now);
        foreach ($because === null ? [$request, self::open($request)] : [self::open($request)] as $asked) {
            $starts = (new DayPlanner(thorough: false))->quick($asked, $before, new Budget(self::MOMENT));
            if ($starts !== null) {
                return [$asked, DayResult::of(DayGraph::of($asked), $starts), $because];
            }
        }

        return [$request, DayResult::nothingFits($because ?? Phrase::of('day.cannot_say')), $because];
    }

    /**
     * As it was laid out a moment ago, where nothing has happened since.
     *
     * @param  array<string, mixed>|null  $kept
     * @param  list<DayWork>  $work
     * @return array{DayRequest, DayResult, Phrase|null}|null
     */
    private function again(?array $kept, string $rests, array $work, CarbonImmutable $now): ?array
    {
        $starts = $kept['starts'] ?? null;
        $ids = array_map(static fn (DayWork $one): string => $one->operation->id, $work);
        if ($kept === null || $kept['rests'] !== $rests || ! is_array($starts) || array_keys($starts) !== $ids) {
            return null;
        }
        $because = $kept['because'] instanceof Phrase ? $kept['because'] : null;
        $request = $this->desk->request($work, $now);
        $asked = $because === null ? $request : self::open($request);

        return [$asked, DayResult::of(DayGraph::of($asked), array_values($starts)), $because];
    }

    /**
     * As well as it can be had: where a window cannot be kept any more, the rest is planned without it and it is said.
     *
     * @param  list<DayWork>  $work
     * @return array{DayRequest, DayResult, Phrase|null}
     */
    private function plan(array $work, CarbonImmutable $now): array
    {
        $planner = new DayPlanner(thorough: false);
        $request = $this->desk->request($work, $now);
        $result = $planner->plan($request);
        if ($result->isFeasible()) {
            return [$request, $result, null];
        }
        $open = self::open($request);

        return [$open, $planner->plan($open), $result->because];
    }

    /** Without a window that shuts. */
    private static function open(DayRequest $request): DayRequest
    {
        return $request->with(
            array_map(
                static fn (DayOperation $one): DayOperation => $one->waitingFor(
                    ...array_map(static fn (After $after): After => new After($after->operation, $after->from), $one->after),
                ),
                $request->operations,
            ),
        );
    }

    /**
     * @param  list<DayWork>  $work
     * @param  array<string, float>  $starts
     * @param  array<string, float>  $before
     * @return list<array{id: string, title: string, name: string, from_min: float, to_min: float}>
     */
    private function moved(array $work, array $starts, array $before, float $now): array
    {
        $moved = [];
        foreach ($work as $one) {
            [$was, $is] = [$before[$one->operation->id] ?? null, $starts[$one->operation->id] ?? null];
            if ($one->moves && $was !== null && $is !== null && $was > $now && abs($is - $was) >= self::NEWS_MIN) {
                $moved[] = ['id' => $one->operation->id, 'title' => $one->title, 'name' => $one->name, 'from_min' => $was, 'to_min' => $is];
            }
        }

        return array_slice($moved, 0, 12);
    }
}

<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Day\After;
use Apalos\Core\Day\DayPlanner;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Budget;
use App\Facts\ChainReport;
use App\Models\Anchor;
use App\Models\Workshop;
use App\Types\View;
use Carbon\CarbonImmutable;

/**
 * The day: hands, chamber and pot as lanes, what can still be started now and finished today, what must wait and why.
 *
 * @phpstan-type DayItemShape array{
 *     id: string, build_id: int, step: string, title: string, name: string, href: string, state: string, lanes: list<string>,
 *     from_ms: int, to_ms: int, colour: string, moves: bool,
 *     slack_min: float, opens_ms: int|null, shuts_ms: int|null, missed: bool
 * }
 */
final readonly class DayView implements View
{
    /** What all groups together may be tried, in steps. */
    private const TRIES = 4_000_000;

    private const LANES = ['hands' => 'bench.hands', 'chamber' => 'bench.vacuum_chamber', 'pot' => 'bench.pressure_pot'];

    public function __construct(private PlannedDay $day, private DayDesk $desk, private Workshop $workshop, private CarbonImmutable $now) {}

    /**
     * @return array{
     *     now_ms: int, from_ms: int, to_ms: int, works_from_ms: int, works_to_ms: int, hands: int,
     *     lanes: list<array{id: string, name: Phrase}>,
     *     items: list<DayItemShape>, because: Phrase|null,
     *     moved: list<array{id: string, title: string, name: string, from_ms: int, to_ms: int}>,
     *     startable: list<array{title: string, href: string, last_ms: int, done_ms: int}>,
     *     waits: list<array{title: string, href: string, done_ms: int, why: string}>,
     *     late: list<Phrase>, anchor: array{on_ms: int, seal: string}|null
     * }
     */
    public function toArray(): array
    {
        $midnight = (int) $this->day->midnight->getTimestampMs();
        $items = array_values(array_filter(array_map($this->item(...), $this->day->work)));
        [$startable, $waits] = $this->today();
        $used = array_unique(array_merge(['hands'], ...array_column($items, 'lanes')));

        return [
            'now_ms' => (int) $this->now->getTimestampMs(), 'from_ms' => $midnight, 'to_ms' => $midnight + 86_400_000,
            'works_from_ms' => $this->day->ms($this->workshop->day_starts_min),
            'works_to_ms' => $this->day->ms($this->workshop->day_ends_min), 'hands' => $this->workshop->hands,
            'lanes' => array_values(
                array_map(
                    static fn (string $id): array => ['id' => $id, 'name' => Phrase::of(self::LANES[$id])],
                    array_filter(array_keys(self::LANES), static fn (string $id): bool => in_array($id, $used, true)),
                ),
            ),
            'items' => $items, 'because' => $this->day->because,
            'moved' => array_map(
                fn (array $one): array => [
                    'id' => $one['id'], 'title' => $one['title'], 'name' => $one['name'], 'from_ms' => $this->day->ms($one['from_min']),
                    'to_ms' => $this->day->ms($one['to_min']),
                ],
                $this->day->moved,
            ),
            'startable' => $startable, 'waits' => $waits,
            'late' => $this->late(), 'anchor' => self::anchor(),
        ];
    }

    /** @return DayItemShape|null where it has no place in the plan */
    private function item(DayWork $work): ?array
    {
        $start = $this->day->starts($work);
        // What was done on another day is past.
        if ($start === null || ($work->state === 'done' && $start + $work->operation->minutes < 0.0)) {
            return null;
        }

        return [
            'id' => $work->operation->id, 'build_id' => $work->build, 'step' => $work->step, 'title' => $work->title, 'name' => $work->name,
            'href' => $work->href, 'state' => $work->state,
            'lanes' => $work->operation->uses === [] && $work->state === 'done'
                ? ['hands']
                : array_values(array_intersect(array_keys(self::LANES), $work->operation->uses)),
            'from_ms' => $this->day->ms($start), 'to_ms' => $this->day->ms($start + $work->operation->minutes), 'colour' => $work->colour,
            'moves' => $work->moves,
            'slack_min' => $this->day->result->slack[$work->operation->id] ?? 0.0,
            'opens_ms' => $work->opens === null ? null : $this->day->ms($work->opens),
            'shuts_ms' => $work->shuts === null ? null : $this->day->ms($work->shuts), 'missed' => $work->missed,
        ];
    }

    /**
     * @return array{
     *     list<array{title: string, href: string, last_ms: int, done_ms: int}>,
     *     list<array{title: string, href: string, done_ms: int, why: string}>,
     * }
     */
    private function today(): array
    {
        $groups = [];
        foreach ($this->day->work as $work) {
            $groups[$work->build][] = $work;
        }
        [$startable, $waits] = [[], []];
        $budget = new Budget(self::TRIES);
        foreach ($groups as $group) {
            // Only what nobody has begun, and what waits for nobody else: a copy waits until its mould is free.
            $own = array_map(static fn (DayWork $one): string => $one->operation->id, $group);
            $waiting = array_filter(
                $group,
                static fn (DayWork $one): bool => array_diff(
                    array_map(static fn (After $after): string => $after->operation, $one->operation->after), $own,
                ) !== [],
            );
            if (
                $waiting !== [] || array_filter($group, static fn (DayWork $one): bool => $one->state !== 'planned' || ! $one->moves) !== []
            ) {
                continue;
            }
            $starts = (new DayPlanner(thorough: false))->quick($this->desk->request($group, $this->now), [], $budget->part(0.25));
            if ($starts === null || $starts === []) {
                continue;
            }
            $ends = array_map(static fn (float $start, DayWork $one): float => $start + $one->operation->minutes, $starts, $group);
            $done = array_reduce($ends, static fn (float $most, float $end): float => max($most, $end), -INF);
            $spare = $this->workshop->day_ends_min - $done;
            $last = $group[(int) array_search($done, $ends, true)];
            if ($spare >= 0.0) {
                $startable[] = [
                    'title' => $group[0]->title, 'href' => $group[0]->href, 'last_ms' => $this->day->ms(min($starts) + $spare),
                    'done_ms' => $this->day->ms($done),
                ];
            } else {
                $waits[] = [
                    'title' => $group[0]->title, 'href' => $group[0]->href, 'done_ms' => $this->day->ms($done), 'why' => $last->name,
                ];
            }
        }
        usort($startable, static fn (array $a, array $b): int => $a['last_ms'] <=> $b['last_ms']);
        usort($waits, static fn (array $a, array $b): int => $a['done_ms'] <=> $b['done_ms']);

        return [$startable, $waits];
    }

    /** @return array{on_ms: int, seal: string}|null what stands on paper of the record as it was last sealed */
    private static function anchor(): ?array
    {
        $last = Anchor::query()->orderByDesc('id')->first();

        return $last === null ? null : ['on_ms' => (int) $last->at->getTimestampMs(), 'seal' => ChainReport::inShort($last->seal)];
    }

    /** @return list<Phrase> what will be late, and by how much */
    private function late(): array
    {
        $late = [];
        foreach ($this->day->work as $work) {
            $end = $this->day->result->ends[$work->operation->id] ?? null;
            if ($work->operation->due !== null && $end !== null && $end > $work->operation->due + 1.0) {
                $late[] = Phrase::of('bench.late_by', [
                    'title' => $work->title, 'at' => $this->workshop->said($this->at($end), $this->now),
                    'due' => $this->workshop->said($this->at($work->operation->due), $this->now),
                ]);
            }
        }

        return $late;
    }

    private function at(float $minutes): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampMs($this->day->ms($minutes), 'UTC');
    }
}

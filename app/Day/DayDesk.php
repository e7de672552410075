<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Build\BuildFactKind;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\OperationKind;
use Apalos\Core\Build\OperationStands;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Day\After;
use Apalos\Core\Day\DayOperation;
use Apalos\Core\Day\DayRequest;
use Apalos\Core\Day\WorkingHours;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Mix\BatchLimit;
use Apalos\Core\Units\Minutes;
use App\Builds\RecordedBuild;
use App\Library\Library;
use App\Lists\Rows;
use App\Log\RecordedRun;
use App\Models\ImpressionKind;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;

/**
 * Gathers what is to be done on the bench: builds operation by operation, pours that cure, pours that are planned. Minutes count from
 * midnight.
 */
final class DayDesk
{
    /** What a plan looks ahead. */
    public const DAYS = 10;

    private const MOST_PLANNED = 12;

    /** More than this no bench has before it; what is planned last waits until there is room. */
    private const MOST_OPERATIONS = 240;

    private const OPENING_MIN = 15.0;

    /** Weighing up a cup, when nobody says how long it takes. */
    private const WEIGHING_MIN = 8.0;

    /** @var array<int, int> how many there are in use, by job */
    private array $moulds = [];

    public function __construct(
        private readonly Workshop $workshop, private readonly LiveWork $work, private readonly CureClock $clock,
        private readonly RoomTemperature $room, private readonly Library $library,
    ) {}

    public function midnight(CarbonImmutable $now): CarbonImmutable
    {
        return $now->setTimezone($this->workshop->zone())->startOfDay();
    }

    /** @return list<DayWork> */
    public function work(CarbonImmutable $now): array
    {
        $midnight = $this->midnight($now);
        $work = [];
        foreach ($this->work->builds($now) as $one) {
            $work = count($work) > self::MOST_OPERATIONS
                ? $work
                : [...$work, ...$this->build($one, $midnight, $this->mouldHeldBy($one, $now))];
        }
        $wishes = $this->wishes(
            [
                ...array_map(static fn (RecordedRun $run): Pour => $run->pour, $this->work->runs()),
                ...array_slice($this->work->planned(), 0, self::MOST_PLANNED),
            ],
            $midnight,
        );
        foreach ($this->work->runs() as $run) {
            $work = [...$work, ...$this->live($run, $midnight, $now, $wishes[$run->pour->build_id]['open'] ?? null)];
        }
        foreach (array_slice($this->work->planned(), 0, self::MOST_PLANNED) as $pour) {
            $work = [...$work, ...$this->planned($pour, $midnight, $wishes[$pour->build_id] ?? [])];
        }

        return $work;
    }

    /** @param  list<DayWork>  $work */
    public function request(array $work, CarbonImmutable $now): DayRequest
    {
        $midnight = $this->midnight($now);
        $days = [];
        [$starts, $ends] = [$this->workshop->day_starts_min, $this->workshop->day_ends_min];
        // A working day that ends before it begins runs past midnight: then last night’s reaches into today.
        for ($day = $ends > $starts ? 0 : -1; $day < self::DAYS; $day++) {
            $at = static fn (int $minutes, int $more): float => self::minutes(
                $midnight->addDays($day + $more)->setTime(intdiv($minutes, 60), $minutes % 60), $midnight,
            );
            $days[] = [$at($starts, 0), $at($ends, $ends > $starts ? 0 : 1)];
        }

        $hours = WorkingHours::of($days);
        // What is longer than any working day is planned round the clock: it keeps nothing else from its place.
        $fits = static fn (DayOperation $one): DayOperation => $one->fixed === null && $one->minutes > $hours->longest()
            ? $one->using()
            : $one;

        return new DayRequest(
            self::minutes($now, $midnight), $hours, ['hands' => max(1, $this->workshop->hands), 'chamber' => 1, 'pot' => 1],
            array_map(static fn (DayWork $one): DayOperation => $fits($one->operation), $work),
        );
    }

    /** @return list<DayWork> */
    private function build(RecordedBuild $recorded, CarbonImmutable $midnight, ?string $held): array
    {
        $work = [];
        $id = static fn (string $operation): string => "b{$recorded->build->id}:{$operation}";
        $wanted = $recorded->build->wantedOn();
        $due = $wanted === null
            ? null
            : self::minutes(CarbonImmutable::parse($wanted->toDateString(), $this->workshop->zone()), $midnight)
                + $this->workshop->day_ends_min;
        $last = array_key_last($recorded->state->operations);
        foreach ($recorded->state->operations as $stands) {
            if ($stands->state === OperationState::LeftOut) {
                continue;
            }
            $operation = $stands->operation;
            $started = $this->moment($recorded, $stands->startedAt, $midnight);
            $over = $stands->state === OperationState::Done;
            $length = $over
                ? max(0.0, (float) $stands->endedAt - (float) $stands->startedAt)
                : $this->length($recorded, $stands, $midnight);
            $base = $this->library->shelf()->bases[$recorded->baseOf($operation) ?? ''] ?? null;
            $work[] = new DayWork(
                new DayOperation(
                    $id($operation->id), $length, $over ? [] : $operation->uses,
                    $started !== null
                        ? []
                        : [
                            ...$this->after($recorded, $stands, $id),
                            ...($held === null || $operation->after !== [] ? [] : [new After($held, 0.0)]),
                        ],
                    $this->moment(
                        $recorded, $recorded->state->put[$operation->id] ?? null, $midnight,
                    ), $operation->id === $last ? $due : null, $started, "{$operation->name} ({$recorded->build->title()})",
                ),
                $recorded->build->title(), $operation->name, "/builds/{$recorded->build->id}",
                $over ? 'done' : ($started === null ? 'planned' : 'live'),
                $operation->mixing === null ? '#cfc4ae' : ($base->colour ?? '#cfc4ae'),
                $recorded->build->id, $operation->id, $started === null, $this->moment($recorded, $stands->opensAt, $midnight),
                $this->moment($recorded, $stands->shutsAt, $midnight), $stands->state === OperationState::Missed, $this->gloves($base),
            );
        }

        return $work;
    }

    /** Copies take turns in one mould: the next begins when the one before has left it. Where the job has more of them, nobody waits. */
    private function mouldHeldBy(RecordedBuild $recorded, CarbonImmutable $now): ?string
    {
        $build = $recorded->build;
        if ($build->copies_of === null || $recorded->state->hasBegun() || $build->impression->kind !== ImpressionKind::Cast) {
            return null;
        }
        $moulds = $this->moulds[$build->impression->job_id] ??= max(
            1, Mould::query()->where('job_id', $build->impression->job_id)->whereNull('retired_at')->count(),
        );
        foreach ($this->work->builds($now) as $other) {
            if ($other->build->copies_of === $build->copies_of && $other->build->copy === $build->copy - $moulds) {
                $opens = array_filter(
                    $other->state->operations,
                    static fn (OperationStands $stands): bool => $stands->operation->kind === OperationKind::Open
                        && $stands->state !== OperationState::LeftOut,
                );

                return $opens === [] ? null : "b{$other->build->id}:".array_key_last($opens);
            }
        }

        return null;
    }

    private function gloves(?BaseSheet $base): string
    {
        $cautions = $this->library->cautions();
        foreach ($base->hazards ?? [] as $hazard) {
            if (isset($cautions[$hazard]['gloves'])) {
                return $cautions[$hazard]['gloves'];
            }
        }

        return '';
    }

    private function length(RecordedBuild $recorded, OperationStands $stands, CarbonImmutable $midnight): float
    {
        $so = $stands->startedAt === null
            ? 0.0
            : self::minutes($recorded->now, $midnight) - (float) $this->moment($recorded, $stands->startedAt, $midnight);

        // What is under way takes a moment longer than it has so far.
        return $stands->startedAt === null ? $stands->operation->minutes : max($stands->operation->minutes, $so + 2.0);
    }

    /** @return list<After> */
    private function after(RecordedBuild $recorded, OperationStands $stands, callable $id): array
    {
        $after = [];
        foreach ($stands->waits as $waited => $edges) {
            $other = $recorded->state->operations[$waited] ?? null;
            if ($other === null) {
                continue;
            }
            $open = $stands->windows[$waited] ?? null;
            if ($open !== null && $other->endedAt !== null) {
                // A window that has shut cannot be kept: the rest is planned all the same.
                $until = $open[1] === INF || $stands->state === OperationState::Missed ? null : $open[1] - $other->endedAt;
                $after[] = new After($id($waited), $open[0] - $other->endedAt, $until);
            } else {
                $edge = fn (float|Milestone $at): ?float => $at instanceof Milestone ? $this->edge($recorded, $other->operation, $at) : $at;
                $from = max(array_map(static fn (float|Milestone $at): float => $edge($at) ?? 0.0, $edges['from']) ?: [0.0]);
                $untils = array_filter(array_map($edge, $edges['until']), static fn (?float $at): bool => $at !== null);
                $after[] = new After($id($waited), $from, $untils === [] ? null : max($from, min($untils)));
            }
        }

        return $after;
    }

    /** How long after its end something that is still to be mixed will be so far, in the room as it is. */
    private function edge(RecordedBuild $recorded, Operation $of, Milestone $milestone): ?float
    {
        $base = $this->library->shelf()->bases[$recorded->baseOf($of) ?? ''] ?? null;
        $minutes = $base === null ? null : $this->clock->model($base)->band($milestone, $this->room->now(), null)?->likely->min;

        return match (true) {
            $minutes === null => null,
            $milestone === Milestone::RecoatOpen, $milestone === Milestone::RecoatClose => $minutes,
            // From where A meets B; the pot life only as far as it can be used.
            $milestone === Milestone::PotLife => BatchLimit::pourable(Minutes::of($minutes), $of->minutes)->min,
            default => max(0.0, $minutes - $of->minutes),
        };
    }

    /** @return list<DayWork> */
    private function live(RecordedRun $run, CarbonImmutable $midnight, CarbonImmutable $now, ?float $wish): array
    {
        $pour = $run->pour;
        if ($run->plan->endsLaid || $pour->started_at === null) {
            return [];
        }
        $began = self::minutes($pour->started_at, $midnight);
        $until = $pour->poured_at ?? $now->addMinutes(2);
        $make = fn (string $step, string $name, DayOperation $operation, bool $moves, ?float $opens = null): DayWork => new DayWork(
            $operation, $pour->title(), $name, "/pours/{$pour->id}/run", $moves ? 'planned' : ($pour->poured_at === null ? 'live' : 'done'),
            $run->frozen->colour, $pour->build_id, $step, $moves, $opens,
        );
        $work = [
            $make(
                'pour', 'Pour',
                new DayOperation(
                    "p{$pour->id}:pour", self::minutes($until, $midnight) - $began, $pour->poured_at === null ? [DayOperation::HANDS] : [],
                    fixed: $began,
                ),
                false,
            ),
        ];
        $open = $pour->state === PourState::Waiting ? $run->reaches($this->clock, Milestone::Demould)?->likely() : null;
        if ($open !== null) {
            $at = self::minutes($open, $midnight);
            $work[] = $make(
                'open', 'Open', new DayOperation("p{$pour->id}:open", self::OPENING_MIN, [DayOperation::HANDS], [], max($at, $wish ?? $at)),
                true, $at,
            );
        }

        return $work;
    }

    /**
     * @param  array<string, float|null>  $wish  where somebody put its pour and its opening
     * @return list<DayWork>
     */
    private function planned(Pour $pour, CarbonImmutable $midnight, array $wish): array
    {
        $gist = $this->work->gist($pour);
        if ($gist === null) {
            return [];
        }
        $plan = is_array($pour->sheet['plan'] ?? null) ? $pour->sheet['plan'] : [];
        $number = static fn (mixed $value): float => is_numeric($value) ? (float) $value : 0.0;
        $vacuum = ($plan['vessel']['degas'] ?? false) === true;
        $minutes = $gist['cups'] * ($number($plan['mix_min'] ?? 0) + ($vacuum ? $number($plan['degas_min'] ?? 0) : 0.0))
            + $gist['mass_g'] / max(1.0, $number($plan['pour_g_per_min'] ?? 150)) + self::WEIGHING_MIN;
        $base = $this->library->shelf()->bases[$pour->baseCode() ?? ''] ?? null;
        $make = static fn (string $step, string $name, DayOperation $operation): DayWork => new DayWork(
            $operation, $pour->title(), $name, "/pours/{$pour->id}", 'planned', $base->colour ?? '#cfc4ae', $pour->build_id, $step, true,
        );
        $work = [
            $make(
                'pour', 'Pour',
                new DayOperation(
                    "p{$pour->id}:pour", round($minutes, 1), $vacuum ? [DayOperation::HANDS, 'chamber'] : [DayOperation::HANDS], [],
                    $wish['pour'] ?? null,
                ),
            ),
        ];
        if ($gist['demould_min'] !== null) {
            $work[] = $make(
                'open', 'Open',
                new DayOperation(
                    "p{$pour->id}:open", self::OPENING_MIN, [DayOperation::HANDS], [new After("p{$pour->id}:pour", $gist['demould_min'])],
                    $wish['open'] ?? null,
                ),
            );
        }

        return $work;
    }

    /**
     * Where somebody has put what is planned.
     *
     * @param  list<Pour>  $planned
     * @return array<int, array<string, float|null>> by build and step
     */
    private function wishes(array $planned, CarbonImmutable $midnight): array
    {
        $builds = array_map(static fn (Pour $pour): int => $pour->build_id, $planned);
        $put = Rows::of('facts')
            ->join('builds', 'builds.id', '=', 'facts.stream_id')
            ->where('facts.stream', RecordedBuild::STREAM)
            ->whereIn('facts.kind', [BuildFactKind::Put->value, BuildFactKind::Undone->value])
            ->whereIn('facts.stream_id', $builds)
            ->orderBy('facts.id')
            ->get(['builds.id', 'builds.created_at', 'facts.id as fact', 'facts.kind', 'facts.payload']);
        $said = static fn (\stdClass $row, string $key): mixed => json_decode((string) $row->payload, true)[$key] ?? null;
        $undone = $put->where('kind', BuildFactKind::Undone->value)->map(static fn (\stdClass $row): mixed => $said($row, 'of'))->all();
        $wishes = [];
        foreach ($put->where('kind', BuildFactKind::Put->value)->whereNotIn('fact', $undone) as $row) {
            $at = $said($row, 'at_min');
            $step = $said($row, 'op');
            $wishes[(int) $row->id][is_string($step) ? $step : 'pour'] = is_numeric($at)
                ? self::minutes(
                    CarbonImmutable::parse((string) $row->created_at, 'UTC')->addMilliseconds(Minutes::ms((float) $at)), $midnight,
                )
                : null;
        }

        return $wishes;
    }

    private function moment(RecordedBuild $recorded, ?float $minutes, CarbonImmutable $midnight): ?float
    {
        $at = $recorded->at($minutes);

        return $at === null ? null : self::minutes($at, $midnight);
    }

    public static function minutes(CarbonImmutable $at, CarbonImmutable $midnight): float
    {
        return ((int) $at->getTimestampMs() - (int) $midnight->getTimestampMs()) / 60_000.0;
    }
}

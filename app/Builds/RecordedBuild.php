<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\BuildFactKind;
use Apalos\Core\Build\BuildState;
use Apalos\Core\Build\Laid;
use Apalos\Core\Build\Operation;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Units\Minutes;
use App\Facts\Happened;
use App\Models\Build;
use App\Models\Pour;
use App\Models\PourState;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use LogicException;
use TypeError;
use ValueError;

/** A build as recorded: its facts, the runs of what it mixes, and the state the core reads off them at a moment. */
final readonly class RecordedBuild
{
    public const STREAM = 'build';

    /**
     * @param  list<Happened>  $facts
     * @param  array<string, Pour>  $pours  the newest of each mixing operation, planned or begun, by operation
     */
    private function __construct(
        public Build $build,
        public BuildState $state,
        public array $facts,
        public array $pours,
        public CarbonImmutable $now,
        public BuildClock $clock,
        private RoomTemperature $room,
    ) {}

    public static function of(Build $build, CarbonImmutable $now): self
    {
        return self::all([$build], $now)[0];
    }

    /** The same with what was told since; what it mixed stands as it was read. */
    public function with(Happened $told): self
    {
        return self::from($this->build, [...$this->facts, $told], array_values($this->pours), $this->room, $this->now);
    }

    /**
     * Several at once: their facts and pours are asked for together.
     *
     * @param  list<Build>  $builds
     * @return list<self>
     */
    public static function all(array $builds, CarbonImmutable $now): array
    {
        return self::read($builds, $now, static fn (callable $one): self => $one())[0];
    }

    /**
     * Those of them that can be read: one that is damaged keeps nobody from the others.
     *
     * @param  list<Build>  $builds
     * @return array{list<self>, list<Build>} and those that cannot
     */
    public static function legible(array $builds, CarbonImmutable $now): array
    {
        return self::read($builds, $now, static function (callable $one): ?self {
            try {
                return $one();
            } catch (BadInput|LogicException|ValueError|TypeError $broken) {
                report($broken);

                return null;
            }
        });
    }

    /**
     * @param  list<Build>  $builds
     * @param  callable(callable(): self): (self|null)  $how
     * @return array{list<self>, list<Build>}
     */
    private static function read(array $builds, CarbonImmutable $now, callable $how): array
    {
        if ($builds === []) {
            return [[], []];
        }
        $ids = array_map(static fn (Build $build): int => $build->id, $builds);
        $facts = Happened::in(self::STREAM, $ids);
        /** @var Collection<int, \Illuminate\Database\Eloquent\Collection<int, Pour>> $pours */
        $pours = Pour::query()->whereIn('build_id', $ids)->orderBy('turn')->orderBy('id')->get()->groupBy('build_id');
        $room = app(RoomTemperature::class);
        $first = min(array_map(static fn (Build $build): int => (int) $build->created_at->getTimestampMs(), $builds));
        $room->reach(CarbonImmutable::createFromTimestampMs($first, 'UTC'));

        [$legible, $damaged] = [[], []];
        foreach ($builds as $build) {
            $one = $how(static fn (): self => self::from($build, $facts[$build->id], $pours->get($build->id)?->all() ?? [], $room, $now));
            if ($one === null) {
                $damaged[] = $build;
            } else {
                $legible[] = $one;
            }
        }

        return [$legible, $damaged];
    }

    /**
     * @param  list<Happened>  $facts
     * @param  array<int, Pour>  $pours
     */
    private static function from(Build $build, array $facts, array $pours, RoomTemperature $room, CarbonImmutable $now): self
    {
        $zero = $build->created_at;
        $at = static fn (CarbonImmutable $moment): float => ((int) $moment->getTimestampMs() - (int) $zero->getTimestampMs()) / 60_000.0;
        // What was given up was never laid.
        $newest = [];
        foreach ($pours as $pour) {
            if ($pour->state !== PourState::GivenUp) {
                $newest[$pour->operation] = $pour;
            }
        }
        $begun = array_filter($newest, static fn (Pour $pour): bool => $pour->started_at !== null);
        $laid = [];
        foreach ($begun as $operation => $pour) {
            $laid[$operation] = new Laid($at($pour->started_at ?? $now), $pour->poured_at === null ? null : $at($pour->poured_at));
        }
        $clock = new BuildClock($room, $zero, $begun);
        $slips = array_column(
            array_filter($facts, static fn (Happened $fact): bool => in_array($fact->key, $build->left_out_touches ?? [], true)), 'id',
        );
        $read = Happened::read($facts, BuildFactKind::class, (int) $zero->getTimestampMs());

        return new self(
            $build, BuildState::of($build->planned(), $read, $laid, $at($now), $clock, $slips), $facts, $newest, $now, $clock, $room,
        );
    }

    /** A time of day as minutes of the build. */
    public function minutes(CarbonImmutable $at): float
    {
        return ((int) $at->getTimestampMs() - (int) $this->build->created_at->getTimestampMs()) / 60_000.0;
    }

    public function ms(?float $minutes): ?int
    {
        return $minutes === null ? null : (int) $this->build->created_at->getTimestampMs() + Minutes::ms($minutes);
    }

    public function at(?float $minutes): ?CarbonImmutable
    {
        return $minutes === null ? null : CarbonImmutable::createFromTimestampMs((int) $this->ms($minutes), 'UTC');
    }

    public function fact(int $id): ?Happened
    {
        foreach ($this->facts as $fact) {
            if ($fact->id === $id) {
                return $fact;
            }
        }

        return null;
    }

    public function lastFactId(): int
    {
        return $this->facts === [] ? 0 : $this->facts[count($this->facts) - 1]->id;
    }

    /** The pour that makes the piece, or the mould: of the last layer of its own material that was really laid. */
    public function main(): ?Pour
    {
        foreach ($this->state->plan->mains() as $operation) {
            $pour = $this->pours[$operation->id] ?? null;
            if ($pour?->poured_at !== null) {
                return $pour;
            }
        }

        return null;
    }

    /** House code of what an operation mixes; null where that is not chosen yet. */
    public function baseOf(Operation $operation): ?string
    {
        return ($this->pours[$operation->id] ?? null)?->baseCode() ?: ($operation->mixing->base ?? $this->build->impression->material);
    }
}

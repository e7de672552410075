<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Input\BadInput;
use App\Builds\RecordedBuild;
use App\Library\Library;
use App\Log\RecordedRun;
use App\Looks\Memo;
use App\Models\Build;
use App\Models\Pour;
use App\PourSheets\Drafts;
use App\PourSheets\PourSheetReckoner;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use App\Swatches\RecordedSeries;
use App\Swatches\SeriesBook;
use Carbon\CarbonImmutable;
use TypeError;
use ValueError;

/**
 * What stands on the bench and what is planned for it, asked for once: the strip and the bench look at the same.
 *
 * @phpstan-type Gist array{mass_g: float, cups: int, demould_min: float|null}
 */
final class LiveWork
{
    /** More than any bench holds. What is open longest and was never graded is found in its job. */
    private const MOST_LIVE = 60;

    /** @var list<RecordedRun>|null */
    private ?array $runs = null;

    /** @var list<Pour> */
    private array $damaged = [];

    /** @var list<RecordedSeries>|null */
    private ?array $series = null;

    /** More than any bench holds at once. */
    private const MOST_BUILDS = 24;

    /** @var list<RecordedBuild>|null */
    private ?array $builds = null;

    /** @var list<Build> */
    private array $damagedBuilds = [];

    public function __construct(
        private readonly RoomTemperature $room, private readonly CureClock $clock, private readonly PourSheetReckoner $reckoner,
        private readonly SeriesBook $book, private readonly Library $library, private readonly Memo $memo, private readonly Drafts $drafts,
    ) {}

    /** @return list<RecordedRun> begun and not yet graded, in the order in which they were begun */
    public function runs(): array
    {
        if ($this->runs === null) {
            $live = Pour::query()
                ->withTitle()
                ->live()
                ->atHand()
                ->orderByRaw("case state when 'running' then 0 else 1 end")
                ->orderByDesc('started_at')
                ->limit(self::MOST_LIVE)
                ->get();
            $begun = $live->min('started_at');
            $this->room->reach($begun instanceof CarbonImmutable ? $begun : CarbonImmutable::now());
            [$this->runs, $this->damaged] = RecordedRun::legible(array_values($live->sortBy('started_at')->all()));
        }

        return $this->runs;
    }

    /** @return list<Pour> live as well, but nobody can read how they stand */
    public function damaged(): array
    {
        $this->runs();

        return $this->damaged;
    }

    /** @return list<Pour> drafts, the one touched last first */
    public function planned(): array
    {
        return $this->drafts->all();
    }

    /** @return list<RecordedBuild> builds of several operations that go on, or are planned */
    public function builds(CarbonImmutable $now): array
    {
        if ($this->builds === null) {
            $builds = Build::query()
                ->onTheBench()
                ->with('impression.job')
                ->orderByRaw('case when begun_at is null then 1 else 0 end')
                ->orderByDesc('id')
                ->limit(self::MOST_BUILDS)
                ->get();
            [$this->builds, $this->damagedBuilds] = RecordedBuild::legible(array_values($builds->sortBy('id')->all()), $now);
            $this->clock->learn(
                array_values(
                    array_filter(
                        array_merge(
                            [],
                            ...array_map(
                                static fn (RecordedBuild $one): array => array_map($one->baseOf(...), $one->state->plan->operations),
                                $this->builds,
                            ),
                        ),
                        is_string(...),
                    ),
                ),
            );
        }

        return $this->builds;
    }

    /** @return list<Build> builds that nobody can read; asked after the others */
    public function damagedBuilds(): array
    {
        return $this->damagedBuilds;
    }

    /** Something has been told of a build since they were asked for. */
    public function forgetBuilds(): void
    {
        $this->builds = null;
    }

    /** @return list<RecordedSeries> */
    public function series(): array
    {
        return $this->series ??= $this->book->live();
    }

    /**
     * What the sheet of a draft comes to in the room as it is; null while it does not add up. Kept until anything it rests on changes.
     *
     * @return Gist|null
     */
    public function gist(Pour $draft): ?array
    {
        $rests = [
            $draft->getRawOriginal('sheet'), $this->room->now()->degrees, $this->clock->restsOn($draft->baseCode() ?? ''),
            $this->library->stamp(),
        ];

        return $this->memo->of("gist:{$draft->id}", $rests, fn (): ?array => $this->reckoned($draft));
    }

    /** @return Gist|null */
    private function reckoned(Pour $draft): ?array
    {
        try {
            $reckoning = $this->reckoner->reckon($draft->sheet);
            $mix = $reckoning->isPourable() ? $reckoning->mix : null;
        } catch (BadInput|TypeError|ValueError) {
            // A sheet nobody can read is not finished; its own page says more.
            $mix = null;
        }

        return $mix === null ? null : ['mass_g' => $mix->mass->g, 'cups' => count($mix->batches), 'demould_min' => $mix->demould?->min];
    }
}

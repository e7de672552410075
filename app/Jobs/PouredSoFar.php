<?php

declare(strict_types=1);

namespace App\Jobs;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\Grade;
use App\Lists\Rows;
use App\Log\GoodPieces;
use App\Models\ImpressionKind;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Support\Collection;

/** How far each link of some jobs has come, counted by the database: how it stands, how many are done, how many pieces came of it. */
final readonly class PouredSoFar
{
    /**
     * @param  array<int, array{last: PourState, last_grade: string|null, done: int, all: int}>  $links
     * @param  array<int, int>  $good  pieces by link
     * @param  array<int, bool>  $builds  whether the build that is not over has begun, by link
     */
    private function __construct(private array $links, private array $good, private array $builds) {}

    /** @param  Collection<int, int>  $links  their ids */
    public static function of(Collection $links): self
    {
        $sofar = [];
        // What was laid in a build that is over bears no word of its own: the build has its grade.
        $rows = Pour::query()
            ->whereIn('impression_id', $links->all())
            ->whereRaw(
                '(state <> ? or not exists (select 1 from builds where builds.id = pours.build_id and builds.ended_at is not null))',
                [PourState::Laid->value],
            )
            ->groupBy('impression_id', 'state', 'grade')
            ->selectRaw('impression_id, state, grade, count(*) as pours, max(id) as newest')->orderBy('newest')->toBase()->get();
        foreach ($rows as $row) {
            $so = $sofar[(int) $row->impression_id] ?? ['last' => PourState::Draft, 'last_grade' => null, 'done' => 0, 'all' => 0];
            $state = PourState::from((string) $row->state);
            $grade = Grade::tryFrom((string) $row->grade);
            $sofar[(int) $row->impression_id] = [
                'last' => $state, 'last_grade' => $grade?->value,
                'done' => $so['done'] + ($state === PourState::Graded ? (int) $row->pours : 0),
                'all' => $so['all'] + (int) $row->pours,
            ];
        }

        $builds = [];
        foreach (Rows::of('builds')->whereIn(
            'impression_id', $links->all(),
        )->where('plain', false)->whereNull('ended_at')->get(['impression_id', 'begun_at']) as $build) {
            $builds[(int) $build->impression_id] = ($builds[(int) $build->impression_id] ?? false) || $build->begun_at !== null;
        }

        return new self($sofar, GoodPieces::of(array_values(array_map(intval(...), $links->all()))), $builds);
    }

    /** Good pieces that came of it. */
    public function pieces(int $link): int
    {
        return $this->good[$link] ?? 0;
    }

    /** How often it was poured, and is going to be. */
    public function pours(int $link): int
    {
        return $this->links[$link]['all'] ?? 0;
    }

    /** Nothing of it is open, and what was poured last came out: the next link is at hand. */
    public function isSettled(int $link): bool
    {
        $so = $this->links[$link] ?? null;

        return $so !== null
            && ! ($this->builds[$link] ?? false)
            && $so['done'] > 0
            && in_array($so['last'], [PourState::Graded, PourState::GivenUp], true)
            && (Grade::tryFrom($so['last_grade'] ?? '')?->counts() ?? true);
    }

    /** How it stands, in words. */
    public function status(int $link, ImpressionKind $kind): Phrase|string
    {
        $so = $this->links[$link] ?? null;

        return match (true) {
            $kind === ImpressionKind::Original => Phrase::of('bench.original_is_kept'),
            // A build that has begun says so, whatever of it was poured.
            $this->builds[$link] ?? false => Phrase::of(
                ($so['done'] ?? 0) > 0 ? 'bench.done_being_built' : 'bench.being_built', ['n' => $so['done'] ?? 0],
            ),
            $so === null => isset($this->builds[$link]) ? Phrase::of('bench.planned') : Phrase::of('bench.not_planned_yet'),
            $so['last'] === PourState::Draft => Phrase::of(
                $so['done'] > 0 ? 'bench.done_next_planned' : 'bench.planned', ['n' => $so['done']],
            ),
            $so['last'] === PourState::Laid => Phrase::of('bench.being_built'),
            $so['last'] === PourState::Running => Phrase::of('bench.being_poured'),
            $so['last'] === PourState::Waiting => Phrase::of('bench.curing'),
            $so['last'] === PourState::Opened => Phrase::of('bench.open_not_graded'),
            $so['last'] === PourState::GivenUp && $so['done'] === 0 => Phrase::of('bench.given_up'),
            default => $kind === ImpressionKind::Cast ? Phrase::of('bench.n_done', ['n' => $so['done']]) : ($so['last_grade'] ?? 'done'),
        };
    }
}

<?php

declare(strict_types=1);

namespace App\Workshop;

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
     */
    private function __construct(private array $links, private array $good) {}

    /** @param  Collection<int, int>  $links  their ids */
    public static function of(Collection $links): self
    {
        $sofar = [];
        $rows = Pour::query()->whereIn('impression_id', $links->all())->groupBy('impression_id', 'state', 'grade')
            ->selectRaw('impression_id, state, grade, count(*) as pours, max(id) as newest')->orderBy('newest')->toBase()->get();
        foreach ($rows as $row) {
            $so = $sofar[(int) $row->impression_id] ?? ['last' => PourState::Draft, 'last_grade' => null, 'done' => 0, 'all' => 0];
            $state = PourState::from((string) $row->state);
            $grade = \Apalos\Core\Run\Grade::tryFrom((string) $row->grade);
            $sofar[(int) $row->impression_id] = [
                'last' => $state, 'last_grade' => $grade?->value,
                'done' => $so['done'] + ($state === PourState::Graded ? (int) $row->pours : 0),
                'all' => $so['all'] + (int) $row->pours,
            ];
        }

        return new self($sofar, GoodPieces::of(array_values(array_map(intval(...), $links->all()))));
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

    /** How it stands, in words. */
    public function status(int $link, ImpressionKind $kind): string
    {
        $so = $this->links[$link] ?? null;

        return match (true) {
            $kind === ImpressionKind::Original => 'kept',
            $so === null => 'not planned yet',
            $so['last'] === PourState::Draft => $so['done'] > 0 ? "{$so['done']} done, next planned" : 'planned',
            $so['last'] === PourState::Laid => 'being built',
            $so['last'] === PourState::Running => 'being poured',
            $so['last'] === PourState::Waiting => 'curing',
            $so['last'] === PourState::Opened => 'open, not graded',
            $so['last'] === PourState::GivenUp && $so['done'] === 0 => 'given up',
            default => $kind === ImpressionKind::Cast ? "{$so['done']} done" : ($so['last_grade'] ?? 'done'),
        };
    }
}

<?php

declare(strict_types=1);

namespace App\Ways;

use Apalos\Core\Cost\Costing;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Costs\CostBook;
use App\Library\Library;
use App\Lists\Rows;
use App\Log\Tally;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\PourState;
use App\Models\TakenWay;
use App\Models\Workshop;
use App\Types\View;
use Carbon\CarbonImmutable;

/** Which way a job took, what that promised, and, as soon as pieces are counted, what came. */
final readonly class PromiseView implements View
{
    public function __construct(private Job $job, private CostBook $costs, private Library $library, private Workshop $workshop) {}

    /**
     * @return array{taken: array{
     *     id: int, kind: Phrase|string, rubber: string|null, moulds: int, taken_ms: int, undoable: bool,
     *     promised: array{per_piece: string, done_on: string, hands_min: float, good: int, count: int, currency: string},
     *     came: array{
     *         per_piece: string|null, done_on: string|null, hands_min: float|null, good: int, pieces: int, whole: bool,
     *     }|null,
     * }|null}
     */
    public function toArray(): array
    {
        $taken = $this->job->taken_way_id === null ? null : TakenWay::query()->find($this->job->taken_way_id);
        if ($taken === null) {
            return ['taken' => null];
        }
        $promised = $taken->promised;
        $base = is_string($taken->way['base'] ?? null) ? $taken->way['base'] : null;
        $kind = is_string($taken->way['kind'] ?? null) ? $taken->way['kind'] : '';

        return ['taken' => [
            'id' => $taken->id, 'kind' => $this->library->moulds()->kinds[$kind]->name ?? Phrase::of('bench.bought_in'),
            'rubber' => $base === null ? null : ($this->library->shelf()->bases[$base]->name ?? $base),
            'moulds' => is_int($taken->way['moulds'] ?? null) ? $taken->way['moulds'] : 0,
            'taken_ms' => (int) $taken->taken_at->getTimestampMs(), 'undoable' => $this->nothingBegun($taken),
            'promised' => [
                'per_piece' => $promised['per_piece'], 'done_on' => $promised['done_on'], 'hands_min' => (float) $promised['hands_min'],
                'good' => (int) round($promised['count'] * $promised['chance']), 'count' => $promised['count'],
                'currency' => $promised['currency'],
            ],
            'came' => $this->came($promised['count']),
        ]];
    }

    private function nothingBegun(TakenWay $taken): bool
    {
        return ! Rows::of('pours')->whereIn('impression_id', $taken->made['links'])->where('state', '!=', PourState::Draft->value)->exists()
            && ! Rows::of('pours')->whereIn('id', $taken->made['sheets'])->where('state', '!=', PourState::Draft->value)->exists()
            && ! Rows::of('builds')->whereIn('id', $taken->made['builds'])->whereNotNull('begun_at')->exists();
    }

    /**
     * @return array{per_piece: string|null, done_on: string|null, hands_min: float|null, good: int, pieces: int, whole: bool}|null null
     *   while no piece is counted
     */
    private function came(int $count): ?array
    {
        $tally = Tally::of($this->job->id);
        if ($tally['pieces'] === 0) {
            return null;
        }
        $asked = $this->costs->ofJob($this->job);
        try {
            $perPiece = (new Costing)->ask(Fields::of(CostBook::question($asked)))['per_piece'];
        } catch (BadInput) {
            // A price nobody wrote down: what it cost cannot be said.
            $perPiece = null;
        }
        $links = Rows::of('impressions')->where('job_id', $this->job->id)->where('kind', ImpressionKind::Cast->value)->pluck('id')->all();
        $last = Rows::of('pours')->whereIn('impression_id', $links)->where('state', PourState::Graded->value)->max('opened_at');
        $hands = array_sum(array_map(static fn (array $line): float => $line['min'], $asked['labour']));

        return [
            'per_piece' => $perPiece,
            'done_on' => is_string($last)
                ? CarbonImmutable::parse($last, 'UTC')->setTimezone($this->workshop->zone())->toDateString()
                : null,
            'hands_min' => $hands <= 0.0 ? null : $hands * $tally['pieces'] / max(1, $asked['casts']),
            'good' => $tally['pieces'] - $tally['rejects'], 'pieces' => $tally['pieces'],
            'whole' => $count <= $tally['pieces'] - $tally['rejects'],
        ];
    }
}

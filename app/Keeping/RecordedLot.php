<?php

declare(strict_types=1);

namespace App\Keeping;

use Apalos\Core\Facts\Fact as CoreFact;
use Apalos\Core\Store\LotFactKind;
use Apalos\Core\Store\LotState;
use App\Models\Lot;
use App\Models\LotPart;
use App\Workshop\Happened;
use App\Workshop\Rows;
use Carbon\CarbonImmutable;

/** A lot as recorded: its facts, what runs drew from it, and what is left. */
final readonly class RecordedLot
{
    public const STREAM = 'lot';

    /** @param  list<Happened>  $facts */
    private function __construct(public Lot $lot, public LotState $state, public array $facts) {}

    public static function of(Lot $lot): self
    {
        $facts = Happened::in(self::STREAM, [$lot->id])[$lot->id];

        return new self($lot, LotState::of(array_map(static fn (Happened $fact): CoreFact => new CoreFact($fact->id, LotFactKind::from($fact->kind), $fact->atMs / 60_000.0, $fact->payload), $facts)), $facts);
    }

    /** Writes down what lists need to know of it. */
    public function write(): void
    {
        $drawn = Rows::of('lot_draws')->where('lot_id', $this->lot->id)->orderBy('at')->get(['part', 'grams', 'at']);
        foreach ($this->lot->parts as $part) {
            $mine = $drawn->where('part', $part->part)->map(static fn (\stdClass $row): array => ['g' => (float) $row->grams, 'at' => CarbonImmutable::parse((string) $row->at, 'UTC')->getTimestampMs() / 60_000.0])->values()->all();
            $part->update(['left_g' => round($this->state->left($part->part, $part->got_g, array_values($mine)), 3)]);
        }
        $first = $drawn->first();
        $this->lot->update([
            // What is drawn from is open.
            'opened_on' => $this->state->openedOn ?? ($first === null ? null : substr((string) $first->at, 0, 10)),
            'trouble' => $this->state->doubt, 'price' => $this->state->price ?? $this->lot->price,
            'ended_at' => $this->state->endedAt === null ? null : CarbonImmutable::createFromTimestampMs((int) round($this->state->endedAt * 60_000.0), 'UTC'),
        ]);
    }

    /** How much of it is left, of the part of which there is least against what was got: a base needs both. */
    public static function share(Lot $lot): float
    {
        $shares = $lot->parts->map(static fn (LotPart $part): float => $part->got_g > 0.0 ? $part->left_g / $part->got_g : 0.0)->all();

        return $shares === [] ? 0.0 : max(0.0, min(1.0, min($shares)));
    }
}

<?php

declare(strict_types=1);

namespace App\Stock;

use Apalos\Core\Facts\Fact as CoreFact;
use Apalos\Core\Store\LotFactKind;
use Apalos\Core\Store\LotState;
use Apalos\Core\Units\Minutes;
use App\Facts\Happened;
use App\Models\Lot;
use App\Models\LotPart;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;

/** A lot as recorded: its facts, what runs drew from it, and what is left. */
final readonly class RecordedLot
{
    public const STREAM = 'lot';

    /**
     * @param  list<Happened>  $facts
     * @param  list<CoreFact<LotFactKind>>  $told  the same, as the core reads them; minutes of the calendar
     */
    private function __construct(public Lot $lot, public LotState $state, public array $facts, public array $told) {}

    public static function of(Lot $lot): self
    {
        return self::all([$lot])[$lot->id];
    }

    /**
     * @param  iterable<Lot>  $lots
     * @return array<int, self> by number; their facts are asked for together
     */
    public static function all(iterable $lots): array
    {
        $by = [];
        foreach ($lots as $lot) {
            $by[$lot->id] = $lot;
        }
        $facts = Happened::in(self::STREAM, array_keys($by));

        return array_map(static fn (Lot $lot): self => self::from($lot, $facts[$lot->id]), $by);
    }

    /** The same with what was told since. */
    public function with(Happened $told): self
    {
        return self::from($this->lot, [...$this->facts, $told]);
    }

    /** @param  list<Happened>  $facts */
    private static function from(Lot $lot, array $facts): self
    {
        $told = Happened::read($facts, LotFactKind::class);

        return new self($lot, LotState::of($told), $facts, $told);
    }

    /** Writes down what lists need to know of it. */
    public function write(): void
    {
        LotsAtOnce::of(new Collection([$this->lot->loadMissing('parts')]))->write();
    }

    /** @param  list<array{part: string, g: float, at: float}>  $drawn  from it by runs, in order */
    public function writeDown(array $drawn): void
    {
        foreach ($this->lot->parts as $part) {
            $mine = array_values(array_filter($drawn, static fn (array $one): bool => $one['part'] === $part->part));
            $part->fill(['left_g' => round($this->state->left($part->part, $part->got_g, $mine), 3)])->save();
        }
        $first = $drawn === [] ? null : min(array_column($drawn, 'at'));
        $this->lot->fill([
            // What is drawn from is open, since the day it was by the clock on the wall.
            'opened_on' => $this->state->openedOn
                ?? ($first === null ? null : self::moment($first)->setTimezone(app(Workshop::class)->zone())->format('Y-m-d')),
            'trouble' => $this->state->doubt, 'price' => $this->state->price,
            'recalled_at' => $this->state->recalled === null ? null : self::moment($this->state->recalled['at']),
            'recalled_why' => $this->state->recalled['why'] ?? null,
            'ended_at' => $this->state->endedAt === null ? null : self::moment($this->state->endedAt),
        ])->save();
    }

    private static function moment(float $minutes): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampMs(Minutes::ms($minutes), 'UTC');
    }

    /** How much of it is left, of the part of which there is least against what was got: a base needs both. */
    public static function share(Lot $lot): float
    {
        $shares = $lot->parts->map(static fn (LotPart $part): float => $part->got_g > 0.0 ? $part->left_g / $part->got_g : 0.0)->all();

        return $shares === [] ? 0.0 : max(0.0, min(1.0, min($shares)));
    }
}

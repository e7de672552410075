<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Cost\Costing;
use Apalos\Core\Day\DayOperation;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/**
 * A whole way as it is answered: its figures as the engines have them, what speaks for it and against, and what was asked of each.
 *
 * @phpstan-import-type CostAsked from Bill
 *
 * @phpstan-type WholeWayShape array{
 *     id: string, kind: string, name: Phrase, base: string|null, cast: string|null, release: string|null, rack: string|null, moulds: int,
 *     gang: int|null, build: string|null,
 *     per_piece: string, total: string, cash: string, done_min: float, late_min: float, hands_min: float, chance: float,
 *     good_share: float, chance_band: array{low: float, high: float},
 *     rests_on: array{usual: float, same: float, alike: float, says: Phrase}, because: list<Phrase>, against: list<Phrase>,
 *     raise: list<Phrase>, buy: list<array{code: string, kits: int, cash: string}>, first: Phrase,
 *     takes: array{piece_ml: float, mould_ml: float, area_mm2: float},
 *     stages: list<array{id: string, stage: string, name: Phrase, minutes: float, start_min: float, end_min: float}>,
 *     guessed: list<string>,
 *     asked: array{
 *         contact: list<array<string, mixed>>, mould: array<string, mixed>|null, build: array<string, mixed>|null,
 *         gang: array<string, mixed>|null, sprue: array<string, mixed>|null, schedule: array<string, mixed>, cost: array<string, mixed>,
 *         life: array<string, mixed>|null,
 *     }
 * }
 */
final readonly class WayAnswer
{
    /** Of what speaks for and against a kind, so many are said. */
    private const SAID = 3;

    /**
     * @param array{
     *     per_piece: string, total: string, cash: string, lines: list<array{name: string, cost: string, kits: int, cash: string}>, ...,
     * }  $money
     *   what `cost` answers
     * @param  array<string, mixed>  $schedule  the question to `schedule`
     * @param  array<string, mixed>  $cost  the question to `cost`
     */
    private function __construct(
        public ?Draft $draft,
        private WaysRequest $asked,
        private array $money,
        private array $schedule,
        private array $cost,
        private float $end,
        private float $chance,
    ) {}

    public static function of(Draft $draft, WaysRequest $asked): self
    {
        return new self(
            $draft, $asked, (new Costing)->ask(Fields::of($draft->bill['asked'])), self::scheduled($draft->steps, $asked),
            $draft->bill['asked'], $draft->end, $draft->odds->likely(),
        );
    }

    /** @param  array{price: string, lead_h: float|null}  $price */
    public static function boughtIn(array $price, WaysRequest $asked, WaysBook $book): self
    {
        $lead = 60.0 * ($price['lead_h'] ?? $book->boughtLeadH);
        $cost = [
            'currency' => $asked->currency, 'casts' => $asked->count, 'reject_pct' => 0.0, 'materials' => [], 'moulds' => [],
            'labour' => [],
            'other' => [['name' => 'bought in', 'price' => number_format((float) $price['price'] * $asked->count, 2, '.', '')]],
        ];
        $schedule = [
            'now_min' => 0.0, 'days' => $asked->hours->intervals, 'resources' => [DayOperation::HANDS => $asked->pairs],
            'ops' => [['id' => 'delivery', 'minutes' => $lead, 'uses' => [], 'after' => [], 'due_min' => $asked->due]],
        ];

        return new self(null, $asked, (new Costing)->ask(Fields::of($cost)), $schedule, $cost, $lead, $book->boughtGood);
    }

    /**
     * @param  list<WayStep>  $steps
     * @return array<string, mixed>
     */
    private static function scheduled(array $steps, WaysRequest $asked): array
    {
        $operations = [];
        $before = null;
        foreach ($steps as $i => $step) {
            $operations[] = $step->toArray($before, $i === count($steps) - 1 ? $asked->due : null);
            $before = $step->id;
        }

        return [
            'now_min' => 0.0, 'days' => $asked->hours->intervals, 'resources' => [DayOperation::HANDS => $asked->pairs],
            'ops' => $operations,
        ];
    }

    /** @return array{float, float, float, float} */
    public function measures(): array
    {
        return [(float) $this->money['per_piece'], $this->end, $this->draft->hands ?? 0.0, $this->chance];
    }

    /** @return WholeWayShape */
    public function toArray(): array
    {
        $draft = $this->draft;
        $way = $draft?->way;

        return [
            'id' => $draft?->id() ?? 'bought-in', 'kind' => $way->kind ?? 'bought-in', 'name' => $this->name(), 'base' => $way?->code(),
            'cast' => $way?->cast->code, 'release' => $way?->release->release,
            'rack' => $way?->rack['id'] ?? null, 'moulds' => $draft === null || $way?->rack !== null ? 0 : $draft->moulds,
            'gang' => ($way->gang ?? 1) > 1 ? $way?->gang : null, 'build' => $way?->rack === null ? $way?->worked->build : null,
            'per_piece' => $this->money['per_piece'], 'total' => $this->money['total'], 'cash' => $this->money['cash'],
            'done_min' => $this->end, 'late_min' => $this->late(), 'hands_min' => $draft->hands ?? 0.0,
            'chance' => $this->chance, 'good_share' => $draft?->odds->steady() ?? $this->chance,
            'chance_band' => $draft?->odds->band() ?? ['low' => $this->chance, 'high' => $this->chance],
            'rests_on' => $this->restsOn(), 'because' => $this->because(), 'against' => $this->against(),
            'raise' => $draft->odds->raise ?? [], 'buy' => $this->buy(), 'first' => $this->first(),
            'takes' => [
                'piece_ml' => $this->asked->piece->volumeMl(), 'mould_ml' => $draft->mould->ml ?? 0.0,
                'area_mm2' => $this->asked->piece->areaMm2(),
            ],
            'stages' => $draft === null ? [] : $this->stages($draft), 'guessed' => $draft->bill['guessed'] ?? [],
            'asked' => [
                'contact' => $way?->contacts() ?? [], 'mould' => $way === null || $way->rack !== null ? null : $this->asked->mould,
                'build' => $draft?->mould?->build, 'gang' => $draft?->mould?->gang, 'sprue' => $draft?->spout,
                'schedule' => $this->schedule, 'cost' => $this->cost, 'life' => $draft->life['asked'] ?? null,
            ],
        ];
    }

    private function late(): float
    {
        return $this->asked->due === null ? 0.0 : max(0.0, $this->end - $this->asked->due);
    }

    private function name(): Phrase
    {
        $way = $this->draft?->way;

        return match (true) {
            $way === null => Phrase::of('ways.bought_in'),
            $way->rack !== null => Phrase::of('ways.on_the_rack', ['id' => $way->rack['id']]),
            default => Phrase::written($way->ranked->name ?? $way->kind),
        };
    }

    /** @return array{usual: float, same: float, alike: float, says: Phrase} */
    private function restsOn(): array
    {
        $odds = $this->draft?->odds;
        if ($odds === null) {
            return ['usual' => $this->chance, 'same' => 0.0, 'alike' => 0.0, 'says' => Phrase::of('ways.rests_on_bought')];
        }
        $values = ['usual' => 100.0 * $odds->usual, 'same' => $odds->same, 'alike' => $odds->alike];

        return [
            'usual' => $odds->usual, 'same' => $odds->same, 'alike' => $odds->alike,
            'says' => Phrase::of($odds->same + $odds->alike > 0.0 ? 'ways.rests_on_log' : 'ways.rests_on_usual', $values),
        ];
    }

    /** @return list<Phrase> */
    private function because(): array
    {
        $draft = $this->draft;
        if ($draft === null) {
            return [Phrase::of('ways.because_bought')];
        }

        return [
            ...array_slice($draft->way->ranked->for ?? [], 0, self::SAID),
            $draft->way->rack === null
                ? Phrase::of($draft->moulds === 1 ? 'ways.one_mould_lasts' : 'ways.moulds_last', [
                    'moulds' => $draft->moulds, 'low' => $draft->life['low'], 'likely' => $draft->life['likely'],
                    'high' => $draft->life['high'],
                ])
                : Phrase::of('ways.has_left', ['low' => $draft->life['low'], 'likely' => $draft->life['likely']]),
        ];
    }

    /** @return list<Phrase> */
    private function against(): array
    {
        $draft = $this->draft;
        $late = $this->late();
        $bad = $draft === null ? 0 : (int) round($this->asked->count * (1.0 - $draft->odds->steady()));

        return [
            ...($late > 0.0 ? [Phrase::of('ways.late', ['late' => Quantity::duration($late)])] : []),
            ...($draft->odds->against ?? []),
            ...array_slice($draft->way->ranked->against ?? [], 0, self::SAID),
            ...($bad > 0 && $this->asked->count > 1 ? [Phrase::of('ways.pour_more', ['bad' => $bad, 'count' => $this->asked->count])] : []),
            ...(
                $draft !== null && $draft->bill['guessed'] !== []
                ? [Phrase::of('ways.prices_guessed', ['codes' => $draft->bill['guessed']])]
                : []
            ),
        ];
    }

    /** @return list<array{code: string, kits: int, cash: string}> */
    private function buy(): array
    {
        $buy = [];
        foreach ($this->money['lines'] as $i => $line) {
            if ($line['kits'] > 0) {
                $buy[] = ['code' => $this->draft->bill['codes'][$i] ?? '', 'kits' => $line['kits'], 'cash' => $line['cash']];
            }
        }

        return $buy;
    }

    private function first(): Phrase
    {
        if ($this->draft === null) {
            return Phrase::of('ways.first_order');
        }
        $tests = $this->draft->way->tests();
        $buy = array_column($this->buy(), 'code');

        return match (true) {
            $tests !== [] => Phrase::of('ways.first_test', ['test' => $tests[0]]),
            $buy !== [] => Phrase::of('ways.first_buy', ['codes' => $buy]),
            default => Phrase::of('ways.first_step', ['step' => $this->draft->steps[0]->name]),
        };
    }

    /**
     * @return list<array{id: string, stage: string, name: Phrase, minutes: float, start_min: float, end_min: float}> when each step is, as
     *   `schedule` has it
     */
    private function stages(Draft $draft): array
    {
        return array_map(
            static fn (WayStep $step, float $start): array => [
                'id' => $step->id, 'stage' => $step->stage, 'name' => $step->name, 'minutes' => $step->minutes, 'start_min' => $start,
                'end_min' => $start + $step->minutes,
            ],
            $draft->steps, (new StepByStep($this->asked->hours))->earliest($draft->steps) ?? [],
        );
    }
}

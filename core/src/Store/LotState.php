<?php

declare(strict_types=1);

namespace Apalos\Core\Store;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;

/** How a lot stands, as its facts tell it; what runs drew from it is counted beside. */
final readonly class LotState
{
    /**
     * @param  array<string, array{g: float, at: float}>  $counted  grams that were weighed last, by part, and when
     * @param  list<array{part: string, g: float}>  $took  outside of runs, since the part was counted
     * @param  array{at: float, why: string}|null  $recalled
     * @param  int|null  $takeBack  the fact that may be taken back: the last
     */
    private function __construct(
        public ?string $openedOn,
        public array $counted,
        public array $took,
        public ?Doubt $doubt,
        public ?string $price,
        public ?float $endedAt,
        public ?int $takeBack,
        public ?array $recalled = null,
    ) {}

    /** @param  list<Fact<LotFactKind>>  $facts in the order in which they were told */
    public static function of(array $facts): self
    {
        [$opened, $counted, $took, $doubt, $price, $ended, $last, $recalled] = [null, [], [], null, null, null, null, null];
        foreach (Standing::of($facts) as $fact) {
            $last = $fact->isFirst() ? $last : $fact->id;
            if ($fact->kind === LotFactKind::Counted) {
                // From here it counts from what was weighed.
                $took = array_values(array_filter($took, static fn (array $one): bool => $one['part'] !== $fact->text('part')));
            }
            match ($fact->kind) {
                LotFactKind::Opened => $opened = $fact->text('on'),
                LotFactKind::Counted => $counted[$fact->text('part') ?? ''] = ['g' => $fact->number('left_g') ?? 0.0, 'at' => $fact->at],
                LotFactKind::Took => $took[] = ['part' => $fact->text('part') ?? '', 'g' => $fact->number('grams') ?? 0.0],
                LotFactKind::Doubted => $doubt = Doubt::tryFrom($fact->text('what') ?? ''),
                LotFactKind::Priced => $price = $fact->text('price'),
                LotFactKind::Ended => $ended = $fact->at,
                LotFactKind::Recalled => $recalled = ['at' => $fact->at, 'why' => $fact->text('why') ?? ''],
                LotFactKind::Returned => [$ended, $recalled] = [null, null],
                LotFactKind::Noted, LotFactKind::Undone => null,
            };
        }

        return new self($opened, $counted, $took, $doubt, $price, $ended, $last, $recalled);
    }

    /**
     * Grams left of a part by the book: from the last count, or from what was got, less what was taken since.
     *
     * @param  list<array{g: float, at: float}>  $drawn  by runs
     */
    public function left(string $part, float $got, array $drawn): float
    {
        $from = $this->counted[$part] ?? ['g' => $got, 'at' => -INF];
        $took = array_sum(array_map(static fn (array $one): float => $one['part'] === $part ? $one['g'] : 0.0, $this->took));
        $gone = array_sum(array_map(static fn (array $one): float => $one['at'] > $from['at'] ? $one['g'] : 0.0, $drawn));

        return max(0.0, $from['g'] - $took - $gone);
    }
}

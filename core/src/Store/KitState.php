<?php

declare(strict_types=1);

namespace Apalos\Core\Store;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;

/** What a kit of a sheet costs, weighs, and when the next is ordered, as somebody said last. */
final readonly class KitState
{
    /**
     * @param  float|null  $massG  what the price is for
     * @param  float|null  $pricedAt  minutes
     * @param  int|null  $takeBack  the fact that may be taken back: the last
     */
    private function __construct(
        public ?string $price,
        public ?float $massG,
        public ?float $pricedAt,
        public ?float $reorderG,
        public ?int $takeBack,
    ) {}

    /** @param  list<Fact<KitFactKind>>  $facts in the order in which they were told */
    public static function of(array $facts): self
    {
        [$price, $mass, $at, $reorder, $last] = [null, null, null, null, null];
        foreach (Standing::of($facts) as $fact) {
            $last = $fact->isFirst() ? $last : $fact->id;
            match ($fact->kind) {
                KitFactKind::Priced => [$price, $mass, $at] = [$fact->text('price'), $fact->number('mass_g'), $fact->at],
                KitFactKind::Reordered => $reorder = $fact->number('reorder_g'),
                KitFactKind::Undone => null,
            };
        }

        return new self($price, $mass, $at, $reorder, $last);
    }
}

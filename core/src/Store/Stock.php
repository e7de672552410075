<?php

declare(strict_types=1);

namespace Apalos\Core\Store;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;
use Apalos\Core\Units\Grams;

/**
 * What some lots hold at any moment, by the book: each weighing is drawn from what stood there when it was weighed, so that a tub that is
 * counted between two cups stays right.
 */
final class Stock
{
    /** @var array<int, array<string, list<array{g: float, at: float}>>> by lot and part */
    private array $drawn = [];

    /**
     * @param  array<int, list<Fact<LotFactKind>>>  $facts  by lot, in the order in which they were told
     * @param  array<int, array<string, float>>  $got  grams by lot and part
     */
    public function __construct(private readonly array $facts, private readonly array $got) {}

    public function drew(int $lot, string $part, float $grams, float $at): void
    {
        $this->drawn[$lot][$part][] = ['g' => $grams, 'at' => $at];
    }

    /**
     * Draws from the first lot as far as it goes, then from the next, as they stood at that moment.
     *
     * @param  list<int>  $lots  in the order in which they are drawn from
     */
    public function draw(string $part, float $grams, float $at, array $lots): Drawing
    {
        $held = array_values(
            array_filter(
                array_map(
                    fn (int $lot): ?Held => isset($this->got[$lot][$part])
                        ? new Held($lot, Grams::of($this->left($lot, $part, $at)))
                        : null,
                    $lots,
                ),
            ),
        );
        $drawing = Drawing::of(Grams::of($grams), $held);
        foreach ($drawing->taken as $lot => $taken) {
            $this->drew($lot, $part, $taken->g, $at);
        }

        return $drawing;
    }

    /** Grams left of a part at a moment. */
    public function left(int $lot, string $part, float $at = INF): float
    {
        // What was taken back never was, whenever that was said.
        $state = LotState::of(
            array_values(array_filter(Standing::of($this->facts[$lot] ?? []), static fn (Fact $fact): bool => $fact->at <= $at)),
        );
        $drawn = array_values(array_filter($this->drawn[$lot][$part] ?? [], static fn (array $one): bool => $one['at'] <= $at));

        return $state->left($part, $this->got[$lot][$part] ?? 0.0, $drawn);
    }
}

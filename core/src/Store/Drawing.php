<?php

declare(strict_types=1);

namespace Apalos\Core\Store;

use Apalos\Core\Units\Grams;

/**
 * From which lots grams are taken: from the first as far as it goes, what is missing from the next. Grams always add up: what no lot has
 * by the book was poured all the same, and stands as short.
 */
final readonly class Drawing
{
    /**
     * @param  array<int, Grams>  $taken  by lot, in the order in which they were drawn from
     * @param  Grams  $short  beyond what any of them had by the book
     */
    private function __construct(public array $taken, public Grams $short) {}

    /** @param  list<Held>  $lots  in the order in which they are drawn from */
    public static function of(Grams $needed, array $lots): self
    {
        $taken = [];
        $rest = $needed->g;
        foreach ($lots as $lot) {
            $grams = min($rest, max(0.0, $lot->left->g));
            if ($grams > 1e-9) {
                $taken[$lot->lot] = Grams::of($grams);
                $rest -= $grams;
            }
        }

        return new self($taken, Grams::of(max(0.0, $rest < 1e-9 ? 0.0 : $rest)));
    }
}

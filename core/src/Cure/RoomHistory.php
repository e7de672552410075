<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;

/**
 * Cure in a room whose temperature changes: each stretch at one temperature uses up its share of the time that
 * temperature would take, and the milestone is reached when the shares add up to one.
 */
final readonly class RoomHistory
{
    /**
     * @param  list<array{from_min: float, room: Celsius}>  $stretches  in order, minutes since A met B; the first starts at 0,
     *                                                                  the last goes on for good
     */
    public function __construct(private array $stretches) {}

    /** When the milestone is reached, in minutes since A met B; null where the sheet has no such time. */
    public function reaches(Milestone $milestone, CureModel $model, ?Grams $mass = null): ?Band
    {
        $bands = array_map(fn (array $stretch): ?Band => $model->band($milestone, $stretch['room'], $mass), $this->stretches);
        if ($bands === [] || in_array(null, $bands, true)) {
            return null;
        }

        return new Band(
            $this->finish(array_map(static fn (Band $band): float => $band->low->min, $bands)),
            $this->finish(array_map(static fn (Band $band): float => $band->likely->min, $bands)),
            $this->finish(array_map(static fn (Band $band): float => $band->high->min, $bands)),
        );
    }

    /** @param  list<float>  $whole minutes the whole would take at each stretch's temperature */
    private function finish(array $whole): Minutes
    {
        $done = 0.0;
        $last = count($whole) - 1;
        for ($i = 0; $i < $last; $i++) {
            $length = $this->stretches[$i + 1]['from_min'] - $this->stretches[$i]['from_min'];
            $share = $length / $whole[$i];
            if ($done + $share >= 1.0) {
                return Minutes::of($this->stretches[$i]['from_min'] + (1.0 - $done) * $whole[$i]);
            }
            $done += $share;
        }

        return Minutes::of($this->stretches[$last]['from_min'] + (1.0 - $done) * $whole[$last]);
    }
}

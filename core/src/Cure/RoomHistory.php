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
        // Low, likely and high run side by side, and no stretch is looked at after all three are through.
        [$done, $at] = [[0.0, 0.0, 0.0], [null, null, null]];
        foreach ($this->stretches as $i => $stretch) {
            $band = $model->band($milestone, $stretch['room'], $mass);
            if ($band === null) {
                return null;
            }
            $length = isset($this->stretches[$i + 1]) ? $this->stretches[$i + 1]['from_min'] - $stretch['from_min'] : INF;
            foreach ([$band->low->min, $band->likely->min, $band->high->min] as $n => $whole) {
                if ($at[$n] === null && $done[$n] + $length / $whole >= 1.0) {
                    $at[$n] = Minutes::of($stretch['from_min'] + (1.0 - $done[$n]) * $whole);
                }
                $done[$n] += $length / $whole;
            }
            if ($at[0] !== null && $at[1] !== null && $at[2] !== null) {
                return new Band(...$at);
            }
        }

        return null;
    }
}

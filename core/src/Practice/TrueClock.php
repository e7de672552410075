<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Cure\RoomHistory;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;

/**
 * How long a rubber really takes, whatever its sheet says: the sheet's times, each so many times as long, in the room as it was. The
 * sheet's own
 * temperature and q10 hold ({@see CureModel}: t = t₀ · q10^((ref − T)/10)).
 */
final readonly class TrueClock
{
    private CureModel $model;

    /**
     * @param  array<string, float>  $times  `pot_life`, `recoat`, `demould`: so many times the sheet's
     * @param  list<array{from_min: float, c: float}>  $room  minutes of the practice
     */
    public function __construct(CureSheet $sheet, array $times, private array $room)
    {
        $factor = static fn (Milestone $of): float => match ($of) {
            Milestone::PotLife => $times['pot_life'] ?? 1.0,
            Milestone::RecoatOpen, Milestone::RecoatClose => $times['recoat'] ?? 1.0,
            default => $times['demould'] ?? 1.0,
        };
        $true = [];
        foreach ($sheet->times as $key => $minutes) {
            $true[$key] = $minutes->times($factor(Milestone::from($key)));
        }
        $this->model = CureModel::believing(new CureSheet($true, $sheet->reference, $sheet->q10, $sheet->alpha), []);
    }

    /**
     * @param  float  $began  minute of the practice at which A met B, or the coat lay
     * @return float|null minutes after that; null where its sheet has no such time
     */
    public function after(Milestone $milestone, float $began): ?float
    {
        $stretches = [];
        foreach ($this->room as $one) {
            $stretch = ['from_min' => max(0.0, $one['from_min'] - $began), 'room' => Celsius::of($one['c'])];
            $stretches = $one['from_min'] <= $began ? [$stretch] : [...$stretches, $stretch];
        }

        return (new RoomHistory($stretches))->reaches($milestone, $this->model)?->likely->min;
    }

    /** The sheet as a cup of so much of it keeps it: large ones of what heats itself are quicker. */
    public static function inMass(CureSheet $sheet, ?Grams $mass): CureSheet
    {
        $times = CureModel::believing($sheet, [])->factorOfMass($mass);

        return new CureSheet(
            array_map(static fn (Minutes $one): Minutes => $one->times($times), $sheet->times), $sheet->reference, $sheet->q10,
        );
    }

    /** How warm it is at a minute of the practice. */
    public static function celsius(Scenario $scenario, float $minute): float
    {
        $c = $scenario->roomC;
        foreach ($scenario->room() as $one) {
            $c = $one['from_min'] <= $minute ? $one['c'] : $c;
        }

        return $c;
    }
}

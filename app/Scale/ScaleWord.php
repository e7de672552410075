<?php

declare(strict_types=1);

namespace App\Scale;

use Apalos\Core\Scale\Trouble;
use App\Facts\StepHasMoved;

/** Whether a reading the scale gave is believed: not while it serves another, nor while it does what no pouring does. */
final readonly class ScaleWord
{
    /** @throws StepHasMoved with what to do first */
    public static function believed(ScaleDesk $desk, WeighUpAtHand $for): void
    {
        $desk = $desk->at($for);
        $other = $desk->heldByAnother($for);
        if ($other !== null) {
            throw new StepHasMoved("The scale serves “{$other->title}” just now. Take it over, or type the reading.");
        }
        if ($desk->trouble($for) !== null) {
            throw new StepHasMoved(self::what($desk->trouble($for)).' Say first from where to count, put it right, or type the reading.');
        }
    }

    private static function what(?Trouble $trouble): string
    {
        return match ($trouble) {
            Trouble::Fell => 'The display reads less than is in the cup.',
            Trouble::Jumped => 'The display rose faster than anybody pours.',
            Trouble::Crept => 'The display has crept with nothing poured.',
            Trouble::Unit => 'The scale shows another unit.',
            default => 'The scale served another weigh-up meanwhile.',
        };
    }
}

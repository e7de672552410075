<?php

declare(strict_types=1);

namespace App\Scale;

use Apalos\Core\Phrase\Phrase;
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
            throw new StepHasMoved(Phrase::of('bench.scale_serves_just_now', ['title' => $other->title]));
        }
        if ($desk->trouble($for) !== null) {
            throw new StepHasMoved(Phrase::of('bench.say_first_from_where', ['trouble' => self::what($desk->trouble($for))]));
        }
    }

    private static function what(?Trouble $trouble): Phrase
    {
        return match ($trouble) {
            Trouble::Fell => Phrase::of('bench.display_reads_less_than'),
            Trouble::Jumped => Phrase::of('bench.display_rose_faster_than'),
            Trouble::Crept => Phrase::of('bench.display_crept_with_nothing'),
            Trouble::Unit => Phrase::of('bench.scale_shows_another_unit'),
            default => Phrase::of('bench.scale_served_another_weigh'),
        };
    }
}

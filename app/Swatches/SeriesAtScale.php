<?php

declare(strict_types=1);

namespace App\Swatches;

use App\Models\Series;
use App\Scale\WeighsUp;
use App\Scale\WeighUpAtHand;

/** A series that is weighed. */
final readonly class SeriesAtScale implements WeighsUp
{
    public function find(int $id): ?WeighUpAtHand
    {
        $series = Series::query()->find($id);

        return $series === null ? null : self::of(RecordedSeries::of($series));
    }

    public static function of(RecordedSeries $recorded): WeighUpAtHand
    {
        $expected = $recorded->series->labelled_at === null ? $recorded->expects() : null;

        return new WeighUpAtHand(
            RecordedSeries::STREAM, $recorded->series->id, "Pucks · {$recorded->called()}", "/swatches/series/{$recorded->series->id}",
            $expected !== null, $expected,
        );
    }
}

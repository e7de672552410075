<?php

declare(strict_types=1);

namespace App\Swatches;

use App\Facts\Streams;
use App\Models\Series;
use App\Scale\ScaleDesk;
use Carbon\CarbonImmutable;

/**
 * What is told of series of pucks.
 *
 * @implements Streams<SeriesStream>
 */
final readonly class SeriesStreams implements Streams
{
    public function __construct(private ScaleDesk $scale) {}

    public function open(int $id, CarbonImmutable $now): SeriesStream
    {
        return new SeriesStream($this->scale, RecordedSeries::of(Series::query()->lockForUpdate()->findOrFail($id)));
    }
}

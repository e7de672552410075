<?php

declare(strict_types=1);

namespace App\Stock;

use App\Facts\Streams;
use App\Models\Lot;
use Carbon\CarbonImmutable;

/**
 * What is told of kits as they stand on the shelf.
 *
 * @implements Streams<LotStream>
 */
final readonly class LotStreams implements Streams
{
    public function open(int $id, CarbonImmutable $now): LotStream
    {
        return new LotStream(RecordedLot::of(Lot::query()->with('parts')->lockForUpdate()->findOrFail($id)));
    }
}

<?php

declare(strict_types=1);

namespace App\Moulds;

use App\Facts\Streams;
use App\Models\Mould;
use App\Models\Workshop;
use Carbon\CarbonImmutable;

/**
 * What is told of moulds.
 *
 * @implements Streams<MouldStream>
 */
final readonly class MouldStreams implements Streams
{
    public function __construct(private Rack $rack, private CountMould $count, private Workshop $workshop) {}

    public function open(int $id, CarbonImmutable $now): MouldStream
    {
        $recorded = RecordedMould::of(Mould::query()->lockForUpdate()->findOrFail($id));

        return new MouldStream($this->rack, $this->count, $this->workshop, $recorded);
    }
}

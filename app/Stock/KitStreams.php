<?php

declare(strict_types=1);

namespace App\Stock;

use App\Facts\Streams;
use App\Models\Kit;
use Carbon\CarbonImmutable;

/**
 * What is told of kits as they are bought.
 *
 * @implements Streams<KitStream>
 */
final readonly class KitStreams implements Streams
{
    public function open(int $id, CarbonImmutable $now): KitStream
    {
        return new KitStream(RecordedKit::of(Kit::query()->lockForUpdate()->findOrFail($id)));
    }
}

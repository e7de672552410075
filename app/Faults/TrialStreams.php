<?php

declare(strict_types=1);

namespace App\Faults;

use App\Facts\Streams;
use App\Models\Trial;
use Carbon\CarbonImmutable;

/**
 * What is told of trials.
 *
 * @implements Streams<TrialStream>
 */
final readonly class TrialStreams implements Streams
{
    public function open(int $id, CarbonImmutable $now): TrialStream
    {
        return new TrialStream(RecordedTrial::of(Trial::query()->lockForUpdate()->findOrFail($id)));
    }
}

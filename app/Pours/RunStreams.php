<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Facts\Streams;
use App\Log\RecordedRun;
use App\Models\Pour;
use App\Room\RoomTemperature;
use App\Scale\ScaleDesk;
use Carbon\CarbonImmutable;

/**
 * What is told of pours that have begun.
 *
 * @implements Streams<RunStream>
 */
final readonly class RunStreams implements Streams
{
    public function __construct(
        private ToldBeside $beside,
        private RunEnds $ends,
        private RunOutcome $outcome,
        private AfterRun $after,
        private RoomTemperature $room,
        private ScaleDesk $scale,
    ) {}

    public function open(int $id, CarbonImmutable $now): RunStream
    {
        $pour = Pour::query()->with('impression.job')->lockForUpdate()->findOrFail($id);
        if ($pour->started_at === null) {
            throw BadInput::at('kind', Phrase::of('bench.pour_has_not_begun'));
        }

        return new RunStream($this->beside, $this->ends, $this->outcome, $this->after, $this->room, $this->scale, RecordedRun::of($pour));
    }
}

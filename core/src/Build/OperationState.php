<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

/** Where an operation stands. */
enum OperationState: string
{
    /** For another, or for its window to open. */
    case Waits = 'waits';
    case Ready = 'ready';
    /** Ready, and its window soon shuts. */
    case Closing = 'closing';
    /** Its window has shut without it. */
    case Missed = 'missed';
    case UnderWay = 'under_way';
    /** A check that came out badly: nothing that waits for it goes on until it is passed. */
    case Failed = 'failed';
    case Done = 'done';
    case LeftOut = 'left_out';

    public function isOver(): bool
    {
        return $this === self::Done || $this === self::LeftOut;
    }

    public function canBegin(): bool
    {
        return $this === self::Ready || $this === self::Closing || $this === self::Missed || $this === self::Failed;
    }
}

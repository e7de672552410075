<?php

declare(strict_types=1);

namespace App\Models;

/** Where a pour stands, read off its events. */
enum PourState: string
{
    case Draft = 'draft';
    case Running = 'running';
    case Waiting = 'waiting';
    case Opened = 'opened';
    case Graded = 'graded';
    case GivenUp = 'given_up';
}

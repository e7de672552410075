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
    /** Where it belongs, in a build that goes on. */
    case Laid = 'laid';
    case Graded = 'graded';
    case GivenUp = 'given_up';
}

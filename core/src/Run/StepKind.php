<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

/** What a maker does at one step of a run. */
enum StepKind: string
{
    case Gear = 'gear';
    case Contacts = 'contacts';
    case PreMix = 'premix';
    case Tare = 'tare';
    case Weigh = 'weigh';
    case Rescue = 'rescue';
    case Mix = 'mix';
    /** Heated in steps, stirred and read between them, until it comes off: in place of mixing and de-airing. */
    case Heat = 'heat';
    case Degas = 'degas';
    case Fill = 'fill';
    case Wait = 'wait';
    case Grade = 'grade';
    case Done = 'done';
    case GivenUp = 'given_up';
}

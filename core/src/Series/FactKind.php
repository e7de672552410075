<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

/** What can happen while a series is weighed up. Facts only: a mistake is taken back by `Undone`. */
enum FactKind: string
{
    /** A vessel stands on the scale, and the scale was tared. */
    case Tared = 'tared';
    /** So much more went into a line, as the scale saw it. */
    case Put = 'put';
    /** What is in a line was written down by hand; null where nothing is in yet. */
    case Written = 'written';
    /** A met B. */
    case Met = 'met';
    /** It had not met after all. */
    case Unmet = 'unmet';
    case Undone = 'undone';
}

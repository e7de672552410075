<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

/** What an operation does for the contacts of what is poured after it: ticked off, it is so. */
enum Care: string
{
    case Seal = 'seal';
    case Release = 'release';
    case Dry = 'dry';
    /** A small test on the same surface, released the same way: it may fail, and then nothing is poured. */
    case Test = 'test';
    /** What was made here is sealed itself, for whatever is poured on it next. */
    case SealItself = 'seal-itself';
    /** A print was washed, lit through and warmed. */
    case PostCure = 'post-cure';
}

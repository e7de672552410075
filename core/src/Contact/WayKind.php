<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** What can be changed about a contact that is not safe. */
enum WayKind: string
{
    /** Another base on the shelf. */
    case Base = 'base';
    /** Something that keeps chemistry back. */
    case Barrier = 'barrier';
    /** Something that closes pores. */
    case Seal = 'seal';
    case Release = 'release';
    /** More links in the chain: a mould and a copy of what both sides bear. */
    case Link = 'link';
    case Wait = 'wait';
    case Test = 'test';
}

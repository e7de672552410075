<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** What a contact asks for, in order of severity. */
enum Verdict: string
{
    case Clear = 'clear';
    case Release = 'release';
    case SealAndRelease = 'seal-and-release';
    case TestFirst = 'test-first';
    case Stop = 'stop';
}

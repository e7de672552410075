<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** What a rule speaks of. */
enum RuleKind: string
{
    case Adhesion = 'adhesion';
    case Inhibition = 'inhibition';
    /** Nothing is known to go wrong for sure: a test first. */
    case Doubt = 'doubt';
    case Forbid = 'forbid';
}

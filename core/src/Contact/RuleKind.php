<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** What a rule speaks of. */
enum RuleKind: string
{
    case Adhesion = 'adhesion';
    case Inhibition = 'inhibition';
    case Forbid = 'forbid';
}

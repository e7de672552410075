<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** How two surfaces part once the fresh one has cured, mildest first. */
enum Adhesion: string
{
    case LetsGo = 'lets-go';
    case Grips = 'grips';
    case Fuses = 'fuses';
}

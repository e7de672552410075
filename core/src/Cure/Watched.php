<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

/** What was watched: the gel counts against pot life, the demould against the demould time. */
enum Watched: string
{
    case Gel = 'gel';
    case Demould = 'demould';

    public function milestone(): Milestone
    {
        return $this === self::Gel ? Milestone::PotLife : Milestone::Demould;
    }
}

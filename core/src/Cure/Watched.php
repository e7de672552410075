<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

/**
 * What was watched. The gel counts against pot life, the demould against the demould time: both are the moment itself. A finger
 * only says on which side of a moment one is: it comes off (the recoat window is not open yet), tacky and clean (it is open), dry
 * (it has shut).
 */
enum Watched: string
{
    case Gel = 'gel';
    case Demould = 'demould';
    case ComesOff = 'comes_off';
    case Tacky = 'tacky';
    case Dry = 'dry';

    public function milestone(): Milestone
    {
        return match ($this) {
            self::Gel => Milestone::PotLife,
            self::Demould => Milestone::Demould,
            self::ComesOff, self::Tacky => Milestone::RecoatOpen,
            self::Dry => Milestone::RecoatClose,
        };
    }

    public function isTheMoment(): bool
    {
        return $this === self::Gel || $this === self::Demould;
    }

    /** @return list<array{Milestone, bool}> what it is before (false) or past (true) */
    public function sides(): array
    {
        return match ($this) {
            self::ComesOff => [[Milestone::RecoatOpen, false]],
            self::Tacky => [[Milestone::RecoatOpen, true], [Milestone::RecoatClose, false]],
            self::Dry => [[Milestone::RecoatClose, true]],
            default => [],
        };
    }
}

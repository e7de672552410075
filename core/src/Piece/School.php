<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

/** How much room a shop leaves between a piece and the wall: three schools, and each by the size of the piece and the rubber's hardness. */
enum School: string
{
    /** The size at which the figures of the schools are meant: mm along the longest side. */
    private const MEANT = 150.0;

    case Thrifty = 'thrifty';
    case Standard = 'standard';
    case Heavy = 'heavy';

    /** In mm, as it is said. */
    public function usual(): float
    {
        return match ($this) {
            self::Thrifty => 6.0,
            self::Standard => 12.0,
            self::Heavy => 25.0,
        };
    }

    /**
     * In whole mm. A longer piece weighs more on its walls; a soft rubber sags, a firm one holds.
     *
     * @param  float|null  $shoreA  null where it is not known
     */
    public function margin(float $longestMm, ?float $shoreA): float
    {
        $size = max(0.7, min(1.8, sqrt($longestMm / self::MEANT)));
        $hardness = $shoreA === null ? 1.0 : max(0.85, min(1.3, 1.0 + (20.0 - $shoreA) * 0.015));

        return max(5.0, round($this->usual() * $size * $hardness));
    }
}

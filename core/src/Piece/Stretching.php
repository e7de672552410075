<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

/**
 * Whether a rubber lets go of a piece, stretched so far. A third of what tears it is what one asks of a mould again and again; up to
 * half of it a careful hand gets away with a few times. How often is a rule of thumb: it falls with the power 2.5 of the strain and
 * grows with the root of the tear strength.
 */
final class Stretching
{
    private const SAFE = 1.0 / 3.0;

    private const CAREFUL = 0.5;

    /** Pulls a rubber of ordinary tear strength bears at a third of its elongation. */
    private const PULLS = 30.0;

    private const ORDINARY_TEAR = 15.0;

    private const MOST = 200;

    /**
     * @param  float  $neededPct  strain
     * @param  float  $elongationPct  at break
     * @param  float|null  $tear  N/mm
     * @return array{verdict: 'slips'|'lets_go'|'a_few'|'tears', casts: int}
     */
    public static function of(float $neededPct, float $elongationPct, ?float $tear): array
    {
        $share = $neededPct / max($elongationPct, 1e-9);
        $pulls = self::PULLS * (self::SAFE / max($share, 1e-6)) ** 2.5 * sqrt(($tear ?? self::ORDINARY_TEAR) / self::ORDINARY_TEAR);

        return [
            'verdict' => match (true) {
                $share <= 0.1 => 'slips',
                $share <= self::SAFE => 'lets_go',
                $share <= self::CAREFUL => 'a_few',
                default => 'tears',
            },
            'casts' => $share > self::CAREFUL ? 0 : (int) max(1.0, min(self::MOST, floor($pulls))),
        ];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Fill;

use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;

/**
 * What is missing where a level stands too low: area × height. Cured scrap of the same rubber pushed in raises the level by its own volume,
 * as long as what is still liquid wets it: of what lies in the mould no more than so much may be scrap.
 */
final readonly class CameShort
{
    /** Pieces packed any closer trap air between them. */
    public const SCRAP_SHARE = 0.35;

    private function __construct(public Millilitres $missing, public Grams $fresh, public Grams $scrap, public Grams $freshBeside) {}

    /** @param  Millilitres|null  $inMould  what lies in it already; null where nobody says */
    public static function of(float $areaMm2, float $heightMm, Density $density, ?Millilitres $inMould): self
    {
        $missing = Millilitres::of($areaMm2 * $heightMm / 1000.0);
        $most = $inMould === null ? $missing->ml : self::SCRAP_SHARE * ($inMould->ml + $missing->ml);
        $scrap = Millilitres::of(min($missing->ml, $most));
        $grams = static fn (float $ml): Grams => Grams::of($ml * $density->gPerMl);

        return new self($missing, $grams($missing->ml), $grams($scrap->ml), $grams($missing->ml - $scrap->ml));
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

/** How a mould looks, in the words of those who cast in it, and which share of its life that tells to be spent. */
enum Condition: string
{
    case Fresh = 'fresh';
    case GlossGone = 'gloss_gone';
    case Pits = 'pits';
    case Cracked = 'cracked';

    /** @return array{float, float} */
    public function spent(): array
    {
        return match ($this) {
            self::Fresh => [0.0, 0.6],
            self::GlossGone => [0.3, 0.8],
            self::Pits => [0.6, 0.95],
            self::Cracked => [0.9, 1.0],
        };
    }
}

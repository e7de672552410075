<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Run\StepKind;

/** What a cup shows to whoever looks at it: how far it would rise over its rim under vacuum, and that it strings before it is over. */
final readonly class CupWatch
{
    /** Of a cup, what rises over its rim at most. */
    private const MOST_OVER = 0.4;

    /** Of its pot life, from when on it strings. */
    public const STRINGS = 0.7;

    /** Grams that would rise over the rim; nought where it has head-room, or nobody said what it takes. */
    public static function over(float $times, Situation $at): float
    {
        $over = $at->capacityMl === null ? 0.0 : $at->inCup / $at->gPerMl * $times - $at->capacityMl;

        return $over <= 0.0 ? 0.0 : round(min(self::MOST_OVER * $at->inCup, $over / $times * $at->gPerMl), 2);
    }

    /** @return list<string> what it says while it is stirred, de-aired or poured */
    public static function says(TrueClock $clock, Situation $at): array
    {
        if ($at->metAt === null || ! in_array($at->step, [StepKind::Mix, StepKind::Degas, StepKind::Fill], true)) {
            return [];
        }
        $gels = $clock->after(Milestone::PotLife, $at->metAt);
        $share = $gels === null ? 0.0 : ($at->minute - $at->metAt) / $gels;

        return [...$share >= self::STRINGS ? ['strings'] : [], ...$share >= 1.0 ? ['lumps'] : []];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Chance;

/** Who looks at many things finds something by chance: each chance corrected for all that were looked at (Holm 1979). */
final readonly class Holm
{
    /**
     * @template K of array-key
     *
     * @param  array<K, float>  $chances
     * @return array<K, float> the smallest first
     */
    public static function corrected(array $chances): array
    {
        asort($chances);
        [$before, $rank, $corrected] = [0.0, 0, []];
        foreach ($chances as $of => $chance) {
            $corrected[$of] = $before = min(1.0, max($before, $chance * (count($chances) - $rank++)));
        }

        return $corrected;
    }
}

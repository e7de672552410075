<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Units\Shore;

/**
 * Finds pucks that contradict the rest. Each is held against a line drawn without it, for a bad puck drags the line towards
 * itself and makes the good ones look wrong; the worst is set aside and the rest are looked at again.
 */
final readonly class Contradictions
{
    /** Farther off than this is a misreading, a mismix or the other scale, not chance. */
    private const FAR_SD = 3.0;

    /**
     * @param  list<SoftenedPuck>  $swatches
     * @return list<JudgedPuck> in the order of the swatches
     */
    public static function among(Shore $base, float $k, array $swatches): array
    {
        $kept = $swatches;
        for ($more = true; $more && $kept !== [];) {
            $off = self::off($base, $k, $swatches, $kept);
            $sizes = array_map(static fn (int $i): float => abs($off[$i]), array_keys($kept));
            $worst = array_keys($kept)[(int) array_search(max($sizes), $sizes, true)];
            $more = abs($off[$worst]) > self::FAR_SD;
            if ($more) {
                unset($kept[$worst]);
            }
        }
        $off = self::off($base, $k, $swatches, $kept);

        return array_map(static fn (int $i): JudgedPuck => new JudgedPuck($swatches[$i], $off[$i], ! isset($kept[$i])), array_keys($swatches));
    }

    /**
     * @param  list<SoftenedPuck>  $swatches
     * @param  array<int, SoftenedPuck>  $kept
     * @return array<int, float>
     */
    private static function off(Shore $base, float $k, array $swatches, array $kept): array
    {
        return array_map(static function (int $i) use ($base, $k, $swatches, $kept): float {
            $others = SoftenerModel::learnt($base, $k, array_values(array_diff_key($kept, [$i => true])));

            return $others->residual($swatches[$i]);
        }, array_keys($swatches));
    }
}

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
        // How far each is off without itself follows from the line with all of them, so a look costs no more than the pucks are many.
        $all = SoftenerModel::learnt($base, $k, $swatches);
        while (($worst = self::worst($all, $kept)) !== null) {
            $all = $all->without($kept[$worst]);
            unset($kept[$worst]);
        }

        return array_map(
            static fn (SoftenedPuck $puck, int $i): JudgedPuck => new JudgedPuck(
                $puck, isset($kept[$i]) ? $all->residualLeftOut($puck) : $all->residual($puck), ! isset($kept[$i]),
            ),
            $swatches, array_keys($swatches),
        );
    }

    /** @param  array<int, SoftenedPuck>  $kept */
    private static function worst(SoftenerModel $all, array $kept): ?int
    {
        [$worst, $farthest] = [null, self::FAR_SD];
        foreach ($kept as $i => $puck) {
            $off = abs($all->residualLeftOut($puck));
            if ($off > $farthest) {
                [$worst, $farthest] = [$i, $off];
            }
        }

        return $worst;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Sheet;

use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Density;

/**
 * What two figures of one sheet say against each other. Neither is refused: the maker looks again, corrects one, or says that it is so.
 *
 * @phpstan-type SheetDoubt array{code: string, field: string, message: Phrase}
 */
final readonly class SheetDoubts
{
    /** Proportions by weight and by volume may differ by so much through rounding on the sheet. */
    private const RATIO_ROUNDING = 0.03;

    private const YIELD_ROUNDING = 0.05;

    /** Densities farther apart than this make a measured volume the wrong weight. */
    private const MARKS_ROUNDING = 0.01;

    /**
     * @param  array<string, mixed>  $sheet  of a base, as {@see SheetForm::read} gives it
     * @return list<SheetDoubt>
     */
    public function in(array $sheet): array
    {
        $in = Fields::of($sheet);
        $at = static fn (string $part, string $key): ?float => $in->objectOrNull($part)?->numberOrNull($key);
        [$wA, $wB, $vA, $vB, $sgA, $sgB] = [
            $at('ratio', 'a'), $at('ratio', 'b'), $at('ratio_volume', 'a'), $at('ratio_volume', 'b'), $at('sg', 'a'), $at('sg', 'b'),
        ];
        $doubts = [];
        if ($wA !== null && $wB !== null && $wB > 0.0 && $vA !== null && $vB !== null && $sgA !== null && $sgB !== null) {
            // By weight a : b is by volume a/ρa : b/ρb.
            $fromVolume = $vA * $sgA / ($vB * $sgB);
            if (abs($fromVolume / ($wA / $wB) - 1.0) > self::RATIO_ROUNDING) {
                $doubts[] = [
                    'code' => 'ratio_against_density', 'field' => 'ratio.b',
                    'message' => Phrase::of('sheet.ratio_against_density', [
                        'volume' => self::ratio($vA, $vB), 'sga' => $sgA, 'sgb' => $sgB, 'means' => self::per100($fromVolume),
                        'weight' => self::per100($wA / $wB),
                    ]),
                ];
            }
        }
        if (
            $in->has('measured_by_volume_ok')
            && $in->bool('measured_by_volume_ok')
            && $wA !== null
            && $wB !== null
            && $wB > 0.0
            && $vA === null
            && $sgA !== null
            && $sgB !== null
            && abs($sgA / $sgB - 1.0) > self::MARKS_ROUNDING
        ) {
            $doubts[] = [
                'code' => 'volume_is_not_weight', 'field' => 'measured_by_volume_ok',
                'message' => Phrase::of('sheet.volume_is_not_weight', ['pct' => abs($sgA / $sgB - 1.0) * 100.0]),
            ];
        }
        $yield = $in->numberOrNull('yield_ml_per_kg');
        $density = $at('sg', 'mixed') ?? $this->mixed($wA, $wB, $vA, $vB, $sgA, $sgB);
        if ($yield !== null && $density !== null && abs($yield * $density / 1000.0 - 1.0) > self::YIELD_ROUNDING) {
            $doubts[] = [
                'code' => 'yield_against_density', 'field' => 'yield_ml_per_kg',
                'message' => Phrase::of('sheet.yield_against_density', [
                    'yield' => Quantity::yield($yield), 'sg' => Quantity::density($density), 'means' => Quantity::yield(1000.0 / $density),
                ]),
            ];
        }

        return $doubts;
    }

    private function mixed(?float $wA, ?float $wB, ?float $vA, ?float $vB, ?float $sgA, ?float $sgB): ?float
    {
        if ($sgA === null || ($sgB === null && $wB !== 0.0)) {
            return null;
        }
        $byWeight = $wA !== null && $wB !== null ? [$wA, $wB] : ($vA === null || $vB === null ? null : [$vA * $sgA, $vB * (float) $sgB]);

        return $byWeight === null
            ? null
            : Density::together([
                [$byWeight[0], Density::of($sgA)], ...($sgB === null ? [] : [[$byWeight[1], Density::of($sgB)]]),
            ])->gPerMl;
    }

    private static function ratio(float $a, float $b): string
    {
        $plain = static fn (float $n): string => rtrim(rtrim(number_format($n, 2, '.', ''), '0'), '.');

        return "{$plain($a)} : {$plain($b)}";
    }

    /** A to B as parts of B to a hundred of A. */
    private static function per100(float $aPerB): string
    {
        return '100 : '.rtrim(rtrim(number_format(100.0 / $aPerB, 1, '.', ''), '0'), '.');
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mix;

use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\MixPlanner;
use Apalos\Core\Mix\MixRequest;
use Apalos\Core\Mix\MixResult;

/** A brow in A 10 rubber with softener, pigment and flock: the worked example that most tests start from. */
final class Brow
{
    /**
     * @param  array<string, mixed>  $changes  by dotted path
     * @return array<string, mixed>
     */
    public static function sheet(array $changes = []): array
    {
        $sheet = [
            'base' => [
                'ratio' => ['by' => 'weight', 'a' => 1, 'b' => 1], 'sg' => ['a' => 1.06, 'b' => 1.08], 'sg_mixed' => null,
                'pot_life_min' => 22, 'demould_min' => 240, 'ref_c' => 23, 'q10' => 2.0, 'pour_first' => 'b',
                'measured_by_volume_ok' => false,
            ],
            'target' => ['volume_ml' => 640, 'waste_pct' => 7.5],
            'additives' => [
                ['name' => 'softener', 'amount' => 60, 'basis' => 'pct_of_ab', 'into' => 'after', 'sg' => 0.97, 'max' => 100],
                ['name' => 'fawn', 'amount' => 1.2, 'basis' => 'pct_of_total', 'into' => 'b', 'sg' => 1.3],
                ['name' => 'red flock', 'amount' => 0.3, 'basis' => 'pct_of_ab', 'into' => 'b', 'sg' => 1.5],
            ],
            'scale' => ['division_g' => 0.1, 'capacity_g' => 2000],
            'vessel' => ['capacity_ml' => 1500, 'tare_g' => 45, 'degas' => true, 'rise_factor' => 3],
            'room_c' => 18, 'mix_min' => 3, 'degas_min' => 5, 'pour_g_per_min' => 150,
        ];
        foreach ($changes as $path => $value) {
            $at = &$sheet;
            foreach (explode('.', $path) as $key) {
                $at = &$at[$key];
            }
            $at = $value;
            unset($at);
        }

        return $sheet;
    }

    /** @param  array<string, mixed>  $changes */
    public static function planned(array $changes = []): MixResult
    {
        return (new MixPlanner)->plan(MixRequest::from(Fields::of(self::sheet($changes))));
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Practice;

/** A practice as it is told to `debrief`: 200 g of a 1:1 platinum in one cup, walked well unless something else is said. */
final class Told
{
    /**
     * @param  array<string, mixed>  $truth
     * @param  array<int, array{at_min?: float, kind?: string, payload?: array<string, mixed>}|null>  $otherwise by the place of a fact;
     *   null leaves it out
     * @param  array<string, mixed>  $plan
     * @return array<string, mixed>
     */
    public static function asked(array $truth = [], array $otherwise = [], array $plan = [], array $scenario = []): array
    {
        $facts = [
            self::fact(0.6, 'confirmed', ['step' => '0:gear']), self::fact(1.5, 'confirmed', ['step' => '1:premix']),
            self::fact(1.8, 'confirmed', ['step' => '1:tare']),
            self::fact(2.5, 'weighed', ['step' => '1:weigh:0', 'reading_g' => 100.0]),
            self::fact(3.2, 'weighed', ['step' => '1:weigh:1', 'reading_g' => 200.0]),
            self::fact(6.4, 'confirmed', ['step' => '1:mix']), self::fact(8.0, 'confirmed', ['step' => '1:fill']),
            self::fact(300.0, 'opened', ['step' => '0:wait']),
            self::fact(305.0, 'graded', ['step' => '0:grade', 'grade' => 'good', 'faults' => [], 'used_g' => 198]),
        ];
        foreach ($otherwise as $i => $change) {
            $facts[$i] = $change === null ? null : [...$facts[$i] ?? [], ...$change];
        }

        return [
            'scenario' => [
                'id' => 'told', 'name' => 'Told', 'about' => 'As it was told.', 'level' => 1, 'teaches' => ['weighing'],
                'make' => ['base' => 'pr-10', 'volume_ml' => 180], 'room_c' => 23, 'price_per_kg' => '32.00', ...$scenario,
            ],
            'truth' => $truth,
            'runs' => [
                [
                    'of' => 'pour', 'plan' => [...self::plan(), ...$plan],
                    'clock' => ['pot_life_min' => 22, 'demould_min' => 240, 'ref_c' => 23, 'q10' => 2.0, 'alpha' => 0],
                    'family' => 'silicone-platinum', 'began_min' => 0, 'facts' => array_values(array_filter($facts)),
                ],
            ],
            'ended_min' => 310,
        ];
    }

    /** @return array<string, mixed> */
    public static function plan(): array
    {
        return [
            'batches' => [['B' => 100.0, 'A' => 100.0]], 'one_part' => false, 'mix_min' => 3, 'degas_min' => 0, 'division_g' => 0.1,
            'capacity_ml' => 750, 'sg' => 1.08, 'tolerance_pct' => 1, 'checklist' => [], 'takes_ml' => null, 'ends_laid' => false,
            'ahead' => false,
        ];
    }

    /**
     * @param  array<string, mixed>  $payload
     * @return array{at_min: float, kind: string, payload: array<string, mixed>}
     */
    public static function fact(float $at, string $kind, array $payload = []): array
    {
        return ['at_min' => $at, 'kind' => $kind, 'payload' => $payload];
    }
}

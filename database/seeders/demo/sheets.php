<?php

declare(strict_types=1);

// Pour sheets as makers of the demo workshop keep them.
$plan = static fn (float $cup, float $tare, bool $degas, float $mix, float $air, float $rate, float $capacity = 3000): array => [
    'scale' => ['division_g' => 0.1, 'capacity_g' => $capacity],
    'vessel' => ['capacity_ml' => $cup, 'tare_g' => $tare, 'degas' => $degas, 'rise_factor' => 3],
    'mix_min' => $mix, 'degas_min' => $air, 'pour_g_per_min' => $rate,
];
$add = static fn (string $code, float $amount, string $basis, string $into): array => [
    'code' => $code, 'amount' => $amount, 'basis' => $basis, 'into' => $into,
];
$sheet = static fn (array $volume, string $base, array $additives, array $plan, string $name): array => [
    'volume' => $volume, 'target' => ['waste_pct' => 0], 'formula' => ['base' => $base, 'additives' => $additives], 'plan' => $plan,
    'formula_name' => $name,
];

return [
    'grip-half' => $sheet(
        [
            'method' => 'box', 'box' => ['l_mm' => 182, 'w_mm' => 74, 'h_mm' => 62],
            'part' => ['l_mm' => 150, 'w_mm' => 42, 'h_mm' => 21, 'form' => 'cylinder'], 'allowance_pct' => 8,
        ],
        'tr-25', [], $plan(5000, 140, true, 3, 5, 200), 'Block rubber, plain',
    ),
    'grip-gang' => $sheet(
        ['method' => 'box', 'box' => ['l_mm' => 240, 'w_mm' => 190, 'h_mm' => 70], 'part' => ['displaced_ml' => 640], 'allowance_pct' => 6],
        'pr-25', [], $plan(8000, 210, true, 5, 6, 300, 6000), 'Gang block',
    ),
    'grip-copy' => $sheet(
        ['method' => 'displacement', 'poured_back_ml' => null, 'allowance_pct' => 5], 'rf-70', [$add('pu-bone', 0.5, 'pct_of_total', 'b')],
        $plan(500, 12, false, 0.5, 0, 400), 'Hard copy',
    ),
    'grip' => $sheet(
        ['method' => 'displacement', 'poured_back_ml' => 158, 'allowance_pct' => 6], 'ur-35',
        [$add('pu-russet', 0.9, 'pct_of_total', 'b'), $add('pu-soot', 0.1, 'pct_of_total', 'b')], $plan(500, 12, false, 2, 0, 150),
        'Russet grip',
    ),
    'brow' => $sheet(
        ['method' => 'blanket', 'clay_ml' => 46, 'pour_up_ml' => 6, 'allowance_pct' => 15], 'pr-10',
        [
            $add('pi-fawn', 0.8, 'pct_of_total', 'b'), $add('pi-oxblood', 0.12, 'pct_of_total', 'b'), $add('fl-red', 0.3, 'pct_of_ab', 'b'),
            $add('sf-1', 60, 'pct_of_ab', 'after'),
        ],
        $plan(500, 12, true, 3, 4, 60), 'Brow skin',
    ),
    'brow-mould' => $sheet(
        [
            'method' => 'box', 'box' => ['l_mm' => 170, 'w_mm' => 110, 'h_mm' => 60],
            'part' => ['l_mm' => 120, 'w_mm' => 60, 'h_mm' => 40, 'form' => 'sculpted'], 'allowance_pct' => 5,
        ],
        'cp-70', [], $plan(4000, 160, false, 3, 0, 600), 'Hard plaster',
    ),
    'crab' => $sheet(
        ['method' => 'displacement', 'poured_back_ml' => 62, 'allowance_pct' => 12], 'hv-08',
        [$add('pv-lichen', 1.4, 'pct_of_total', 'a'), $add('pv-soot', 0.3, 'pct_of_total', 'a'), $add('vs-1', 8, 'pct_of_a', 'a')],
        $plan(400, 60, false, 1, 0, 90), 'Crab vinyl',
    ),
    'crab-mould' => $sheet(
        ['method' => 'box', 'box' => ['l_mm' => 150, 'w_mm' => 110, 'h_mm' => 38], 'part' => ['displaced_ml' => 62], 'allowance_pct' => 6],
        'pr-40', [], $plan(4000, 140, true, 3, 5, 200), 'Firm block',
    ),
    'glove' => $sheet(
        ['method' => 'coats', 'area_mm2' => 61000, 'coats' => [['thickness_mm' => 0.8]], 'allowance_pct' => 12], 'br-28', [],
        $plan(500, 12, false, 3, 0, 40), 'Glove, plain',
    ),
    'gasket' => $sheet(
        ['method' => 'box', 'box' => ['l_mm' => 420, 'w_mm' => 60, 'h_mm' => 12], 'part' => null, 'allowance_pct' => 9], 'pr-40',
        [$add('pi-soot', 0.6, 'pct_of_total', 'a')], $plan(650, 18, true, 2, 3, 120), 'Gasket grey',
    ),
    'gasket-mould' => $sheet(
        ['method' => 'box', 'box' => ['l_mm' => 450, 'w_mm' => 90, 'h_mm' => 26], 'part' => ['volume_ml' => 302], 'allowance_pct' => 6],
        'pr-25', [], $plan(5000, 140, true, 4, 6, 250), 'Block rubber, platinum',
    ),
    'forearm' => $sheet(
        ['method' => 'box', 'box' => ['l_mm' => 200, 'w_mm' => 140, 'h_mm' => 9], 'part' => null, 'allowance_pct' => 5], 'pg-30',
        [
            $add('pi-fawn', 0.7, 'pct_of_total', 'b'), $add('pi-bone', 0.4, 'pct_of_total', 'b'), $add('fl-red', 0.2, 'pct_of_ab', 'b'),
            $add('sf-1', 40, 'pct_of_ab', 'after'),
        ],
        $plan(1500, 45, true, 3, 5, 150), 'Forearm skin',
    ),
    'tray' => $sheet(
        ['method' => 'box', 'box' => ['l_mm' => 230, 'w_mm' => 170, 'h_mm' => 22], 'part' => ['volume_ml' => 252], 'allowance_pct' => 5],
        'rf-70', [], $plan(1500, 45, false, 0.5, 0, 600), 'Tray resin',
    ),
    'nose' => $sheet(
        [
            'method' => 'box', 'box' => ['l_mm' => 70, 'w_mm' => 60, 'h_mm' => null],
            'part' => ['l_mm' => 50, 'w_mm' => 40, 'h_mm' => 45, 'form' => 'sculpted'], 'allowance_pct' => 10,
        ],
        'pg-30', [$add('pi-bone', 0.2, 'pct_of_total', 'b')], $plan(500, 12, true, 3, 4, 60), '',
    ),
];

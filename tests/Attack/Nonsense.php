<?php

declare(strict_types=1);

namespace Tests\Attack;

use PDO;

/** Questions and forms that are nearly right: one thing in each is of the wrong kind, too long, too large, missing, or mischief. */
final class Nonsense
{
    private const STRANGE = [
        null, true, false, 0, -1, 1e308, -1e308, 1e-320, 'x', '', ' ', '0', '-0', '1e999', 'NaN', '+8000 years', '12026-01-05',
        '05/01/2026', 'tomorrow', "\u{0}", "\u{202E}abc", '../../etc/passwd',
        "' or 1=1 --", '<script>alert(1)</script>', '{{7*7}}', '%00', [], [[]], ['a' => ['b' => []]], [1, 2, 3], ['x'],
        '9999999999999999999999', 'Ünïcödé ✂', '=1+1',
    ];

    private const EDITIONS = ['0', '7', '-1', '99999999999999', '1e3', 'x', "\u{0}", ''];

    /** @var list<array{string, string, array<string, mixed>, bool}> method, address, body, whether it is a form */
    private array $known;

    public function __construct(private readonly PDO $db, int $seed)
    {
        mt_srand($seed);
        $one = static fn (string $sql): int => (int) $db->query($sql)->fetchColumn();
        $running = $one("select id from pours where state in ('running', 'waiting') order by id desc limit 1");
        $draft = $one("select id from pours where state = 'draft' order by id limit 1");
        $bad = $one("select id from pours where grade in ('spoilt', 'poor') and faults != '[]' order by id limit 1");
        $link = $one("select id from impressions where kind = 'cast' order by id limit 1");
        [$job, $swatch, $version, $formula] = [
            $one('select id from jobs limit 1'), $one('select id from swatches limit 1'), $one('select id from formula_versions limit 1'),
            $one('select id from formulas limit 1'),
        ];
        $build = $one("select id from builds where plain = 0 and kind = 'glove-silicone' order by id limit 1");
        $operations = json_decode((string) $db->query("select plan from builds where id = {$build}")->fetchColumn(), true)['operations'];
        $recipe = ['base' => 'pr-10', 'additives' => [['code' => 'sf-1', 'amount' => 60, 'basis' => 'pct_of_ab', 'into' => 'after']]];
        $sheet = [
            'volume' => ['method' => 'box', 'box' => ['l_mm' => 100, 'w_mm' => 50, 'h_mm' => 20], 'part' => null, 'allowance_pct' => 8],
            'target' => ['waste_pct' => 5], 'formula' => $recipe,
            'plan' => [
                'scale' => ['division_g' => 0.1, 'capacity_g' => 3000],
                'vessel' => ['capacity_ml' => 500, 'tare_g' => 12, 'degas' => false, 'rise_factor' => 3], 'mix_min' => 3, 'degas_min' => 0,
                'pour_g_per_min' => 150,
            ],
            'formula_name' => 'N',
        ];
        $this->known = [
            [
                'POST', '/api/reckon/volume',
                ['method' => 'box', 'box' => ['l_mm' => 100, 'w_mm' => 50, 'h_mm' => 20], 'allowance_pct' => 8], false,
            ],
            [
                'POST', '/api/reckon/cure',
                [
                    'base' => [
                        'pot_life_min' => 22, 'recoat_open_min' => 45, 'recoat_close_min' => 120, 'demould_min' => 240,
                        'service_min' => 1440, 'ref_c' => 23, 'q10' => 2,
                    ],
                    'room_c' => 19, 'mass_g' => null, 'logs' => [['room_c' => 20, 'kind' => 'gel', 'minutes' => 25]],
                ],
                false,
            ],
            [
                'POST', '/api/reckon/harden',
                [
                    'base' => ['shore' => 10, 'scale' => 'A', 'k' => 2.7, 'max_pct' => 100],
                    'swatches' => [['pct_of_ab' => 30, 'reading' => 40, 'scale' => '00']], 'target' => ['reading' => 20, 'scale' => '00'],
                    'at_pct_of_ab' => [0, 10],
                ],
                false,
            ],
            [
                'POST', '/api/reckon/contact',
                [
                    'fresh' => ['family' => 'silicone-platinum', 'skin_safe' => true], 'surface' => ['id' => 'plaster', 'damp' => true],
                    'intent' => 'separate', 'release' => null,
                ],
                false,
            ],
            [
                'POST', '/api/reckon/schedule',
                [
                    'now_min' => 0, 'days' => [[0, 480], [1440, 1920]], 'resources' => ['hands' => 1, 'chamber' => 1],
                    'ops' => [
                        [
                            'id' => 'print', 'minutes' => 10, 'uses' => ['hands'], 'after' => [], 'not_before_min' => null,
                            'due_min' => 300, 'fixed_min' => null,
                        ],
                        [
                            'id' => 'coat2', 'minutes' => 15, 'uses' => ['hands'],
                            'after' => [['op' => 'print', 'from_min' => 30, 'until_min' => 70]],
                        ],
                    ],
                ],
                false,
            ],
            [
                'POST', '/api/reckon/build',
                [
                    'area_mm2' => 96000, 'flange_mm2' => 24000, 'thickness_mm' => ['least' => 6, 'most' => 8], 'print_mm' => 0.8,
                    'coat_mm' => 2.2, 'fill_ml' => 35, 'loss_pct' => 12, 'sg' => 1.1,
                    'times' => ['pot_life_min' => 18, 'recoat_open_min' => 30, 'recoat_close_min' => 70, 'demould_min' => 240],
                    'mix_min' => 1.5, 'brush_ml_per_min' => 50, 'thickener_pct_of_ab' => 0.3, 'tints' => ['white', 'red'],
                    'keys' => ['count' => 12, 'each_ml' => 4, 'set_min' => 90], 'jacket' => ['wait_min' => 120, 'hands_min' => 45],
                ],
                false,
            ],
            [
                'POST', "/builds/{$build}/facts",
                ['key' => 'nonsense-b', 'kind' => 'changed', 'payload' => ['operations' => $operations, 'was' => 0]], false,
            ],
            [
                'POST', "/builds/{$build}/facts",
                ['key' => 'nonsense-c', 'kind' => 'fingered', 'payload' => ['op' => 'print', 'finger' => 'tacky']], false,
            ],
            [
                'POST', "/builds/{$build}/facts",
                ['key' => 'nonsense-d', 'kind' => 'done', 'payload' => ['op' => 'level', 'early' => true]], false,
            ],
            [
                'POST', "/builds/{$build}/facts",
                ['key' => 'nonsense-e', 'kind' => 'put', 'payload' => ['op' => 'coat3', 'at_ms' => 1_795_700_000_000]], false,
            ],
            [
                'POST', "/builds/{$build}/facts",
                ['key' => 'nonsense-f', 'kind' => 'weighed', 'payload' => ['op' => 'level', 'mass_g' => 12]], false,
            ],
            [
                'POST', '/api/reckon/sprue',
                [
                    'volume_ml' => 140, 'sg' => 1.05, 'viscosity_pas' => 0.12, 'pot_life_min' => 3, 'start_min' => 0.75, 'diameter_mm' => 4,
                    'length_mm' => 20, 'head_mm' => 15,
                ],
                false,
            ],
            [
                'POST', '/api/reckon/bubbles',
                [
                    'sg' => 1.08, 'viscosity_pas' => 21, 'pot_life_min' => 22,
                    'cases' => [['name' => 'cup', 'depth_mm' => 90, 'from_min' => 3, 'to_min' => 22, 'pressure_kpa' => 3]],
                ],
                false,
            ],
            [
                'POST', '/api/reckon/gang',
                [
                    'piece' => ['l_mm' => 82, 'w_mm' => 36, 'h_mm' => 24, 'volume_ml' => 41], 'count' => 8, 'wall_mm' => 14, 'gap_mm' => 19,
                    'base_mm' => 12, 'over_mm' => 10, 'sg' => 1.1, 'pot_life_min' => 20,
                ],
                false,
            ],
            [
                'POST', '/api/reckon/box',
                [
                    'inner_mm' => [120, 80, 60], 'board_mm' => 4, 'joint' => 'tabs', 'kerf_mm' => 0.2, 'sheet_mm' => [600, 400],
                    'clay_bed_mm' => 20,
                ],
                false,
            ],
            [
                'POST', '/api/reckon/ballast',
                [
                    'body' => ['volume_ml' => 42, 'centre_mm' => [0, 0, 0]],
                    'resin' => ['base_sg' => 1.06, 'filler_sg' => 0.17, 'filler_pct' => 7],
                    'hardware' => [['name' => 'h', 'mass_g' => 2.4, 'sg' => 7.85, 'inside' => false, 'at_mm' => [0, 0, -8]]],
                    'water_sg' => 0.998, 'target_pct' => 6, 'ballast' => ['sg' => 11.34, 'inside' => true], 'trim_deg' => 8,
                ],
                false,
            ],
            [
                'POST', '/api/reckon/roto',
                [
                    'area_mm2' => 41000, 'wall_mm' => 2.5, 'sg' => 1.07, 'passes' => 2, 'loss_pct' => 10, 'cavity_ml' => 300,
                    'pot_life_min' => 8, 'room_c' => 20,
                ],
                false,
            ],
            [
                'POST', '/api/reckon/life',
                [
                    'pairing' => ['median' => 60, 'spread' => 0.45], 'others' => [['casts' => 52, 'ended' => true]], 'casts' => 18,
                    'condition' => 'gloss_gone', 'ahead' => 12,
                ],
                false,
            ],
            [
                'POST', '/api/reckon/dry',
                [
                    'weighings' => [['hours' => 0, 'mass_g' => 900], ['hours' => 10, 'mass_g' => 820], ['hours' => 24, 'mass_g' => 790]],
                    'until_pct' => 0.5,
                ],
                false,
            ],
            [
                'POST', '/api/reckon/cost',
                [
                    'currency' => 'EUR', 'casts' => 4, 'reject_pct' => 10,
                    'materials' => [
                        [
                            'name' => 'r', 'used_g' => 1280, 'waste_pct' => 8, 'on_hand_g' => 300,
                            'kit' => ['price' => '58.40', 'mass_g' => 900],
                        ],
                    ],
                    'moulds' => [['name' => 'b', 'cost' => '74.50', 'life_casts' => 60]],
                    'labour' => [['what' => 'w', 'min' => 190, 'hour_rate' => '22.00']], 'other' => [['name' => 'o', 'price' => '6.00']],
                    'against' => ['name' => 'n', 'fixed' => '0', 'each' => '60.00'],
                ],
                false,
            ],
            [
                'POST', '/api/reckon/faults',
                [
                    'seen' => ['sticky', 'pits'], 'where' => 'surface',
                    'facts' => ['ratio_error_pct' => 3.2, 'contact' => 'sulphur', 'deaired' => true, 'room_c' => 16, 'ref_c' => 23],
                    'confirmed' => ['cold' => 2],
                ],
                false,
            ],
            ['POST', '/rack', ['name' => 'N', 'material' => 'pr-25', 'casting' => 'ur-35', 'casts' => 4, 'place' => 'Shelf'], false],
            [
                'POST', '/rack/1/facts',
                ['key' => 'nonsense-m', 'kind' => 'looked', 'payload' => ['condition' => 'pits', 'marks' => ['warped'], 'note' => 'n']],
                false,
            ],
            ['POST', '/rack/2/facts', ['key' => 'nonsense-n', 'kind' => 'cared', 'payload' => ['act' => 'washed', 'note' => 'n']], false],
            ['POST', '/rack/2/facts', ['key' => 'nonsense-o', 'kind' => 'priced', 'payload' => ['cost' => '12.50']], false],
            ['POST', '/rack/1/remake', ['why' => 'worn'], true],
            ['PUT', '/rack/school', ['school' => 'harsh'], true],
            ['PUT', "/impressions/{$link}/gone", ['gone' => '1'], true],
            ['GET', '/rack', ['q' => 'block', 'show' => 'retired', 'page' => '2'], true],
            ['GET', '/faults', ['fault' => 'bubbles'], true],
            [
                'POST', '/stores/lots',
                [
                    'code' => 'ur-35', 'got_on' => '2026-11-01', 'opened_on' => '2026-11-02', 'best_before' => '2027-11-01',
                    'price' => '58.40', 'note' => 'n',
                    'parts' => [
                        ['part' => 'A', 'grams' => 500, 'maker_number' => 'x'], ['part' => 'B', 'grams' => 500, 'maker_number' => 'y'],
                    ],
                ],
                false,
            ],
            [
                'POST', '/stores/lots/1/facts', ['key' => 'nonsense-p', 'kind' => 'counted', 'payload' => ['part' => 'A', 'left_g' => 200]],
                false,
            ],
            [
                'POST', '/stores/lots/1/facts',
                ['key' => 'nonsense-q', 'kind' => 'took', 'payload' => ['part' => 'A', 'grams' => 2, 'why' => 'w']], false,
            ],
            ['POST', '/stores/lots/2/facts', ['key' => 'nonsense-r', 'kind' => 'opened', 'payload' => ['on' => '2026-11-20']], false],
            ['PUT', '/stores/ur-35/kit', ['price' => '58.40', 'mass_g' => 900, 'reorder_g' => 400], false],
            [
                'POST', '/cost',
                [
                    'currency' => 'EUR', 'casts' => 4, 'reject_pct' => 10,
                    'materials' => [
                        [
                            'code' => 'x', 'from' => null, 'name' => 'r', 'used_g' => 1280, 'waste_pct' => 8, 'on_hand_g' => 300,
                            'kit' => ['price' => '58.40', 'mass_g' => 900],
                        ],
                    ],
                    'moulds' => [['id' => 1, 'name' => 'b', 'cost' => '74.50', 'life_casts' => 60]], 'labour' => [], 'other' => [],
                ],
                false,
            ],
            ['PUT', '/cost/rate', ['hour_rate' => '22.00'], false],
            ['POST', "/pours/{$running}/events", ['key' => 'nonsense-s', 'kind' => 'moulded', 'payload' => ['moulds' => [1, 2]]], false],
            [
                'POST', "/pours/{$running}/events",
                ['key' => 'nonsense-t', 'kind' => 'drawn_from', 'payload' => ['code' => 'pr-40', 'lot' => 4]], false,
            ],
            ['POST', "/pours/{$running}/left-over", ['left_g' => 40], false],
            ['POST', "/pours/{$running}/came-short", ['area_mm2' => 9000, 'height_mm' => 3], false],
            ['POST', "/pours/{$bad}/causes", ['answers' => ['where' => 'surface', 'contact' => 'sulphur']], false],
            [
                'POST', "/pours/{$bad}/events",
                ['key' => 'nonsense-u', 'kind' => 'diagnosed', 'payload' => ['cause' => 'cold', 'answers' => ['where' => 'all']]], false,
            ],
            ['PUT', '/waiting', ['name' => 'Frog', 'ml' => 22], false],
            [
                'POST', '/trials',
                [
                    'name' => 'T', 'about' => 'release', 'base' => 'pr-10', 'surface' => 'wax', 'note' => 'n', 'cups' => 3, 'cup_g' => 20,
                    'variants' => [['name' => 'a', 'release' => null], ['name' => 'b', 'release' => 'wax-spray']],
                ],
                false,
            ],
            [
                'POST', '/trials/1/facts',
                ['key' => 'nonsense-v', 'kind' => 'graded', 'payload' => ['variant' => 1, 'cup' => 2, 'grade' => 'good']], false,
            ],
            ['POST', '/trials/1/become', ['what' => 'faults', 'cause' => 'cold'], false],
            [
                'POST', '/study/1/ask',
                [
                    'pull' => '0,0,1', 'pour' => '0,0,1', 'one_part' => true, 'school' => 'heavy', 'seam_mm' => 10,
                    'float' => ['mass_g' => 20, 'centre_mm' => [0, 0, 20]],
                ],
                false,
            ],
            ['POST', '/study', ['upload' => 'nonsense-upload', 'name' => 'n.stl', 'job' => 1], false],
            ['PUT', '/study/uploads/nonsense-upload', ['at' => 0], false],
            ['PUT', '/study/1', ['unit' => 'mm', 'sides' => ['+x' => 'nose'], 'job' => 1], true],
            ['POST', '/studies/1/job', ['job' => 1], true],
            ['GET', '/studies/1/box.dxf', ['board' => '6', 'joint' => 'tabs', 'kerf' => '0.1', 'sheet' => '600x400'], true],
            ['POST', '/day/try', ['id' => "b{$build}:coat3", 'at_ms' => 1_795_700_000_000], false],
            ['POST', '/day/put', ['id' => "b{$build}:coat3", 'at_ms' => 1_795_700_000_000, 'key' => 'n'], false],
            [
                'POST', '/day/gang',
                [
                    'pieces' => 24, 'pieces_a_mould' => 4, 'moulds' => 2, 'pour_min' => 25, 'chamber_min' => 3, 'wait_min' => 240,
                    'open_min' => 10,
                ],
                false,
            ],
            ['POST', "/impressions/{$link}/builds", ['kind' => 'rotated-skin', 'measured' => ['area_mm2' => '50000']], true],
            ['POST', "/builds/{$build}/keep", ['name' => 'N'], true],
            ['POST', "/builds/{$build}/operations/coat2/pour", ['x' => 1], true],
            [
                'POST', '/swatches/hardness',
                [
                    'base' => 'pr-10', 'softener' => 'sf-1', 'target' => ['reading' => 30, 'scale' => '00'], 'thinnest_mm' => 3,
                    'batch' => ['mass_g' => 100],
                ],
                false,
            ],
            [
                'POST', '/swatches/colour', ['base' => 'pr-10', 'loads' => ['pi-fawn' => 0.5], 'thickness_mm' => 2, 'backing' => 'light'],
                false,
            ],
            [
                'POST', '/swatches/series/plan',
                [
                    'kind' => 'softener', 'recipe' => ['base' => 'pr-10', 'additives' => []], 'softener' => 'sf-1', 'steps' => [0, 30, 60],
                    'puck_ml' => 20, 'spare_pct' => 5,
                ],
                false,
            ],
            ['POST', '/formulas/reckon', ['recipe' => $recipe, 'mass_g' => 120, 'paint' => false], false],
            ['PUT', "/pours/{$draft}/sheet", $sheet, false],
            ['POST', "/pours/{$draft}/sheet/ask", $sheet, false],
            ['POST', "/pours/{$running}/plan", ['x' => 1], true],
            ['GET', "/pours/{$bad}/history", ['page' => '1'], true],
            [
                'POST', "/pours/{$running}/events",
                ['key' => 'nonsense-4', 'kind' => 'earlier', 'payload' => ['what' => 'met', 'batch' => 1, 'done_ms' => 1_700_000_000_000]],
                false,
            ],
            ['POST', "/pours/{$running}/events", ['key' => 'nonsense-5', 'kind' => 'swapped', 'payload' => ['step' => '1:weigh:0']], false],
            [
                'POST', "/pours/{$running}/events", ['key' => 'nonsense', 'kind' => 'noted', 'payload' => ['text' => 'x', 'fault' => null]],
                false,
            ],
            [
                'POST', "/pours/{$running}/events",
                ['key' => 'nonsense-2', 'kind' => 'weighed', 'payload' => ['step' => '0:weigh:1', 'reading_g' => 3]], false,
            ],
            [
                'PUT', '/workshop',
                [
                    'name' => 'N', 'units' => 'metric', 'room_c' => 20, 'day_starts_min' => 420, 'time_zone' => 'UTC',
                    'scale_division_g' => 0.1,
                ],
                false,
            ],
            [
                'POST', '/contacts/judge',
                ['fresh' => ['family' => 'silicone-platinum'], 'surface' => ['id' => 'wax', 'hours_since_cure' => 3]], false,
            ],
            [
                'POST', '/stores/sheets',
                [
                    'kind' => 'base',
                    'sheet' => [
                        'code' => 'my-12', 'name' => 'N', 'family' => 'epoxy', 'ratio' => ['a' => 1, 'b' => 1],
                        'sg' => ['a' => 1.1, 'b' => 1.0], 'times' => ['pot_life_min' => 20, 'demould_min' => 200],
                        'limits' => [['role' => 'pigment', 'max' => 3, 'basis' => 'pct_of_total', 'into' => 'b']],
                    ],
                    'sure' => true,
                ],
                false,
            ],
            [
                'POST', '/stores/sheets',
                [
                    'kind' => 'release',
                    'sheet' => [
                        'code' => 'my-g', 'name' => 'N', 'how' => 'h', 'for' => ['*'], 'on' => ['*'], 'coats' => 1, 'between_min' => 0,
                        'after_min' => 0, 'never' => [['fresh' => ['latex'], 'surface' => ['*'], 'text' => 't']],
                    ],
                ],
                false,
            ],
            ['PUT', '/typed', ['screen' => 's', 'what' => ['a' => 1]], false],
            [
                'POST', '/contacts/rules/try',
                [
                    'id' => 'own', 'kind' => 'inhibition', 'fresh' => ['latex'], 'surface' => ['wax'], 'when' => ['hours_below' => 3],
                    'gives' => 'may-slow', 'sure' => 'usual', 'text' => 't',
                ],
                false,
            ],
            [
                'POST', '/contacts/rules',
                [
                    'id' => 'own', 'kind' => 'adhesion', 'fresh' => ['latex'], 'surface' => ['wax'], 'gives' => 'grips', 'sure' => 'usual',
                    'text' => 't',
                ],
                false,
            ],
            [
                'POST', '/mould',
                [
                    'size_mm' => ['l' => 150, 'w' => 42, 'h' => 42], 'undercuts' => 'slight', 'detail' => 'fine', 'casts' => 24,
                    'casting' => ['family' => 'urethane-rubber', 'heat_c' => 25], 'original' => ['surface' => 'wax', 'may_be_lost' => true],
                    'flat_back' => false, 'hollow' => false, 'skin' => false, 'budget' => 'normal', 'hour_rate' => 30,
                ],
                false,
            ],
            ['PUT', '/workshop', ['currency' => 'EUR', 'vacuum' => true, 'cups' => [['ml' => 100, 'tare_g' => 3]]], false],
            [
                'POST', "/pours/{$running}/events",
                ['key' => 'nonsense-3', 'kind' => 'given_up', 'payload' => ['fate' => 'waste', 'note' => 'n']], false,
            ],
            ['POST', '/first/shelf', ['here' => ['pr-10', 'sf-1']], true],
            ['POST', "/jobs/{$job}/mould", ['kind' => 'two-part-block', 'chemistry' => 'silicone-tin'], true],
            ['GET', '/stores/new/sheet', ['kind' => 'base', 'from' => 'pr-10'], true],
            ['GET', '/typed', ['screen' => 's'], true],
            ['GET', '/first', ['step' => 'shelf'], true],
            [
                'POST', '/jobs',
                [
                    'name' => 'N', 'purpose' => 'p', 'quantity' => 2, 'due_on' => '2026-12-01', 'skin' => '1',
                    'chain' => [['kind' => 'cast', 'name' => 'C', 'material' => 'pr-10']],
                ],
                true,
            ],
            ['PUT', "/jobs/{$job}", ['name' => 'N', 'purpose' => 'p', 'quantity' => 2, 'due_on' => '2026-12-01'], true],
            ['POST', "/jobs/{$job}/impressions", ['kind' => 'mould', 'name' => 'M', 'material' => 'pr-25', 'role' => 'whole'], true],
            [
                'PUT', "/impressions/{$link}",
                ['kind' => 'cast', 'name' => 'M', 'material' => 'pr-10', 'from_id' => '', 'wall' => '', 'bed' => ''], true,
            ],
            ['POST', "/swatches/{$swatch}", ['name' => 'S', 'thickness_mm' => '8', 'note' => 'n', 'demoulded' => '1'], true],
            [
                'POST', "/swatches/{$swatch}/readings",
                ['kind' => 'hardness', 'scale' => '00', 'readings' => [30, 31], 'at' => '2026-11-25 10:00'], true,
            ],
            ['POST', '/swatches', ['version' => $version, 'name' => 'S', 'thickness_mm' => '3', 'note' => ''], true],
            ['POST', '/swatches/targets', ['name' => 'T', 'lab' => [60, 10, 10]], true],
            [
                'POST', '/formulas',
                ['name' => 'F', 'kind' => 'mix', 'recipe' => json_encode($recipe), 'note' => 'n', 'parent' => $version], true,
            ],
            ['PUT', "/formulas/{$formula}", ['name' => 'F2', 'retired' => '0'], true],
            ['POST', "/versions/{$version}/pour", ['impression_id' => $link, 'mass_g' => '100'], true],
            ['POST', "/pours/{$running}/again", ['mass_g' => '100'], true],
            [
                'POST', '/contacts/patches', ['fresh' => 'silicone-platinum', 'surface' => 'plaster', 'base' => 'pr-10', 'place' => 'back'],
                true,
            ],
            [
                'POST', '/contacts/import',
                [
                    'text' => '{"rules": [], "tests": [{"fresh": "silicone-platinum", "surface": "plaster", "passed": true, "read_at": "2026-01-05T10:00:00Z"}]}',
                ],
                true,
            ],
            ['GET', '/log', ['q' => 'a', 'grade' => 'good', 'fault' => 'bubbles', 'base' => 'pr-10', 'page' => '2'], true],
            [
                'GET', '/swatches/drawer',
                ['q' => 'a', 'base' => 'pr-10', 'hardness' => '00-30', 'colour' => '60 10 10', 'page' => '1', 'swatch' => '3'], true,
            ],
            ['GET', '/jobs', ['q' => 'a', 'page' => '1'], true],
            ['GET', '/formulas', ['q' => 'a', 'kind' => 'mix', 'page' => '1'], true],
            ['GET', "/formulas/{$formula}", ['version' => $version, 'with' => '2'], true],
            ['GET', '/find', ['q' => 'owl'], true],
            ['GET', '/swatches/labels', ['ids' => '1,2,3'], true],
            ['GET', '/swatches/series', ['kind' => 'tint', 'base' => 'pr-10', 'pigment' => 'pi-fawn'], true],
        ];
    }

    /** @return array{0: string, 1: string, 2?: string|null, 3?: list<string>} */
    public function request(): array
    {
        [$method, $address, $body, $isForm] = $this->known[mt_rand(0, count($this->known) - 1)];
        for ($i = mt_rand(1, 3); $i > 0; $i--) {
            $body = $this->spoilt($body);
        }
        if ($method === 'GET') {
            // Longer ones the server itself turns away.
            return ['GET', $address.'?'.substr(http_build_query(is_array($body) ? $body : []), 0, 3000), null, ['Accept: text/html']];
        }
        // A change says which edition it is made on: mostly the one that stands there.
        $address .= match (mt_rand(0, 9)) {
            0 => '',
            1 => '?edition='.urlencode(self::EDITIONS[mt_rand(0, count(self::EDITIONS) - 1)]),
            default => '?edition='.$this->edition($address),
        };
        if ($isForm) {
            return [
                $method, $address, http_build_query(is_array($body) ? $body : ['x' => $body]),
                ['Accept: text/html', 'Content-Type: application/x-www-form-urlencoded'],
            ];
        }
        $json = (string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR);

        return [$method, $address, mt_rand(0, 14) === 0 ? substr($json, 0, mt_rand(0, strlen($json))) : $json];
    }

    private function edition(string $address): int
    {
        [, $what, $id] = [...explode('/', $address), '', ''];
        $table = [
            'pours' => 'pours', 'impressions' => 'impressions', 'jobs' => 'jobs', 'formulas' => 'formulas', 'swatches' => 'swatches',
            'workshop' => 'workshops',
        ][$what] ?? null;

        return $table === null ? 1 : (int) $this->db->query("select edition from {$table} where id = ".max(1, (int) $id))->fetchColumn();
    }

    private function spoilt(mixed $value): mixed
    {
        if (! is_array($value) || $value === [] || mt_rand(0, 9) === 0) {
            return $this->strange($value);
        }
        $key = array_rand($value);
        switch (mt_rand(0, 6)) {
            case 0:
                unset($value[$key]);
                break;
            case 1:
                $value['unknown_'.mt_rand(0, 9)] = $this->strange(null);
                break;
            case 2:
                $value[$key] = array_fill(0, mt_rand(1, 300), $value[$key]);
                break;
            default:
                $value[$key] = $this->spoilt($value[$key]);
        }

        return $value;
    }

    private function strange(mixed $instead): mixed
    {
        return match (mt_rand(0, 9)) {
            0 => str_repeat('long ', mt_rand(1, 4000)),
            1 => is_numeric($instead) ? $instead * 10 ** mt_rand(-12, 12) : mt_rand(-100_000, 100_000) / 7,
            2 => is_numeric($instead) ? -$instead : random_bytes(6),
            default => self::STRANGE[mt_rand(0, count(self::STRANGE) - 1)],
        };
    }
}

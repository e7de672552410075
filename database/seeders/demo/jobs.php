<?php

declare(strict_types=1);

// The pieces of an invented workshop: name, purpose, chain of [kind, name, material, note].
return [
    ['name' => 'Skiff-oar grip', 'purpose' => 'Soft sleeves for a rowing shed, palm side textured, left out in all weathers',
        'quantity' => 24, 'due_in_days' => 19, 'age_days' => 60, 'chain' => [
            [
                'original', 'Carved grip', 'oil clay, sulphur-free', 'On a turned broom handle; the diamond texture is rolled in.',
                ['surface' => 'clay-oil-sulphur-free'],
            ],
            [
                'mould', 'Half 1', 'tr-25', 'Clay bed up to the seam, four keys.',
                ['role' => 'half', 'wall' => 'foam-board', 'bed' => 'clay-water', 'contacts' => ['wall' => ['sealed_with' => 'wood-glue']]],
            ],
            [
                'mould', 'Half 2', 'tr-25', 'Leave the grip in half 1.',
                [
                    'role' => 'half', 'wall' => 'foam-board',
                    'contacts' => ['Half 1' => ['release' => 'wax-spray'], 'wall' => ['sealed_with' => 'wood-glue']],
                ],
            ],
            ['copy', 'Hard copy', 'rf-70', 'To sand the seam away once instead of twenty-four times.'],
            ['mould', 'Gang mould', 'pr-25', 'Four grips in one block.', ['wall' => 'acrylic', 'mould_kind' => 'gang']],
            ['cast', 'Grips', 'ur-35', 'Russet, a shade darker than last year.'],
        ]],
    ['name' => 'Owl brow', 'purpose' => 'A pair of brows for a street theatre; worn on skin three hours an evening',
        'quantity' => 16, 'due_in_days' => 6, 'age_days' => 75, 'chain' => [
            [
                'original', 'Sculpt on the face cast', 'oil clay, sulphur-free, on plaster', 'Edges run out to nothing.',
                ['surface' => 'clay-oil-sulphur-free'],
            ],
            ['mould', 'Plaster mould', 'cp-70', 'Two coats of sealer, dried a week.'],
            [
                'cast', 'Brows', 'pr-10', 'Sixty per cent softener; the edge must move with the skin.',
                ['contacts' => ['Plaster mould' => ['sealed_with' => 'shellac', 'release' => 'jelly-in-naphtha']]],
            ],
        ]],
    ['name' => 'Dune crab', 'purpose' => 'Soft crab bait that sinks slowly, claws up',
        'quantity' => 120, 'due_in_days' => 30, 'age_days' => 84, 'chain' => [
            ['original', 'Printed crab', 'printed resin, post-cured and sealed', '', ['surface' => 'print-resin']],
            [
                'mould', 'Open block', 'pr-40', 'Six crabs, vent in every claw.',
                ['mould_kind' => 'open-block', 'wall' => 'pp-sheet', 'contacts' => ['Printed crab' => ['sealed_with' => 'lacquer']]],
            ],
            ['cast', 'Crabs', 'hv-08', 'Lichen with a little soot.'],
        ]],
    ['name' => 'Puppet wellington', 'purpose' => 'Boots for a marionette as tall as a child; they must squeak',
        'quantity' => 6, 'due_in_days' => 24, 'age_days' => 20, 'chain' => [
            ['original', 'Wooden last', 'lime wood, shellac and wax', '', ['surface' => 'wood']],
            [
                'mould', 'Glove, first coats', 'br-28', 'Print coat, then two thick ones within the window.',
                ['mould_kind' => 'brushed-glove', 'contacts' => ['Wooden last' => ['sealed_with' => 'shellac', 'release' => 'paste-wax']]],
            ],
            ['mould', 'Jacket', 'cp-70', 'Two halves, three straps.', ['role' => 'jacket']],
            ['cast', 'Boots', 'ur-35', ''],
        ]],
    ['name' => 'Hatch gasket', 'purpose' => 'Square-section seal for deck hatches, salt water, one closes on it every day',
        'quantity' => 12, 'due_in_days' => 9, 'age_days' => 50, 'chain' => [
            ['original', 'Old gasket', 'old rubber part, cleaned and waxed', '', ['surface' => 'urethane']],
            ['mould', 'Flat mould', 'pr-25', ''],
            ['cast', 'Gaskets', 'pr-40', 'Soot grey.', ['contacts' => ['Flat mould' => ['release' => 'wax-spray']]]],
        ]],
    ['name' => 'Practice forearm', 'purpose' => 'Skin sheets for stitching practice in an evening class; three layers',
        'quantity' => 40, 'due_in_days' => null, 'age_days' => 80, 'chain' => [
            ['original', 'Textured tile', 'acrylic sheet with rolled texture', '', ['surface' => 'acrylic']],
            ['mould', 'Tray', 'rf-70', '', ['contacts' => ['Textured tile' => ['release' => 'paste-wax']]]],
            ['cast', 'Skin sheets', 'pg-30', 'Fawn, bone, a little red flock.'],
        ]],
    ['name' => 'Street-lamp nose', 'purpose' => 'Noses that glow from inside',
        'quantity' => 3, 'due_in_days' => 40, 'age_days' => 4, 'chain' => [
            [
                'original', 'Nose sculpt', 'grey oil clay from the drawer', 'Nobody knows which clay it was; it smells of matches.',
                ['surface' => 'clay-oil-sulphur'],
            ],
            ['mould', 'Two-part block', 'pr-25', '', ['wall' => 'pp-sheet', 'mould_kind' => 'two-part-block']],
            ['cast', 'Noses', 'pg-30', ''],
        ]],
    ['name' => 'Lantern bust', 'purpose' => 'A head as big as a lantern, cast hollow for a parade; the sculpt is promised back',
        'quantity' => 2, 'due_in_days' => 16, 'age_days' => 6, 'chain' => [
            ['original', 'Clay bust', 'oil clay, sulphur-free', 'On a steel armature.', ['surface' => 'clay-oil-sulphur-free']],
            ['mould', 'Matrix', 'pr-25', 'Twelve millimetres of clay, two resin shells.', ['mould_kind' => 'matrix']],
            ['cast', 'Heads', 'ur-35', ''],
        ]],
    ['name' => 'Heron mask', 'purpose' => 'A beak whose edge must vanish on the cheek',
        'quantity' => 5, 'due_in_days' => 12, 'age_days' => 12, 'chain' => [
            ['original', 'Corrected positive', 'epoxy, cured a month', '', ['surface' => 'epoxy']],
            [
                'mould', 'Beak negative', 'rb-80', 'Touch-down faces and an overflow all round.',
                ['contacts' => ['Corrected positive' => ['release' => 'pva-film']]],
            ],
            ['cast', 'Beak, in film', 'pr-10', 'Fifty per cent softener; the film is the release.'],
        ]],
];

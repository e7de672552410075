<?php

declare(strict_types=1);

// What lies in the swatch drawer of the demo workshop: pucks as they were read, drawdowns as an instrument saw them.
return [
    // base, softener, days ago, what was read by per cent of A+B (scale, readings, note)
    'series' => [
        ['PR-10', 'pr-10', 'sf-1', 74, [
            [0, 'A', [11.5, 12, 12.5], ''],
            [30.1, '00', [42, 43, 44], ''],
            [59.8, '00', [27, 26.5, 28], 'Tears clean across the hole at 3 mm.'],
            [90.2, '00', [13, 14, 15.5], 'A ring of oil on paper after two days.'],
        ]],
        ['PR-10 again', 'pr-10', 'sf-1', 31, [
            [44.7, '00', [37, 38, 37], 'Good for brows: moves with the skin.'],
            [74.9, '00', [20, 21, 19], 'Edges want cap film behind them.'],
        ]],
        ['Gel 30', 'pg-30', 'sf-1', 22, [
            [0, '00', [31, 30, 31], ''],
            [40.2, '00', [21, 20, 20], ''],
            [80.1, '00', [29, 33, 30], 'Read in the cold store, straight off the shelf.'],
        ]],
        [
            'PR-25', 'pr-25', 'sf-1', 47,
            [[0, 'A', [26, 25.5, 26], ''], [15.1, 'A', [18, 19, 18.5], 'As soft as it may get for a gang block.']],
        ],
        // Out of its form since the day before yesterday, and not read yet.
        ['PR-40', 'pr-40', 'sf-1', 3, [[0, 'A', [], ''], [10.1, 'A', [], '']]],
        ['Crab', 'hv-08', 'vs-1', 52, [[0, '00', [58, 59, 58], ''], [12, '00', [40, 41, 42], 'Swims. Softer and the claws fold.']]],
    ],
    // base, pigment (none: as it is), load in per cent of everything, mm, Lab over white, Lab over black
    'drawdowns' => [
        ['pr-10', null, 0, 1.5, [94.8, -0.3, 0.9], [32.6, -0.8, -3.7]],
        ['pr-10', null, 0, 4.0, [94.1, -0.9, 2.0], [46.5, -1.9, -4.1]],
        ['pr-10', 'pi-bone', 0.3, 1.5, [93.4, -5.1, 15.7], [76.4, -3.1, 5.9]],
        ['pr-10', 'pi-bone', 1.0, 1.5, [92.3, -5.6, 21.9], [87.9, -5.4, 16.3]],
        ['pr-10', 'pi-fawn', 0.3, 1.5, [79.5, 7.9, 33.7], [60.8, 2.1, 14.6]],
        ['pr-10', 'pi-fawn', 1.0, 1.5, [69.7, 12.2, 29.7], [67.9, 8.5, 26.3]],
        ['pr-10', 'pi-russet', 0.3, 1.5, [64.8, 32.1, 45.2], [48.3, 12.2, 21.4]],
        ['pr-10', 'pi-russet', 1.0, 1.5, [53.9, 32.3, 35.1], [52.0, 25.0, 30.8]],
        ['pr-10', 'pi-oxblood', 0.3, 1.5, [44.1, 44.5, 24.0], [31.5, 17.8, 8.5]],
        ['pr-10', 'pi-oxblood', 1.0, 1.5, [32.1, 30.0, 14.2], [30.7, 25.2, 12.3]],
        ['pr-10', 'pi-lichen', 0.3, 1.5, [79.1, -21.6, 41.0], [52.2, -9.3, 15.9]],
        ['pr-10', 'pi-lichen', 1.0, 1.5, [63.7, -20.8, 35.5], [59.9, -16.0, 28.6]],
        ['pr-10', 'pi-soot', 0.09, 1.5, [60.9, 0.4, 2.0], [28.8, -0.6, -2.4]],
        ['pr-10', 'pi-soot', 0.3, 1.5, [28.3, -0.1, -0.5], [24.2, -0.9, -1.9]],
        // Pigments bring their colour along: the bare gel is all that has to be read for them.
        ['pg-30', null, 0, 3.0, [94.4, -0.7, 2.6], [44.8, -1.6, -3.6]],
    ],
    'targets' => ['Faded boot' => [44, 17, 15], 'Forearm, inside' => [70, 9, 17], 'Owl brow, as sketched' => [55, 14, 21]],
    // name, kind, days ago, note, base, what goes in
    'formulas' => [
        [
            'Brow skin', 'mix', 88, 'First try. Too firm: the wearer felt every frown.', 'pr-10',
            [
                ['pi-fawn', 0.8, 'pct_of_total', 'b'], ['pi-oxblood', 0.12, 'pct_of_total', 'b'], ['fl-red', 0.3, 'pct_of_ab', 'b'],
                ['sf-1', 80, 'pct_of_a', 'after'],
            ],
        ],
        [
            'Freckle wash', 'paint', 40, 'Flick it off a stiff brush. Three thin passes, never one thick.', 'ax-15',
            [['pi-russet', 6, 'pct_of_ab', 'after'], ['pi-oxblood', 2, 'pct_of_ab', 'after'], ['nv-1', 500, 'pct_of_ab', 'after']],
        ],
        [
            'Vein blush', 'paint', 33, 'Blends for a quarter of an hour, then leave it alone.', 'ax-15',
            [['pi-oxblood', 4, 'pct_of_ab', 'after'], ['cv-1', 350, 'pct_of_ab', 'after']],
        ],
    ],
];

<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Console;

use Apalos\Core\Console\Verb;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Mix\Brow;
use Apalos\Core\Tests\Practice\Told;
use Apalos\Core\Tests\Tint\Palette;
use Apalos\Core\Tests\Ways\Thirty;

/** The slowest questions each verb may be asked, as far as anybody has found: all of them within the documented bounds. */
final class WorstQuestions
{
    /** @return \Generator<string, array{Verb, array<string, mixed>}> */
    public static function all(): \Generator
    {
        foreach (['of days' => self::days(), 'of colour' => self::colours(), 'of much' => self::full()] as $questions) {
            yield from $questions;
        }
    }

    /**
     * Work in chains, five to a chain, with windows; whatever is said otherwise in `$each` holds for all.
     *
     * @param  callable(int): array<string, mixed>  $each
     * @param  array<string, int>  $resources
     * @param  list<array{int|float, int|float}>|null  $days
     * @return array{Verb, array<string, mixed>}
     */
    private static function day(int $count, callable $each, array $resources = ['hands' => 1], ?array $days = null): array
    {
        return [Verb::Schedule, [
            'now_min' => 480, 'days' => $days ?? array_map(static fn (int $d): array => [480 + 1440 * $d, 1080 + 1440 * $d], range(0, 29)),
            'resources' => $resources,
            'ops' => array_map(
                static fn (int $i): array => ['id' => "o{$i}", 'minutes' => 4 + $i * 7 % 19, 'uses' => ['hands'], ...$each($i)],
                range(0, $count - 1),
            ),
        ]];
    }

    /** @return \Generator<string, array{Verb, array<string, mixed>}> */
    private static function days(): \Generator
    {
        $chained = static fn (int $i, int $long, int $from, ?int $until): array => $i % $long === 0
            ? []
            : ['after' => [['op' => 'o'.($i - 1), 'from_min' => $from, 'until_min' => $until]]];
        yield 'sixty coats, none of whose windows can be met' => self::day(
            60, static fn (int $i): array => $chained($i, 5, 30, 31), days: [[480, 510], [600, 630], [720, 750], [840, 870]],
        );
        yield 'sixty coats in one chain' => self::day(60, static fn (int $i): array => $chained($i, 60, 30, 60));
        yield 'sixty coats in one chain that does not fit' => self::day(
            60, static fn (int $i): array => $chained($i, 60, 30, 60),
            days: array_map(static fn (int $d): array => [480 + 1440 * $d, 680 + 1440 * $d], range(0, 29)),
        );
        yield 'four hundred coats in one chain' => self::day(400, static fn (int $i): array => $chained($i, 400, 30, 600));
        yield 'four hundred in eighty chains' => self::day(
            400, static fn (int $i): array => [...$chained($i, 5, 30, 70), 'due_min' => 1000 + 17 * $i],
        );
        yield 'four hundred that do not fit' => self::day(
            400, static fn (int $i): array => $chained($i, 5, 30, 70), days: [[480, 1080], [1920, 2520]],
        );
        yield 'four hundred, each after ten others' => self::day(
            400,
            static fn (int $i): array => $i === 0
                ? []
                : [
                    'after' => array_map(
                        static fn (int $k): array => ['op' => "o{$k}", 'from_min' => 1, 'until_min' => null],
                        range(max(0, $i - 10), $i - 1),
                    ),
                ],
        );
        yield 'four hundred tied to ten others by windows' => self::day(
            400,
            static fn (int $i): array => $i === 0
                ? []
                : [
                    'after' => array_map(
                        static fn (int $k): array => ['op' => "o{$k}", 'from_min' => 0, 'until_min' => 100_000],
                        range(max(0, $i - 10), $i - 1),
                    ),
                ],
            days: [[480, 100_000]],
        );
        yield 'four hundred for a thousand hands, each with twenty tools' => [Verb::Schedule, [
            'now_min' => 0, 'days' => array_map(static fn (int $d): array => [$d * 10, $d * 10 + 9], range(0, 399)),
            'resources' => ['hands' => 1000] + array_fill_keys(array_map(static fn (int $t): string => "t{$t}", range(1, 19)), 1000),
            'ops' => array_map(
                static fn (int $i): array => [
                    'id' => "o{$i}", 'minutes' => 9, 'uses' => ['hands', ...array_map(static fn (int $t): string => "t{$t}", range(1, 19))],
                ],
                range(0, 399),
            ),
        ]];
        yield 'four hundred through four hundred short stretches' => self::day(
            400, static fn (int $i): array => ['minutes' => 3] + $chained($i, 40, 1, 2000),
            days: array_map(static fn (int $d): array => [$d * 12, $d * 12 + 4], range(0, 399)),
        );
        yield 'twelve for three pairs of hands, with windows' => self::day(
            12, static fn (int $i): array => [...$chained($i, 3, 10, 20), 'due_min' => 500], ['hands' => 3],
        );
        yield 'twelve that wait for each other with windows, four tools' => self::day(
            12, static fn (int $i): array => [...$chained($i, 2, 10, 60), 'uses' => ['hands', 'a', 'b', 'c'], 'due_min' => 490 + $i],
            ['hands' => 2, 'a' => 2, 'b' => 2, 'c' => 2],
        );
        yield 'twelve that do not fit' => self::day(
            12, static fn (int $i): array => $chained($i, 3, 10, 14), ['hands' => 2], [[480, 520], [600, 640], [700, 730]],
        );
        yield 'twelve with two hundred waits' => self::day(
            12,
            static fn (int $i): array => [
                'after' => array_merge(
                    ...array_map(
                        static fn (int $k): array => array_fill(0, 8, ['op' => "o{$k}", 'from_min' => 0, 'until_min' => 900]),
                        $i === 0 ? [] : range(0, $i - 1),
                    ),
                ),
            ],
            days: [[480, 1080]],
        );
        yield 'four hundred whose windows contradict each other' => self::day(
            400,
            static fn (int $i): array => $i === 0
                ? []
                : [
                    'after' => array_map(
                        static fn (int $k): array => [
                            'op' => "o{$k}", 'from_min' => $k === $i - 1 ? 5 : 0, 'until_min' => $k === $i - 1 ? 100_000 : 30,
                        ],
                        range(max(0, $i - 10), $i - 1),
                    ),
                ],
        );
        yield 'everything has begun' => self::day(400, static fn (int $i): array => ['fixed_min' => 400 + $i % 20]);
        yield 'everything comes a year too late' => self::day(
            400, static fn (int $i): array => ['not_before_min' => 480 + $i, 'due_min' => 0.001],
        );
        yield 'waits across a million minutes in fine steps' => self::day(
            60, static fn (int $i): array => ['minutes' => 0.001, ...$chained($i, 3, 0, 1)], days: [[480, 480.5], [999_000, 999_999]],
        );
    }

    /** @return \Generator<string, array{Verb, array<string, mixed>}> */
    private static function colours(): \Generator
    {
        $drawdowns = static fn (int $n, int $seed): array => array_map(
            static fn (int $i): array => [
                'load_pct' => 0.1 + $i * 0.2, 'thickness_mm' => 0.5 + $i * 0.25,
                'over_white' => [80 - 2 * $i + $seed % 12, 20 * sin($seed + $i), 15 * cos($seed)],
                'over_black' => [30 + $i / 2, 8 * sin($seed), 6 * cos($seed + $i)],
            ],
            range(0, $n - 1),
        );
        $base = ['drawdowns' => array_map(static fn (array $one): array => array_diff_key($one, ['load_pct' => 0]), $drawdowns(24, 1))];
        $asked = ['thickness_mm' => 4, 'backing_lab' => [80, 5, 12], 'max_load_pct' => 3, 'max_pigments' => 6];
        foreach ([12, 100] as $n) {
            yield "{$n} pigments of 24 drawdowns" => [
                Verb::Tint,
                [
                    ...$asked, 'base' => $base,
                    'pigments' => array_map(
                        static fn (int $i): array => ['name' => "p{$i}", 'drawdowns' => $drawdowns(24, $i)], range(1, $n),
                    ),
                    'target' => ['lab' => [50, 20, 20]],
                ],
            ];
        }
        $known = Palette::question(['target' => ['lab' => [45, 60, -60]], 'max_pigments' => 6]);
        yield 'a dozen pigments, six at a time' => [Verb::Tint, $known];
        $hundred = $known;
        $hundred['pigments'] = array_map(
            static fn (int $i): array => [
                'name' => "p{$i}",
                'ks' => [
                    'k' => array_map(static fn (int $b): float => 0.05 + 3.0 * exp(-((($b - $i % 36) / (2 + $i % 7)) ** 2)), range(0, 35)),
                    's' => array_fill(0, 36, 0.1 + $i / 40),
                ],
            ],
            range(1, 100),
        );
        yield 'a hundred pigments, six at a time' => [Verb::Tint, $hundred];
        yield 'a hundred pigments, weighed on a fine scale' => [
            Verb::Tint, [...$hundred, 'max_load_pct' => 50, 'batch_g' => 1_000_000, 'division_g' => 0.001],
        ];
        yield 'a hundred pigments, weighed on a coarse scale' => [Verb::Tint, [...$hundred, 'batch_g' => 1, 'division_g' => 1000]];
        yield 'two photo patches' => [
            Verb::Patch,
            [
                'card' => ['pixels' => array_fill(0, 10_000, [120, 121, 119])],
                'sample' => ['pixels' => array_map(static fn (int $i): array => [100 + $i % 50, 90, 80], range(0, 9999))],
            ],
        ];
    }

    /** @return \Generator<string, array{Verb, array<string, mixed>}> lists as long as they may be, sizes as large */
    private static function full(): \Generator
    {
        $base = [
            'ratio' => ['by' => 'weight', 'a' => 1, 'b' => 1], 'sg' => ['a' => 1.06, 'b' => 1.08], 'sg_mixed' => null, 'pot_life_min' => 22,
            'recoat_open_min' => 30, 'recoat_close_min' => 90, 'demould_min' => 240, 'ref_c' => 23, 'q10' => 2.0, 'alpha' => 0.3,
            'pour_first' => 'b', 'measured_by_volume_ok' => false,
        ];
        $clock = array_intersect_key($base, array_flip([
            'pot_life_min', 'recoat_open_min', 'recoat_close_min', 'demould_min', 'ref_c', 'q10', 'alpha',
        ]));
        $logs = array_map(
            static fn (int $i): array => [
                'room_c' => 5 + $i % 35, 'kind' => ['gel', 'comes_off', 'tacky', 'dry', 'demould'][$i % 5], 'minutes' => 3 + $i % 400,
            ],
            range(0, 499),
        );
        $fingers = array_map(
            static fn (int $i): array => ['room_c' => 10 + $i % 25, 'kind' => ['comes_off', 'tacky', 'dry'][$i % 3], 'minutes' => 10 + $i],
            range(0, 499),
        );
        yield 'five hundred observations' => [Verb::Cure, ['base' => $clock, 'room_c' => 18, 'mass_g' => 900, 'logs' => $logs]];
        yield 'five hundred touches' => [Verb::Cure, ['base' => $clock, 'room_c' => 18, 'mass_g' => 900, 'logs' => $fingers]];
        $additives = array_map(
            static fn (int $i): array => [
                'name' => "a{$i}", 'amount' => 0.1, 'basis' => 'pct_of_ab', 'into' => ['a', 'b', 'after'][$i % 3], 'sg' => 1.1,
            ],
            range(1, 100),
        );
        yield 'a hundred additives in sixty cups' => [
            Verb::Mix,
            Brow::sheet([
                'base' => $base, 'additives' => $additives, 'target' => ['volume_ml' => 20_000, 'waste_pct' => 10], 'logs' => $fingers,
            ]),
        ];
        yield 'sixty cups of it' => [
            Verb::Mix,
            Brow::sheet([
                'target' => ['volume_ml' => 20_000, 'waste_pct' => 0],
                'vessel' => ['capacity_ml' => 500, 'tare_g' => 1, 'degas' => false, 'rise_factor' => 3],
                'scale' => ['division_g' => 0.001, 'capacity_g' => 10_000],
            ]),
        ];
        yield 'a hundred over-poured' => [
            Verb::Topup,
            [
                'planned' => array_combine(array_map(static fn (int $i): string => "a{$i}", range(0, 99)), range(1, 100)),
                'poured' => ['a3' => 50], 'vessel' => ['capacity_ml' => 500_000, 'sg' => 1.08], 'scale' => ['division_g' => 0.001],
                'tolerance_pct' => 0.1,
            ],
        ];
        yield 'four hundred pucks' => [
            Verb::Harden,
            [
                'base' => ['shore' => 10, 'scale' => 'A', 'max_pct' => 500, 'ratio' => ['by' => 'weight', 'a' => 1, 'b' => 1]],
                'swatches' => array_map(
                    static fn (int $i): array => [
                        'pct_of_ab' => $i, 'reading' => max(1, 40 - $i / 10 + ($i % 7)), 'scale' => $i % 2 === 0 ? '00' : 'A',
                    ],
                    range(0, 399),
                ),
                'target' => ['reading' => 20, 'scale' => '00'], 'at_pct_of_ab' => range(0, 399),
            ],
        ];
        yield 'twelve pucks of a hundred additives' => [
            Verb::Series,
            [
                'base' => $base, 'additives' => $additives, 'tint' => array_map(static fn (int $i): string => "a{$i}", range(1, 100)),
                'pct_of_full' => range(5, 60, 5), 'puck_ml' => 10, 'spare_pct' => 5,
                'scale' => ['division_g' => 0.001, 'capacity_g' => 3000], 'room_c' => 21, 'mix_min' => 3, 'logs' => $fingers,
            ],
        ];
        foreach ([
            ['silicone-platinum', 'silicone-tin'], ['plastisol', 'plaster'], ['urethane-rubber', 'wood'], ['latex', 'latex'],
        ] as [$fresh, $surface]) {
            yield "{$fresh} on {$surface}, five hundred times tried" => [
                Verb::Contact,
                [
                    'fresh' => ['family' => $fresh, 'skin_safe' => true], 'surface' => ['id' => $surface, 'damp' => true, 'porous' => true],
                    'intent' => 'separate', 'release' => null,
                    'use' => ['skin' => true, 'worn' => true, 'paint_after' => true, 'fine_detail' => true],
                    'tests' => array_fill(0, 500, ['fresh' => $fresh, 'surface' => $surface, 'passed' => false]),
                ],
            ];
        }
        $thin = [
            'area_mm2' => 1e8, 'flange_mm2' => 1e8, 'thickness_mm' => ['least' => 400, 'most' => 500], 'print_mm' => 0.2, 'coat_mm' => 0.2,
            'fill_ml' => 0, 'loss_pct' => 300, 'sg' => 1.1,
            'times' => [
                'pot_life_min' => 20, 'recoat_open_min' => 20, 'recoat_close_min' => 60, 'demould_min' => 240, 'service_min' => 400,
            ],
            'mix_min' => 1, 'brush_ml_per_min' => 1_000_000, 'tints' => array_map(static fn (int $i): string => "t{$i}", range(1, 100)),
            'keys' => ['count' => 1000, 'each_ml' => 0.01, 'set_min' => 1], 'jacket' => ['wait_min' => 1, 'hands_min' => 1],
        ];
        yield 'a wall of thin coats' => [Verb::Build, $thin];
        yield 'a box of thin board' => [
            Verb::Box,
            ['inner_mm' => [5000, 5000, 5000], 'board_mm' => 3, 'joint' => 'tabs', 'sheet_mm' => [10_000, 10_000], 'kerf_mm' => 0.001],
        ];
        yield 'a wide wrap' => [Verb::Box, ['round' => ['diameter_mm' => 3000, 'height_mm' => 5000], 'sheet_mm' => [10_000, 10_000]]];
        yield 'a thousand in one block' => [
            Verb::Gang,
            [
                'piece' => ['l_mm' => 0.1, 'w_mm' => 0.1, 'h_mm' => 0.1, 'volume_ml' => 1e-7], 'count' => 1000, 'wall_mm' => 14,
                'gap_mm' => 19, 'base_mm' => 12, 'over_mm' => 10, 'sg' => 1, 'pot_life_min' => 10,
            ],
        ];
        yield 'forty things in a lure' => [
            Verb::Ballast,
            [
                'body' => ['volume_ml' => 42, 'centre_mm' => [1, 2, 3]],
                'resin' => ['base_sg' => 1.06, 'filler_sg' => 0.17, 'filler_pct' => 7],
                'hardware' => array_map(
                    static fn (int $i): array => [
                        'name' => "h{$i}", 'mass_g' => 0.1, 'sg' => 7.85, 'inside' => $i % 2 === 0, 'at_mm' => [$i, 0, 0],
                    ],
                    range(1, 40),
                ),
                'water_sg' => 0.998, 'target_pct' => 6, 'ballast' => ['sg' => 11.34, 'inside' => true], 'trim_deg' => 4,
            ],
        ];
        yield 'a dozen bubbles' => [
            Verb::Bubbles,
            [
                'sg' => 1.08, 'viscosity_pas' => 1000, 'pot_life_min' => 10_000,
                'cases' => array_map(
                    static fn (int $i): array => [
                        'name' => "c{$i}", 'depth_mm' => 500, 'from_min' => 0, 'to_min' => 10_000, 'pressure_kpa' => 700,
                    ],
                    range(1, 12),
                ),
            ],
        ];
        yield 'a slow sprue' => [
            Verb::Sprue,
            [
                'volume_ml' => 1_000_000, 'sg' => 1.05, 'viscosity_pas' => 1000, 'pot_life_min' => 20_000, 'start_min' => 0,
                'diameter_mm' => 0.5, 'length_mm' => 5000, 'head_mm' => 1, 'within_share' => 0.99, 'vent_mm' => 0.1,
            ],
        ];
        yield 'a hollow skin' => [
            Verb::Roto,
            [
                'area_mm2' => 1e8, 'wall_mm' => 100, 'sg' => 1.07, 'passes' => 20, 'loss_pct' => 10, 'cavity_ml' => 1_000_000,
                'pot_life_min' => 20, 'room_c' => 20,
            ],
        ];
        foreach (['gone', 'alive'] as $which) {
            yield "five hundred other moulds, {$which}" => [
                Verb::Life,
                [
                    'pairing' => ['median' => 100_000, 'spread' => $which === 'gone' ? 2.0 : 0.05],
                    'others' => array_map(static fn (int $i): array => ['casts' => 200 * $i, 'ended' => $which === 'gone'], range(1, 500)),
                    'casts' => 100_000, 'condition' => 'fresh', 'ahead' => 100_000,
                ],
            ];
        }
        yield 'five hundred weighings' => [
            Verb::Dry,
            [
                'weighings' => array_map(
                    static fn (int $i): array => ['hours' => $i / 3, 'mass_g' => 700 + 200 * exp(-$i / 90) + $i % 3], range(0, 499),
                ),
                'until_pct' => 0.5,
            ],
        ];
        yield 'a hundred lines of everything' => [
            Verb::Cost,
            [
                'currency' => 'EUR', 'casts' => 1_000_000,
                'materials' => array_fill(0, 100, [
                    'name' => 'r', 'used_g' => 999_999.123456, 'waste_pct' => 499.123, 'on_hand_g' => 1,
                    'kit' => ['price' => '99999999.99', 'mass_g' => 0.001],
                ]),
                'moulds' => array_fill(0, 100, ['name' => 'm', 'cost' => '99999999.99', 'life_casts' => 7]),
                'labour' => array_fill(0, 100, ['what' => 'w', 'min' => 999_999.7, 'hour_rate' => '99999.99']),
                'other' => array_fill(0, 100, ['name' => 'o', 'price' => '1.01']),
            ],
        ];
        yield 'twelve things wrong' => [
            Verb::Faults,
            [
                'seen' => ['sticky', 'bubbles', 'delaminated', 'warped', 'pits', 'sweats', 'foamed', 'scorched', 'thin-spot', 'shrunk'],
                'where' => 'all', 'facts' => ['ratio_error_pct' => 3.2, 'room_c' => 15, 'ref_c' => 23, 'batch_g' => 9000],
            ],
        ];
        yield 'a large piece with everything wrong' => [
            Verb::Mould,
            [
                'size_mm' => ['l' => 5000, 'w' => 5000, 'h' => 5000], 'undercuts' => 'deep', 'detail' => 'hair', 'casts' => 100_000,
                'casting' => ['family' => 'plastisol', 'heat_c' => 180],
                'original' => ['surface' => 'silicone-platinum', 'may_be_lost' => false], 'flat_back' => false, 'hollow' => true,
                'skin' => true, 'budget' => 'ample', 'hour_rate' => 1000,
            ],
        ];
        $hands = ['pairs' => 3, 'days' => array_map(static fn (int $i): array => [720 * $i + 30, 720 * $i + 400], range(0, 399))];
        foreach (['silicone-platinum' => 'plaster', 'urethane-rubber' => 'clay-unknown'] as $family => $original) {
            yield "a thousand pieces of {$family} off {$original}" => [
                Verb::Ways,
                [
                    ...Thirty::asked([
                        'casts' => ['code' => null, 'family' => $family, 'count' => 1000, 'ready_by_h' => 2500],
                        'piece' => [
                            'volume_ml' => null, 'undercuts' => 'none', 'flat_back' => true, 'original' => ['surface' => $original],
                        ],
                        'gear' => ['printer' => true], 'money' => ['prices' => null],
                    ]),
                    'shelf' => array_keys(Shipped::shelves()->materials->bases), 'hands' => $hands,
                    'past' => array_fill(0, 2000, ['kind' => 'gang', 'base' => 'pr-25', 'cast' => 'pg-30', 'good' => 3, 'all' => 4]),
                    'rack' => array_fill(0, 500, [
                        'id' => '1', 'kind' => 'gang', 'base' => 'pr-25', 'left' => ['low' => 5000, 'likely' => 6000, 'high' => 7000],
                    ]),
                ],
            ];
        }
        $noted = static fn (int $i): array => [
            'at_min' => $i / 10, 'kind' => ['noted', 'weighed', 'confirmed', 'checked', 'undone'][$i % 5],
            'payload' => ['text' => 'x', 'step' => '1:weigh:0', 'reading_g' => $i, 'item' => 'i1', 'of' => $i],
        ];
        $list = array_map(static fn (int $i): array => ['id' => "i{$i}", 'text' => 'x', 'minutes' => 5], range(1, 300));
        $run = [
            ...Told::asked()['runs'][0],
            'plan' => [
                ...Told::plan(),
                'batches' => array_fill(
                    0, 300, array_combine(array_map(static fn (int $i): string => "a{$i}", range(1, 30)), range(1, 30)),
                ),
                'checklist' => $list,
            ],
            'facts' => array_map($noted, range(0, 499)),
        ];
        yield 'thirty runs practised' => [
            Verb::Debrief,
            [
                ...Told::asked(['room' => array_map(static fn (int $i): array => ['from_min' => $i, 'c' => $i % 40], range(0, 399))]),
                'runs' => array_fill(0, 30, $run),
            ],
        ];
        yield 'a hundred coats' => [
            Verb::Volume,
            ['method' => 'coats', 'area_mm2' => 1e8, 'coats' => array_fill(0, 100, ['thickness_mm' => 100]), 'allowance_pct' => 200],
        ];
    }
}

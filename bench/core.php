<?php

declare(strict_types=1);

// How long the core takes, each beside its limit: php bench/core.php [times]. Ends with 1 where a median is over its limit.

use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Cure\Clock;
use Apalos\Core\Cure\CureRequest;
use Apalos\Core\Harden\HardenRequest;
use Apalos\Core\Harden\SofteningPlanner;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Mix\Brow;
use Apalos\Core\Tests\Tint\Palette;
use Apalos\Core\Tint\Colourant;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Tint\Mixture;
use Apalos\Core\Tint\Spectrum;
use Apalos\Core\Tint\Tinter;

require __DIR__.'/../vendor/autoload.php';

$times = max(3, (int) ($argv[1] ?? 7));
$knowledge = Shipped::knowledge();
$pucks = array_map(
    static fn (array $p): array => ['pct_of_ab' => $p[0], 'reading' => $p[1], 'scale' => $p[2]],
    [[0, 12, 'A'], [30, 43, '00'], [60, 27, '00'], [90, 14, '00']],
);
$over = static fn (
    Colourant $pigment, float $load, float $card,
): array => (new Mixture(Palette::base(), 1.5, Spectrum::of(Lab::of($card, 0.0, 0.0))))->lab([$pigment], [$load])->toArray();
$russet = Palette::dozen()[2];
$drawdowns = array_map(
    static fn (float $load): array => [
        'load_pct' => $load, 'thickness_mm' => 1.5, 'over_white' => $over($russet, $load, 95.0),
        'over_black' => $over($russet, $load, 12.0),
    ],
    [0.3, 1.0],
);

/** @var array<string, array{float, callable(): mixed}> $measured limit in ms, and what is measured */
$measured = [
    'mix: the brow, two batches' => [5.0, static fn () => Brow::planned()],
    'cure: five times, a hundred observations' => [5.0, static fn () => (new Clock)->read(CureRequest::from(Fields::of([
        'base' => [
            'pot_life_min' => 22, 'recoat_open_min' => 45, 'recoat_close_min' => 120, 'demould_min' => 240, 'service_min' => 1440,
            'ref_c' => 23, 'q10' => 2,
        ],
        'room_c' => 19, 'mass_g' => null,
        'logs' => array_map(
            static fn (int $i): array => [
                'room_c' => 16 + $i % 10, 'kind' => $i % 2 === 0 ? 'gel' : 'demould', 'minutes' => $i % 2 === 0 ? 25 : 260,
            ],
            range(1, 100),
        ),
    ])))],
    'harden: a curve of 121 points and a target' => [10.0, static fn () => (new SofteningPlanner)->answer(HardenRequest::from(Fields::of([
        'base' => ['shore' => 10, 'scale' => 'A', 'k' => 2.7, 'max_pct' => 100], 'swatches' => $pucks,
        'target' => ['reading' => 20, 'scale' => '00'], 'at_pct_of_ab' => range(0, 120),
    ])))],
    'tint: a prediction with its chips' => [
        20.0, static fn () => (new Tinter)->ask(Fields::of(Palette::question(['loads' => ['fawn' => 0.8, 'oxblood' => 0.1]]))),
    ],
    'tint: three of twelve pigments for a colour' => [
        2000.0, static fn () => (new Tinter)->ask(Fields::of(Palette::question(['target' => ['lab' => [52, 18, 20]]]))),
    ],
    'tint: the same, weighable in 200 g' => [
        2000.0,
        static fn () => (new Tinter)->ask(Fields::of(Palette::question([
            'target' => ['lab' => [52, 18, 20]], 'batch_g' => 200, 'division_g' => 0.1,
        ]))),
    ],
    'tint: a pigment from two drawdowns' => [
        1000.0, static fn () => Colourant::from(Fields::of(['drawdowns' => $drawdowns]), 'russet', Palette::base()),
    ],
    'contact: every fresh material on every surface' => [400.0, static function () use ($knowledge): void {
        $engine = new ContactEngine($knowledge);
        foreach (array_keys($knowledge->families) as $family) {
            foreach (array_keys($knowledge->surfaces) as $surface) {
                $engine->judge(
                    ContactRequest::from(
                        Fields::of([
                            'fresh' => ['family' => $family, 'skin_safe' => false], 'surface' => ['id' => $surface], 'intent' => 'separate',
                            'release' => null,
                        ]),
                        $knowledge,
                    ),
                );
            }
        }
    }],
];

$isOver = false;
printf("%-50s %10s %10s %10s\n", "of {$times} times, in ms", 'median', 'worst', 'limit');
foreach ($measured as $what => [$limit, $do]) {
    $do();
    $took = [];
    for ($i = 0; $i < $times; $i++) {
        $from = hrtime(true);
        $do();
        $took[] = (hrtime(true) - $from) / 1e6;
    }
    sort($took);
    $median = $took[intdiv($times, 2)];
    $isOver = $isOver || $median > $limit;
    printf("%-50s %10.2f %10.2f %10.0f%s\n", $what, $median, end($took), $limit, $median > $limit ? '  over' : '');
}
exit($isOver ? 1 : 0);

<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Console;

use Apalos\Core\Console\Command;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Mesh\Shapes;
use Apalos\Core\Tests\Mix\Brow;
use Apalos\Core\Tests\Tint\Palette;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * The contract of the console: each verb asked as a maker's own program would ask it, with the names of what comes back and one
 * number of each that was worked out by hand. A field that is renamed here breaks somebody's script.
 */
final class ContractTest extends TestCase
{
    private const BAND = ['low', 'likely', 'high'];

    /**
     * @param  array<string, mixed>  $question
     * @return array<string, mixed>
     */
    private static function ask(string $verb, array $question): array
    {
        $output = (new Command(Shipped::shelves(), Words::book()))->run([$verb], json_encode($question, JSON_THROW_ON_ERROR));
        self::assertSame(0, $output->exit, $output->text);
        $answer = json_decode($output->text, true, flags: JSON_THROW_ON_ERROR);
        self::assertIsArray($answer);
        self::assertIsArray($answer['warnings'] ?? null);
        foreach ($answer['warnings'] as $warning) {
            self::assertSame(['code', 'message'], array_keys($warning));
            self::assertMatchesRegularExpression('/^[a-z_]+$/', $warning['code']);
            self::assertMatchesRegularExpression('/[.?]$/u', $warning['message'], 'A warning is a sentence.');
        }

        return $answer;
    }

    /**
     * @param  list<string>  $names
     * @param  array<string, mixed>  $answer
     */
    private static function assertNames(array $names, array $answer): void
    {
        self::assertEqualsCanonicalizing($names, array_keys($answer));
    }

    public function test_mix(): void
    {
        $answer = self::ask('mix', Brow::sheet());

        self::assertSame(['A', 'B', 'softener', 'fawn', 'red flock'], array_keys($answer['parts']));
        self::assertNames(['mass_g', 'lines'], $answer['batches'][0]);
        self::assertNames(['add', 'grams', 'running'], $answer['batches'][0]['lines'][0]);
        self::assertEqualsWithDelta([710.9, 688.0, 1.0333], [$answer['mass_g'], $answer['volume_ml'], $answer['sg']], 0.05);
    }

    public function test_topup(): void
    {
        $answer = self::ask('topup', [
            'planned' => ['A' => 100, 'B' => 10, 'tone' => 2], 'poured' => ['A' => 106], 'vessel' => ['capacity_ml' => 500, 'sg' => 1.08],
            'scale' => ['division_g' => 0.1], 'tolerance_pct' => 1,
        ]);

        self::assertNames(['needed', 'k', 'planned', 'lines', 'extra_g', 'fits', 'ratio_error_if_ignored_pct', 'warnings'], $answer);
        self::assertTrue($answer['needed']);
        self::assertEqualsWithDelta(1.06, $answer['k'], 1e-12);
        self::assertSame(['B' => 10.6, 'tone' => 2.1], array_column($answer['lines'], 'grams', 'add'));
        self::assertEqualsWithDelta(6.72, $answer['extra_g'], 1e-9, '112 g times 0.06');
    }

    public function test_cure_leaves_out_a_wild_log_and_counts_it_where_somebody_is_sure(): void
    {
        $logs = [
            ['room_c' => 23, 'kind' => 'gel', 'minutes' => 21], ['room_c' => 20, 'kind' => 'gel', 'minutes' => 28],
            ['room_c' => 23, 'kind' => 'gel', 'minutes' => 2],
        ];
        $ask = static fn (array $logs): array => self::ask('cure', [
            'base' => ['pot_life_min' => 22, 'ref_c' => 23, 'q10' => 2], 'room_c' => 21, 'logs' => $logs,
        ]);

        self::assertSame([2], $ask($logs)['doubted']);
        self::assertEqualsWithDelta(2.093, $ask($logs)['q10'], 0.0005);
        self::assertEqualsWithDelta(25.2, $ask($logs)['pot_life_min']['likely'], 0.05);
        $sure = $ask([...array_slice($logs, 0, 2), [...$logs[2], 'sure' => true]]);
        self::assertNotContains(2, $sure['doubted']);
        self::assertLessThan(12.0, $sure['pot_life_min']['likely']);
    }

    public function test_cure_gives_only_the_times_the_sheet_gives(): void
    {
        $answer = self::ask('cure', [
            'base' => ['pot_life_min' => 22, 'demould_min' => 240, 'ref_c' => 23, 'q10' => 2, 'alpha' => 0], 'room_c' => 18,
            'mass_g' => null, 'logs' => [],
        ]);

        self::assertNames(['factor', 'q10', 'offset', 'pot_life_min', 'demould_min', 'rests_on', 'doubted', 'warnings'], $answer);
        self::assertNames(self::BAND, $answer['pot_life_min']);
        self::assertEqualsWithDelta(2 ** 0.5, $answer['factor'], 1e-12, 'Half of ten degrees cooler is the root of q10.');
    }

    public function test_the_questions_about_a_piece(): void
    {
        $sprue = self::ask('sprue', [
            'volume_ml' => 140, 'sg' => 1.05, 'viscosity_pas' => 0.12, 'pot_life_min' => 3, 'start_min' => 0.75, 'diameter_mm' => 9,
            'length_mm' => 20, 'head_mm' => 15, 'within_share' => 0.25,
        ]);
        self::assertNames(['fill_min', 'filled_ml', 'least_diameter_mm', 'warnings'], $sprue);
        self::assertEqualsWithDelta(0.2, $sprue['fill_min'], 5e-4);

        $bubbles = self::ask('bubbles', [
            'sg' => 1.08, 'viscosity_pas' => 21, 'pot_life_min' => 22,
            'cases' => [['name' => 'tray', 'depth_mm' => 18, 'from_min' => 3, 'to_min' => 22]],
        ]);
        self::assertNames(['cases', 'advice', 'warnings'], $bubbles);
        self::assertEqualsWithDelta(1.33, $bubbles['cases'][0]['smallest_mm'], 0.005);

        $gang = self::ask('gang', [
            'piece' => ['l_mm' => 82, 'w_mm' => 36, 'h_mm' => 24, 'volume_ml' => 41], 'count' => 8, 'wall_mm' => 14, 'gap_mm' => 19,
            'base_mm' => 12, 'over_mm' => 10,
        ]);
        self::assertSame(
            [],
            array_diff(['cols', 'rows', 'turned', 'inner_mm', 'rubber_ml', 'per_piece_ml', 'hugging_ml', 'warnings'], array_keys($gang)),
        );
        self::assertEqualsWithDelta(1894.7, $gang['rubber_ml'], 0.05);

        $box = self::ask('box', ['inner_mm' => [120, 80, 60], 'board_mm' => 4, 'joint' => 'tabs']);
        self::assertNames(['panels', 'sheets', 'svg', 'dxf', 'hold', 'warnings'], $box);
        self::assertCount(5, $box['panels']);

        $ballast = self::ask('ballast', [
            'body' => ['volume_ml' => 42, 'centre_mm' => null], 'resin' => ['base_sg' => 1.06, 'filler_sg' => 0.17, 'filler_pct' => 7],
            'hardware' => [
                ['name' => 'hooks', 'mass_g' => 2.4, 'sg' => 7.85, 'inside' => false, 'at_mm' => null],
                ['name' => 'wire', 'mass_g' => 1.1, 'sg' => 7.85, 'inside' => true, 'at_mm' => null],
            ],
            'water_sg' => 0.998, 'target_pct' => 6, 'ballast' => ['sg' => 11.34, 'inside' => true], 'trim_deg' => null,
        ]);
        self::assertSame(
            [],
            array_diff(
                ['resin_sg', 'ballast_g', 'without_displacement_g', 'at_mm', 'whole_g', 'sinks_mm_s', 'warnings'], array_keys($ballast),
            ),
        );
        self::assertEqualsWithDelta(9.43, $ballast['ballast_g'], 0.005);

        self::assertNames(
            ['left', 'chance_of_ahead', 'rests_on', 'advice', 'warnings'],
            self::ask('life', [
                'pairing' => ['median' => 60, 'spread' => 0.45], 'others' => [], 'casts' => 0, 'condition' => null, 'ahead' => 40,
            ]),
        );
        self::assertNames(
            ['dry_at_h', 'dry_mass_g', 'expected_dry_g', 'left_pct', 'state', 'tau_h', 'warnings'],
            self::ask('dry', [
                'weighings' => [['hours' => 0, 'mass_g' => 900], ['hours' => 10, 'mass_g' => 820], ['hours' => 24, 'mass_g' => 790]],
                'until_pct' => 0.5,
            ]),
        );
        $causes = self::ask('faults', ['seen' => ['sticky', 'bubbles'], 'where' => null, 'facts' => ['ratio_error_pct' => 3.2]])['causes'];
        self::assertSame([], array_diff(['id', 'share', 'because', 'look', 'next'], array_keys($causes[0])));
        self::assertSame(
            [],
            array_diff(
                ['lines', 'mould', 'labour', 'other', 'total', 'per_piece', 'cash', 'shares', 'break_even', 'warnings'],
                array_keys(self::ask('cost', [
                    'currency' => 'EUR', 'casts' => 1,
                    'materials' => [['name' => 'r', 'used_g' => 10, 'kit' => ['price' => '1.00', 'mass_g' => 100]]],
                ])),
            ),
        );

        $roto = self::ask('roto', ['area_mm2' => 41_000, 'wall_mm' => 2.5, 'sg' => 1.07, 'passes' => 2, 'loss_pct' => 10]);
        self::assertEqualsWithDelta([120.6, 60.3], [$roto['mass_g'], $roto['pass_g']], 0.05);
    }

    public function test_a_mesh_is_studied_from_a_file_and_from_what_comes_in(): void
    {
        $bytes = Shapes::stl(Shapes::hornedBlock());
        $answers = [];
        foreach ([[Shapes::file($bytes, 'stl')->getPathname()], ['-', '--format', 'stl']] as $words) {
            $process = proc_open(
                [
                    PHP_BINARY, __DIR__.'/../../../bin/apalos', 'study', ...$words, '--units', 'mm', '--pull', '0,1,0', '--pour', '0,0,1',
                    '--json',
                ],
                [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes,
            );
            self::assertIsResource($process);
            fwrite($pipes[0], $words[0] === '-' ? $bytes : '');
            fclose($pipes[0]);
            $said = (string) stream_get_contents($pipes[1]);
            self::assertSame('', stream_get_contents($pipes[2]));
            self::assertSame(0, proc_close($process), $said);
            $answers[] = json_decode($said, true, flags: JSON_THROW_ON_ERROR);
        }
        self::assertSame($answers[0], $answers[1]);
        self::assertSame(
            [],
            array_diff(
                [
                    'triangles', 'bbox_mm', 'area_mm2', 'volume_ml', 'watertight', 'open_edges', 'shells', 'flipped', 'pull', 'pours',
                    'halves', 'stretch', 'box', 'warnings',
                ],
                array_keys($answers[0]),
            ),
        );
        self::assertNames(['axis', 'undercut_area_pct', 'undercut_depth_mm', 'parting'], $answers[0]['pull']);
        self::assertNames(['flat', 'z_range_mm', 'loops'], $answers[0]['pull']['parting']);
        self::assertEqualsWithDelta(
            [78.0, 6.0, 15.0],
            [
                $answers[0]['volume_ml'], $answers[0]['pours'][0]['traps'][0]['trapped_ml'],
                $answers[0]['pours'][0]['traps'][0]['prominence_mm'],
            ],
            1e-4,
        );
        self::assertSame('cast', $answers[0]['pours'][0]['traps'][0]['kind']);
        self::assertEqualsWithDelta([84.0, 74.0, 64.0], self::sorted($answers[0]['box']['inner_mm']), 1e-4);
    }

    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function sorted(array $values): array
    {
        rsort($values);

        return $values;
    }

    public function test_harden(): void
    {
        $answer = self::ask('harden', [
            'base' => ['shore' => 10, 'scale' => 'A', 'k' => 2.7, 'max_pct' => 100],
            'swatches' => array_map(
                static fn (array $p): array => ['pct_of_ab' => $p[0], 'reading' => $p[1], 'scale' => $p[2]],
                [[0, 12, 'A'], [30, 43, '00'], [60, 27, '00'], [90, 14, '00']],
            ),
            'target' => ['reading' => 20, 'scale' => '00'], 'at_pct_of_ab' => [45],
        ]);

        self::assertSame([], array_diff(['c', 'k', 'curve', 'for_target', 'rests_on', 'warnings'], array_keys($answer)));
        self::assertSame([], array_diff(['pct_of_ab', 'shore', 'low', 'high'], array_keys($answer['curve'][0])));
        self::assertNames(['scale', 'reading'], $answer['curve'][0]['shore']);
        self::assertNames(['pct_of_ab', 'pct_of_one_part', 'low', 'high'], $answer['for_target']);
        self::assertSame(
            [-0.8683, 2.3831, 75.1, 150.2],
            [
                round($answer['c'], 4), round($answer['k'], 4), round($answer['for_target']['pct_of_ab'], 1),
                round($answer['for_target']['pct_of_one_part'], 1),
            ],
        );
    }

    public function test_tint(): void
    {
        $answer = self::ask('tint', Palette::question(['target' => ['lab' => [52, 18, 20]], 'max_pigments' => 3]));

        self::assertSame([], array_diff(['lab', 'srgb', 'chips', 'loads', 'delta_e', 'alternatives', 'warnings'], array_keys($answer)));
        self::assertNames(['thickness_mm', 'backing', 'lab', 'srgb'], $answer['chips'][0]);
        self::assertSame([], array_diff(['loads', 'delta_e'], array_keys($answer['alternatives'][0])));
        self::assertMatchesRegularExpression('/^#[0-9a-f]{6}$/', $answer['srgb']);
        self::assertSame(
            $answer['delta_e'], self::difference($answer['lab'], [52, 18, 20]), 'What it says of the difference is what the difference is.',
        );
    }

    /**
     * @param  list<float>  $from
     * @param  list<float|int>  $to
     */
    private static function difference(array $from, array $to): float
    {
        $output = (new Command(Shipped::shelves(), Words::book()))->run(
            ['tint'], json_encode(['delta_e' => ['from' => $from, 'to' => $to]], JSON_THROW_ON_ERROR),
        );

        return json_decode($output->text, true)['delta_e'];
    }

    public function test_patch(): void
    {
        $grey = array_fill(0, 100, [118, 118, 104]);
        $answer = self::ask('patch', ['card' => ['pixels' => $grey], 'sample' => ['pixels' => $grey]]);

        self::assertNames(['lab', 'srgb', 'within_delta_e', 'balance', 'warnings'], $answer);
        self::assertEqualsWithDelta([49.5, 0.0, 0.0], $answer['lab'], 0.05, 'The card, read as the sample, is the card.');
    }

    public function test_series(): void
    {
        $answer = self::ask('series', [
            'base' => Brow::sheet()['base'], 'softener' => ['name' => 'softener', 'sg' => 0.97], 'pct_of_ab' => [0, 60], 'puck_ml' => 25,
            'spare_pct' => 10, 'scale' => ['division_g' => 0.1], 'room_c' => 23, 'mix_min' => 3,
        ]);

        self::assertNames(['cups', 'pucks', 'minutes', 'usable_min', 'warnings', 'working'], $answer);
        self::assertNames(['code', 'name', 'mass_g', 'lines'], $answer['cups'][0]);
        self::assertNames(['code', 'wanted_pct', 'true_pct', 'mass_g', 'lines'], $answer['pucks'][0]);
        self::assertSame([16.1, 9.7], array_column($answer['pucks'][1]['lines'], 'grams'));

        $led = self::ask('series', [
            'base' => Brow::sheet()['base'], 'softener' => ['name' => 'softener', 'sg' => 0.97], 'pct_of_ab' => [0, 60], 'puck_ml' => 25,
            'spare_pct' => 10, 'scale' => ['division_g' => 0.1], 'room_c' => 23, 'mix_min' => 3,
            'weighed' => ['plain-cup' => [23.6, null]],
        ]);
        self::assertNames(
            ['vessel', 'line', 'code', 'add', 'grams', 'before', 'running', 'from', 'to', 'opens', 'meets', 'because'], $led['next'],
        );
        self::assertSame(['A', 47.2], [$led['next']['add'], $led['next']['running']]);
    }

    public function test_contact(): void
    {
        $answer = self::ask('contact', [
            'fresh' => ['family' => 'silicone-platinum', 'skin_safe' => true], 'surface' => ['id' => 'silicone-platinum'],
            'intent' => 'separate', 'release' => null,
        ]);

        self::assertSame(
            [], array_diff(['verdict', 'adhesion', 'inhibition', 'wear', 'because', 'plan', 'releases', 'cautions'], array_keys($answer)),
        );
        self::assertSame(
            ['release', 'fuses', 'none'], [$answer['verdict'], $answer['adhesion'], $answer['inhibition']],
            'Silicone on silicone: the classic loss.',
        );
        self::assertNames(['rule', 'text', 'sure'], $answer['because'][0]);
        self::assertNames(['do', 'what', 'coats', 'minutes', 'note'], $answer['plan'][0]);
        self::assertNames(['id', 'fit', 'why'], $answer['releases'][0]);
    }

    public function test_mould(): void
    {
        $answer = self::ask('mould', [
            'size_mm' => ['l' => 150, 'w' => 42, 'h' => 42], 'undercuts' => 'slight', 'detail' => 'fine', 'casts' => 24,
            'casting' => ['family' => 'urethane-rubber', 'heat_c' => 25],
            'original' => ['surface' => 'clay-oil-sulphur-free', 'may_be_lost' => true], 'flat_back' => false, 'hollow' => false,
            'skin' => false, 'budget' => 'normal', 'hour_rate' => 30,
        ]);

        self::assertSame([], array_diff(['ranked', 'schools', 'warnings'], array_keys($answer)));
        self::assertSame('two-part-block', $answer['ranked'][0]['kind']);
        $first = $answer['ranked'][0];
        self::assertEqualsWithDelta(
            $first['rubber_g'] / 1000 * 38 + 30 * $first['hours'], $first['cost'], 1e-9, 'Rubber at 38 a kilo and hours at 30.',
        );
    }

    /** @return iterable<string, array{array<string, mixed>, float}> */
    public static function volumes(): iterable
    {
        yield 'box' => [['method' => 'box', 'box' => ['l_mm' => 100, 'w_mm' => 80, 'h_mm' => 50], 'part' => ['volume_ml' => 100]], 300.0];
        yield 'cylinder' => [['method' => 'cylinder', 'diameter_mm' => 60, 'height_mm' => 100], 282.743];
        yield 'displacement' => [['method' => 'displacement', 'poured_back_ml' => 250, 'allowance_pct' => 8], 270.0];
        yield 'blanket' => [['method' => 'blanket', 'clay_ml' => 200, 'pour_up_ml' => 30], 230.0];
        yield 'coats' => [['method' => 'coats', 'area_mm2' => 50000, 'coats' => [['thickness_mm' => 1], ['thickness_mm' => 4]]], 250.0];
        yield 'mesh' => [['method' => 'mesh', 'volume_ml' => 400], 400.0];
    }

    /** @param  array<string, mixed>  $question */
    #[DataProvider('volumes')]
    public function test_volume(array $question, float $likely): void
    {
        $answer = self::ask('volume', $question);

        self::assertNames(['low_ml', 'likely_ml', 'high_ml', 'advice', 'working', 'reconcile', 'warnings'], $answer);
        self::assertEqualsWithDelta($likely, $answer['likely_ml'], 0.001);
        self::assertNull($answer['reconcile']);
        $after = self::ask('volume', [...$question, 'used' => ['mass_g' => 1.1 * $likely, 'sg' => 1.1]]);
        self::assertNames(['used_ml', 'part_ml', 'correction_pct'], $after['reconcile']);
        self::assertEqualsWithDelta(
            (float) ($question['allowance_pct'] ?? 0.0), $after['reconcile']['correction_pct'], 0.001,
            'What was planned was used, and the allowance with it.',
        );
    }
}

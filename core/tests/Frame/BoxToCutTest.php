<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Frame;

use Apalos\Core\Frame\BoxToCut;
use Apalos\Core\Frame\GangLayout;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A box is cut from its drawing and put together again: no gap is left and no two boards want the same place. */
final class BoxToCutTest extends TestCase
{
    /** @return iterable<string, array{list<float>, float, string, float}> */
    public static function boxes(): iterable
    {
        yield 'tabs' => [[120.0, 80.0, 60.0], 4.0, 'tabs', 0.0];
        yield 'tabs of an odd size' => [[97.3, 61.7, 43.9], 6.35, 'tabs', 0.0];
        yield 'tabs with a wide cut' => [[150.0, 90.0, 50.0], 5.0, 'tabs', 0.3];
        yield 'butt' => [[120.0, 80.0, 60.0], 6.0, 'butt', 0.0];
    }

    /** @param  list<float>  $inner */
    #[DataProvider('boxes')]
    public function test_it_goes_together_again_from_its_own_drawing(array $inner, float $board, string $joint, float $kerf): void
    {
        $box = (new BoxToCut)->ask(Fields::of([
            'inner_mm' => $inner, 'board_mm' => $board, 'joint' => $joint, 'kerf_mm' => $kerf, 'sheet_mm' => [700, 500],
            'clay_bed_mm' => 20, 'fill_mm' => 40,
        ]));
        $panels = self::read((string) $box['dxf']);
        self::assertSame(['BACK', 'FLOOR', 'FRONT', 'LEFT', 'RIGHT'], array_keys($panels));
        if ($kerf > 0.0) {
            $panels = array_map(static fn (array $outline): array => self::shrunk($outline, $kerf / 2.0), $panels);
        }
        [$l, $w, $h] = $inner;
        $t = $board;
        $lift = $joint === 'tabs' ? 0.0 : $t;
        // Where a point of space lies on each board: its two coordinates, if it is within the board's thickness.
        $on = [
            'FLOOR' => static fn (float $x, float $y, float $z): ?array => $z >= -$t && $z < 0.0 ? [$x + $t, $y + $t] : null,
            'FRONT' => static fn (float $x, float $y, float $z): ?array => $y >= -$t && $y < 0.0 ? [$x + $t, $z + $t - $lift] : null,
            'BACK' => static fn (float $x, float $y, float $z): ?array => $y >= $w && $y < $w + $t ? [$x + $t, $z + $t - $lift] : null,
            'LEFT' => static fn (float $x, float $y, float $z): ?array => $x >= -$t && $x < 0.0
                ? [$y + ($joint === 'tabs' ? $t : 0.0), $z + $t - $lift]
                : null,
            'RIGHT' => static fn (float $x, float $y, float $z): ?array => $x >= $l && $x < $l + $t
                ? [$y + ($joint === 'tabs' ? $t : 0.0), $z + $t - $lift]
                : null,
        ];
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(5));
        $solid = 0;
        for ($i = 0; $i < 20_000; $i++) {
            [$x, $y, $z] = [
                $random->getInt(0, 1_000_000) / 1e6 * ($l + 2 * $t) - $t, $random->getInt(0, 1_000_000) / 1e6 * ($w + 2 * $t) - $t,
                $random->getInt(0, 1_000_000) / 1e6 * ($h + $t) - $t,
            ];
            $inside = $x >= 0.0 && $x < $l && $y >= 0.0 && $y < $w && $z >= 0.0;
            $boards = [];
            foreach ($on as $name => $place) {
                $at = $place($x, $y, $z);
                if ($at !== null && self::holds($panels[$name], $at)) {
                    $boards[] = $name;
                }
            }
            if ($inside) {
                self::assertSame([], $boards, 'Nothing stands in the room for the piece.');
            } elseif (! self::isAtAJoint($panels, $on, [$x, $y, $z])) {
                self::assertCount(1, $boards, sprintf('%.2f %.2f %.2f: %s', $x, $y, $z, implode(' ', $boards)));
                $solid++;
            }
        }
        self::assertGreaterThan(1500, $solid);
    }

    /**
     * Within 0.05 mm of an edge: there it is the cut that decides.
     *
     * @param  array<string, list<array{float, float}>>  $panels
     * @param  array<string, callable(float, float, float): ?array{float, float}>  $on
     * @param  array{float, float, float}  $at
     */
    private static function isAtAJoint(array $panels, array $on, array $at): bool
    {
        foreach ($on as $name => $place) {
            foreach ([[0.05, 0.05, 0.05], [-0.05, -0.05, -0.05], [0.0, 0.0, 0.0]] as [$dx, $dy, $dz]) {
                $p = $place($at[0] + $dx, $at[1] + $dy, $at[2] + $dz);
                foreach ($p === null ? [] : $panels[$name] as $i => $from) {
                    $to = $panels[$name][($i + 1) % count($panels[$name])];
                    $along = max(
                        0.0,
                        min(
                            1.0,
                            (($p[0] - $from[0]) * ($to[0] - $from[0]) + ($p[1] - $from[1]) * ($to[1] - $from[1])) / max(
                                1e-12, ($to[0] - $from[0]) ** 2 + ($to[1] - $from[1]) ** 2,
                            ),
                        ),
                    );
                    if (hypot($p[0] - $from[0] - $along * ($to[0] - $from[0]), $p[1] - $from[1] - $along * ($to[1] - $from[1])) < 0.12) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /** @return array<string, list<array{float, float}>> outlines by name, each from its own lower left corner and the right way up */
    private static function read(string $dxf): array
    {
        $lines = array_map(trim(...), explode("\n", trim($dxf)));
        $panels = $outline = [];
        $last = '';
        for ($i = 0; $i + 1 < count($lines); $i += 2) {
            [$code, $value] = [(int) $lines[$i], $lines[$i + 1]];
            if ($code === 0) {
                $last = $value;
                if ($value === 'POLYLINE') {
                    $outline = [];
                }
            } elseif ($last === 'VERTEX' && $code === 10) {
                $outline[] = [(float) $value, 0.0];
            } elseif ($last === 'VERTEX' && $code === 20) {
                $outline[count($outline) - 1][1] = (float) $value;
            } elseif ($last === 'TEXT' && $code === 1) {
                [$x, $y] = [min(array_column($outline, 0)), min(array_column($outline, 1))];
                $panels[$value] = array_map(static fn (array $at): array => [$at[0] - $x, $at[1] - $y], $outline);
            }
        }
        ksort($panels);

        return $panels;
    }

    /**
     * @param  list<array{float, float}>  $outline
     * @return list<array{float, float}>
     */
    private static function shrunk(array $outline, float $by): array
    {
        $n = count($outline);
        $out = [];
        foreach ($outline as $i => [$x, $y]) {
            [$px, $py] = $outline[($i + $n - 1) % $n];
            [$nx, $ny] = $outline[($i + 1) % $n];
            $sx = ($y - $py) + ($ny - $y);
            $sy = -(($x - $px) + ($nx - $x));
            $out[] = [$x - $by * ($sx <=> 0.0) - $by, $y - $by * ($sy <=> 0.0) - $by];
        }

        return $out;
    }

    /**
     * @param  list<array{float, float}>  $outline
     * @param  array{float, float}  $at
     */
    private static function holds(array $outline, array $at): bool
    {
        $in = false;
        foreach ($outline as $i => [$x, $y]) {
            [$nx, $ny] = $outline[($i + 1) % count($outline)];
            if (($y > $at[1]) !== ($ny > $at[1]) && $at[0] < $x + ($at[1] - $y) / ($ny - $y) * ($nx - $x)) {
                $in = ! $in;
            }
        }

        return $in;
    }

    /** Filled to 60 mm, with 10 mm above it: walls of 70, and the fill is a line that can be seen. */
    public function test_walls_rise_above_the_fill_and_the_fill_is_engraved(): void
    {
        $asked = ['inner_mm' => [120, 80, 60], 'board_mm' => 4, 'joint' => 'butt', 'fill_mm' => 60];
        $marks = static fn (array $box): int => preg_match_all('/class="engrave"/', (string) $box['svg']) ?: 0;
        $high = static fn (array $box): float => max(
            array_map(
                static fn (array $panel): float => max(array_column($panel['outline'], 1)) - min(array_column($panel['outline'], 1)),
                array_filter($box['panels'], static fn (array $panel): bool => $panel['name'] !== 'floor'),
            ),
        );
        [$brim, $above] = [(new BoxToCut)->ask(Fields::of($asked)), (new BoxToCut)->ask(Fields::of([...$asked, 'freeboard_mm' => 10]))];
        self::assertEqualsWithDelta(10.0, $high($above) - $high($brim), 1e-9);
        self::assertSame(4, $marks($above) - $marks($brim), 'One on each wall; at the brim there is none to see.');
        $round = (new BoxToCut)->ask(Fields::of([
            'round' => ['diameter_mm' => 90, 'height_mm' => 60, 'fill_mm' => 60, 'freeboard_mm' => 10],
        ]));
        self::assertMatchesRegularExpression(
            '#class="engrave"[^>]*d="M4 16L[\d.]+ 16"#', (string) $round['svg'], 'Ten under the brim of the strip, the fill.',
        );
    }

    public function test_the_drawings_say_cut_and_engraved_apart_and_levels_where_they_lie(): void
    {
        $box = (new BoxToCut)->ask(Fields::of([
            'inner_mm' => [120, 80, 60], 'board_mm' => 4, 'joint' => 'butt', 'clay_bed_mm' => 25, 'fill_mm' => 55,
        ]));
        $svg = simplexml_load_string((string) $box['svg']);
        self::assertInstanceOf(\SimpleXMLElement::class, $svg);
        self::assertStringEndsWith('mm', (string) $svg['width']);
        self::assertSame(5, preg_match_all('/class="cut"/', (string) $box['svg']));
        self::assertSame(5, preg_match_all('/\nPOLYLINE\n/', (string) $box['dxf']));
        self::assertStringContainsString("ENGRAVE\n", (string) $box['dxf']);
    }

    public function test_a_round_wall_gets_a_wrap_of_its_girth_and_overlap(): void
    {
        $wrap = (new BoxToCut)->ask(Fields::of([
            'round' => ['diameter_mm' => 90, 'height_mm' => 70, 'thickness_mm' => 0.5, 'overlap_mm' => 25, 'fill_mm' => 60],
        ]));

        self::assertEqualsWithDelta(M_PI * 90.5, $wrap['around_mm'], 1e-9);
        self::assertEqualsWithDelta(M_PI * 90.5 + 25.0, $wrap['panels'][0]['l_mm'], 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function nonsense(): iterable
    {
        yield 'flat' => [['inner_mm' => [100, 0, 50], 'board_mm' => 4], 'inner_mm'];
        yield 'two sizes' => [['inner_mm' => [100, 50], 'board_mm' => 4], 'inner_mm'];
        yield 'a board as wide as the box' => [['inner_mm' => [100, 50, 40], 'board_mm' => 40], 'board_mm'];
        yield 'a cut wider than the board' => [['inner_mm' => [100, 50, 40], 'board_mm' => 4, 'kerf_mm' => 5], 'kerf_mm'];
        yield 'fingers too short' => [['inner_mm' => [100, 50, 10], 'board_mm' => 4, 'joint' => 'tabs'], 'board_mm'];
        yield 'a board too small' => [['inner_mm' => [500, 50, 40], 'board_mm' => 4, 'sheet_mm' => [200, 200]], 'sheet_mm'];
    }

    /** @param  array<string, mixed>  $asked */
    #[DataProvider('nonsense')]
    public function test_nonsense_names_its_field(array $asked, string $field): void
    {
        try {
            (new BoxToCut)->ask(Fields::of($asked));
            self::fail('It was drawn.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
        }
    }

    public function test_eight_in_a_block_lie_two_by_four(): void
    {
        $gang = (new GangLayout)->ask(Fields::of([
            'piece' => ['l_mm' => 82, 'w_mm' => 36, 'h_mm' => 24, 'volume_ml' => 41], 'count' => 8, 'wall_mm' => 14, 'gap_mm' => 19,
            'base_mm' => 12, 'over_mm' => 10,
        ]));

        self::assertSame([2, 4, false], [$gang['cols'], $gang['rows'], $gang['turned']]);
        self::assertEqualsWithDelta([211.0, 229.0, 46.0], $gang['inner_mm'], 1e-9);
        self::assertEqualsWithDelta(1894.7, $gang['rubber_ml'], 0.05);
        self::assertLessThan($gang['rubber_ml'], $gang['hugging_ml']);
        self::assertCount(8, $gang['places']);
    }

    /** By another route: every grid there is, tried. */
    public function test_no_other_grid_takes_less(): void
    {
        foreach ([[50.0, 20.0, 7], [31.0, 30.0, 12], [100.0, 9.0, 5]] as [$l, $w, $count]) {
            $gang = (new GangLayout)->ask(Fields::of([
                'piece' => ['l_mm' => $l, 'w_mm' => $w, 'h_mm' => 15, 'volume_ml' => 2], 'count' => $count, 'wall_mm' => 12, 'gap_mm' => 10,
                'base_mm' => 10, 'over_mm' => 8,
            ]));
            $least = INF;
            for ($cols = 1; $cols <= $count; $cols++) {
                for ($rows = 1; $rows <= $count; $rows++) {
                    if ($cols * $rows >= $count) {
                        $least = min(
                            $least, ($cols * $l + ($cols - 1) * 10 + 24) * ($rows * $w + ($rows - 1) * 10 + 24),
                            ($cols * $w + ($cols - 1) * 10 + 24) * ($rows * $l + ($rows - 1) * 10 + 24),
                        );
                    }
                }
            }
            self::assertEqualsWithDelta($least * 33.0 / 1000.0 - $count * 2.0, $gang['rubber_ml'], 1e-6);
            self::assertSame(['walls_bulge'], array_column($gang['warnings'], 'code'));
        }
    }

    public function test_a_batch_too_large_for_its_minutes_asks_for_hands(): void
    {
        $asked = [
            'piece' => ['l_mm' => 82, 'w_mm' => 36, 'h_mm' => 24, 'volume_ml' => 41], 'count' => 16, 'wall_mm' => 14, 'gap_mm' => 19,
            'base_mm' => 12, 'over_mm' => 10, 'sg' => 1.07,
        ];
        $slow = (new GangLayout)->ask(Fields::of([...$asked, 'pot_life_min' => 30]))['batch'];
        $fast = (new GangLayout)->ask(Fields::of([...$asked, 'pot_life_min' => 8]))['batch'];

        self::assertSame(1, $slow['hands'] ?? null);
        self::assertGreaterThan(1, $fast['hands'] ?? 0);
    }
}

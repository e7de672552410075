<?php

declare(strict_types=1);

namespace Apalos\Core\Frame;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/** Many originals in one block: the grid that takes least rubber, pieces as they lie or all turned; between equals the squarer. */
final class GangLayout
{
    private const MOST = 1000;

    /** A wall of soft rubber between two cavities that is thinner bulges when they are filled: mm. */
    private const BULGES = 19.0;

    /** Grams a pair of hands mixes in a minute, with scraping. */
    private const MIXED = 300.0;

    /**
     * @return array{
     *     cols: int, rows: int, turned: bool, inner_mm: array{float, float, float}, rubber_ml: float, per_piece_ml: float,
     *     hugging_ml: float, places: list<array{float, float}>,
     *     batch: array{mass_g: float, mix_min: float, there_min: float|null, hands: int|null}|null,
     *     warnings: list<array{code: string, message: Phrase}>,
     * }
     *
     * @throws BadInput
     */
    public function ask(Fields $in): array
    {
        $in->only('piece', 'count', 'wall_mm', 'gap_mm', 'base_mm', 'over_mm', 'sg', 'pot_life_min', 'pour_min');
        $piece = $in->object('piece')->only('l_mm', 'w_mm', 'h_mm', 'volume_ml');
        [$l, $w, $h] = [$piece->positive('l_mm', 5000.0), $piece->positive('w_mm', 5000.0), $piece->positive('h_mm', 5000.0)];
        $ml = $piece->positive('volume_ml');
        if ($ml > $l * $w * $h / 1000.0 * (1.0 + 1e-9)) {
            throw BadInput::at($piece->at('volume_ml'), Phrase::of('frame.piece_too_full', [
                'ml' => Quantity::volume($ml), 'holds' => Quantity::volume($l * $w * $h / 1000.0),
            ]));
        }
        $count = (int) $in->number('count', 1.0, self::MOST);
        [$wall, $gap] = [$in->number('wall_mm', 0.0, 500.0), $in->number('gap_mm', 0.0, 500.0)];
        $high = $in->number('base_mm', 0.0, 500.0) + $h + $in->number('over_mm', 0.0, 500.0);
        $best = null;
        foreach ([[$l, $w, false], [$w, $l, true]] as [$long, $wide, $turned]) {
            for ($cols = 1; $cols <= $count; $cols++) {
                $rows = (int) ceil($count / $cols);
                $pieces = [$cols * $long + ($cols - 1) * $gap, $rows * $wide + ($rows - 1) * $gap];
                $inner = [$pieces[0] + 2.0 * $wall, $pieces[1] + 2.0 * $wall, $high];
                $rubber = $inner[0] * $inner[1] * $inner[2] / 1000.0 - $count * $ml;
                $crooked = max($inner[0], $inner[1]) / min($inner[0], $inner[1]);
                $grid = [
                    'cols' => $cols, 'rows' => $rows, 'turned' => $turned, 'inner' => $inner, 'pieces' => $pieces, 'size' => [$long, $wide],
                    'rubber' => $rubber, 'crooked' => $crooked,
                ];
                if (
                    $best === null
                    || $rubber < $best['rubber'] - 1e-9
                    || (abs($rubber - $best['rubber']) <= 1e-9 && $crooked < $best['crooked'] - 1e-9)
                ) {
                    $best = $grid;
                }
            }
        }
        if ($best === null) {
            throw BadInput::missing($in->at('count'));
        }
        [$long, $wide] = $best['pieces'];
        $hugging = ($long * $wide + 2.0 * ($long + $wide) * $wall + M_PI * $wall * $wall) * $high / 1000.0 - $count * $ml;
        $batch = self::batch($in, $best['rubber']);
        $warnings = $gap < self::BULGES && $count > 1
            ? [
                new Warning('walls_bulge', Phrase::of('frame.walls_bulge', [
                    'gap' => Quantity::length($gap), 'least' => Quantity::length(self::BULGES),
                ])),
            ]
            : [];
        if ($batch !== null && $batch['hands'] === null) {
            $warnings[] = new Warning('batch_too_large', Phrase::of('frame.batch_too_large', ['mass' => Quantity::mass($batch['mass_g'])]));
        }

        return [
            'cols' => $best['cols'], 'rows' => $best['rows'], 'turned' => $best['turned'], 'inner_mm' => $best['inner'],
            'rubber_ml' => $best['rubber'],
            'per_piece_ml' => $best['rubber'] / $count, 'hugging_ml' => $hugging,
            'places' => self::places($best['cols'], $best['size'], $wall, $gap, $count), 'batch' => $batch,
            'warnings' => Warning::all($warnings),
        ];
    }

    /**
     * The lower left corner of each piece.
     *
     * @param  array{float, float}  $size
     * @return list<array{float, float}>
     */
    private static function places(int $cols, array $size, float $wall, float $gap, int $count): array
    {
        $places = [];
        for ($i = 0; $i < $count; $i++) {
            $places[] = [$wall + ($i % $cols) * ($size[0] + $gap), $wall + intdiv($i, $cols) * ($size[1] + $gap)];
        }

        return $places;
    }

    /**
     * The batch it needs against the minutes there are to mix it, and how many hands that takes.
     *
     * @return array{mass_g: float, mix_min: float, there_min: float|null, hands: int|null}|null
     */
    private static function batch(Fields $in, float $rubberMl): ?array
    {
        $sg = $in->positiveOrNull('sg', 25.0);
        if ($sg === null) {
            return null;
        }
        $mass = max(0.0, $rubberMl) * $sg;
        $mix = $mass / self::MIXED;
        $pot = $in->positiveOrNull('pot_life_min', 20_000.0);
        $there = $pot === null ? null : $pot - ($in->numberOrNull('pour_min', 0.0, 20_000.0) ?? 0.3 * $pot);
        $hands = $there === null ? 1 : ($there <= 0.0 ? null : max(1, (int) ceil($mix / $there)));

        return ['mass_g' => $mass, 'mix_min' => $mix, 'there_min' => $there, 'hands' => $hands !== null && $hands > 4 ? null : $hands];
    }
}

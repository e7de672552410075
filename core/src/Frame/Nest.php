<?php

declare(strict_types=1);

namespace Apalos\Core\Frame;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** Panels laid on boards of one size, in rows, the tallest first; turned where they lie lower or only fit so. */
final class Nest
{
    /** Between panels, and to the rim: mm. */
    private const APART = 4.0;

    /**
     * @param  list<Panel>  $panels
     * @param  array{float, float}  $sheet
     * @return list<array{panel: Panel, x: float, y: float, sheet: int}>
     *
     * @throws BadInput for a panel larger than the board
     */
    public static function on(array $panels, array $sheet): array
    {
        [$wide, $high] = [$sheet[0] - self::APART, $sheet[1] - self::APART];
        $lying = array_map(static function (Panel $panel) use ($wide, $high, $sheet): Panel {
            [$w, $h] = $panel->size();
            $fits = $w + self::APART <= $wide && $h + self::APART <= $high;
            $fitsTurned = $h + self::APART <= $wide && $w + self::APART <= $high;
            if (! $fits && ! $fitsTurned) {
                throw BadInput::at('sheet_mm', Phrase::of('frame.sheet_too_small', [
                    'name' => $panel->name, 'size' => [Quantity::length($w), Quantity::length($h)],
                    'sheet' => array_map(Quantity::length(...), $sheet),
                ]));
            }

            return ! $fits || ($fitsTurned && $h > $w) ? $panel->turned() : $panel;
        }, $panels);
        usort($lying, static fn (Panel $a, Panel $b): int => $b->size()[1] <=> $a->size()[1]);
        $placed = [];
        /** @var list<array{x: float, y: float, high: float, sheet: int}> $rows */
        $rows = [];
        foreach ($lying as $panel) {
            [$w, $h] = $panel->size();
            $row = null;
            foreach ($rows as $i => $there) {
                if ($sheet[0] >= $there['x'] + $w + self::APART && $h <= $there['high']) {
                    $row = $i;
                    break;
                }
            }
            if ($row === null) {
                $last = end($rows);
                $y = $last === false ? self::APART : $last['y'] + $last['high'] + self::APART;
                $number = $last === false ? 0 : $last['sheet'];
                if ($y + $h + self::APART > $sheet[1]) {
                    [$y, $number] = [self::APART, $number + 1];
                }
                $rows[] = ['x' => self::APART, 'y' => $y, 'high' => $h, 'sheet' => $number];
                $row = count($rows) - 1;
            }
            $placed[] = ['panel' => $panel, 'x' => $rows[$row]['x'], 'y' => $rows[$row]['y'], 'sheet' => $rows[$row]['sheet']];
            $rows[$row] = [...$rows[$row], 'x' => $rows[$row]['x'] + $w + self::APART];
        }

        return $placed;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Frame;

/** Boards as a cutter reads them, in mm: SVG and DXF, what is cut and what is engraved on layers of their own. */
final readonly class Cutting
{
    /**
     * @param  list<array{panel: Panel, x: float, y: float, sheet: int}>  $placed
     * @param  array{float, float}  $sheet
     */
    public function __construct(private array $placed, private array $sheet) {}

    public function sheets(): int
    {
        return $this->placed === [] ? 0 : 1 + max(array_column($this->placed, 'sheet'));
    }

    public function svg(): string
    {
        [$wide, $high] = $this->sheet;
        $lines = [
            sprintf(
                '<svg xmlns="http://www.w3.org/2000/svg" width="%1$smm" height="%2$smm" viewBox="0 0 %1$s %2$s" fill="none" stroke-width="0.2">',
                self::n($wide * max(1, $this->sheets())), self::n($high),
            ),
        ];
        foreach ($this->placed as ['panel' => $panel, 'x' => $x, 'y' => $y, 'sheet' => $number]) {
            // Down the page in a picture, up the board in a drawing.
            $at = static fn (float $px, float $py): string => self::n($x + $number * $wide + $px).' '.self::n($high - $y - $py);
            $lines[] = sprintf('<g id="%s">', $panel->name.($number > 0 ? '-'.($number + 1) : ''));
            $lines[] = sprintf(
                '<path class="cut" stroke="#c00" d="M%sZ"/>',
                implode('L', array_map(static fn (array $p): string => $at($p[0], $p[1]), $panel->outline)),
            );
            foreach ($panel->marks as [$from, $to]) {
                $lines[] = sprintf('<path class="engrave" stroke="#06c" d="M%sL%s"/>', $at($from[0], $from[1]), $at($to[0], $to[1]));
            }
            $lines[] = '</g>';
        }

        return implode("\n", [...$lines, '</svg>', '']);
    }

    /** The plain tables and entities every drawing program reads: closed polylines to cut, lines to engrave, a name in each panel. */
    public function dxf(): string
    {
        $out = [
            [0, 'SECTION'], [2, 'HEADER'], [9, '$ACADVER'], [1, 'AC1009'], [9, '$INSUNITS'], [70, '4'], [0, 'ENDSEC'], [0, 'SECTION'],
            [2, 'TABLES'], [0, 'TABLE'], [2, 'LAYER'], [70, '3'],
        ];
        foreach (['CUT' => '1', 'ENGRAVE' => '5', 'NAMES' => '8'] as $layer => $colour) {
            array_push($out, [0, 'LAYER'], [2, $layer], [70, '0'], [62, $colour], [6, 'CONTINUOUS']);
        }
        array_push($out, [0, 'ENDTAB'], [0, 'ENDSEC'], [0, 'SECTION'], [2, 'ENTITIES']);
        foreach ($this->placed as ['panel' => $panel, 'x' => $x, 'y' => $y, 'sheet' => $number]) {
            $x += $number * $this->sheet[0];
            array_push($out, [0, 'POLYLINE'], [8, 'CUT'], [66, '1'], [70, '1'], [10, '0.0'], [20, '0.0'], [30, '0.0']);
            foreach ($panel->outline as [$px, $py]) {
                array_push($out, [0, 'VERTEX'], [8, 'CUT'], [10, self::n($x + $px)], [20, self::n($y + $py)], [30, '0.0']);
            }
            $out[] = [0, 'SEQEND'];
            foreach ($panel->marks as [$from, $to]) {
                array_push(
                    $out, [0, 'LINE'], [8, 'ENGRAVE'], [10, self::n($x + $from[0])], [20, self::n($y + $from[1])], [30, '0.0'],
                    [11, self::n($x + $to[0])], [21, self::n($y + $to[1])], [31, '0.0'],
                );
            }
            [$w, $h] = $panel->size();
            array_push(
                $out, [0, 'TEXT'], [8, 'NAMES'], [10, self::n($x + $w / 2.0 - 10.0)], [20, self::n($y + $h / 2.0)], [30, '0.0'],
                [40, '6.0'], [1, strtoupper($panel->name)],
            );
        }
        array_push($out, [0, 'ENDSEC'], [0, 'EOF']);

        return implode('', array_map(static fn (array $pair): string => sprintf("%3d\n%s\n", $pair[0], $pair[1]), $out));
    }

    private static function n(float $value): string
    {
        $text = rtrim(rtrim(number_format($value, 4, '.', ''), '0'), '.');

        return $text === '-0' ? '0' : $text;
    }
}

<?php

declare(strict_types=1);

namespace App\Studies;

use Apalos\Core\Frame\BoxToCut;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Models\Study;

/** The walls of the box a study asks for, drawn to be cut. */
final readonly class BoxDrawing
{
    /** So much the walls of a box stand above its fill: what is poured to the brim runs over. */
    private const FREEBOARD_MM = 10.0;

    /**
     * @param  array{joint?: mixed, board?: mixed, kerf?: mixed, sheet?: mixed}  $said  of the cutting: mm, and a sheet as `600x300`
     * @return array{svg: string, dxf: string}
     *
     * @throws BadInput where it cannot be cut so
     */
    public function of(Study $study, array $said): array
    {
        $block = Fields::of($study->answer ?? [])->object('mould');
        $joint = $said['joint'] ?? 'tabs';
        $box = (new BoxToCut)->ask(Fields::of($joint === 'round' ? self::round($block) : self::walls($block, $joint, $said)));

        return ['svg' => is_string($box['svg']) ? $box['svg'] : '', 'dxf' => is_string($box['dxf']) ? $box['dxf'] : ''];
    }

    /** @return array<string, mixed> as wide as from corner to corner of the piece, and its margin all round */
    private static function round(Fields $block): array
    {
        $inner = $block->numbers('inner_mm', 0.0, 5000.0, 3);
        $margin = $block->number('margin_mm');

        return ['round' => [
            'diameter_mm' => hypot($inner[0] - 2.0 * $margin, $inner[1] - 2.0 * $margin) + 2.0 * $margin, 'height_mm' => $inner[2],
            'clay_bed_mm' => $block->number('seam_mm'), 'fill_mm' => $block->number('fill_mm'), 'freeboard_mm' => self::FREEBOARD_MM,
        ]];
    }

    /**
     * @param  array{board?: mixed, kerf?: mixed, sheet?: mixed}  $said
     * @return array<string, mixed>
     */
    private static function walls(Fields $block, mixed $joint, array $said): array
    {
        $sheet = $said['sheet'] ?? null;

        return [
            'inner_mm' => $block->numbers('inner_mm', 0.0, 5000.0, 3), 'board_mm' => self::number($said['board'] ?? null, 6.0),
            'joint' => $joint, 'kerf_mm' => self::number($said['kerf'] ?? null, 0.0), 'clay_bed_mm' => $block->number('seam_mm'),
            'fill_mm' => $block->number('fill_mm'), 'margin_mm' => $block->number('margin_mm'), 'freeboard_mm' => self::FREEBOARD_MM,
            ...(is_string($sheet) ? ['sheet_mm' => array_map(floatval(...), explode('x', $sheet))] : []),
        ];
    }

    /** What is no number is for the core to refuse. */
    private static function number(mixed $said, float $usual): mixed
    {
        return $said === null || $said === '' ? $usual : (is_numeric($said) ? (float) $said : $said);
    }
}

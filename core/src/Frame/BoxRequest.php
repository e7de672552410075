<?php

declare(strict_types=1);

namespace Apalos\Core\Frame;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** Walls to cut: inner size, board and joint, the board they are cut from, and the levels engraved on them. All in mm. */
final readonly class BoxRequest
{
    private const USUAL_SHEET = [600.0, 400.0];

    /**
     * @param  array{float, float, float}  $inner
     * @param  float  $kerf  what the cut takes away; outlines grow by half of it
     * @param  array{float, float}  $sheet
     * @param  array{clay_bed: float|null, fill: float|null, margin: float|null}  $levels  above the floor
     */
    private function __construct(
        public array $inner,
        public float $board,
        public Joint $joint,
        public float $kerf,
        public array $sheet,
        public array $levels,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('inner_mm', 'board_mm', 'joint', 'kerf_mm', 'sheet_mm', 'clay_bed_mm', 'fill_mm', 'margin_mm', 'freeboard_mm');
        $inner = $in->numbers('inner_mm', 0.0, 5000.0, 3);
        if (count($inner) !== 3 || min($inner) <= 0.0) {
            throw BadInput::at($in->at('inner_mm'), Phrase::of('frame.box_too_small'));
        }
        $board = $in->positive('board_mm', 100.0);
        if ($board >= min($inner)) {
            throw BadInput::at($in->at('board_mm'), Phrase::of('frame.board_too_thick', ['board' => Quantity::length($board)]));
        }
        $kerf = $in->numberOrNull('kerf_mm', 0.0, 10.0) ?? 0.0;
        if ($kerf > $board) {
            throw BadInput::at($in->at('kerf_mm'), Phrase::of('frame.kerf_too_wide'));
        }
        // Walls no higher than the fill run over: they stand so much above it.
        $fill = $in->numberOrNull('fill_mm', 0.0, $inner[2]);
        $high = max($inner[2], ($fill ?? $inner[2]) + ($in->numberOrNull('freeboard_mm', 0.0, 500.0) ?? 0.0));
        $sheet = $in->numbers('sheet_mm', 10.0, 10_000.0, 2);

        return new self(
            [$inner[0], $inner[1], $high], $board, $in->has('joint') ? $in->choice('joint', Joint::class) : Joint::Tabs, $kerf,
            count($sheet) === 2 ? [$sheet[0], $sheet[1]] : self::USUAL_SHEET,
            [
                'clay_bed' => $in->numberOrNull('clay_bed_mm', 0.0, $inner[2]), 'fill' => $fill,
                'margin' => $in->numberOrNull('margin_mm', 0.0, max($inner)),
            ],
        );
    }
}

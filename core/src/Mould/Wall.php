<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Input\Fields;

/** How the material of a kind of mould lies round the piece, for a first guess at how much it takes. */
final readonly class Wall
{
    /**
     * @param  float|null  $mm  thickness over the surface of the piece; null where it fills a box or a tray
     * @param  float  $times  how much of the surface it covers: a shell with flanges more than once, a print with holes less
     * @param  float  $harderBy  points on Shore A, where something holds it in shape
     */
    private function __construct(
        public ?float $mm,
        public float $times,
        public bool $isTray,
        public bool $isRigid,
        public float $harderBy,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('mm', 'times', 'tray', 'rigid', 'harder_by');

        return new self(
            $in->positiveOrNull('mm', 100.0), $in->positiveOrNull('times', 10.0) ?? 1.0, $in->has('tray') && $in->bool('tray'),
            $in->has('rigid') && $in->bool('rigid'), $in->numberOrNull('harder_by', 0.0, 40.0) ?? 0.0,
        );
    }

    /** Millilitres for a piece, with a margin in mm where it fills a box or a tray. */
    public function materialMl(PieceRequest $piece, float $marginMm): float
    {
        if ($this->mm !== null) {
            return $this->times * $piece->areaMm2() * $this->mm / 1000.0;
        }
        [$l, $w, $h] = $piece->size;
        $height = $this->isTray ? min($piece->size) + $marginMm : $h + 2 * $marginMm;

        return max(0.0, ($l + 2 * $marginMm) * ($w + 2 * $marginMm) * $height / 1000.0 - $piece->volumeMl());
    }
}

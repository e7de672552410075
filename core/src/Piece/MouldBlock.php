<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Result\Warning;

/** A block mould as a study proposes it: the box, the seam, what each half takes, keys, sprue and vents. Places are mm in the model. */
final readonly class MouldBlock
{
    /**
     * @param  array{float, float, float}  $inner  across, across, along the pull; mm
     * @param  float  $seam  mm above the floor of the box: how high the clay bed stands
     * @param  array{float, float}  $halves  ml of rubber below and above the seam; one part takes all in the second
     * @param  list<array{float, float, float}>  $keys
     * @param  array{at: array{float, float, float}, to: array{float, float, float}, length_mm: float, reservoir_ml: float}  $spout
     * @param  list<array{at: array{float, float, float}, to: array{float, float, float}, length_mm: float}>  $vents
     * @param  float  $locks  of the surface, in per cent, that a level seam there locks in; nought of one part
     * @param  list<Warning>  $warnings
     */
    public function __construct(
        public array $inner, public float $margin, public float $seam, public bool $stepped, public array $halves,
        public array $keys, public float $keyMm, public array $spout, public array $vents, public float $fillLevel, public float $locks,
        public array $warnings,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'inner_mm' => $this->inner, 'margin_mm' => $this->margin, 'seam_mm' => $this->seam, 'stepped' => $this->stepped,
            'lower_ml' => $this->halves[0], 'upper_ml' => $this->halves[1], 'keys' => $this->keys, 'key_mm' => $this->keyMm,
            'spout' => $this->spout, 'vents' => $this->vents, 'fill_mm' => $this->fillLevel, 'locks_pct' => $this->locks,
            'warnings' => Warning::all($this->warnings),
        ];
    }

    public function rubber(): float
    {
        return $this->halves[0] + $this->halves[1];
    }
}

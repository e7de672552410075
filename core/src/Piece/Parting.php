<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

/** Where the two halves of a mould part: the lines at which the surface turns from one pull to the other. */
final readonly class Parting
{
    /**
     * @param  bool  $flat  all of it within 2 % of the size of one height: a board can lie there
     * @param  array{float, float}  $range  mm along the pull
     * @param  float  $plane  mm along the pull: the height the halves are counted from
     * @param  int  $loops  closed lines, those too short to matter left out
     * @param  list<array{array{float, float, float}, array{float, float, float}}>  $segments  across, across, along; mm
     */
    public function __construct(public bool $flat, public array $range, public float $plane, public int $loops, public array $segments) {}

    /** @return array{flat: bool, z_range_mm: array{float, float}, loops: int} */
    public function toArray(): array
    {
        return ['flat' => $this->flat, 'z_range_mm' => $this->range, 'loops' => $this->loops];
    }
}

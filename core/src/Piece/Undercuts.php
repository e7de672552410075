<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/** What a pull sees of a piece, and what it hides. */
final readonly class Undercuts
{
    /** Letters of the states of facets. */
    public const ABOVE = 'a';

    public const BELOW = 'b';

    public const HIDDEN = 'h';

    public const BASE = '-';

    /**
     * @param  float  $counted  mm²; without the base of a one-part mould
     * @param  float  $hidden  mm²
     * @param  string  $states  a letter a facet
     * @param  list<array{float, float, float, int}>  $places hidden ones: across, across, along, and the sense in which each would have to
     *   leave (0: either)
     */
    public function __construct(
        public Facing $facing,
        public bool $onePart,
        public float $counted,
        public float $hidden,
        public string $states,
        public array $places,
    ) {}

    /** Of the area, in per cent. */
    public function pct(): float
    {
        return $this->counted > 0.0 ? 100.0 * $this->hidden / $this->counted : 0.0;
    }
}

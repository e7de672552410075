<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/** What a mesh is, before anything is asked of it: how large, how heavy with what, whether it holds water. */
final readonly class Survey
{
    /**
     * @param  Mesh  $mesh  with shells that were inside out turned round
     * @param  float  $volume  ml, signed as the facets run
     * @param  float  $area  mm²
     * @param  array{float, float, float}  $centre  of volume, mm
     * @param  int  $inner  shells that are rooms inside another, which a casting does not have
     * @param  int  $overlapping  solid shells inside a solid one that could not be made one: counted twice
     * @param  int  $united  bodies that lay in another and were made one with it
     * @param  bool  $apart  bodies may lie in each other, and could not be made one
     */
    public function __construct(
        public Mesh $mesh,
        public Links $links,
        public Bounds $bounds,
        public float $volume,
        public float $area,
        public array $centre,
        public int $open,
        public int $crowded,
        public int $shells,
        public int $flipped,
        public int $inner,
        public int $overlapping,
        public int $united = 0,
        public bool $apart = false,
    ) {}

    public function watertight(): bool
    {
        return $this->open === 0 && $this->mesh->corners !== [];
    }
}

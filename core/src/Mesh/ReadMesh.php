<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Result\Warning;

/** What came out of a file: the mesh in mm, and what there was to say of the reading. */
final readonly class ReadMesh
{
    /** @param  list<Warning>  $warnings */
    public function __construct(
        public Mesh $mesh,
        public MeshFormat $format,
        public LengthUnit $unit,
        public int $triangles,
        public int $dropped,
        public array $warnings = [],
        public bool $says = false,
    ) {}
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use SplFileObject;

/** A model's file, whichever of the open formats it is in. */
final class MeshReader
{
    /**
     * @param  LengthUnit|null  $unit  as the maker says; without it millimetres, or what the file itself says
     *
     * @throws BadInput with a sentence for every file that is no piece
     */
    public function read(SplFileObject $file, MeshFormat $format, ?LengthUnit $unit = null): ReadMesh
    {
        Limits::bytes((int) $file->fstat()['size']);

        return match ($format) {
            MeshFormat::Stl => (new StlReader)->read($file, $unit ?? LengthUnit::Millimetre),
            MeshFormat::Obj => (new ObjReader)->read($file, $unit ?? LengthUnit::Millimetre),
            MeshFormat::Ply => (new PlyReader)->read($file, $unit ?? LengthUnit::Millimetre),
            MeshFormat::ThreeMf => (new ThreeMfReader)->read($file, $unit),
        };
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mesh;

use Apalos\Core\Mesh\Mesh;
use ZipArchive;

/** One mesh, written in every format the bench reads. */
final class Files
{
    /** @return array<string, array{string, string}> by how it is written: bytes and ending */
    public static function of(Mesh $mesh): array
    {
        return [
            'STL, binary' => [Shapes::stl($mesh), 'stl'],
            'STL, text' => [self::stlText($mesh), 'stl'],
            'OBJ' => [self::obj($mesh), 'obj'],
            'PLY, text' => [self::ply($mesh, 'ascii'), 'ply'],
            'PLY, little-endian' => [self::ply($mesh, 'binary_little_endian'), 'ply'],
            'PLY, big-endian' => [self::ply($mesh, 'binary_big_endian'), 'ply'],
            '3MF' => [self::threeMf(self::model($mesh)), '3mf'],
        ];
    }

    public static function stlText(Mesh $mesh): string
    {
        $text = "solid it\n";
        foreach (array_chunk($mesh->corners, 3) as $three) {
            $text .= " facet normal 0 0 0\n  outer loop\n";
            foreach ($three as $v) {
                $text .= '   vertex '.implode(' ', array_map(static fn (float $c): string => sprintf('%.9e', $c), $mesh->at($v)))."\n";
            }
            $text .= "  endloop\n endfacet\n";
        }

        return $text."endsolid it\n";
    }

    public static function obj(Mesh $mesh): string
    {
        $text = "# a piece\no it\nvn 0 0 1\nvt 0 0\n";
        for ($v = 0; $v < $mesh->vertices(); $v++) {
            $text .= vsprintf("v %.12F %.12F %.12F\n", $mesh->at($v));
        }
        foreach (array_chunk($mesh->corners, 3) as $i => [$a, $b, $c]) {
            // Counted from the front, or from the end; with a texture and a normal, or without.
            $text .= $i % 2 === 0
                ? sprintf("f %d %d//1 %d/1/1\n", $a + 1, $b + 1, $c + 1)
                : sprintf("f %d %d \\\n %d\n", $a - $mesh->vertices(), $b - $mesh->vertices(), $c - $mesh->vertices());
        }

        return $text;
    }

    public static function ply(Mesh $mesh, string $format): string
    {
        $text = "ply\nformat {$format} 1.0\ncomment a piece\nelement vertex {$mesh->vertices()}\nproperty double x\nproperty double y\nproperty double z\nproperty uchar red\n"
            ."element face {$mesh->facets()}\nproperty list uchar int vertex_indices\nproperty uchar flags\nend_header\n";
        $letters = $format === 'binary_big_endian' ? ['E', 'N'] : ['e', 'V'];
        for ($v = 0; $v < $mesh->vertices(); $v++) {
            $text .= $format === 'ascii'
                ? vsprintf("%.12F %.12F %.12F 255\n", $mesh->at($v))
                : pack($letters[0].'3C', ...[...$mesh->at($v), 255]);
        }
        foreach (array_chunk($mesh->corners, 3) as $three) {
            $text .= $format === 'ascii' ? '3 '.implode(' ', $three)." 0\n" : pack("C{$letters[1]}3C", 3, ...[...$three, 0]);
        }

        return $text;
    }

    public static function model(Mesh $mesh, string $unit = 'millimeter', string $build = '<item objectid="1"/>', string $more = ''): string
    {
        $vertices = $triangles = '';
        for ($v = 0; $v < $mesh->vertices(); $v++) {
            $vertices .= vsprintf('<vertex x="%.12F" y="%.12F" z="%.12F"/>', $mesh->at($v));
        }
        foreach (array_chunk($mesh->corners, 3) as $three) {
            $triangles .= vsprintf('<triangle v1="%d" v2="%d" v3="%d"/>', $three);
        }

        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<model unit=\"{$unit}\" xmlns=\"http://schemas.microsoft.com/3dmanufacturing/core/2015/02\"><resources>"
            ."<object id=\"1\" type=\"model\"><mesh><vertices>{$vertices}</vertices><triangles>{$triangles}</triangles></mesh></object>{$more}</resources><build>{$build}</build></model>";
    }

    public static function threeMf(string $model, string $part = '3D/3dmodel.model'): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'threemf');
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::OVERWRITE);
        $zip->addFromString(
            '_rels/.rels',
            '<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Target="/'.$part.'" Id="rel0" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>',
        );
        $zip->addFromString($part, $model);
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }
}

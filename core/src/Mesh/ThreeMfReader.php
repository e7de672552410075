<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use SplFileObject;
use ZipArchive;

/**
 * 3MF: a zip with a model in XML. The parts are unpacked piece by piece and never further than the limit, whatever the zip says of
 * their size; document types and entities are refused unread; objects are placed by their transforms.
 */
final class ThreeMfReader
{
    private const RELATIONS = '_rels/.rels';

    private const USUAL = '3D/3dmodel.model';

    private const BLOCK = 262_144;

    /** Unpacked; a model of two million triangles as XML. */
    private const MOST_UNPACKED = 384 * Limits::MEGABYTE;

    /** @throws BadInput */
    public function read(SplFileObject $file, ?LengthUnit $unit): ReadMesh
    {
        $zip = new ZipArchive;
        if ($zip->open($file->getPathname(), ZipArchive::RDONLY) !== true) {
            throw BadInput::at('file', Phrase::of('mesh.no_zip'));
        }
        try {
            $model = new ThreeMfModel;
            $this->parse($zip, $this->part($zip), $model);
        } finally {
            $zip->close();
        }
        [$welder, $says] = $model->assembled();
        if ($welder->facets() === 0) {
            throw BadInput::at('file', Phrase::of('mesh.no_facets'));
        }
        $own = $unit ?? $says ?? LengthUnit::Millimetre;
        $mesh = $welder->mesh($own->length());
        Limits::coordinates($mesh->x, $mesh->y, $mesh->z);

        return new ReadMesh(
            $mesh, MeshFormat::ThreeMf, $own, $welder->facets(), $welder->dropped(), says: $unit === null && $says !== null,
        );
    }

    /** Where the model lies in the zip: as its relations say, else where it usually lies. */
    private function part(ZipArchive $zip): string
    {
        $relations = $zip->locateName(self::RELATIONS) === false ? '' : (string) @$zip->getFromName(self::RELATIONS, 65_536);
        preg_match_all('/<Relationship\b[^>]*+>/i', $relations, $tags);
        $model = array_filter($tags[0], static fn (string $tag): bool => stripos($tag, '3dmodel"') !== false);
        $named = preg_match('/\bTarget="\/?([^"]++)"/', (string) reset($model), $target) === 1 ? $target[1] : self::USUAL;

        return $zip->locateName($named) === false ? throw BadInput::at('file', Phrase::of('mesh.no_model')) : $named;
    }

    private function parse(ZipArchive $zip, string $part, ThreeMfModel $model): void
    {
        $stream = $zip->getStream($part);
        if ($stream === false) {
            throw BadInput::at('file', Phrase::of('mesh.no_model'));
        }
        $parser = xml_parser_create('UTF-8');
        xml_parser_set_option($parser, XML_OPTION_CASE_FOLDING, 0);
        xml_set_element_handler($parser, $model->begins(...), $model->ends(...));
        $unpacked = 0;
        $tail = '';
        try {
            while (! feof($stream)) {
                // A damaged zip warns and gives nothing; the sentence below says so.
                $block = @fread($stream, self::BLOCK);
                if ($block === false || ($block === '' && ! feof($stream))) {
                    throw BadInput::at('file', Phrase::of('mesh.no_zip'));
                }
                $unpacked += strlen($block);
                if ($unpacked > self::MOST_UNPACKED) {
                    throw BadInput::at('file', Phrase::of('mesh.zip_bomb', ['most' => (float) (self::MOST_UNPACKED / Limits::MEGABYTE)]));
                }
                if (preg_match('/<!(?:DOCTYPE|ENTITY)/i', str_replace("\0", '', $tail.$block)) === 1) {
                    throw BadInput::at('file', Phrase::of('mesh.entities'));
                }
                $tail = substr($block, -24);
                if (xml_parse($parser, $block) !== 1) {
                    throw BadInput::at('file', Phrase::of('mesh.no_xml', ['line' => xml_get_current_line_number($parser)]));
                }
            }
            if (xml_parse($parser, '', true) !== 1) {
                throw BadInput::at('file', Phrase::of('mesh.no_xml', ['line' => xml_get_current_line_number($parser)]));
            }
        } finally {
            fclose($stream);
        }
    }
}

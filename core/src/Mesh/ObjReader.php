<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use SplFileObject;

/** OBJ: its vertices and faces. Faces of more than three corners are cut into a fan; what else may stand in such a file is passed over. */
final class ObjReader
{
    private const MOST_CORNERS = 10_000;

    /** @throws BadInput */
    public function read(SplFileObject $file, LengthUnit $unit): ReadMesh
    {
        $lines = new TextLines($file);
        $welder = new Welder;
        $places = [];
        $open = '';
        while (($some = $lines->next()) !== null) {
            foreach ($some as $line) {
                // A backslash carries a line on.
                if (str_ends_with($line, '\\')) {
                    $open .= substr($line, 0, -1).' ';
                    if (strlen($open) > Limits::LONGEST_LINE) {
                        throw BadInput::at('file', Phrase::of('mesh.no_lines'));
                    }

                    continue;
                }
                if ($open !== '') {
                    [$line, $open] = [$open.$line, ''];
                }
                $first = $line[0] ?? '';
                if ($first === 'v' && ($line[1] ?? '') !== 'n' && ($line[1] ?? '') !== 't' && ($line[1] ?? '') !== 'p') {
                    $places[] = self::place($line, $welder);
                } elseif ($first === 'f') {
                    self::face($line, $places, $welder);
                } elseif ($first === ' ' || $first === "\t") {
                    $trimmed = ltrim($line);
                    if (preg_match('/^v\s/', $trimmed) === 1) {
                        $places[] = self::place($trimmed, $welder);
                    } elseif (preg_match('/^f\s/', $trimmed) === 1) {
                        self::face($trimmed, $places, $welder);
                    }
                }
            }
            if (count($places) > 3 * Limits::MOST_FACETS) {
                Limits::facets(Limits::MOST_FACETS + 1);
            }
        }
        if ($welder->facets() === 0) {
            throw BadInput::at('file', Phrase::of('mesh.no_facets'));
        }
        $mesh = $welder->mesh($unit->length());
        Limits::coordinates($mesh->x, $mesh->y, $mesh->z);

        return new ReadMesh($mesh, MeshFormat::Obj, $unit, $welder->facets(), $welder->dropped());
    }

    private static function place(string $line, Welder $welder): int
    {
        $words = preg_split('/\s+/', trim($line)) ?: [];
        if (! is_numeric($words[1] ?? null) || ! is_numeric($words[2] ?? null) || ! is_numeric($words[3] ?? null)) {
            throw BadInput::at('file', preg_match('/nan|inf/i', $line) === 1 ? Phrase::of('mesh.not_finite') : self::bad($line));
        }

        return $welder->vertex((float) $words[1], (float) $words[2], (float) $words[3]);
    }

    /** @param  list<int>  $places */
    private static function face(string $line, array $places, Welder $welder): void
    {
        $words = preg_split('/\s+/', trim($line)) ?: [];
        $there = count($places);
        $corners = [];
        for ($i = 1, $n = count($words); $i < $n; $i++) {
            $number = (int) $words[$i];
            $at = $number < 0 ? $there + $number : $number - 1;
            if ($number === 0 || ! isset($places[$at])) {
                throw BadInput::at('file', Phrase::of('mesh.no_such_vertex', [
                    'named' => mb_strimwidth(mb_scrub($words[$i]), 0, 20, '…'), 'there' => $there,
                ]));
            }
            $corners[] = $places[$at];
        }
        if (count($corners) < 3 || count($corners) > self::MOST_CORNERS) {
            throw BadInput::at('file', self::bad($line));
        }
        for ($i = 2, $n = count($corners); $i < $n; $i++) {
            $welder->facet($corners[0], $corners[$i - 1], $corners[$i]);
        }
    }

    private static function bad(string $line): Phrase
    {
        return Phrase::of('mesh.bad_line', ['line' => mb_strimwidth(mb_scrub(trim($line)), 0, 60, '…')]);
    }
}

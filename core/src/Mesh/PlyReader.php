<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use SplFileObject;

/** PLY, as text and in either byte order: x, y, z of its vertices and the corner lists of its faces; all else is passed over. */
final class PlyReader
{
    private const MOST_CORNERS = 10_000;

    /** @var list<int> */
    private array $places = [];

    private Welder $welder;

    /** @throws BadInput */
    public function read(SplFileObject $file, LengthUnit $unit): ReadMesh
    {
        $header = PlyHeader::read($file);
        $this->welder = new Welder;
        $this->places = [];
        // The rest of a binary file is walked by offset; its length is bounded by what the bench reads.
        $rest = $header->order === 'ascii' ? null : new PlyBytes($file, $header);
        $lines = $header->order === 'ascii' ? new TextLines($file) : null;
        $pending = [];
        foreach ($header->elements as $element) {
            for ($i = 0; $i < $element['count']; $i++) {
                $row = $rest !== null
                    ? $rest->row($element['properties'])
                    : self::textRow($element['properties'], self::line($lines, $pending));
                match ($element['name']) {
                    'vertex' => $this->vertex($row),
                    'face' => $this->face($row),
                    default => null,
                };
            }
        }
        if ($this->welder->facets() === 0) {
            throw BadInput::at('file', Phrase::of('mesh.no_facets'));
        }
        $mesh = $this->welder->mesh($unit->length());
        Limits::coordinates($mesh->x, $mesh->y, $mesh->z);

        return new ReadMesh($mesh, MeshFormat::Ply, $unit, $this->welder->facets(), $this->welder->dropped());
    }

    /** @param  array<string, float|int|list<float|int>>  $row */
    private function vertex(array $row): void
    {
        [$x, $y, $z] = [$row['x'] ?? null, $row['y'] ?? null, $row['z'] ?? null];
        if ($x === null || $y === null || $z === null || is_array($x) || is_array($y) || is_array($z)) {
            throw BadInput::at('file', Phrase::of('mesh.no_places'));
        }
        $this->places[] = $this->welder->vertex((float) $x, (float) $y, (float) $z);
    }

    /** @param  array<string, float|int|list<float|int>>  $row */
    private function face(array $row): void
    {
        $named = $row['vertex_indices'] ?? $row['vertex_index'] ?? null;
        if (! is_array($named)) {
            throw BadInput::at('file', Phrase::of('mesh.no_corners'));
        }
        $corners = [];
        foreach ($named as $number) {
            $corners[] = $this->places[(int) $number] ?? throw BadInput::at(
                'file', Phrase::of('mesh.no_such_vertex', ['named' => (string) $number, 'there' => count($this->places)]),
            );
        }
        for ($i = 2, $n = count($corners); $i < $n; $i++) {
            $this->welder->facet($corners[0], $corners[$i - 1], $corners[$i]);
        }
    }

    /** @param  list<string>  $pending  lines read and not yet used, the next one last */
    private static function line(?TextLines $lines, array &$pending): string
    {
        do {
            while ($pending === []) {
                $some = $lines?->next() ?? throw BadInput::at('file', Phrase::of('mesh.ends_early'));
                $pending = array_reverse($some);
            }
            $line = trim((string) array_pop($pending));
        } while ($line === '');

        return $line;
    }

    /**
     * @param  list<array{name: string, type: string, counted: string|null}>  $properties
     * @return array<string, float|int|list<float|int>>
     */
    private static function textRow(array $properties, string $line): array
    {
        $words = preg_split('/\s+/', $line) ?: [];
        $at = 0;
        $row = [];
        foreach ($properties as $property) {
            if ($property['counted'] === null) {
                $row[$property['name']] = self::number($words[$at++] ?? '', $line);

                continue;
            }
            $count = (int) self::number($words[$at++] ?? '', $line);
            if ($count < 0 || $count > self::MOST_CORNERS || $at + $count > count($words)) {
                throw BadInput::at('file', Phrase::of('mesh.bad_line', ['line' => mb_strimwidth(mb_scrub($line), 0, 60, '…')]));
            }
            $list = [];
            for ($i = 0; $i < $count; $i++) {
                $list[] = self::number($words[$at++] ?? '', $line);
            }
            $row[$property['name']] = $list;
        }

        return $row;
    }

    private static function number(string $word, string $line): float
    {
        if (! is_numeric($word) || ! is_finite((float) $word)) {
            throw BadInput::at(
                'file',
                preg_match('/nan|inf/i', $word) === 1
                    ? Phrase::of('mesh.not_finite')
                    : Phrase::of('mesh.bad_line', ['line' => mb_strimwidth(mb_scrub($line), 0, 60, '…')]),
            );
        }

        return (float) $word;
    }
}

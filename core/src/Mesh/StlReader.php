<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use SplFileObject;

/**
 * STL, binary and text. Which of the two it is its length tells, not its first word: many a binary file calls itself “solid”. The
 * normals written down are not used; a facet faces the way its corners run.
 */
final class StlReader
{
    private const HEADER = 84;

    private const RECORD = 50;

    private const BLOCK = self::RECORD * 16_384;

    /** @throws BadInput */
    public function read(SplFileObject $file, LengthUnit $unit): ReadMesh
    {
        $size = (int) $file->fstat()['size'];
        $head = (string) $file->fread(2048);
        if ($head === '') {
            throw BadInput::at('file', Phrase::of('mesh.empty'));
        }
        $says = $size >= self::HEADER ? unpack('Vcount', $head, 80) : false;
        $count = is_array($says) && is_int($says['count']) ? $says['count'] : null;
        $isText = ! str_contains($head, "\0") && preg_match('/^\s*solid\b/i', $head) === 1;
        if ($count !== null && ($size === self::HEADER + self::RECORD * $count || ! $isText)) {
            return $this->binary($file, $unit, $size, $count);
        }
        if (! $isText) {
            throw BadInput::at('file', Phrase::of('mesh.no_stl'));
        }

        return $this->text($file, $unit);
    }

    private function binary(SplFileObject $file, LengthUnit $unit, int $size, int $count): ReadMesh
    {
        $there = intdiv($size - self::HEADER, self::RECORD);
        if ($count > $there) {
            throw BadInput::at('file', Phrase::of('mesh.cut_short', ['says' => $count, 'there' => $there]));
        }
        if ($count === 0) {
            throw BadInput::at('file', Phrase::of($there === 0 ? 'mesh.no_facets' : 'mesh.no_stl'));
        }
        Limits::facets($count);
        [$corners, $keys, $dropped] = $this->welded($file, $count);
        $scale = $unit->length();
        $x = $y = $z = [];
        foreach (array_chunk($keys, 8192) as $some) {
            /** @var list<float> $numbers */
            $numbers = array_values((array) unpack('g*', implode('', $some)));
            for ($i = 0, $n = count($numbers); $i < $n; $i += 3) {
                $x[] = $numbers[$i] * $scale;
                $y[] = $numbers[$i + 1] * $scale;
                $z[] = $numbers[$i + 2] * $scale;
            }
        }
        Limits::coordinates($x, $y, $z);

        return new ReadMesh(
            new Mesh($x, $y, $z, $corners), MeshFormat::Stl, $unit, $count, $dropped,
            $count === $there
                ? []
                : [new Warning('more_than_said', Phrase::of('mesh.more_than_said', ['says' => $count, 'there' => $there]))],
        );
    }

    /**
     * The twelve bytes of a corner are the key it is welded by: nothing is unpacked twice.
     *
     * @return array{list<int>, list<string>, int} corners, the bytes of each vertex, facets without a face
     */
    private function welded(SplFileObject $file, int $count): array
    {
        $file->fseek(self::HEADER);
        $index = $corners = [];
        $next = $dropped = 0;
        for ($left = $count * self::RECORD, $rest = ''; $left > 0;) {
            $block = $rest.$file->fread(min($left, self::BLOCK));
            if (strlen($block) === strlen($rest)) {
                throw BadInput::at('file', Phrase::of('mesh.cut_short', [
                    'says' => $count, 'there' => $count - intdiv($left, self::RECORD),
                ]));
            }
            $left -= strlen($block) - strlen($rest);
            $whole = strlen($block) - strlen($block) % self::RECORD;
            if (str_contains($block, "\0\0\0\x80")) {
                $block = self::noughts($block);
            }
            for ($o = 12; $o < $whole; $o += self::RECORD) {
                $key = substr($block, $o, 12);
                $a = $index[$key] ??= $next++;
                $key = substr($block, $o + 12, 12);
                $b = $index[$key] ??= $next++;
                $key = substr($block, $o + 24, 12);
                $c = $index[$key] ??= $next++;
                if ($a === $b || $b === $c || $c === $a) {
                    $dropped++;

                    continue;
                }
                $corners[] = $a;
                $corners[] = $b;
                $corners[] = $c;
            }
            $rest = substr($block, $whole);
        }

        return [$corners, array_map(strval(...), array_keys($index)), $dropped];
    }

    /** Minus nought is nought: two corners that differ in no more are one. */
    private static function noughts(string $block): string
    {
        for ($at = strpos($block, "\0\0\0\x80"); $at !== false; $at = strpos($block, "\0\0\0\x80", $at + 1)) {
            $inside = $at % self::RECORD;
            if ($inside >= 12 && $inside <= 44 && $inside % 4 === 0) {
                $block[$at + 3] = "\0";
            }
        }

        return $block;
    }

    private function text(SplFileObject $file, LengthUnit $unit): ReadMesh
    {
        $file->rewind();
        $file->fseek(0);
        $lines = new TextLines($file);
        $welder = new Welder;
        $corners = [];
        $ends = false;
        while (($some = $lines->next()) !== null) {
            foreach ($some as $line) {
                $words = preg_split('/\s+/', trim($line), 5) ?: [];
                switch (strtolower($words[0] ?? '')) {
                    case 'vertex':
                        if (! is_numeric($words[1] ?? null) || ! is_numeric($words[2] ?? null) || ! is_numeric($words[3] ?? null)) {
                            throw BadInput::at(
                                'file',
                                preg_match('/nan|inf/i', $line) === 1
                                    ? Phrase::of('mesh.not_finite')
                                    : Phrase::of('mesh.bad_line', ['line' => mb_strimwidth(mb_scrub(trim($line)), 0, 60, '…')]),
                            );
                        }
                        $corners[] = $welder->vertex((float) $words[1], (float) $words[2], (float) $words[3]);
                        break;
                    case 'endfacet':
                        if (count($corners) !== 3) {
                            throw BadInput::at('file', Phrase::of('mesh.not_three', [
                                'n' => $welder->facets() + 1, 'corners' => count($corners),
                            ]));
                        }
                        $welder->facet($corners[0], $corners[1], $corners[2]);
                        $corners = [];
                        break;
                    case 'endsolid':
                        $ends = true;
                        break;
                    case 'solid':
                        $ends = false;
                        break;
                }
            }
        }
        if ($welder->facets() === 0) {
            throw BadInput::at('file', Phrase::of('mesh.no_facets'));
        }
        $mesh = $welder->mesh($unit->length());
        Limits::coordinates($mesh->x, $mesh->y, $mesh->z);

        return new ReadMesh(
            $mesh, MeshFormat::Stl, $unit, $welder->facets(), $welder->dropped(),
            $ends && $corners === [] ? [] : [new Warning('cut_short', Phrase::of('mesh.text_cut_short', ['there' => $welder->facets()]))],
        );
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use SplFileObject;

/** The binary rows of a PLY file, read block by block. */
final class PlyBytes
{
    private const BLOCK = 1_048_576;

    /** A face of more corners is a broken file. */
    private const MOST_CORNERS = 10_000;

    private string $block = '';

    private int $at = 0;

    /** @var array<string, array{string, int}> how rows without lists are unpacked, and their length */
    private array $shapes = [];

    public function __construct(private readonly SplFileObject $file, private readonly PlyHeader $header) {}

    /**
     * @param  list<array{name: string, type: string, counted: string|null}>  $properties
     * @return array<string, float|int|list<float|int>>
     *
     * @throws BadInput
     */
    public function row(array $properties): array
    {
        $row = [];
        $plain = [];
        foreach ($properties as $i => $property) {
            if ($property['counted'] === null) {
                $plain[] = $property;
                if (isset($properties[$i + 1])) {
                    continue;
                }
            }
            if ($plain !== []) {
                $row += $this->plain($plain);
                $plain = [];
            }
            if ($property['counted'] !== null) {
                $row[$property['name']] = $this->list($property['counted'], $property['type']);
            }
        }

        return $row;
    }

    /**
     * @param  non-empty-list<array{name: string, type: string, counted: string|null}>  $properties
     * @return array<string, float|int>
     */
    private function plain(array $properties): array
    {
        $key = implode(' ', array_column($properties, 'type'));
        // Unpacked by number: a name may be anything.
        [$format, $length] = $this->shapes[$key] ??= [
            implode(
                '/',
                array_map(
                    fn (array $property, int $i): string => $this->header->letter($property['type'])."_{$i}", $properties,
                    array_keys($properties),
                ),
            ),
            (int) array_sum(array_map(static fn (array $property): int => PlyHeader::size($property['type']), $properties)),
        ];
        /** @var array<string, float|int> $values */
        $values = (array) unpack($format, $this->take($length));
        $row = [];
        foreach ($properties as $i => $property) {
            $row[$property['name']] = $values["_{$i}"];
        }

        return $row;
    }

    /** @return list<float|int> */
    private function list(string $counted, string $type): array
    {
        $count = $this->whole($counted);
        if ($count > self::MOST_CORNERS) {
            throw BadInput::at('file', Phrase::of('mesh.bad_list', ['n' => $count]));
        }
        if ($count === 0) {
            return [];
        }
        /** @var list<float|int> $values */
        $values = array_values((array) unpack($this->header->letter($type).$count, $this->take($count * PlyHeader::size($type))));

        return $values;
    }

    private function whole(string $type): int
    {
        $read = unpack($this->header->letter($type).'n', $this->take(PlyHeader::size($type)));
        $count = $read['n'] ?? 0;

        return is_int($count) && $count >= 0 ? $count : 0;
    }

    private function take(int $length): string
    {
        if (strlen($this->block) - $this->at < $length) {
            $this->block = substr($this->block, $this->at).$this->file->fread(self::BLOCK + $length);
            $this->at = 0;
            if (strlen($this->block) < $length) {
                throw BadInput::at('file', Phrase::of('mesh.ends_early'));
            }
        }
        $bytes = substr($this->block, $this->at, $length);
        $this->at += $length;

        return $bytes;
    }
}

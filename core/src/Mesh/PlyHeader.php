<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use SplFileObject;

/** What a PLY file says of itself: how it is written, and its elements with their properties in order. */
final readonly class PlyHeader
{
    private const SIZES = [
        'char' => 1, 'int8' => 1, 'uchar' => 1, 'uint8' => 1, 'short' => 2, 'int16' => 2, 'ushort' => 2, 'uint16' => 2,
        'int' => 4, 'int32' => 4, 'uint' => 4, 'uint32' => 4, 'float' => 4, 'float32' => 4, 'double' => 8, 'float64' => 8,
    ];

    private const MOST_LINES = 500;

    /**
     * @param  'ascii'|'little'|'big'  $order
     * @param  list<array{name: string, count: int, properties: list<array{name: string, type: string, counted: string|null}>}>  $elements
     */
    private function __construct(public string $order, public array $elements) {}

    /** @throws BadInput */
    public static function read(SplFileObject $file): self
    {
        if (trim((string) $file->fgets()) !== 'ply') {
            throw BadInput::at('file', Phrase::of('mesh.no_ply'));
        }
        $order = null;
        $elements = [];
        for ($n = 0; $n < self::MOST_LINES && ! $file->eof(); $n++) {
            $line = (string) $file->fgets();
            $words = preg_split('/\s+/', trim($line)) ?: [];
            if (strlen($line) > 1000) {
                break;
            }
            switch ($words[0]) {
                case 'format':
                    $order = match ($words[1] ?? '') {
                        'ascii' => 'ascii',
                        'binary_little_endian' => 'little',
                        'binary_big_endian' => 'big',
                        default => null,
                    };
                    break;
                case 'element':
                    $count = $words[2] ?? '';
                    if (! ctype_digit($count) || strlen($count) > 9) {
                        throw BadInput::at('file', Phrase::of('mesh.bad_line', [
                            'line' => mb_strimwidth(mb_scrub(trim($line)), 0, 60, '…'),
                        ]));
                    }
                    Limits::facets(intdiv((int) $count, 3));
                    $elements[] = ['name' => $words[1] ?? '', 'count' => (int) $count, 'properties' => []];
                    break;
                case 'property':
                    $last = array_key_last($elements);
                    $isList = ($words[1] ?? '') === 'list';
                    $type = $words[$isList ? 3 : 1] ?? '';
                    $counted = $isList ? $words[2] ?? '' : null;
                    if (
                        $last === null
                        || ! isset(self::SIZES[$type])
                        || (
                            $counted !== null
                            && (! isset(self::SIZES[$counted]) || str_starts_with($counted, 'float') || $counted === 'double')
                        )
                    ) {
                        throw BadInput::at('file', Phrase::of('mesh.bad_line', [
                            'line' => mb_strimwidth(mb_scrub(trim($line)), 0, 60, '…'),
                        ]));
                    }
                    $elements[$last]['properties'][] = ['name' => $words[$isList ? 4 : 2] ?? '', 'type' => $type, 'counted' => $counted];
                    break;
                case 'end_header':
                    return $order === null ? throw BadInput::at('file', Phrase::of('mesh.no_ply')) : new self($order, $elements);
            }
        }
        throw BadInput::at('file', Phrase::of('mesh.no_ply'));
    }

    public static function size(string $type): int
    {
        return self::SIZES[$type];
    }

    /** The letter PHP unpacks it by; what has no letter of that order is turned round first. */
    public function letter(string $type): string
    {
        $little = $this->order === 'little';

        return match ($type) {
            'char', 'int8' => 'c',
            'uchar', 'uint8' => 'C',
            'short', 'int16', 'ushort', 'uint16' => $little ? 'v' : 'n',
            'int', 'int32', 'uint', 'uint32' => $little ? 'V' : 'N',
            'float', 'float32' => $little ? 'g' : 'G',
            default => $little ? 'e' : 'E',
        };
    }
}

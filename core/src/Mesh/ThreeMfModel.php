<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use XMLParser;

/** The objects of a 3MF model as they are read, and then set where the build puts them. */
final class ThreeMfModel
{
    private const STRAIGHT = [1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0];

    /** Parts of parts of parts. */
    private const DEEPEST = 16;

    private const MOST_PARTS = 100_000;

    /** Vertices and facets, every part as often as it is set. */
    private const MOST_PLACED = 3 * Limits::MOST_FACETS;

    private ?LengthUnit $unit = null;

    private string $object = '';

    /** @var array<string, list<float>> */
    private array $places = [];

    /** @var array<string, list<int>> */
    private array $corners = [];

    /** @var array<string, list<array{string, list<float>}>> objects made of others, and how each is set */
    private array $parts = [];

    /** @var list<array{string, list<float>}> */
    private array $items = [];

    private int $facets = 0;

    /** @param  array<string, string>  $has */
    public function begins(XMLParser $parser, string $name, array $has): void
    {
        $colon = strrpos($name, ':');
        switch ($colon === false ? $name : substr($name, $colon + 1)) {
            case 'vertex':
                array_push($this->places[$this->object], self::number($has, 'x'), self::number($has, 'y'), self::number($has, 'z'));
                break;
            case 'triangle':
                array_push($this->corners[$this->object], self::index($has, 'v1'), self::index($has, 'v2'), self::index($has, 'v3'));
                Limits::facets(++$this->facets);
                break;
            case 'object':
                $this->object = $has['id'] ?? '';
                $this->places[$this->object] = $this->corners[$this->object] = $this->parts[$this->object] = [];
                break;
            case 'component':
                $this->parts[$this->object][] = [$has['objectid'] ?? '', self::transform($has)];
                break;
            case 'item':
                $this->items[] = [$has['objectid'] ?? '', self::transform($has)];
                break;
            case 'model':
                $this->unit = LengthUnit::written($has['unit'] ?? 'millimeter');
                break;
            case 'vertices':
            case 'triangles':
                // Outside an object they belong to nothing.
                $this->places[$this->object] ??= [];
                $this->corners[$this->object] ??= [];
                break;
        }
    }

    public function ends(): void {}

    /**
     * @return array{Welder, LengthUnit|null}
     *
     * @throws BadInput for objects that are not there, or that hold themselves
     */
    public function assembled(): array
    {
        $welder = new Welder;
        // Without a build, what is there lies where it was drawn.
        $items = $this->items !== []
            ? $this->items
            : array_map(static fn (int|string $id): array => [(string) $id, self::STRAIGHT], array_keys(array_filter($this->corners)));
        $this->bounded(array_column($items, 0));
        foreach ($items as [$id, $transform]) {
            $this->place($welder, $id, $transform);
        }

        return [$welder, $this->unit];
    }

    /**
     * Counted before anything is set: a small file can set a part of a part of a part a million times.
     *
     * @param  list<string>  $items
     */
    private function bounded(array $items): void
    {
        $known = [];
        [$parts, $placed] = [0, 0];
        foreach ($items as $id) {
            [$own, $of] = $this->counted($id, $known, 0);
            [$parts, $placed] = [$parts + $own, $placed + $of];
        }
        if ($parts > self::MOST_PARTS || $placed > self::MOST_PLACED) {
            throw BadInput::at('file', Phrase::of('mesh.too_much_placed'));
        }
    }

    /**
     * @param  array<string, array{int, int}>  $known
     * @return array{int, int} parts, and vertices and facets of all of them; past all bounds it counts no further
     */
    private function counted(string $id, array &$known, int $depth): array
    {
        if (isset($known[$id])) {
            return $known[$id];
        }
        if (! isset($this->parts[$id])) {
            throw BadInput::at('file', Phrase::of('mesh.no_object', ['id' => mb_strimwidth(mb_scrub($id), 0, 20, '…')]));
        }
        if ($depth > self::DEEPEST) {
            throw BadInput::at('file', Phrase::of('mesh.in_itself'));
        }
        [$parts, $placed] = [1, intdiv(count($this->places[$id]) + count($this->corners[$id]), 3)];
        foreach ($this->parts[$id] as [$other]) {
            [$own, $of] = $this->counted($other, $known, $depth + 1);
            [$parts, $placed] = [min(PHP_INT_MAX >> 2, $parts + $own), min(PHP_INT_MAX >> 2, $placed + $of)];
        }

        return $known[$id] = [$parts, $placed];
    }

    /** @param  list<float>  $by */
    private function place(Welder $welder, string $id, array $by): void
    {
        $places = $this->places[$id];
        $map = [];
        for ($i = 0, $n = count($places); $i < $n; $i += 3) {
            [$x, $y, $z] = [$places[$i], $places[$i + 1], $places[$i + 2]];
            $map[] = $welder->vertex(
                $x * $by[0] + $y * $by[3] + $z * $by[6] + $by[9],
                $x * $by[1] + $y * $by[4] + $z * $by[7] + $by[10],
                $x * $by[2] + $y * $by[5] + $z * $by[8] + $by[11],
            );
        }
        // A mirroring transform turns a facet round; it is turned back.
        $mirrored = $by[0] * ($by[4] * $by[8] - $by[5] * $by[7]) - $by[1] * ($by[3] * $by[8] - $by[5] * $by[6])
            + $by[2] * ($by[3] * $by[7] - $by[4] * $by[6]) < 0.0;
        $corners = $this->corners[$id];
        for ($i = 0, $n = count($corners); $i < $n; $i += 3) {
            $three = [];
            foreach ([$corners[$i], $corners[$i + 1], $corners[$i + 2]] as $named) {
                $three[] = $map[$named]
                    ?? throw BadInput::at('file', Phrase::of('mesh.no_such_vertex', ['named' => (string) $named, 'there' => count($map)]));
            }
            $mirrored ? $welder->facet($three[0], $three[2], $three[1]) : $welder->facet($three[0], $three[1], $three[2]);
        }
        foreach ($this->parts[$id] as [$other, $transform]) {
            $this->place($welder, $other, self::after($transform, $by));
        }
    }

    /**
     * The one, then the other; rows as the format writes them.
     *
     * @param  list<float>  $one
     * @param  list<float>  $then
     * @return list<float>
     */
    private static function after(array $one, array $then): array
    {
        $both = [];
        for ($row = 0; $row < 4; $row++) {
            for ($column = 0; $column < 3; $column++) {
                $both[] = $one[3 * $row] * $then[$column] + $one[3 * $row + 1] * $then[3 + $column]
                    + $one[3 * $row + 2] * $then[6 + $column] + ($row === 3 ? $then[9 + $column] : 0.0);
            }
        }

        return $both;
    }

    /**
     * @param  array<string, string>  $has
     * @return list<float>
     */
    private static function transform(array $has): array
    {
        $text = trim($has['transform'] ?? '');
        if ($text === '') {
            return self::STRAIGHT;
        }
        $numbers = preg_split('/\s+/', $text) ?: [];
        if (
            count($numbers) !== 12
            || array_filter($numbers, static fn (string $number): bool => ! is_numeric($number) || ! is_finite((float) $number)) !== []
        ) {
            throw BadInput::at('file', Phrase::of('mesh.bad_transform'));
        }

        return array_map(floatval(...), $numbers);
    }

    /** @param  array<string, string>  $has */
    private static function number(array $has, string $key): float
    {
        $text = $has[$key] ?? '';

        return is_numeric($text) && is_finite((float) $text) ? (float) $text : throw BadInput::at('file', Phrase::of('mesh.not_finite'));
    }

    /** @param  array<string, string>  $has */
    private static function index(array $has, string $key): int
    {
        $text = $has[$key] ?? '';

        return ctype_digit($text)
            ? (int) $text
            : throw BadInput::at('file', Phrase::of('mesh.no_such_vertex', [
                'named' => mb_strimwidth(mb_scrub($text), 0, 20, '…'), 'there' => count($has),
            ]));
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Coarse;
use Apalos\Core\Mesh\Facing;

/** What a picture of a study is drawn from, little-endian: counts, places as float32, corners as uint32; then a letter a facet. */
final class StudyShape
{
    private const CHUNK = 4096;

    private const MOST_SEGMENTS = 2500;

    public static function mesh(Coarse $coarse): string
    {
        $mesh = $coarse->mesh;
        $bytes = pack('V2', $mesh->vertices(), $mesh->facets());
        for ($v = 0, $n = $mesh->vertices(); $v < $n; $v += self::CHUNK) {
            $numbers = [];
            for ($i = $v, $end = min($n, $v + self::CHUNK); $i < $end; $i++) {
                array_push($numbers, $mesh->x[$i], $mesh->y[$i], $mesh->z[$i]);
            }
            $bytes .= pack('g*', ...$numbers);
        }
        foreach (array_chunk($mesh->corners, self::CHUNK) as $some) {
            $bytes .= pack('V*', ...$some);
        }

        return $bytes;
    }

    /** A facet of the likeness is what most of those are that went into it. */
    public static function states(Coarse $coarse, string $states): string
    {
        if ($coarse->cell === 0.0) {
            return $states;
        }
        $letters = [Undercuts::ABOVE, Undercuts::BELOW, Undercuts::HIDDEN, Undercuts::BASE];
        $votes = [];
        foreach ($coarse->from as $f => $to) {
            if ($to >= 0) {
                $votes[$to][$states[$f]] = ($votes[$to][$states[$f]] ?? 0) + 1;
            }
        }
        $drawn = str_repeat($letters[0], $coarse->mesh->facets());
        foreach ($votes as $to => $counted) {
            $drawn[$to] = (string) array_search(max($counted), $counted, true);
        }

        return $drawn;
    }

    /**
     * A line of many thousand pieces is drawn as that of a coarser likeness: whole, and no longer to send.
     *
     * @return list<array{array{float, float, float}, array{float, float, float}}>
     */
    private static function seam(StudyResult $result, Facing $facing): array
    {
        $segments = $result->parting->segments;
        foreach ([60_000, 20_000] as $facets) {
            $segments = count($segments) <= self::MOST_SEGMENTS
                ? $segments
                : Silhouette::of(Facing::of(Coarse::of($result->survey->mesh, $facets)->mesh, $facing->along))->segments;
        }

        return array_slice($segments, 0, self::MOST_SEGMENTS);
    }

    /**
     * Where things lie that are drawn beside the mesh, in the model's own millimetres.
     *
     * @return array{
     *     seam: list<list<float>>, deepest: list<float>|null,
     *     frame: array{across: list<float>, other: list<float>, along: list<float>, least: list<float>, most: list<float>, plane: float},
     *     opening: array{at: float, girth: float}, passing: array{at: float, girth: float},
     * }
     */
    public static function notes(StudyResult $result): array
    {
        $facing = $result->pulls[0]->facing;
        [$u, $v] = $facing->along->across();
        $d = $facing->along;
        $seam = array_map(
            static fn (array $segment): array => [...$facing->place($segment[0]), ...$facing->place($segment[1])],
            self::seam($result, $facing),
        );

        return [
            'seam' => $seam,
            'deepest' => $result->depth['at'] === null ? null : $facing->place($result->depth['at']),
            'frame' => [
                'across' => $u->toArray(), 'other' => $v->toArray(), 'along' => $d->toArray(),
                'least' => [$facing->u === [] ? 0.0 : min($facing->u), $facing->v === [] ? 0.0 : min($facing->v), $facing->lowest()],
                'most' => [
                    $facing->u === [] ? 0.0 : max($facing->u), $facing->v === [] ? 0.0 : max($facing->v),
                    $facing->lowest() + $facing->height(),
                ],
                'plane' => $result->parting->plane,
            ],
            'opening' => ['at' => $result->stretch['opening_at_mm'], 'girth' => $result->stretch['opening_mm']],
            'passing' => ['at' => $result->stretch['passes_at_mm'], 'girth' => $result->stretch['passes_mm']],
        ];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Clip;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Facing;
use Apalos\Core\Mesh\Survey;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/** The block round a piece: a box along the pull, the seam in it, keys clear of part and wall, the sprue where air gathers last. */
final readonly class MouldPlanner
{
    /** Between a key and the part or the wall: mm. */
    private const CLEAR = 2.0;

    private const LEAST_KEY = 5.0;

    private const LARGEST_KEY = 18.0;

    /** Of the piece: what the reservoir holds over the mouth, for what the rubber drinks and the mix shrinks. */
    private const RESERVOIR = 0.1;

    private const LEAST_RESERVOIR_ML = 4.0;

    /** Of the surface: less is the zigzag of the facets. */
    private const LOCKS_PCT = 0.5;

    /** Keys stand this far apart along a long side at most. */
    private const EVERY = 90.0;

    /** @param  float|null  $seam  mm along the pull, above the lowest point of the piece; null: where it parts */
    public function __construct(
        private Survey $survey,
        private Facing $facing,
        private Parting $parting,
        private float $margin,
        private bool $onePart,
        private ?float $seam,
    ) {}

    public function plan(Poured $poured): MouldBlock
    {
        $facing = $this->facing;
        $plane = $this->seam === null ? $this->parting->plane : $facing->lowest() + max(0.0, min($facing->height(), $this->seam));
        $floor = $facing->lowest() - ($this->onePart ? 0.0 : $this->margin);
        $roof = $facing->lowest() + $facing->height() + $this->margin;
        [$u0, $u1, $v0, $v1] = $this->footprint();
        $base = ($u1 - $u0) * ($v1 - $v0);
        $volume = abs($this->survey->volume);
        $above = max(0.0, min($volume, Clip::above($facing, $plane)));
        $halves = $this->onePart
            ? [0.0, $base * ($roof - $floor) / 1000.0 - $volume]
            : [$base * ($plane - $floor) / 1000.0 - ($volume - $above), $base * ($roof - $plane) / 1000.0 - $above];
        $key = max(self::LEAST_KEY, min(self::LARGEST_KEY, 0.55 * $this->margin));
        $keys = $this->onePart ? [] : $this->keys($plane, $key);
        $warnings = [];
        if (! $this->onePart && count($keys) < 2) {
            $warnings[] = new Warning('no_room_for_keys', Phrase::of('piece.no_room_for_keys', ['key' => Quantity::length($key)]));
        }
        $locks = $this->onePart || $this->survey->area <= 0.0 ? 0.0 : 100.0 * SeamLocks::at($facing, $plane) / $this->survey->area;
        $told = ['pct' => $locks, 'at' => Quantity::length($plane - $facing->lowest())];
        if (! $this->onePart && ! $this->parting->flat && $this->seam === null) {
            $warnings[] = new Warning('stepped_seam', Phrase::of('piece.stepped_seam', [
                'spread' => Quantity::length($this->parting->range[1] - $this->parting->range[0]), ...$told,
            ]));
        } elseif ($locks >= self::LOCKS_PCT) {
            $warnings[] = new Warning('seam_locks', Phrase::of('piece.seam_locks', [
                ...$told, 'widest' => Quantity::length($this->parting->plane - $facing->lowest()),
            ]));
        }
        $vents = [];
        foreach ($poured->traps as $trap) {
            if (! $trap->wantsVent()) {
                continue;
            }
            if ($trap->inCast) {
                $vents[] = $this->way($trap->at, $poured->up);
            } else {
                $warnings['roof'] = new Warning('air_in_rubber', Phrase::of('piece.air_in_rubber'));
            }
        }

        return new MouldBlock(
            [$u1 - $u0, $v1 - $v0, $roof - $floor], $this->margin, $plane - $floor, ! $this->onePart && ! $this->parting->flat, $halves,
            array_map(fn (array $at): array => $this->facing->place([$at[0], $at[1], $plane]), $keys), $key,
            [...$this->way($poured->spout, $poured->up), 'reservoir_ml' => max(self::LEAST_RESERVOIR_ML, self::RESERVOIR * $volume)],
            $vents, $roof - $floor, $locks, array_values($warnings),
        );
    }

    /** @return array{float, float, float, float} across from, to, other from, to; mm */
    private function footprint(): array
    {
        [$u, $v] = [$this->facing->u, $this->facing->v];
        if ($u === [] || $v === []) {
            return [0.0, 0.0, 0.0, 0.0];
        }

        return [min($u) - $this->margin, max($u) + $this->margin, min($v) - $this->margin, max($v) + $this->margin];
    }

    /**
     * Corners first, then along the long sides: wherever a key has room.
     *
     * @return list<array{float, float}>
     */
    private function keys(float $plane, float $size): array
    {
        [$u0, $u1, $v0, $v1] = $this->footprint();
        $in = $size / 2.0 + self::CLEAR;
        $near = $this->around($plane, $size);
        $wanted = [];
        foreach ([[$u0 + $in, 0], [$u1 - $in, 1]] as [$u]) {
            foreach ([$v0 + $in, $v1 - $in] as $v) {
                $wanted[] = [$u, $v];
            }
        }
        foreach ([$v0 + $in, $v1 - $in] as $v) {
            for ($k = 1, $n = (int) floor(($u1 - $u0) / self::EVERY); $k < $n; $k++) {
                $wanted[] = [$u0 + ($u1 - $u0) * $k / $n, $v];
            }
        }
        foreach ([$u0 + $in, $u1 - $in] as $u) {
            for ($k = 1, $n = (int) floor(($v1 - $v0) / self::EVERY); $k < $n; $k++) {
                $wanted[] = [$u, $v0 + ($v1 - $v0) * $k / $n];
            }
        }

        return array_values(array_filter($wanted, static function (array $at) use ($near, $in): bool {
            foreach ($near as [$u, $v]) {
                if (($u - $at[0]) ** 2 + ($v - $at[1]) ** 2 < $in * $in) {
                    return false;
                }
            }

            return true;
        }));
    }

    /**
     * Points of the piece as far from the seam as a key reaches.
     *
     * @return list<array{float, float}>
     */
    private function around(float $plane, float $size): array
    {
        $near = [];
        foreach ([-0.5, -0.25, 0.0, 0.25, 0.5] as $share) {
            foreach (CrossSection::at($this->facing, $plane + $share * $size + 1e-6)->segments as [$from, $to]) {
                $steps = max(1, (int) ceil(hypot($to[0] - $from[0], $to[1] - $from[1]) / 2.0));
                for ($i = 0; $i <= $steps; $i++) {
                    $near[] = [$from[0] + ($to[0] - $from[0]) * $i / $steps, $from[1] + ($to[1] - $from[1]) * $i / $steps];
                }
            }
        }

        return $near;
    }

    /**
     * From a place on the piece straight up, as it is poured, through the rubber to the outside of the box.
     *
     * @param  array{float, float, float}  $at
     * @return array{at: array{float, float, float}, to: array{float, float, float}, length_mm: float}
     */
    private function way(array $at, Direction $up): array
    {
        [$u, $v] = $this->facing->along->across();
        $d = $this->facing->along;
        [$u0, $u1, $v0, $v1] = $this->footprint();
        $box = [
            [$u0, $u1], [$v0, $v1],
            [
                $this->facing->lowest() - ($this->onePart ? 0.0 : $this->margin),
                $this->facing->lowest() + $this->facing->height() + $this->margin,
            ],
        ];
        $length = INF;
        foreach ([$u, $v, $d] as $i => $axis) {
            $from = $at[0] * $axis->x + $at[1] * $axis->y + $at[2] * $axis->z;
            $per = $up->dot($axis);
            if (abs($per) > 1e-9) {
                $length = min($length, max(0.0, (($per > 0.0 ? $box[$i][1] : $box[$i][0]) - $from) / $per));
            }
        }
        $length = is_finite($length) ? $length : 0.0;

        return [
            'at' => $at, 'to' => [$at[0] + $length * $up->x, $at[1] + $length * $up->y, $at[2] + $length * $up->z], 'length_mm' => $length,
        ];
    }
}

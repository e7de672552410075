<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/** A mesh as it stands to one direction: how far each vertex lies across and along it, and how each facet leans. */
final readonly class Facing
{
    /**
     * @param  list<float>  $u  across, of the vertices, mm
     * @param  list<float>  $v  across
     * @param  list<float>  $w  along
     * @param  list<float>  $lean  of the facets: the normal along the direction, −1 to 1
     * @param  list<float>  $area  of the facets, mm²
     */
    private function __construct(
        public Mesh $mesh,
        public Direction $along,
        public array $u,
        public array $v,
        public array $w,
        public array $lean,
        public array $area,
    ) {}

    /** @param  list<array{float, float, float}>|null  $normals  how its facets face, where that is known better than from the mesh */
    public static function of(Mesh $mesh, Direction $along, ?array $normals = null): self
    {
        [$across, $other] = $along->across();
        [$u, $v, $w, $corners] = [$mesh->along($across), $mesh->along($other), $mesh->along($along), $mesh->corners];
        $lean = $area = [];
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            $a = $corners[$h];
            $b = $corners[$h + 1];
            $c = $corners[$h + 2];
            $bu = $u[$b] - $u[$a];
            $bv = $v[$b] - $v[$a];
            $bw = $w[$b] - $w[$a];
            $cu = $u[$c] - $u[$a];
            $cv = $v[$c] - $v[$a];
            $cw = $w[$c] - $w[$a];
            $nu = $bv * $cw - $bw * $cv;
            $nv = $bw * $cu - $bu * $cw;
            $nw = $bu * $cv - $bv * $cu;
            $twice = sqrt($nu * $nu + $nv * $nv + $nw * $nw);
            $lean[] = $twice > 0.0 ? $nw / $twice : 0.0;
            $area[] = $twice / 2.0;
        }

        foreach ($normals ?? [] as $f => $normal) {
            $lean[$f] = $normal[0] * $along->x + $normal[1] * $along->y + $normal[2] * $along->z;
        }

        return new self($mesh, $along, $u, $v, $w, array_values($lean), $area);
    }

    /**
     * A place given across, across and along, in the model: mm to a thousandth.
     *
     * @param  array{float, float, float}  $at
     * @return array{float, float, float}
     */
    public function place(array $at): array
    {
        [$u, $v] = $this->along->across();
        $d = $this->along;

        return [
            round($at[0] * $u->x + $at[1] * $v->x + $at[2] * $d->x, 3),
            round($at[0] * $u->y + $at[1] * $v->y + $at[2] * $d->y, 3),
            round($at[0] * $u->z + $at[1] * $v->z + $at[2] * $d->z, 3),
        ];
    }

    /** How long it is along the direction, in mm. */
    public function height(): float
    {
        return $this->w === [] ? 0.0 : max($this->w) - min($this->w);
    }

    public function lowest(): float
    {
        return $this->w === [] ? 0.0 : min($this->w);
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

/** A base with pigments in it: load-weighted sums of K and S, seen as a layer over a backing. */
final readonly class Mixture
{
    /** @param  list<float>  $backing */
    public function __construct(private Colourant $base, private float $mm, private array $backing) {}

    /**
     * @param  list<Colourant>  $pigments
     * @param  array<int, float>  $loads  per cent of each
     */
    public function lab(array $pigments, array $loads): Lab
    {
        [$ks, $ss] = [$this->base->k, $this->base->s];
        foreach ($pigments as $j => $pigment) {
            $load = $loads[$j];
            foreach ($pigment->k as $i => $k) {
                $ks[$i] += $load * $k;
                $ss[$i] += $load * $pigment->s[$i];
            }
        }
        $reflectance = [];
        foreach ($ks as $i => $k) {
            $reflectance[] = KubelkaMunk::reflectance($k, $ss[$i], $this->mm, $this->backing[$i]);
        }

        return Observer::lab($reflectance);
    }
}

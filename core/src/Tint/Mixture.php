<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

/** A base with pigments in it: load-weighted sums of K and S, seen as a layer over a backing. */
final readonly class Mixture
{
    /** @param list<float> $backing */
    public function __construct(private Colourant $base, private float $mm, private array $backing) {}

    /**
     * @param  list<Colourant>  $pigments
     * @param  list<float>  $loads  per cent of each
     */
    public function lab(array $pigments, array $loads): Lab
    {
        $reflectance = [];
        foreach ($this->base->k as $i => $k) {
            $s = $this->base->s[$i];
            foreach ($pigments as $j => $pigment) {
                $k += $loads[$j] * $pigment->k[$i];
                $s += $loads[$j] * $pigment->s[$i];
            }
            $reflectance[] = KubelkaMunk::reflectance($k, $s, $this->mm, $this->backing[$i]);
        }

        return Observer::lab($reflectance);
    }
}

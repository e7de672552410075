<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

/** The outline a tape pulled tight around points would take (Andrew's monotone chain). */
final readonly class Hull
{
    /** @param  list<array{float, float}>  $points  anticlockwise */
    private function __construct(public array $points) {}

    /**
     * @param  list<float>  $us
     * @param  list<float>  $vs
     */
    public static function of(array $us, array $vs): self
    {
        array_multisort($us, SORT_NUMERIC, $vs, SORT_NUMERIC);
        $n = count($us);
        $hull = [];
        foreach ([[0, $n, 1], [$n - 2, -1, -1]] as [$from, $end, $by]) {
            $least = count($hull) + ($by === 1 ? 1 : 0);
            for ($i = $from; $i !== $end && $i >= 0; $i += $by) {
                while (($k = count($hull)) > $least && self::turns($hull[$k - 2], $hull[$k - 1], $us[$i], $vs[$i]) <= 0.0) {
                    array_pop($hull);
                }
                $hull[] = [$us[$i], $vs[$i]];
            }
        }
        if (count($hull) > 1) {
            array_pop($hull);
        }

        return new self($hull);
    }

    /**
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     */
    private static function turns(array $a, array $b, float $u, float $v): float
    {
        return ($b[0] - $a[0]) * ($v - $a[1]) - ($b[1] - $a[1]) * ($u - $a[0]);
    }

    /** In mm. */
    public function girth(): float
    {
        $sum = 0.0;
        foreach ($this->points as $i => [$u, $v]) {
            [$nu, $nv] = $this->points[($i + 1) % count($this->points)];
            $sum += hypot($nu - $u, $nv - $v);
        }

        return $sum;
    }

    /** In mm². */
    public function area(): float
    {
        $twice = 0.0;
        foreach ($this->points as $i => [$u, $v]) {
            [$nu, $nv] = $this->points[($i + 1) % count($this->points)];
            $twice += $u * $nv - $v * $nu;
        }

        return $twice / 2.0;
    }
}

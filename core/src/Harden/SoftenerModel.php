<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Units\Shore;

/**
 * What is believed of softener in a base: ln E = c − k·x, x softener as a share of A+B, E the modulus. Normal priors around the
 * sheet and the library, each puck one observation; with normal errors a 2×2 problem with a closed form. Working in ln E lets
 * an A base run down into the 00 scale without a seam.
 */
final readonly class SoftenerModel
{
    private const SD_C = 0.15;

    private const SD_K_SHARE = 0.35;

    private const SD_READING = 0.10;

    /** Half-width of the central 80 % of a normal distribution, in standard deviations. */
    private const EIGHTY = 1.2815515655446004;

    /** What is believed, and how surely. */
    public float $c;

    public float $k;

    private float $varC;

    private float $varK;

    private float $covariance;

    /** The normal equations: their matrix and their right side. */
    private function __construct(private float $cc, private float $ck, private float $kk, private float $bc, private float $bk)
    {
        $det = $cc * $kk - $ck * $ck;
        $this->c = ($kk * $bc - $ck * $bk) / $det;
        $this->k = ($cc * $bk - $ck * $bc) / $det;
        [$this->varC, $this->varK, $this->covariance] = [$kk / $det, $cc / $det, -$ck / $det];
    }

    /** @param  list<SoftenedPuck>  $swatches */
    public static function learnt(Shore $base, float $k, array $swatches): self
    {
        [$cc, $ck, $kk] = [1.0 / self::SD_C ** 2, 0.0, 1.0 / (self::SD_K_SHARE * $k) ** 2];
        [$bc, $bk] = [log($base->modulus()) * $cc, $k * $kk];
        $weight = 1.0 / self::SD_READING ** 2;
        foreach ($swatches as $swatch) {
            [$x, $y] = [$swatch->share(), $swatch->lnModulus];
            $cc += $weight;
            $ck -= $weight * $x;
            $kk += $weight * $x * $x;
            $bc += $weight * $y;
            $bk -= $weight * $x * $y;
        }

        return new self($cc, $ck, $kk, $bc, $bk);
    }

    /** @return array{float, float, float, float, float} what it follows from, to keep it */
    public function toArray(): array
    {
        return [$this->cc, $this->ck, $this->kk, $this->bc, $this->bk];
    }

    /** @param  array{float, float, float, float, float}  $kept */
    public static function from(array $kept): self
    {
        return new self(...$kept);
    }

    /** What would be believed had this puck, which is among those learnt from, never been read. */
    public function without(SoftenedPuck $swatch): self
    {
        [$x, $y, $weight] = [$swatch->share(), $swatch->lnModulus, 1.0 / self::SD_READING ** 2];

        return new self(
            $this->cc - $weight, $this->ck + $weight * $x, $this->kk - $weight * $x * $x, $this->bc - $weight * $y,
            $this->bk + $weight * $x * $y,
        );
    }

    public function lnModulus(float $share): float
    {
        return $this->c - $this->k * $share;
    }

    /** Standard deviation of the ln modulus of a puck yet to be read. */
    public function sd(float $share): float
    {
        return sqrt($this->varC + $share * $share * $this->varK - 2.0 * $share * $this->covariance + self::SD_READING ** 2);
    }

    /** ln modulus at the edge of the 80 % band: −1 the soft edge, 0 the middle, +1 the hard edge. */
    public function edge(float $share, int $side): float
    {
        return $this->lnModulus($share) + $side * self::EIGHTY * $this->sd($share);
    }

    /** How far a puck that this line does not know lies from it, in standard deviations of such a reading. */
    public function residual(SoftenedPuck $swatch): float
    {
        return ($swatch->lnModulus - $this->lnModulus($swatch->share())) / $this->sd($swatch->share());
    }

    /**
     * The same of a puck that is among those learnt from, had it never been read: what it pulled the line towards itself is taken
     * out in closed form (the deleted residual of a regression whose scatter is known).
     */
    public function residualLeftOut(SoftenedPuck $swatch): float
    {
        $x = $swatch->share();
        $leverage = ($this->varC + $x * $x * $this->varK - 2.0 * $x * $this->covariance) / self::SD_READING ** 2;

        return ($swatch->lnModulus - $this->c + $this->k * $x) / (self::SD_READING * sqrt(1.0 - $leverage));
    }

    /** The share of softener at which an edge of the band, or its middle, comes down to this ln modulus; by halving. */
    public function shareFor(float $lnModulus, int $side): float
    {
        [$low, $high] = [0.0, 10.0];
        for ($i = 0; $i < 80; $i++) {
            $middle = ($low + $high) / 2.0;
            $this->edge($middle, $side) > $lnModulus ? $low = $middle : $high = $middle;
        }

        return $low;
    }
}

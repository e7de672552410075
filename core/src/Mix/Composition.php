<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;

/**
 * What one gram of A+B becomes once everything is in it. With X = A+B and the whole M:
 * M·(1 − Σ p_total) = X·(1 + Σ p_ab + w_A Σ p_a + w_B Σ p_b + Σ n·drop/100), and volumes add.
 */
final readonly class Composition
{
    /** @param  array<string, float>  $parts grams of each ingredient for one gram of A+B, in the order given */
    private function __construct(
        public float $massPerAB,
        public float $weightFractionOfA,
        public array $parts,
        public Density $density,
    ) {}

    /**
     * @param  list<Additive>  $additives
     *
     * @throws BadInput when densities are missing, a name is used twice, or the shares of the total leave no room for A+B
     */
    public static function of(Base $base, array $additives): self
    {
        $wA = $base->ratio->weightFractionOfA($base->sgA, $base->sgB);
        self::refuseDoubles($additives);

        $ofTotal = array_sum(array_map(static fn (Additive $a): float => $a->shareOfTotal(), $additives));
        if ($ofTotal >= 0.95) {
            throw BadInput::at('additives', Phrase::of('mix.no_room_for_rubber', ['pct' => round($ofTotal * 100)]));
        }
        $mass = (1.0 + array_sum(array_map(static fn (Additive $a): float => $a->perGramOfAB($wA), $additives))) / (1.0 - $ofTotal);

        $parts = $base->ratio->isOnePart() ? ['A' => 1.0] : ['A' => $wA, 'B' => 1.0 - $wA];
        $volume = self::volumeOfAB($base, $wA);
        foreach ($additives as $additive) {
            $grams = $additive->basis === Basis::OfTotal ? $additive->shareOfTotal() * $mass : $additive->perGramOfAB($wA);
            $parts[$additive->code] = $grams;
            $volume += $grams / $additive->sg->gPerMl;
        }

        return new self($mass, $wA, $parts, Density::of($mass / $volume));
    }

    /**
     * Schools differ in what a percentage is counted on, so each additive is given both of A+B and of part A alone.
     *
     * @return array<string, array{pct_of_ab: float, pct_of_one_part: float}> by code, in order
     */
    public function onBothBases(): array
    {
        $shares = [];
        foreach (array_diff_key($this->parts, ['A' => 0, 'B' => 0]) as $code => $grams) {
            $shares[$code] = ['pct_of_ab' => 100.0 * $grams, 'pct_of_one_part' => 100.0 * $grams / $this->parts['A']];
        }

        return $shares;
    }

    /**
     * How much of an ingredient there is, counted as somebody else counts it: in per cent, or in drops to 100 g of A+B.
     *
     * @return float|null null where it cannot be counted so: there is no B, or nobody knows what a drop weighs
     */
    public function counted(string $code, Basis $basis, ?Grams $drop = null): ?float
    {
        $grams = $this->parts[$code];
        $of = match ($basis) {
            Basis::OfAB => 1.0,
            Basis::OfA => $this->parts['A'],
            Basis::OfB => $this->parts['B'] ?? null,
            Basis::OfTotal => $this->massPerAB,
            Basis::DropsPer100g => $drop?->g,
        };

        return $of === null ? null : 100.0 * $grams / $of;
    }

    /** Millilitres of one gram of A+B. */
    private static function volumeOfAB(Base $base, float $wA): float
    {
        if ($base->sgMixed !== null) {
            return 1.0 / $base->sgMixed->gPerMl;
        }
        if ($base->sgA === null || ($base->sgB === null && ! $base->ratio->isOnePart())) {
            throw BadInput::at('base.sg', Phrase::of('mix.no_density'));
        }

        $mixed = Density::together([[$wA, $base->sgA], ...($base->sgB === null ? [] : [[1.0 - $wA, $base->sgB]])]);

        return 1.0 / $mixed->gPerMl;
    }

    /** @param  list<Additive>  $additives */
    private static function refuseDoubles(array $additives): void
    {
        $seen = ['a' => true, 'b' => true];
        foreach ($additives as $i => $additive) {
            $key = mb_strtolower($additive->code);
            if (isset($seen[$key])) {
                throw BadInput::at("additives.{$i}.name", Phrase::of('mix.twice', ['name' => $additive->name]));
            }
            $seen[$key] = true;
        }
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;

/**
 * What is believed of a base's clock: ln t = ln t₀ + offset − ln q10 · (T − ref)/10, with one q10 and one offset for all
 * its times. The two unknowns have normal priors around the sheet and are updated by what the shop watched; with normal
 * errors that is a 2×2 least-squares problem with a closed form (Bayesian linear regression).
 */
final readonly class CureModel
{
    private const SD_LN_Q10 = 0.22;

    private const SD_OFFSET = 0.18;

    private const SD_WATCHED = 0.10;

    /** Below this a belief does not differ from none. */
    private const NOTHING = 1e-6;

    /** Half-width of the central 80 % of a normal distribution, in standard deviations. */
    public const EIGHTY = 1.2815515655446004;

    /** That of the central 99 %: what is farther out is asked about before it is believed. */
    public const NINETY_NINE = 2.576;

    /** What lies on one side beyond the 99 %. */
    public const ONE_IN_TWO_HUNDRED = 0.005;

    /** The mass a sheet's times are meant for. */
    public const SHEET_MASS_G = 100.0;

    private function __construct(
        public CureSheet $sheet,
        public float $offset,
        public float $lnQ10,
        private float $varOffset,
        private float $varLnQ10,
        private float $covariance,
        public int $restsOn,
    ) {}

    /**
     * As the sheet and what was watched have it; what is far from all the rest is doubted ({@see Witnesses}).
     *
     * @param  list<Observation>  $seen
     */
    public static function learnt(CureSheet $sheet, array $seen): self
    {
        return Witnesses::heard($sheet, $seen)->model;
    }

    /**
     * Least squares over moments watched to the minute, every one of them believed.
     *
     * @param  list<Observation>  $moments  each of a time the sheet gives
     */
    public static function believing(CureSheet $sheet, array $moments): self
    {
        $lnQ10 = log($sheet->q10 ?? CureSheet::USUAL_Q10);
        // Precision matrix and right-hand side of the normal equations, starting from the priors.
        [$oo, $oq, $qq] = [1.0 / self::SD_OFFSET ** 2, 0.0, 1.0 / self::SD_LN_Q10 ** 2];
        [$bo, $bq] = [0.0, $lnQ10 * $qq];
        $weight = 1.0 / self::SD_WATCHED ** 2;
        foreach ($moments as $one) {
            [$x, $y] = self::point($sheet, $one, $one->kind->milestone());
            $oo += $weight;
            $oq += $weight * $x;
            $qq += $weight * $x * $x;
            $bo += $weight * $y;
            $bq += $weight * $x * $y;
        }
        $det = $oo * $qq - $oq * $oq;

        return new self(
            $sheet,
            ($qq * $bo - $oq * $bq) / $det,
            ($oo * $bq - $oq * $bo) / $det,
            $qq / $det,
            $oo / $det,
            -$oq / $det,
            count($moments),
        );
    }

    /**
     * @return array{float, float} tens of degrees below the sheet's temperature, and the natural logarithm of how many times the sheet's
     *   time it took
     */
    private static function point(CureSheet $sheet, Observation $one, Milestone $milestone): array
    {
        return [-$one->room->tensAbove($sheet->reference), log($one->after->min / ($sheet->times[$milestone->value] ?? $one->after)->min)];
    }

    /** How sure a time at $x tens of degrees below the sheet's temperature is, once it will be watched, in natural logarithm. */
    private function spread(float $x, float $watched = self::SD_WATCHED): float
    {
        return sqrt(max(0.0, $this->varOffset + 2.0 * $x * $this->covariance + $x * $x * $this->varLnQ10) + $watched ** 2);
    }

    /**
     * How far a moment that this model has not heard of is from what it expects, in standard deviations; 0 where the sheet has no such
     * time.
     */
    public function far(Observation $one): float
    {
        [$x, $y] = self::point($this->sheet, $one, $one->kind->milestone());

        return isset($this->sheet->times[$one->kind->milestone()->value])
            ? ($y - $this->offset - $x * $this->lnQ10) / $this->spread($x)
            : 0.0;
    }

    /** The same for one of those it was learnt from, against all the others: the studentised residual of the one left out. */
    public function farFromTheOthers(Observation $one): float
    {
        [$x, $y] = self::point($this->sheet, $one, $one->kind->milestone());
        $own = ($this->spread($x, 0.0) / self::SD_WATCHED) ** 2;

        return ($y - $this->offset - $x * $this->lnQ10) / (self::SD_WATCHED * sqrt(max(1e-12, 1.0 - $own)));
    }

    /** How likely what a finger says is to be so; 1 where the sheet has no such time. */
    public function chance(Observation $one): float
    {
        $wrong = 0.0;
        foreach ($one->after->min <= 0.0 ? [] : $one->kind->sides() as [$milestone, $isPast]) {
            if (isset($this->sheet->times[$milestone->value])) {
                [$x, $y] = self::point($this->sheet, $one, $milestone);
                $z = ($this->offset + $x * $this->lnQ10 - $y) / $this->spread($x);
                // A window shuts after it opens: too early and too late exclude each other.
                $wrong += Gauss::below($isPast ? $z : -$z);
            }
        }

        return max(0.0, 1.0 - $wrong);
    }

    /**
     * The same after a finger has said on which side of a moment one is: the normal belief with what it rules out cut away, and a
     * normal one again with the mean and the spread of what is left (assumed-density filtering, Minka 2001).
     */
    public function touched(Observation $one): self
    {
        $model = $this;
        foreach ($one->after->min <= 0.0 ? [] : $one->kind->sides() as $i => [$milestone, $isPast]) {
            if (isset($this->sheet->times[$milestone->value])) {
                [$x, $y] = self::point($this->sheet, $one, $milestone);
                $model = $model->cut($x, $y, $isPast ? -1.0 : 1.0, $i === 0 ? 1 : 0);
            }
        }

        return $model;
    }

    /**
     * Cuts away what makes the moment, at $x tens of degrees below the sheet's, fall on the wrong side of $at; both in natural logarithm of
     * the sheet's time.
     */
    private function cut(float $x, float $at, float $side, int $counts): self
    {
        [$toOffset, $toQ10] = [$this->varOffset + $x * $this->covariance, $this->covariance + $x * $this->varLnQ10];
        $sd = $this->spread($x);
        $z = $side * ($this->offset + $x * $this->lnQ10 - $at) / $sd;
        $hazard = Gauss::hazard($z);
        $moves = $side * $hazard / $sd;
        $narrows = $hazard * ($hazard + $z) / $sd ** 2;

        return new self(
            $this->sheet, $this->offset + $toOffset * $moves, $this->lnQ10 + $toQ10 * $moves,
            $this->varOffset - $toOffset ** 2 * $narrows, $this->varLnQ10 - $toQ10 ** 2 * $narrows,
            $this->covariance - $toOffset * $toQ10 * $narrows, $this->restsOn + $counts,
        );
    }

    /** How many times the sheet's minutes things take at this temperature and mass. */
    public function factor(Celsius $room, ?Grams $mass): float
    {
        return exp($this->offset - $this->lnQ10 * $room->tensAbove($this->sheet->reference)) * $this->factorOfMass($mass);
    }

    /** What its sheet's times are for. */
    public function reference(): Celsius
    {
        return $this->sheet->reference;
    }

    /**
     * The band for a time yet to be watched, 80 % of it unless said otherwise; null where the sheet has no such time.
     *
     * @param  float  $wide  half of its width, in standard deviations
     */
    public function band(Milestone $milestone, Celsius $room, ?Grams $mass, float $wide = self::EIGHTY): ?Band
    {
        $sheetTime = $this->sheet->times[$milestone->value] ?? null;
        if ($sheetTime === null) {
            return null;
        }
        $sd = $this->spread(-$room->tensAbove($this->sheet->reference));
        $likely = $sheetTime->min * $this->factor($room, $mass);

        return new Band(
            Minutes::of($likely * exp(-$wide * $sd)),
            Minutes::of($likely),
            Minutes::of($likely * exp($wide * $sd)),
        );
    }

    /** How many times as long it takes in this mass as in that of the sheet. */
    public function factorOfMass(?Grams $mass): float
    {
        return $mass === null || $mass->g <= 0.0 ? 1.0 : ($mass->g / self::SHEET_MASS_G) ** -$this->sheet->alpha;
    }

    /** The room in which a time would last just so long, in °C; null where warmth changes nothing or the sheet has no such time. */
    public function roomFor(Milestone $milestone, Minutes $wanted, ?Grams $mass): ?float
    {
        $sheetTime = $this->sheet->times[$milestone->value] ?? null;
        if ($sheetTime === null || $this->lnQ10 <= 0.0 || $wanted->min <= 0.0) {
            return null;
        }

        return $this->sheet->reference->degrees
            - 10.0 * (log($wanted->min / ($sheetTime->min * $this->factorOfMass($mass))) - $this->offset) / $this->lnQ10;
    }

    /** The mass that counts: that of one batch where the base heats itself, none where it does not. */
    public function massThatCounts(Grams $batch): ?Grams
    {
        return $this->sheet->alpha > 0.0 ? $batch : null;
    }

    /** The same clock for a cup that pours so many times as long. */
    public function pouring(float $times): self
    {
        return $this->by($this->sheet->pouring($times));
    }

    /** The same clock for a cast that cools so many times as long before it opens. */
    public function cooling(float $times): self
    {
        return $this->by($this->sheet->cooling($times));
    }

    private function by(CureSheet $sheet): self
    {
        return new self($sheet, $this->offset, $this->lnQ10, $this->varOffset, $this->varLnQ10, $this->covariance, $this->restsOn);
    }

    /**
     * Written down with what is begun, so that nothing learnt later moves it.
     *
     * @return array{
     *     sheet: array<string, float|null>, offset: float, ln_q10: float, var_offset: float, var_ln_q10: float, covariance: float,
     *     rests_on: int,
     * }
     */
    public function toArray(): array
    {
        return [
            'sheet' => $this->sheet->toArray(), 'offset' => $this->offset, 'ln_q10' => $this->lnQ10,
            'var_offset' => $this->varOffset, 'var_ln_q10' => $this->varLnQ10, 'covariance' => $this->covariance,
            'rests_on' => $this->restsOn,
        ];
    }

    /** @throws BadInput where it was not written by {@see self::toArray} */
    public static function from(Fields $in): self
    {
        // A touch that hardly moves a clock leaves a trace of a trace: that is nothing, and no number somebody mistyped.
        $written = $in->toArray();
        $anything = static fn (string $key): float => is_numeric($written[$key] ?? null) && abs((float) $written[$key]) < self::NOTHING
            ? 0.0
            : $in->number($key, -1e6, 1e6);

        return new self(
            CureSheet::from($in->object('sheet')), $anything('offset'), $anything('ln_q10'), $anything('var_offset'),
            $anything('var_ln_q10'), $anything('covariance'), (int) $in->number('rests_on'),
        );
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

/**
 * What is learnt from observations of which some may be slips: what lies outside the 99 % band that the sheet and all the *other*
 * observations let expect is left out, the farthest first and one at a time, until none does. Two that agree bear each other out.
 * What was asked about and confirmed always counts.
 */
final readonly class Witnesses
{
    /** @param  list<int>  $doubted  which of the observations were left out, in order */
    private function __construct(public CureModel $model, public array $doubted) {}

    /** @param  list<Observation>  $seen */
    public static function heard(CureSheet $sheet, array $seen): self
    {
        $moments = $fingers = [];
        foreach ($seen as $i => $one) {
            if (isset($sheet->times[$one->kind->milestone()->value]) && $one->after->min > 0.0) {
                $one->kind->isTheMoment() ? $moments[$i] = $one : $fingers[$i] = $one;
            }
        }
        $doubted = [];
        do {
            $model = CureModel::believing($sheet, array_values($moments));
            [$farthest, $far] = [null, CureModel::NINETY_NINE];
            foreach ($moments as $i => $one) {
                $z = $one->sure ? 0.0 : abs($model->farFromTheOthers($one));
                [$farthest, $far] = $z > $far ? [$i, $z] : [$farthest, $far];
            }
            if ($farthest !== null) {
                $doubted[] = $farthest;
                unset($moments[$farthest]);
            }
        } while ($farthest !== null);

        return self::touched($model, $fingers, $doubted);
    }

    /**
     * What a finger rules out, after what was watched to the minute; the likeliest word first, so that the order in which they were said
     * changes nothing.
     *
     * @param  array<int, Observation>  $fingers
     * @param  list<int>  $doubted
     */
    private static function touched(CureModel $model, array $fingers, array $doubted): self
    {
        $first = $model;
        uasort(
            $fingers,
            static fn (Observation $one, Observation $other): int => [
                $first->chance($other), $other->after->min,
            ] <=> [$first->chance($one), $one->after->min],
        );
        foreach ($fingers as $i => $one) {
            if (! $one->sure && $model->chance($one) < CureModel::ONE_IN_TWO_HUNDRED) {
                $doubted[] = $i;
            } else {
                $model = $model->touched($one);
            }
        }
        sort($doubted);

        return new self($model, $doubted);
    }
}

<?php

declare(strict_types=1);

namespace App\Scale;

/** Weigh-ups of one kind: runs, series. What is poured is no business of the scale's. */
interface WeighsUp
{
    /** Null where there is no such weigh-up. */
    public function find(int $id): ?WeighUpAtHand;
}

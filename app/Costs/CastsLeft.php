<?php

declare(strict_types=1);

namespace App\Costs;

use App\Models\Mould;

/** Who knows how many casts a mould has left: what it cost is spread over its whole life. */
interface CastsLeft
{
    /**
     * @param  array<array-key, Mould>  $moulds
     * @return array<int, float> casts still to come, by mould
     */
    public function left(array $moulds): array;
}

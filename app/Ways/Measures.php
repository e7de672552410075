<?php

declare(strict_types=1);

namespace App\Ways;

/** What a way takes, in ml and mm², as it was reckoned with. */
final readonly class Measures
{
    /**
     * @param  array<string, mixed>  $way  as it was answered
     * @param  array<string, mixed>  $asked
     * @return array{piece: float, mould: float, area: float}
     */
    public static function of(array $way, array $asked): array
    {
        return ['piece' => (float) $way['takes']['piece_ml'], 'mould' => (float) $way['takes']['mould_ml'], 'area' => (float) $way['takes']['area_mm2']];
    }
}

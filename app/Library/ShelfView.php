<?php

declare(strict_types=1);

namespace App\Library;

use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use App\Types\View;

/**
 * What a recipe can be written with; what is not here is known where it already stands.
 *
 * @phpstan-type ShelfShape array{
 *     bases: list<array{
 *         code: string, name: string, shore: string|null, one_part: bool, part_a: string, part_b: string|null, by_volume_ok: bool,
 *         vacuum: string, colour: string, family: string, here: bool, heated: bool,
 *     }>,
 *     additives: list<array{
 *         code: string, name: string, role: string, families: list<string>, basis: string, into: string, colour: string, paint_only: bool,
 *         here: bool,
 *     }>
 * }
 */
final readonly class ShelfView implements View
{
    public function __construct(private Library $library) {}

    /** @return ShelfShape */
    public function toArray(): array
    {
        [$shelf, $here] = [$this->library->shelf(), $this->library->atHand()];

        return [
            'bases' => array_values(array_map(fn (BaseSheet $base): array => [
                'code' => $base->code, 'name' => $base->name, 'shore' => $base->shore(), 'one_part' => $base->ratio->isOnePart(),
                'part_a' => $base->partNames['a'], 'part_b' => $base->partNames['b'] ?? null, 'by_volume_ok' => $base->measuredByVolumeOk,
                'vacuum' => $base->vacuum, 'colour' => $base->colour, 'family' => $base->family,
                'here' => isset($here->bases[$base->code]), 'heated' => $this->library->way($base)->heat !== null,
            ], $shelf->bases)),
            'additives' => array_values(array_map(static fn (AdditiveSheet $additive): array => [
                'code' => $additive->code, 'name' => $additive->name, 'role' => $additive->role->value, 'families' => $additive->families,
                'basis' => $additive->basis->value, 'into' => $additive->into->value, 'colour' => $additive->colour,
                'paint_only' => $additive->paintOnly,
                'here' => isset($here->additives[$additive->code]),
            ], $shelf->additives)),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Reads;

use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Material\Shelf;

/**
 * What a recipe can be written with.
 *
 * @phpstan-type ShelfShape array{
 *     bases: list<array{code: string, name: string, shore: string|null, one_part: bool, part_a: string, part_b: string|null, by_volume_ok: bool, vacuum: string, colour: string, family: string}>,
 *     additives: list<array{code: string, name: string, role: string, families: list<string>, basis: string, into: string, colour: string, paint_only: bool}>
 * }
 */
final readonly class ShelfView implements View
{
    public function __construct(private Shelf $shelf) {}

    /** @return ShelfShape */
    public function toArray(): array
    {
        return [
            'bases' => array_values(array_map(static fn (BaseSheet $base): array => [
                'code' => $base->code, 'name' => $base->name, 'shore' => $base->shore(), 'one_part' => $base->ratio->isOnePart(),
                'part_a' => $base->partNames['a'], 'part_b' => $base->partNames['b'] ?? null, 'by_volume_ok' => $base->measuredByVolumeOk,
                'vacuum' => $base->vacuum, 'colour' => $base->colour, 'family' => $base->family,
            ], $this->shelf->bases)),
            'additives' => array_values(array_map(static fn (AdditiveSheet $additive): array => [
                'code' => $additive->code, 'name' => $additive->name, 'role' => $additive->role->value, 'families' => $additive->families,
                'basis' => $additive->basis->value, 'into' => $additive->into->value, 'colour' => $additive->colour, 'paint_only' => $additive->paintOnly,
            ], $this->shelf->additives)),
        ];
    }
}

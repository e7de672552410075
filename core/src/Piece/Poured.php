<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Direction;

/** A piece poured one way up: where the sprue goes, and where air stays all the same. */
final readonly class Poured
{
    /**
     * @param  array{float, float, float}  $spout  the highest point of all, mm in the model
     * @param  list<Trap>  $traps  the most air first
     * @param  int  $more  traps beyond those listed
     */
    public function __construct(public Direction $up, public array $spout, public array $traps, public int $more = 0) {}

    /** All of it, in ml; what lies inside another counts once. */
    public function trapped(): float
    {
        return array_sum(array_map(static fn (Trap $trap): float => $trap->isNested ? 0.0 : $trap->ml, $this->traps));
    }

    /** Traps that hold enough to be let out. */
    public function vents(): int
    {
        return count(array_filter($this->traps, static fn (Trap $trap): bool => $trap->wantsVent())) + $this->more;
    }

    public function nooks(): int
    {
        return count($this->traps) - count(array_filter($this->traps, static fn (Trap $trap): bool => $trap->wantsVent()));
    }

    /**
     * @return array{
     *     up: array{float, float, float}, spout_at: array{float, float, float},
     *     traps: list<array{at: array{float, float, float}, prominence_mm: float, trapped_ml: float, kind: 'cast'|'mould', vent: bool}>,
     *     trapped_ml: float, vents: int,
     * }
     */
    public function toArray(): array
    {
        return [
            'up' => $this->up->toArray(),
            'spout_at' => $this->spout,
            'traps' => array_map(static fn (Trap $trap): array => $trap->toArray(), $this->traps),
            'trapped_ml' => $this->trapped(),
            'vents' => $this->vents(),
        ];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

/**
 * A place where air stays. Under a peak of the piece it stays in the cast; under a roof of the piece it stays in the mould rubber that
 * rises round the original.
 */
final readonly class Trap
{
    /** Less air than this sits in a nook that a brush or a tap empties; it gets no vent. In ml. */
    private const NOOK = 0.02;

    /**
     * @param  array{float, float, float}  $at  its highest point, mm in the model
     * @param  float  $prominence  mm from there down to where it would find a way out
     * @param  float  $ml  air it holds
     * @param  bool  $isNested  inside another trap, whose ml hold its own
     */
    public function __construct(
        public array $at,
        public float $prominence,
        public float $ml,
        public bool $inCast,
        public bool $isNested = false,
    ) {}

    public function wantsVent(): bool
    {
        return $this->ml >= self::NOOK;
    }

    /** @return array{at: array{float, float, float}, prominence_mm: float, trapped_ml: float, kind: 'cast'|'mould', vent: bool} */
    public function toArray(): array
    {
        return [
            'at' => $this->at, 'prominence_mm' => $this->prominence, 'trapped_ml' => $this->ml, 'kind' => $this->inCast ? 'cast' : 'mould',
            'vent' => $this->wantsVent(),
        ];
    }
}

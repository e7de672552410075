<?php

declare(strict_types=1);

namespace Apalos\Core\Material;

use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Basis;
use Apalos\Core\Mix\Into;

/** How much of a kind of additive a base bears, on which basis, and the side it goes into. */
final readonly class AdditiveLimit
{
    public function __construct(public AdditiveRole $role, public float $max, public Basis $basis, public Into $into) {}

    public static function from(Fields $in): self
    {
        $in->only('role', 'max', 'basis', 'into');

        return new self(
            $in->choice('role', AdditiveRole::class), $in->positive('max'), $in->choice('basis', Basis::class),
            $in->choice('into', Into::class),
        );
    }

    /** @return array{role: string, max: float, basis: string, into: string} */
    public function toArray(): array
    {
        return ['role' => $this->role->value, 'max' => $this->max, 'basis' => $this->basis->value, 'into' => $this->into->value];
    }
}

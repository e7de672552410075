<?php

declare(strict_types=1);

namespace Apalos\Core\Water;

use Apalos\Core\Input\Fields;

/** Hooks, wire, rings: grams, how dense, in the body or on it, and where. */
final readonly class Hardware
{
    /** @param  array{float, float, float}|null  $at  mm */
    public function __construct(public string $name, public float $mass, public float $sg, public bool $inside, public ?array $at) {}

    public static function from(Fields $in): self
    {
        $in->only('name', 'mass_g', 'sg', 'inside', 'at_mm');

        return new self(
            $in->textOrNull('name') ?? '', $in->number('mass_g'), $in->number('sg', 0.05, 25.0), $in->bool('inside'),
            BallastRequest::place($in, 'at_mm'),
        );
    }

    /** In ml. */
    public function volume(): float
    {
        return $this->mass / $this->sg;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/** The least box along the axes that holds a piece, in mm. */
final readonly class Bounds
{
    /**
     * @param  array{float, float, float}  $least
     * @param  array{float, float, float}  $most
     */
    public function __construct(public array $least, public array $most) {}

    /** @return array{float, float, float} */
    public function size(): array
    {
        return [$this->most[0] - $this->least[0], $this->most[1] - $this->least[1], $this->most[2] - $this->least[2]];
    }

    /** @return array{float, float, float} */
    public function middle(): array
    {
        return [
            ($this->most[0] + $this->least[0]) / 2.0, ($this->most[1] + $this->least[1]) / 2.0, ($this->most[2] + $this->least[2]) / 2.0,
        ];
    }

    public function meets(self $other): bool
    {
        return $this->least[0] <= $other->most[0]
            && $other->least[0] <= $this->most[0]
            && $this->least[1] <= $other->most[1]
            && $other->least[1] <= $this->most[1]
            && $this->least[2] <= $other->most[2]
            && $other->least[2] <= $this->most[2];
    }

    /** From corner to corner. */
    public function diagonal(): float
    {
        [$l, $w, $h] = $this->size();

        return sqrt($l * $l + $w * $w + $h * $h);
    }
}

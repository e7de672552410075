<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/** A way through space, of length one: a pull, or which way is up. */
final readonly class Direction
{
    private function __construct(public float $x, public float $y, public float $z) {}

    /** @throws BadInput for one that points nowhere */
    public static function of(float $x, float $y, float $z): self
    {
        $length = sqrt($x * $x + $y * $y + $z * $z);
        if (! is_finite($length) || $length < 1e-9) {
            throw BadInput::at('direction', Phrase::of('mesh.no_direction'));
        }

        return new self($x / $length, $y / $length, $z / $length);
    }

    /**
     * As it is written on the console and in a link: `0,0,1`.
     *
     * @throws BadInput
     */
    public static function written(string $text, string $field): self
    {
        $parts = explode(',', $text);
        if (
            count($parts) !== 3
            || array_filter($parts, static fn (string $part): bool => ! is_numeric(trim($part)) || ! is_finite((float) $part)) !== []
        ) {
            throw BadInput::at($field, Phrase::of('mesh.no_direction'));
        }
        try {
            return self::of((float) $parts[0], (float) $parts[1], (float) $parts[2]);
        } catch (BadInput) {
            throw BadInput::at($field, Phrase::of('mesh.no_direction'));
        }
    }

    public static function up(): self
    {
        return new self(0.0, 0.0, 1.0);
    }

    public function back(): self
    {
        return new self(-$this->x, -$this->y, -$this->z);
    }

    public function dot(self $other): float
    {
        return $this->x * $other->x + $this->y * $other->y + $this->z * $other->z;
    }

    /** In degrees, 0–180. */
    public function angleTo(self $other): float
    {
        return rad2deg(acos(max(-1.0, min(1.0, $this->dot($other)))));
    }

    /** Leaning by so many degrees about each of the two ways across it. */
    public function tipped(float $first, float $second): self
    {
        [$u, $v] = $this->across();
        [$a, $b] = [tan(deg2rad($first)), tan(deg2rad($second))];

        return self::of($this->x + $a * $u->x + $b * $v->x, $this->y + $a * $u->y + $b * $v->y, $this->z + $a * $u->z + $b * $v->z);
    }

    /**
     * Two directions square to it and to each other, right-handed: u × v is this one. Along an axis of the model they are the
     * other two axes in their order.
     *
     * @return array{self, self}
     */
    public function across(): array
    {
        $u = match (true) {
            abs($this->z) > 0.9 => self::of($this->z, 0.0, -$this->x),
            abs($this->y) > 0.9 => self::of(0.0, -$this->z, $this->y),
            default => self::of(-$this->y, $this->x, 0.0),
        };
        if (abs($this->z) > 0.9 && $this->z < 0.0) {
            $u = $u->back();
        }
        $v = new self($this->y * $u->z - $this->z * $u->y, $this->z * $u->x - $this->x * $u->z, $this->x * $u->y - $this->y * $u->x);

        return [$u, $v];
    }

    /** @return array{float, float, float} */
    public function toArray(): array
    {
        return [$this->x, $this->y, $this->z];
    }
}

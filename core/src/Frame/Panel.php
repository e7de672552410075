<?php

declare(strict_types=1);

namespace Apalos\Core\Frame;

/** One board of a box, as it is cut: its outline, and what is engraved on it; mm from its lower left corner. */
final readonly class Panel
{
    /**
     * @param  list<array{float, float}>  $outline  anticlockwise, sides along the axes
     * @param  list<array{array{float, float}, array{float, float}}>  $marks
     */
    public function __construct(public string $name, public array $outline, public array $marks) {}

    /** @return array{float, float} */
    public function size(): array
    {
        $x = array_column($this->outline, 0);
        $y = array_column($this->outline, 1);

        return $x === [] || $y === [] ? [0.0, 0.0] : [max($x) - min($x), max($y) - min($y)];
    }

    /** Grown by so much on every side, for what the cut takes away. */
    public function grownBy(float $by): self
    {
        $n = count($this->outline);
        $outline = [];
        foreach ($this->outline as $i => [$x, $y]) {
            [$px, $py] = $this->outline[($i + $n - 1) % $n];
            [$nx, $ny] = $this->outline[($i + 1) % $n];
            // Anticlockwise, outside lies to the right of every side.
            $dx = self::sign($y - $py) + self::sign($ny - $y);
            $dy = -self::sign($x - $px) - self::sign($nx - $x);
            $outline[] = [$x + $by * self::sign($dx) + $by, $y + $by * self::sign($dy) + $by];
        }

        return new self(
            $this->name, $outline,
            array_map(
                static fn (array $mark): array => [[$mark[0][0] + $by, $mark[0][1] + $by], [$mark[1][0] + $by, $mark[1][1] + $by]],
                $this->marks,
            ),
        );
    }

    private static function sign(float $value): float
    {
        return abs($value) < 1e-9 ? 0.0 : ($value > 0.0 ? 1.0 : -1.0);
    }

    public function turned(): self
    {
        [$wide] = $this->size();

        return new self(
            $this->name,
            array_map(static fn (array $at): array => [$at[1], $wide - $at[0]], $this->outline),
            array_map(
                static fn (array $mark): array => [[$mark[0][1], $wide - $mark[0][0]], [$mark[1][1], $wide - $mark[1][0]]], $this->marks,
            ),
        );
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

/** A quantity that is known between a low and a high, with its likely value; never below zero. */
final readonly class Spread
{
    public float $low;

    public float $likely;

    public float $high;

    public function __construct(float $low, float $likely, float $high)
    {
        $this->low = max(0.0, $low);
        $this->likely = max(0.0, $likely);
        $this->high = max(0.0, $high);
    }

    public static function exactly(float $value): self
    {
        return new self($value, $value, $value);
    }

    /** A measurement and how far it may be out either way, in per cent. */
    public static function within(float $value, float $pct): self
    {
        return new self($value * (1.0 - $pct / 100.0), $value, $value * (1.0 + $pct / 100.0));
    }

    public function times(float $factor): self
    {
        return new self($this->low * $factor, $this->likely * $factor, $this->high * $factor);
    }

    public function plus(self $other): self
    {
        return new self($this->low + $other->low, $this->likely + $other->likely, $this->high + $other->high);
    }

    /** What is left of this once the other is taken out: least is left when the other is largest. */
    public function minus(self $other): self
    {
        return new self($this->low - $other->high, $this->likely - $other->likely, $this->high - $other->low);
    }
}

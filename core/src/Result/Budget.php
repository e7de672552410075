<?php

declare(strict_types=1);

namespace Apalos\Core\Result;

/**
 * How much one question may be worked at, in small steps (a turn of an inner loop, some 50 ns), shared by all who answer it. Counted,
 * never timed: the same question has the same answer on a quick machine and on a slow one. Who runs out of it gives the best so far,
 * and says so.
 */
final class Budget
{
    private bool $isShort = false;

    public function __construct(private int $left, private readonly ?self $whole = null) {}

    /** Takes so many steps. False from when nothing is left: what is under way is broken off. */
    public function spend(int $steps): bool
    {
        $this->left -= $steps;
        $there = ($this->whole === null || $this->whole->spend($steps)) && $this->left >= 0;
        for ($one = $this; ! $there && $one !== null; $one = $one->whole) {
            $one->isShort = true;
        }

        return $there;
    }

    /** For one who may not take it all. What he leaves stays here. */
    public function part(float $share): self
    {
        return new self((int) ($share * max(0, $this->left)), $this);
    }

    public function left(): int
    {
        return max(0, $this->left);
    }

    /** True once somebody was broken off, here or in a part of it. */
    public function isShort(): bool
    {
        return $this->isShort;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Scale;

use Apalos\Core\Input\Fields;

/**
 * Holds what a display shows against what the cup must weigh, look by look. Pouring only ever makes it rise, and no faster than a
 * hand pours; whatever else it does is trouble, and stays so until it is put right or somebody says from where to count. Pure: each
 * look gives a new watch.
 */
final readonly class ScaleWatch
{
    /** A display at rest may step back so many divisions; one that moves trembles more. */
    private const RESTS_WITHIN = 2.0;

    private const TREMBLES_WITHIN = 5.0;

    private const LEAST_TREMBLE_G = 1.0;

    /** Faster than this in g/s nobody pours, unless the line is so large that a bucket is emptied: a whole line in two seconds. */
    private const FASTEST_G_PER_S = 120.0;

    private const FASTEST_LINE_S = 2.0;

    /** A tap on the pan is no jump. */
    private const LEAST_JUMP_G = 15.0;

    /** Looks farther apart than this say nothing of how fast it rose. */
    private const LOOKS_WITHIN_S = 1.5;

    /** Creeping: so long at most one division from look to look, and so many divisions in all. */
    private const CREEPS_S = 120.0;

    private const CREEPS_DIVISIONS = 4.0;

    private function __construct(
        public float $anchor,
        public float $highest,
        public ?Seen $last,
        public ?float $creptFrom,
        public ?float $creptSince,
        public bool $fellOnce,
        public ?Trouble $trouble,
        public ?float $saw,
        // What it last read at rest, where the highest was only seen while it moved.
        public ?float $rested = null,
        // The most it read while it moved, since it rested last: a display sinks through all that lies below, look by look.
        public ?float $peak = null,
    ) {}

    public static function over(Expected $expected): self
    {
        return new self($expected->anchor, $expected->anchor, null, null, null, false, null, null);
    }

    /** Where the scale served another meanwhile; so many grams of the line had gone in before. */
    public static function afterAnother(Expected $expected, float $inLine = 0.0): self
    {
        return new self($expected->anchor, $expected->anchor + $inLine, null, null, null, false, Trouble::Elsewhere, null);
    }

    public function sees(Expected $expected, Seen $seen): self
    {
        if ($expected->anchor !== $this->anchor) {
            // Another line, or counted from somewhere else: a new watch.
            return self::over($expected)->sees($expected, $seen);
        }
        if ($seen->grams === null) {
            return $this->with(last: null, trouble: $this->trouble === Trouble::Elsewhere ? Trouble::Elsewhere : Trouble::Unit);
        }
        if ($this->trouble !== null) {
            return $this->isPutRight($expected, $seen->grams, $seen)
                ? self::over($expected)->with(
                    highest: max(
                        $expected->anchor,
                        $this->rested === null
                            ? max($this->highest, $this->trouble === Trouble::Fell ? $seen->grams : $this->highest)
                            : $seen->grams,
                    ),
                    last: $seen,
                )
                : $this->with(last: $seen);
        }

        return $this->falls($expected, $seen->grams, $seen)
            ?? $this->jumps($expected, $seen->grams, $seen)
            ?? $this->creeps($expected, $seen->grams, $seen);
    }

    /** Grams of the line that were seen to go in before there was trouble. */
    public function inLine(): float
    {
        return max(
            0.0, ($this->trouble === null ? max($this->highest, $this->last->grams ?? $this->highest) : $this->highest) - $this->anchor,
        );
    }

    /** Somebody looked and says that all of it is in the cup. */
    public function accepted(): self
    {
        return new self($this->anchor, $this->last->grams ?? $this->highest, null, null, null, false, null, null);
    }

    private function isPutRight(Expected $expected, float $grams, Seen $seen): bool
    {
        $near = ($this->rested === null ? self::RESTS_WITHIN * $expected->division->g : $this->trembles($expected)) + 1e-9;
        // What was set down while it moved was partly on it already: taken away again, it reads between what it last rested at and that.
        $between = $this->trouble === Trouble::Jumped
            && $this->rested !== null
            && $this->rested > $this->anchor
            && $grams >= $this->rested - $near
            && $grams <= $this->highest;
        $back = abs($grams - $this->highest) <= $near;
        // What was lifted while it ran in was only seen sinking: put back, it reads between what was seen of that and the most before.
        $above = $grams >= $this->highest && $grams <= ($this->peak ?? $this->highest) + $near;

        return match ($this->trouble) {
            Trouble::Unit => true,
            Trouble::Fell => $seen->stable && ($back || $above),
            Trouble::Jumped => $seen->stable && ($back || $between),
            default => false,
        };
    }

    private function trembles(Expected $expected): float
    {
        return max(self::TREMBLES_WITHIN * $expected->division->g, self::LEAST_TREMBLE_G);
    }

    private function falls(Expected $expected, float $grams, Seen $seen): ?self
    {
        $missing = $this->highest - $grams;
        $moved = $this->last === null || $this->last->stable ? null : $this->last->grams;
        if ($moved !== null && $moved - $grams > self::LEAST_JUMP_G && $moved > $this->highest) {
            // It never came to rest in between: what it read last is the best that is known of what went in.
            return $this->with(last: $seen, highest: $moved, trouble: Trouble::Fell, saw: $grams, rested: $this->highest);
        }
        $tremble = $this->trembles($expected);
        if ($seen->stable && $missing > self::RESTS_WITHIN * $expected->division->g + 1e-9) {
            // Step by step it went: nobody lifted anything.
            $slowly = $this->last?->grams !== null && abs($this->last->grams - $grams) <= 1.5 * $expected->division->g;

            return $this->with(last: $seen, trouble: $slowly ? Trouble::Crept : Trouble::Fell, saw: $grams);
        }
        if (! $seen->stable && $missing > $tremble) {
            // Once may be a knock against the pan; twice it is gone.
            return $this->fellOnce
                ? $this->with(last: $seen, trouble: Trouble::Fell, saw: $grams)
                : $this->with(last: $seen, fellOnce: true);
        }

        return null;
    }

    private function jumps(Expected $expected, float $grams, Seen $seen): ?self
    {
        $before = $this->last?->grams;
        // As far apart as they may have been: a computer in a hurry is no hand that jumps.
        $apart = $seen->at - ($this->last === null ? $seen->at : $this->last->at - $this->last->took);
        if ($before === null || $apart <= 0.0 || $apart > self::LOOKS_WITHIN_S) {
            return null;
        }
        $rose = $grams - $before;
        $fastest = max(self::FASTEST_G_PER_S, $expected->grams / self::FASTEST_LINE_S);

        return $rose > self::LEAST_JUMP_G && $rose / $apart > $fastest
            ? $this->with(
                last: $seen, highest: max($this->highest, $before), trouble: Trouble::Jumped, saw: $grams,
                rested: $before > $this->highest ? $this->highest : null,
            )
            : null;
    }

    private function creeps(Expected $expected, float $grams, Seen $seen): self
    {
        $division = $expected->division->g;
        $before = $this->last->grams ?? $grams;
        $still = $seen->stable && abs($grams - $before) <= 1.5 * $division;
        $from = $still ? ($this->creptFrom ?? $grams) : null;
        $since = $still ? ($this->creptSince ?? $seen->at) : null;
        $next = new self(
            $this->anchor, $seen->stable ? max($this->highest, $grams) : $this->highest, $seen, $from, $since, false, null, null,
            peak: $seen->stable ? null : max($this->peak ?? $grams, $grams),
        );

        return $next->creptHere($expected, $grams, $seen) ? $next->with(last: $seen, trouble: Trouble::Crept, saw: $grams) : $next;
    }

    private function creptHere(Expected $expected, float $grams, Seen $seen): bool
    {
        return $this->creptFrom !== null && $this->creptSince !== null && $seen->at - $this->creptSince >= self::CREEPS_S
            && abs($grams - $this->creptFrom) >= self::CREEPS_DIVISIONS * $expected->division->g - 1e-9;
    }

    private function with(
        ?Seen $last,
        ?float $highest = null,
        ?bool $fellOnce = null,
        ?Trouble $trouble = null,
        ?float $saw = null,
        ?float $rested = null,
    ): self {
        return new self(
            $this->anchor, $highest ?? $this->highest, $last, $this->creptFrom, $this->creptSince, $fellOnce ?? $this->fellOnce,
            $trouble ?? $this->trouble, $saw ?? $this->saw, $rested ?? $this->rested, $this->peak,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'anchor' => $this->anchor, 'highest' => $this->highest,
            'last' => $this->last === null
                ? null
                : ['grams' => $this->last->grams, 'stable' => $this->last->stable, 'at' => $this->last->at, 'took' => $this->last->took],
            'crept_from' => $this->creptFrom, 'crept_since' => $this->creptSince, 'fell_once' => $this->fellOnce,
            'trouble' => $this->trouble?->value, 'saw' => $this->saw, 'rested' => $this->rested,
            'peak' => $this->peak,
        ];
    }

    public static function from(Fields $in): self
    {
        $any = static fn (Fields $in, string $key): ?float => $in->numberOrNull($key, -1e12, 1e12);
        $last = $in->objectOrNull('last');

        return new self(
            $any($in, 'anchor') ?? 0.0, $any($in, 'highest') ?? 0.0,
            $last === null
                ? null
                : new Seen(
                    $any($last, 'grams'), $last->bool('stable'), $any($last, 'at') ?? 0.0, 'g',
                    $last->numberOrNull('took', 0.0, 1e6) ?? 0.0,
                ),
            $any($in, 'crept_from'), $any($in, 'crept_since'), $in->bool('fell_once'), Trouble::tryFrom($in->textOrNull('trouble') ?? ''),
            $any($in, 'saw'), $any($in, 'rested'), $any($in, 'peak'),
        );
    }
}

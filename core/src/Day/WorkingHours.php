<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** When hands are there: intervals of minutes from midnight of the first day, in order, none touching the next. */
final readonly class WorkingHours
{
    /** @param  list<array{0: float, 1: float}>  $intervals */
    private function __construct(public array $intervals) {}

    /** @throws BadInput where they overlap, end before they begin, or come out of order */
    public static function from(Fields $in): self
    {
        $days = $in->toArray()['days'] ?? null;
        if (! is_array($days) || ! array_is_list($days) || count($days) > 400) {
            throw BadInput::at($in->at('days'), Phrase::of('day.no_days'));
        }
        $intervals = [];
        $last = -INF;
        foreach (array_keys($days) as $i) {
            $pair = Fields::of($days, $in->at('days'))->numbers((string) $i, -Fields::HUGE, Fields::HUGE, 2);
            if (count($pair) !== 2 || $pair[0] >= $pair[1] || $pair[0] < $last) {
                throw BadInput::at($in->at("days.{$i}"), Phrase::of('day.bad_interval'));
            }
            // What touches is one stretch of work.
            $before = $pair[0] === $last ? array_pop($intervals) : null;
            $intervals[] = [$before[0] ?? $pair[0], $pair[1]];
            $last = $pair[1];
        }

        return new self($intervals);
    }

    /** @param  list<array{0: float, 1: float}>  $intervals */
    public static function of(array $intervals): self
    {
        return new self($intervals);
    }

    public function longest(): float
    {
        return array_reduce($this->intervals, static fn (float $most, array $one): float => max($most, $one[1] - $one[0]), 0.0);
    }

    public function end(): float
    {
        return $this->intervals === [] ? -INF : $this->intervals[count($this->intervals) - 1][1];
    }

    /** The first moment from $at on at which so many minutes lie whole in one stretch; INF where none is left. */
    public function fit(float $at, float $minutes): float
    {
        for ($i = $this->firstClosingAfter($at); isset($this->intervals[$i]); $i++) {
            [$opens, $closes] = $this->intervals[$i];
            $start = $at > $opens ? $at : $opens;
            if ($start + $minutes <= $closes + 1e-9) {
                return $start;
            }
        }

        return INF;
    }

    /** The number of the first stretch that has not closed by then. */
    private function firstClosingAfter(float $at): int
    {
        [$low, $high] = [0, count($this->intervals)];
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($this->intervals[$middle][1] + 1e-9 < $at) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    /** The end of the stretch a moment lies in; the moment itself where it lies in none. */
    public function closesAfter(float $at): float
    {
        foreach ($this->intervals as [$opens, $closes]) {
            if ($at >= $opens - 1e-9 && $at <= $closes + 1e-9) {
                return $closes;
            }
        }

        return $at;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Fault;

use Apalos\Core\Phrase\Phrase;

/** What bad pours have in common, the surest first, or that it cannot be known yet. */
final readonly class CommonResult
{
    /**
     * @param list<array{
     *     what: string, value: string, bad: int, all: int, elsewhere_bad: int, elsewhere_all: int, chance: float, corrected: float,
     *     sure: bool,
     * }>  $found
     * @param  int  $looked  so many things that could have stood out were looked at
     * @param  bool  $couldTell  whether anything could have come out sure
     */
    public function __construct(public array $found, public int $looked, public int $bad, public int $all, public bool $couldTell) {}

    public function says(): Phrase
    {
        $values = ['bad' => $this->bad, 'all' => $this->all, 'looked' => $this->looked];

        return match (true) {
            $this->found !== [] && $this->found[0]['sure'] => Phrase::of('fault.common_sure', $values),
            $this->found !== [] => Phrase::of('fault.common_perhaps', $values),
            ! $this->couldTell => Phrase::of('fault.common_too_few', $values),
            default => Phrase::of('fault.common_nothing', $values),
        };
    }

    /**
     * @return array{
     *     found: list<array{
     *         what: string, value: string, bad: int, all: int, elsewhere_bad: int, elsewhere_all: int, chance: float, corrected: float,
     *         sure: bool,
     *     }>,
     *     looked: int, bad: int, all: int, says: Phrase,
     * }
     */
    public function toArray(): array
    {
        return ['found' => $this->found, 'looked' => $this->looked, 'bad' => $this->bad, 'all' => $this->all, 'says' => $this->says()];
    }
}

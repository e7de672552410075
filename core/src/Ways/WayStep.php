<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Day\DayOperation;
use Apalos\Core\Phrase\Phrase;

/** One piece of work of a whole way, begun after the one before it: minutes of hands, and the wait between. */
final readonly class WayStep
{
    /**
     * @param  float  $minutes  of hands
     * @param  float  $from  minutes from the end of the one before until it may begin
     * @param  float|null  $until  until when it has to; null where its window does not shut
     * @param  'test'|'prepare'|'mould'|'cast'  $stage
     * @param  float|null  $hands  minutes hands really work in it, where that is less: several rounds of casting with their waits
     */
    public function __construct(
        public string $id,
        public float $minutes,
        public float $from,
        public ?float $until,
        public string $stage,
        public Phrase $name,
        public ?float $hands = null,
    ) {}

    public function hands(): float
    {
        return $this->hands ?? $this->minutes;
    }

    /**
     * @return array{
     *     id: string, minutes: float, uses: list<string>, after: list<array{op: string, from_min: float, until_min: float|null}>,
     *     due_min: float|null,
     * } as `schedule` asks for it
     */
    public function toArray(?string $before, ?float $due): array
    {
        return [
            'id' => $this->id, 'minutes' => $this->minutes, 'uses' => [DayOperation::HANDS],
            'after' => $before === null ? [] : [['op' => $before, 'from_min' => $this->from, 'until_min' => $this->until]],
            'due_min' => $due,
        ];
    }
}

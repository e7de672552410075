<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

/** When a gang is through, what holds it up, and what one more mould would bring. Minutes from midnight of the first day. */
final readonly class GangResult
{
    /**
     * @param  list<float>  $pours  when each cycle is poured
     * @param  float  $end  INF where the hours given run out
     * @param  float  $endWithOneMore  the same with one more mould
     * @param  string  $bottleneck  hands, moulds or chamber
     * @param  array<string, float>  $loads  minutes each would take were nothing else short
     */
    public function __construct(
        public int $cycles,
        public array $pours,
        public float $end,
        public float $endWithOneMore,
        public string $bottleneck,
        public array $loads,
        private WorkingHours $hours,
    ) {}

    /** Working days it touches. */
    public function days(): int
    {
        return count(
            array_filter(
                $this->hours->intervals,
                fn (array $day): bool => array_filter($this->pours, static fn (float $at): bool => $at >= $day[0] && $at <= $day[1]) !== []
                    || ($this->end > $day[0] && $this->end <= $day[1]),
            ),
        );
    }

    /**
     * @return array{
     *     cycles: int, days: int, end_min: float|null, bottleneck: string, loads: array<string, float>, pours_min: list<float>,
     *     one_more_saves_min: float|null,
     * }
     */
    public function toArray(): array
    {
        return [
            'cycles' => $this->cycles, 'days' => $this->days(), 'end_min' => $this->end === INF ? null : $this->end,
            'bottleneck' => $this->bottleneck, 'loads' => $this->loads,
            'pours_min' => array_slice($this->pours, 0, 60),
            'one_more_saves_min' => $this->end === INF || $this->endWithOneMore === INF
                ? null
                : max(0.0, $this->end - $this->endWithOneMore),
        ];
    }
}

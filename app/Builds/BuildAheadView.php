<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Units\Minutes;
use App\Types\View;

/**
 * What a tablet follows a build by where the bench computer does not answer: what each operation waits for, and for how long, in the room
 * as it is now.
 */
final readonly class BuildAheadView implements View
{
    public function __construct(private RecordedBuild $recorded) {}

    /**
     * @return array{
     *     last_fact_id: int, began_ms: int,
     *     operations: list<array{id: string, waits: list<array{op: string, over: bool, from_ms: int, until_ms: int|null}>}>,
     * } `from` and `until` of what is over are moments, else spans after its end
     */
    public function toArray(): array
    {
        $ms = fn (bool $isOver, ?float $minutes): ?int => $minutes === null
            ? null
            : ($isOver ? $this->recorded->ms($minutes) : Minutes::ms($minutes));
        $operations = [];
        foreach ($this->recorded->state->ahead($this->recorded->minutes($this->recorded->now), $this->recorded->clock) as $id => $waits) {
            $operations[] = ['id' => $id, 'waits' => array_map(
                static fn (string $op, array $wait): array => [
                    'op' => $op, 'over' => $wait['over'], 'from_ms' => (int) $ms($wait['over'], $wait['from']),
                    'until_ms' => $ms($wait['over'], $wait['until']),
                ],
                array_keys($waits), array_values($waits),
            )];
        }

        return ['last_fact_id' => $this->recorded->lastFactId(), 'began_ms' => (int) $this->recorded->ms(0.0), 'operations' => $operations];
    }
}

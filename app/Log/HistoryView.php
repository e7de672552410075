<?php

declare(strict_types=1);

namespace App\Log;

use Apalos\Core\Casting\CastingWays;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Run\HistoryResult;
use Apalos\Core\Run\RunFactKind;
use App\Facts\Happened;
use App\People\Names;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use App\Types\View;
use Carbon\CarbonImmutable;

/** How a pour went: step by step with its time, the room, and who; planned beside real. */
final readonly class HistoryView implements View
{
    public function __construct(
        private RecordedRun $run,
        private RoomTemperature $room,
        private CureClock $clock,
        private CastingWays $ways,
        private Names $names,
    ) {}

    /**
     * @return array{
     *     steps: list<array{
     *         id: int, at_ms: int, kind: string, step: string, batch: int, name: string|null, planned_g: float|null,
     *         weighed_g: float|null, c: float|null, room_c: float, person: string|null, text: string|null,
     *     }>,
     *     sums: list<array{name: string, planned_g: float, weighed_g: float}>,
     *     times: list<array{what: string, planned_min: float|null, real_min: float|null}>, more: bool, met: string
     * }
     */
    public function toArray(): array
    {
        $history = HistoryResult::of(
            $this->run->plan,
            Happened::read($this->run->facts, RunFactKind::class, (int) $this->run->at(0.0)?->getTimestampMs()),
        );
        $by = array_column(
            array_map(
                fn (Happened $fact): array => ['id' => $fact->id, 'by' => $this->names->by($fact->person, $fact->witness)],
                $this->run->facts,
            ),
            'by', 'id',
        );
        $at = fn (float $minutes): CarbonImmutable => $this->run->at($minutes) ?? CarbonImmutable::now();
        $history->steps === [] || $this->room->reach($at($history->steps[0]['at']));

        return [
            'steps' => array_map(fn (array $step): array => [
                'id' => $step['fact'], 'at_ms' => (int) $at($step['at'])->getTimestampMs(), 'kind' => $step['kind'],
                'step' => $step['step'], 'batch' => $step['batch'],
                'name' => $step['code'] === null ? null : $this->run->frozen->called($step['code']), 'planned_g' => $step['planned_g'],
                'weighed_g' => $step['weighed_g'], 'c' => $step['c'],
                'room_c' => $this->room->at($at($step['at']))->degrees, 'person' => $by[$step['fact']] ?? null, 'text' => $step['text'],
            ], $history->steps),
            'sums' => array_map(
                fn (array $sum): array => [
                    'name' => $this->run->frozen->called($sum['code']), 'planned_g' => $sum['planned_g'], 'weighed_g' => $sum['weighed_g'],
                ],
                $history->sums,
            ),
            'times' => $this->times(),
            'more' => $history->more,
            'met' => $this->run->worked($this->ways)->clock['met'],
        ];
    }

    /** @return list<array{what: string, planned_min: float|null, real_min: float|null}> */
    private function times(): array
    {
        $state = $this->run->state;
        $met = $state->lastMetAt();
        $since = static fn (?float $then): ?float => $met === null || $then === null ? null : max(0.0, $then - $met);
        $due = function (Milestone $milestone) use ($met): ?float {
            $from = $this->run->at($met);
            $at = $from === null ? null : $this->clock->from($from, $this->run->frozen->clock, $milestone)?->likely();

            return $from === null || $at === null ? null : $from->diffInSeconds($at) / 60.0;
        };

        return [
            [
                'what' => 'filled', 'planned_min' => $this->run->plan->mixing->min + $this->run->plan->degassing->min,
                'real_min' => $since($state->filledAt === [] ? null : max($state->filledAt)),
            ],
            ['what' => 'gelled', 'planned_min' => $due(Milestone::PotLife), 'real_min' => $since($state->gelledAt)],
            ['what' => 'opened', 'planned_min' => $due(Milestone::Demould), 'real_min' => $since($state->openedAt)],
        ];
    }
}

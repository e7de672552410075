<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\Felt;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\OperationStands;
use Apalos\Core\Build\WindowClock;
use Apalos\Core\Cure\Band;
use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Cure\Observation;
use Apalos\Core\Mix\BatchLimit;
use Apalos\Core\Units\Minutes;
use App\Log\FrozenPlan;
use App\Models\Pour;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;

/**
 * The windows of one build, by the clock its coats were begun with and the room as it was and is. A recoat window counts from where
 * the coat lies; the pot life, the demould and the rest from where A met B, as everywhere.
 */
final readonly class BuildClock implements WindowClock
{
    /** @param  array<string, Pour>  $pours  by operation, of those that have begun */
    public function __construct(private RoomTemperature $room, private CarbonImmutable $zero, private array $pours) {}

    public function after(Operation $of, float $endedAt, Milestone $milestone, array $touches): ?float
    {
        $pour = $this->pours[$of->id] ?? null;
        if ($pour === null || $pour->met_at === null) {
            return null;
        }
        $clock = FrozenPlan::of($pour)->clock;
        $ended = $this->at($endedAt);
        $recoats = $milestone === Milestone::RecoatOpen || $milestone === Milestone::RecoatClose;
        $from = $recoats ? $ended : $pour->met_at;
        $model = $recoats ? $this->touched($clock->model, $ended, $endedAt, $touches) : $clock->model;
        $reached = $this->room->since($from)->reaches($milestone, $model, $clock->mass)?->likely;
        if ($reached === null) {
            return null;
        }
        $minutes = $milestone === Milestone::PotLife ? BatchLimit::pourable($reached)->min : $reached->min;

        return max(0.0, $minutes - ($recoats ? 0.0 : $from->diffInMilliseconds($ended) / 60_000.0));
    }

    /** @param  list<Felt>  $touches */
    private function touched(CureModel $model, CarbonImmutable $ended, float $endedAt, array $touches): CureModel
    {
        foreach ($touches as $touch) {
            $one = new Observation(
                $this->room->at($ended), $touch->finger->watched(), Minutes::of(max(0.01, $touch->at - $endedAt)), $touch->sure,
            );
            // What was told before anybody asked, and cannot have been so, moves no clock.
            $model = $one->sure || $model->chance($one) >= CureModel::ONE_IN_TWO_HUNDRED ? $model->touched($one) : $model;
        }

        return $model;
    }

    /**
     * What was to be expected, where a touch is far from it: the 99 % band of the moment it speaks of, in minutes after the coat lay;
     * null where it may well be so.
     *
     * @param  list<Felt>  $before  other touches of this coat
     */
    public function unexpected(OperationStands $coat, Felt $touch, array $before): ?Band
    {
        $pour = $this->pours[$coat->operation->id] ?? null;
        if ($pour === null || $coat->endedAt === null) {
            return null;
        }
        $clock = FrozenPlan::of($pour)->clock;
        $ended = $this->at($coat->endedAt);
        $model = $this->touched(
            $clock->model, $ended, $coat->endedAt,
            array_values(array_filter($before, static fn (Felt $one): bool => ! $one->leftOut && $one->at >= $coat->endedAt)),
        );
        $kind = $touch->finger->watched();
        $one = new Observation($this->room->at($ended), $kind, Minutes::of(max(0.01, $touch->at - $coat->endedAt)));

        return $model->chance($one) >= CureModel::ONE_IN_TWO_HUNDRED
            ? null
            : $model->band($kind->milestone(), $one->room, null, CureModel::NINETY_NINE);
    }

    private function at(float $minutes): CarbonImmutable
    {
        return $this->zero->addMilliseconds(Minutes::ms($minutes));
    }
}

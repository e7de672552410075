<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Cure\Band;
use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Cure\Watched;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Run\EventKind;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;
use App\Models\Pour;
use App\Models\RunEvent;
use Carbon\CarbonImmutable;

/** When a pour stops pouring, can be recoated, opened and used: the core's clock on the room as it really was. */
final class CureClock
{
    /** @var array<string, CureModel> */
    private array $models = [];

    public function __construct(private readonly Library $library, private readonly RoomTemperature $room) {}

    public function base(Pour $pour): ?BaseSheet
    {
        return $this->library->shelf()->bases[$pour->baseCode() ?? ''] ?? null;
    }

    /** @return array{low: CarbonImmutable, likely: CarbonImmutable, high: CarbonImmutable}|null */
    public function reaches(Pour $pour, Milestone $milestone, ?CarbonImmutable $met = null): ?array
    {
        $met ??= $pour->met_at;
        $base = $this->base($pour);
        $band = $met === null || $base === null ? null : $this->room->since($met)->reaches($milestone, $this->model($base));

        return $met === null || $band === null ? null : self::absolute($met, $band);
    }

    public function model(BaseSheet $base): CureModel
    {
        return $this->models[$base->code] ??= CureModel::learnt($base->forCuring(), $this->watched($base));
    }

    /**
     * What this shop has seen of the base before: gels that somebody tapped.
     *
     * @return list<array{room: Celsius, kind: Watched, after: Minutes}>
     */
    public function watched(BaseSheet $base): array
    {
        $logs = [];
        $gels = RunEvent::query()->where('kind', EventKind::Gelled)->orderByDesc('id')->limit(200)->get();
        $pours = Pour::query()->whereIn('id', $gels->pluck('pour_id'))->whereNotNull('met_at')->get()->keyBy('id');
        foreach ($gels as $gel) {
            $pour = $pours->get($gel->pour_id);
            if ($pour === null || $pour->met_at === null || $pour->baseCode() !== $base->code || $gel->at <= $pour->met_at) {
                continue;
            }
            $room = $pour->plan['room_c'] ?? null;
            $logs[] = [
                'room' => Celsius::of(is_numeric($room) ? (float) $room : $base->reference->degrees),
                'kind' => Watched::Gel,
                'after' => Minutes::of($pour->met_at->diffInMilliseconds($gel->at) / 60_000.0),
            ];
        }

        return $logs;
    }

    /** @return array{low: CarbonImmutable, likely: CarbonImmutable, high: CarbonImmutable} */
    private static function absolute(CarbonImmutable $met, Band $band): array
    {
        $at = static fn (Minutes $minutes): CarbonImmutable => $met->addMilliseconds((int) round($minutes->min * 60_000.0));

        return ['low' => $at($band->low), 'likely' => $at($band->likely), 'high' => $at($band->high)];
    }
}

<?php

declare(strict_types=1);

namespace App\Room;

use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Cure\Observation;
use Apalos\Core\Cure\Watched;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Mix\BatchLimit;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * The one clock of the workshop: what it has learnt of each base, and when what is begun stops pouring, can be recoated, opened
 * and used, in the room as it really was. Every screen that names such a time asks here.
 */
final class CureClock
{
    public const MOST_OBSERVATIONS = 200;

    /**
     * @var array<string, list<Observation>> gels that somebody tapped and coats somebody touched, as 100 g of the bare base would have
     *   shown them
     */
    private array $watched = [];

    /** @var array<string, CureModel> */
    private array $models = [];

    /**
     * @param  bool  $feels false where nobody has touched a coat, or was asked about a tap, yet: in a database of before that was written
     *   down
     */
    public function __construct(private readonly RoomTemperature $room, private readonly bool $feels = true) {}

    /** The base as its sheet and this workshop know it, bare. */
    public function model(BaseSheet $base): CureModel
    {
        $this->learn([$base->code]);

        return $this->models[$base->code] ??= CureModel::learnt($base->forCuring(), $this->watched[$base->code] ?? []);
    }

    /** What the learnt times of a base rest on: differs as soon as another gel was watched. */
    public function restsOn(string $base): string
    {
        $this->learn([$base]);

        return md5(json_encode($this->watched[$base] ?? [], JSON_THROW_ON_ERROR));
    }

    /**
     * Asks at once for what was watched of all these bases.
     *
     * @param  list<string>  $bases
     */
    public function learn(array $bases): void
    {
        $asked = array_values(array_diff(array_unique($bases), array_keys($this->watched)));
        if ($asked === []) {
            return;
        }
        $this->watched += array_fill_keys($asked, []);
        // The newest of each base, in one question: gels, and where coats were touched.
        $newest = [
            sprintf(
                "select * from (select base_code, '%s' as kind, gel_min as minutes, gel_room_c as room_c%s from pours where workshop_id = ? and base_code = ? and gel_min is not null%s order by id desc limit %d) as gels",
                Watched::Gel->value, $this->feels ? ', gel_sure as sure' : '', $this->feels ? ' and not gel_left_out' : '',
                self::MOST_OBSERVATIONS,
            ),
        ];
        if ($this->feels) {
            $newest[] = sprintf(
                'select * from (select base_code, finger as kind, minutes, room_c, sure from finger_tests where workshop_id = ? and base_code = ? and not left_out order by id desc limit %d) as fingers',
                self::MOST_OBSERVATIONS,
            );
        }
        $workshop = app(Workshop::class)->id;
        $of = array_merge(
            ...array_map(static fn (string $base): array => array_merge(...array_fill(0, count($newest), [$workshop, $base])), $asked),
        );
        foreach (DB::select(implode(' union all ', array_merge(...array_fill(0, count($asked), $newest))), $of) as $seen) {
            $this->watched[(string) $seen->base_code][] = new Observation(
                Celsius::of((float) $seen->room_c), Watched::from((string) $seen->kind), Minutes::of((float) $seen->minutes),
                (bool) ($seen->sure ?? false),
            );
        }
    }

    /** How long the bare base pours in the room as it is now, 100 g of it. */
    public function pours(BaseSheet $base): ?Minutes
    {
        return $this->model($base)->band(Milestone::PotLife, $this->room->now(), null)?->likely;
    }

    /** How long the bare base takes until it can be opened, in the room as it is now. */
    public function opens(BaseSheet $base): ?Minutes
    {
        return $this->model($base)->band(Milestone::Demould, $this->room->now(), null)?->likely;
    }

    /** When something that met then is so far; null where its sheet has no such time. */
    public function from(CarbonImmutable $met, FrozenClock $clock, Milestone $milestone): ?Reach
    {
        $band = $this->room->since($met)->reaches($milestone, $clock->model, $clock->mass);

        return $band === null ? null : new Reach($met, $band);
    }

    /** The whole pot life and the part of it in which one can pour, were A to meet B in the room as it is now. */
    public function potLifeNow(FrozenClock $clock, Minutes $mixing, Minutes $degassing): ?PotLife
    {
        $pot = $clock->model->band(Milestone::PotLife, $this->room->now(), $clock->mass)?->likely;

        return $pot === null ? null : new PotLife($pot, BatchLimit::pourable($pot, $mixing->min + $degassing->min));
    }
}

<?php

declare(strict_types=1);

namespace App\Room;

use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\Observation;
use Apalos\Core\Cure\Watched;
use Apalos\Core\Cure\Witnesses;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;
use App\Lists\Rows;
use App\People\Names;
use App\Types\View;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;

/**
 * What the clock of a base rests on, one by one: whether each counts, is doubted because it is far from all the rest, or was left
 * out by hand.
 *
 * @phpstan-type ObservationShape array{
 *     of: string, id: int, key: string|null, kind: string, at_ms: int|null, minutes: float, room_c: float, low_min: float|null,
 *     high_min: float|null,
 *     pour_id: int|null, job: string, link: string, person: string|null, sure: bool, left_out: bool, counts: bool
 * }
 */
final readonly class ObservationsView implements View
{
    /** As many of each kind as the clock listens to. */
    private const MOST = CureClock::MOST_OBSERVATIONS;

    public function __construct(private BaseSheet $base, private Names $names) {}

    /** @return array{base: string, name: string, rests_on: int, observations: list<ObservationShape>, more: int} newest first */
    public function toArray(): array
    {
        $rows = $this->gels()->concat($this->touches())->sortByDesc('at')->values();
        $counted = $rows->filter(static fn (\stdClass $row): bool => ! (bool) $row->left_out)->values();
        $heard = Witnesses::heard($this->base->forCuring(), array_values($counted->map(self::observation(...))->all()));
        $doubted = array_map(static fn (int $i): string => self::called($counted[$i] ?? new \stdClass), $heard->doubted);
        $bare = CureModel::learnt($this->base->forCuring(), []);

        return [
            'base' => $this->base->code, 'name' => $this->base->name, 'rests_on' => $heard->model->restsOn,
            'observations' => array_values($rows->map(function (\stdClass $row) use ($doubted, $bare): array {
                $one = self::observation($row);
                // What the sheet alone lets expect in that room.
                $band = $bare->band($one->kind->milestone(), $one->room, null);

                return [
                    'of' => $one->kind === Watched::Gel ? 'gel' : 'touch', 'id' => (int) $row->id,
                    'key' => $row->fact_key === null ? null : (string) $row->fact_key, 'kind' => $one->kind->value,
                    'at_ms' => $row->at === null ? null : (int) CarbonImmutable::parse((string) $row->at, 'UTC')->getTimestampMs(),
                    'minutes' => $one->after->min, 'room_c' => $one->room->degrees,
                    'low_min' => $band?->low->min, 'high_min' => $band?->high->min,
                    'pour_id' => $row->pour_id === null ? null : (int) $row->pour_id, 'job' => (string) $row->job,
                    'link' => (string) $row->link,
                    'person' => $this->names->of($row->person), 'sure' => (bool) $row->sure, 'left_out' => (bool) $row->left_out,
                    'counts' => ! (bool) $row->left_out && ! in_array(self::called($row), $doubted, true),
                ];
            })->all()),
            'more' => max(0, $this->gelsWatched()->count() - self::MOST),
        ];
    }

    private static function called(\stdClass $row): string
    {
        return "{$row->kind}/{$row->id}/{$row->fact_key}";
    }

    private static function observation(\stdClass $row): Observation
    {
        return new Observation(
            Celsius::of((float) $row->room_c), Watched::from((string) $row->kind), Minutes::of(max(1e-6, (float) $row->minutes)),
            (bool) $row->sure,
        );
    }

    private function gelsWatched(): \Illuminate\Database\Query\Builder
    {
        return Rows::of('pours')->where('base_code', $this->base->code)->whereNotNull('gel_min');
    }

    /** @return Collection<int, \stdClass> */
    private function gels(): Collection
    {
        $pours = $this->gelsWatched()->orderByDesc('id')->limit(self::MOST)
            ->get(['id', 'impression_id', 'gel_min as minutes', 'gel_room_c as room_c', 'gel_sure as sure', 'gel_left_out as left_out']);
        $told = Rows::of('facts')
            ->where('stream', 'run')
            ->where('kind', 'gelled')
            ->whereIn('stream_id', $pours->pluck('id'))
            ->orderBy('id')
            ->get(['stream_id', 'at', 'person'])
            ->keyBy('stream_id');
        $where = $this->links($pours->pluck('impression_id'));

        return $pours->map(static function (\stdClass $pour) use ($told, $where): \stdClass {
            $fact = $told->get($pour->id);
            [$pour->kind, $pour->fact_key, $pour->pour_id] = [Watched::Gel->value, null, $pour->id];
            [$pour->at, $pour->person] = [$fact?->at, $fact?->person];
            [$pour->job, $pour->link] = $where[$pour->impression_id] ?? ['', ''];

            return $pour;
        });
    }

    /** @return Collection<int, \stdClass> */
    private function touches(): Collection
    {
        $touches = Rows::of('finger_tests')->where('base_code', $this->base->code)->orderByDesc('id')->limit(self::MOST)
            ->get(['build_id as id', 'fact_key', 'finger as kind', 'minutes', 'room_c', 'sure', 'left_out', 'pour_id', 'at']);
        $builds = Rows::of('builds')->whereIn('id', $touches->pluck('id'))->get(['id', 'impression_id'])->keyBy('id');
        $people = Rows::of('facts')
            ->where('stream', 'build')
            ->whereIn('stream_id', $touches->pluck('id')->unique())
            ->whereIn('key', $touches->pluck('fact_key')->filter())
            ->whereNotNull('person')
            ->get(['stream_id', 'key', 'person'])
            ->keyBy(static fn (\stdClass $fact): string => "{$fact->stream_id}/{$fact->key}");
        $where = $this->links($builds->pluck('impression_id'));

        return $touches->map(static function (\stdClass $touch) use ($builds, $people, $where): \stdClass {
            $touch->person = $people->get("{$touch->id}/{$touch->fact_key}")?->person;
            [$touch->job, $touch->link] = $where[$builds->get($touch->id)?->impression_id] ?? ['', ''];

            return $touch;
        });
    }

    /**
     * @param  Collection<int, mixed>  $ids
     * @return array<int, array{string, string}> job and link
     */
    private function links(Collection $ids): array
    {
        $links = [];
        foreach (Rows::of('impressions')->join(
            'jobs', 'jobs.id', '=', 'impressions.job_id',
        )->whereIn('impressions.id', $ids->unique())->get([
            'impressions.id', 'jobs.name as job', 'impressions.name as link',
        ]) as $row) {
            $links[(int) $row->id] = [(string) $row->job, (string) $row->link];
        }

        return $links;
    }
}

<?php

declare(strict_types=1);

namespace App\Ways;

use App\Library\Library;
use App\Lists\Rows;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Workshop;
use App\Moulds\Lives;
use App\Room\RoomTemperature;
use App\Stock\Prices;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Cache\Repository;

/** What a shop brings to the question for whole ways: its shelf, hands, rack, past, money and room. */
final readonly class ShopSays
{
    /** What a way may reach into. */
    private const DAYS = 120;

    private const SLOT_MIN = 5.0;

    private const MOST_MOULDS = 60;

    private const MOST_PAST = 1500;

    private const HELD_S = 86_400;

    public function __construct(
        private Workshop $workshop,
        private Library $library,
        private Prices $prices,
        private Lives $lives,
        private KindOfMould $kinds,
        private RoomTemperature $room,
        private Repository $cache,
    ) {}

    public function midnight(CarbonImmutable $now): CarbonImmutable
    {
        return $now->setTimezone($this->workshop->zone())->startOfDay();
    }

    /**
     * @param  list<string>|null  $only  of the shelf; all of it where nothing is said
     * @return array<string, mixed>
     */
    public function toArray(Job $job, ?array $only, CarbonImmutable $now): array
    {
        $codes = array_map(strval(...), array_keys($this->library->atHand()->bases));
        $shelf = $only === null ? $codes : array_values(array_intersect($codes, $only));

        return [
            'shelf' => $shelf, 'hands' => ['pairs' => max(1, $this->workshop->hands), 'days' => $this->days($now)],
            'rack' => $this->rack($job), 'past' => $this->past(),
            'money' => [
                'currency' => $this->workshop->currency ?? 'EUR', 'hour_rate' => $this->workshop->hour_rate ?? '0',
                'prices' => array_map(
                    static fn (array $kit): array => ['price' => $kit['price'], 'mass_g' => $kit['mass_g']], $this->prices->of($codes),
                ),
            ],
            'room_c' => $this->room->now()->degrees, 'on_hand' => $this->prices->onHand($codes),
        ];
    }

    /** @return list<array{float, float}> */
    private function days(CarbonImmutable $now): array
    {
        [$starts, $ends] = [$this->workshop->day_starts_min, $this->workshop->day_ends_min];
        $ends += $ends <= $starts ? 1440 : 0;
        // Nobody plans by the minute: what was asked just now has the same answer in a moment.
        $since = self::SLOT_MIN * ceil($this->midnight($now)->diffInMinutes($now) / self::SLOT_MIN);
        $days = [];
        for ($day = 0; $day < self::DAYS; $day++) {
            $from = max($since, 1440.0 * $day + $starts);
            $from < 1440.0 * $day + $ends && $days[] = [$from, 1440.0 * $day + $ends];
        }

        return $days;
    }

    /**
     * @return list<array{id: string, kind: string, base: string, left: array{low: int, likely: int, high: int}}> moulds of this very piece:
     *   those of others make others
     */
    private function rack(Job $job): array
    {
        $moulds = Mould::query()
            ->where('job_id', $job->id)
            ->whereNull('retired_at')
            ->whereNotNull('material')
            ->with('impression')
            ->orderByDesc('id')
            ->limit(self::MOST_MOULDS)
            ->get()
            ->all();
        $lives = $this->lives->of($moulds);

        return array_values(array_map(fn (Mould $mould): array => [
            'id' => (string) $mould->id, 'kind' => $this->kinds->of($mould), 'base' => (string) $mould->material,
            'left' => ['low' => $lives[$mould->id]->low, 'likely' => $lives[$mould->id]->likely, 'high' => $lives[$mould->id]->high],
        ], $moulds));
    }

    /** @return list<array{kind: string, base: string, cast: string, good: int, all: int}> what came of which mould, as the log has it */
    private function past(): array
    {
        $newest = (int) Rows::of('castings')->max('id');

        /** @var list<array{kind: string, base: string, cast: string, good: int, all: int}> */
        return $this->cache->remember("ways:past:{$this->workshop->mark}:{$newest}", self::HELD_S, function (): array {
            $rows = Rows::of('castings')
                ->whereNotNull('castings.mould_id')
                ->join('pours', 'pours.id', '=', 'castings.pour_id')
                ->whereNotNull('pours.base_code')
                ->groupBy('castings.mould_id', 'pours.base_code')
                ->selectRaw(
                    "castings.mould_id, pours.base_code, count(*) as n, sum(case when castings.outcome = 'reject' then 0 else 1 end) as good",
                )
                ->limit(self::MOST_PAST)
                ->get();
            $moulds = Mould::query()->whereKey($rows->pluck('mould_id')->unique()->all())->with('impression')->get()->keyBy('id');
            $past = [];
            foreach ($rows as $row) {
                $mould = $moulds->get((int) $row->mould_id);
                if ($mould === null || $mould->material === null) {
                    continue;
                }
                $key = "{$this->kinds->of($mould)}|{$mould->material}|{$row->base_code}";
                $past[$key] = [
                    'kind' => $this->kinds->of($mould), 'base' => $mould->material, 'cast' => (string) $row->base_code,
                    'good' => ($past[$key]['good'] ?? 0) + (int) $row->good, 'all' => ($past[$key]['all'] ?? 0) + (int) $row->n,
                ];
            }

            return array_values($past);
        });
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Input\Fields;
use Apalos\Core\Practice\PracticeBench;
use Apalos\Core\Practice\Scenario;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * One practice of somebody: its scenario as it was begun, the time of its bench, and what it came to.
 *
 * @phpstan-import-type BenchShape from PracticeBench
 *
 * @phpstan-type ToldShape array{id: int, at_min: float, kind: string, payload: array<string, mixed>}
 * @phpstan-type RunShape array{
 *     of: string, plan: array<string, mixed>, clock: array<string, mixed>, family: string, began_min: float, facts: list<ToldShape>,
 * }
 * @phpstan-type RecordShape array{
 *     runs: list<RunShape>, build: array{plan: array<string, mixed>, began_min: float, facts: list<ToldShape>}|null, links: list<int>,
 *     truth?: array<string, mixed>,
 * }
 *
 * @property int $id
 * @property int $workshop_id
 * @property string|null $person_id whose it is; null where a shop has no people
 * @property string $scenario_id
 * @property string $name
 * @property array<string, mixed> $scenario
 * @property int $seed
 * @property int $rate how many times as fast its time runs
 * @property CarbonImmutable $began_at on its clock
 * @property CarbonImmutable $sim_at what its clock showed when it was last set,
 * @property CarbonImmutable $real_at and when that was
 * @property BenchShape $bench
 * @property int|null $shop_id the shop it stands in while it goes on
 * @property string $place its run or build
 * @property RecordShape|null $record what was told, once it is over
 * @property array<string, mixed>|null $came_to
 * @property string|null $would what the cast would have been: good, usable, spoilt or nothing
 * @property bool $well it would have been good, and nothing was found badly
 * @property array<string, array{good: int, bad: int}>|null $skills
 * @property float $lost_g
 * @property string $lost in the shop’s money
 * @property CarbonImmutable|null $ended_at
 */
final class PracticeTry extends Model
{
    /** What a list needs to know of one. */
    public const IN_SHORT = [
        'id', 'workshop_id', 'person_id', 'scenario_id', 'name', 'shop_id', 'place', 'ended_at', 'real_at', 'would', 'well', 'skills',
        'lost_g', 'lost',
    ];

    use InWorkshop, PlainRecord;

    /** A screen that is open looks every second. */
    private const LOOKED_MS = 15_000.0;

    public $timestamps = false;

    protected $table = 'practice_tries';

    protected $fillable = [
        'workshop_id', 'person_id', 'scenario_id', 'name', 'scenario', 'seed', 'rate', 'began_at', 'sim_at', 'real_at', 'bench', 'shop_id',
        'place', 'record', 'came_to', 'ended_at', 'would', 'well', 'skills', 'lost_g', 'lost',
    ];

    protected $attributes = [
        'shop_id' => null, 'record' => null, 'came_to' => null, 'ended_at' => null, 'would' => null, 'skills' => null, 'rate' => 1,
        'place' => '',
    ];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'scenario' => 'array', 'bench' => 'array', 'record' => 'array', 'came_to' => 'array', 'well' => 'boolean', 'skills' => 'array',
            'lost_g' => 'float', 'seed' => 'integer', 'rate' => 'integer', 'began_at' => 'immutable_datetime',
            'sim_at' => 'immutable_datetime', 'real_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime',
        ];
    }

    /** What its clock shows. It stands while nobody looks: whoever is called to the bench comes back to where it was. */
    public function clock(CarbonImmutable $real): CarbonImmutable
    {
        return $this->sim_at->addMilliseconds(
            (int) round($this->rate * min(self::LOOKED_MS, max(0.0, $this->real_at->diffInMilliseconds($real)))),
        );
    }

    public function told(): Scenario
    {
        return Scenario::from(Fields::of($this->scenario));
    }

    /** A moment of its clock as a minute of the practice. */
    public function minute(CarbonImmutable $at): float
    {
        return $this->began_at->diffInMilliseconds($at) / 60_000.0;
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * The whole way a job took: what it was, what it promised, and what was written for it.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int $job_id
 * @property array<string, mixed> $way as it was answered
 * @property array{
 *     per_piece: string, total: string, cash: string, currency: string, done_on: string, hands_min: float, chance: float, count: int,
 * }  $promised
 * @property array{
 *     links: list<int>, replaced: list<int>, builds: list<int>, sheets: list<int>, casts: list<array{id: int, material: string|null}>,
 *     contacts: list<array{id: int, contacts: array<string, array<string, mixed>>|null}>,
 * }  $made
 *   what taking it wrote, so that it can be had back
 * @property CarbonImmutable $taken_at
 * @property CarbonImmutable|null $undone_at
 */
final class TakenWay extends Model
{
    use InWorkshop, PlainRecord;

    protected $table = 'taken_ways';

    protected $fillable = ['workshop_id', 'job_id', 'way', 'promised', 'made', 'taken_at', 'undone_at'];

    protected $attributes = ['undone_at' => null];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'way' => 'array', 'promised' => 'array', 'made' => 'array', 'taken_at' => 'immutable_datetime',
            'undone_at' => 'immutable_datetime',
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Practice;

use App\Models\InWorkshop;
use App\Models\PlainRecord;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * Something to practise that this shop wrote.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $name
 * @property array<string, mixed> $scenario
 * @property CarbonImmutable $created_at
 */
final class PracticeScenario extends Model
{
    use InWorkshop, PlainRecord;

    public $timestamps = false;

    protected $table = 'practice_scenarios';

    protected $fillable = ['workshop_id', 'name', 'scenario', 'created_at'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['scenario' => 'array', 'created_at' => 'immutable_datetime'];
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What a kit of a sheet costs and weighs in this shop, and when to order the next.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $code
 * @property string|null $price
 * @property float|null $mass_g
 * @property float|null $reorder_g
 * @property \Carbon\CarbonImmutable|null $priced_at when somebody said so
 */
final class Kit extends Model
{
    use InWorkshop, PlainRecord;

    public $timestamps = false;

    protected $table = 'kits';

    protected $fillable = ['workshop_id', 'code', 'price', 'mass_g', 'reorder_g', 'priced_at'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['mass_g' => 'float', 'reorder_g' => 'float', 'priced_at' => 'immutable_datetime'];
    }
}

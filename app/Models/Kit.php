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
 */
final class Kit extends Model
{
    use InWorkshop;

    public $timestamps = false;

    protected $table = 'kits';

    protected $fillable = ['workshop_id', 'code', 'price', 'mass_g', 'reorder_g'];

    protected function casts(): array
    {
        return ['mass_g' => 'float', 'reorder_g' => 'float'];
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A contact rule of the shop's own, as it is written in `library/contacts/rules.yaml`.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $name
 * @property array<string, mixed> $rule
 */
final class OwnRule extends Model
{
    use InWorkshop, PlainRecord;

    protected $table = 'own_rules';

    protected $fillable = ['workshop_id', 'name', 'rule'];

    protected function casts(): array
    {
        return ['rule' => 'array'];
    }
}

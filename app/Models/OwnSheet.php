<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Sheet\SheetKind;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use LogicException;

/**
 * One version of a sheet of the shop's own. A change makes the next one; what was poured keeps the one it had.
 *
 * @property int $id
 * @property int $workshop_id
 * @property SheetKind $kind
 * @property string $code
 * @property int $version
 * @property array<string, mixed> $sheet what was said, and nothing that stands in for what was left open
 * @property CarbonImmutable $created_at
 */
final class OwnSheet extends Model
{
    use InWorkshop, PlainRecord;

    public const UPDATED_AT = null;

    protected $table = 'own_sheets';

    protected $fillable = ['workshop_id', 'kind', 'code', 'version', 'sheet'];

    protected function casts(): array
    {
        return ['kind' => SheetKind::class, 'version' => 'integer', 'sheet' => 'array'];
    }

    public function calledOnScreen(): Phrase
    {
        return Phrase::of('bench.the_sheet', ['code' => $this->code]);
    }

    protected static function booted(): void
    {
        self::updating(
            static fn (): never => throw new LogicException('A sheet that was kept stays as it is; a change makes a new version.'),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Labels;

use App\Models\HoldsPicture;
use App\Models\InWorkshop;
use App\Models\PlainRecord;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A label on its way to the printer.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $what the label is of, as one says it
 * @property string|null $bits the label, drawn: a PBM in base64; null once it came out
 * @property string $state waiting, printing, unsure or printed
 * @property string|null $why it did not come out yet
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $sent_at when it was last handed to the printer
 */
final class Printing extends Model implements HoldsPicture
{
    use InWorkshop, PlainRecord;

    public const WAITING = 'waiting';

    public const PRINTING = 'printing';

    /** It was handed over, and nobody said whether it came out. */
    public const UNSURE = 'unsure';

    public const PRINTED = 'printed';

    protected $table = 'printings';

    protected $fillable = ['workshop_id', 'what', 'bits', 'state', 'why', 'asked_at', 'sent_at'];

    protected $attributes = ['state' => self::WAITING, 'why' => null, 'sent_at' => null];

    public function pictureIn(): string
    {
        return 'bits';
    }

    protected function casts(): array
    {
        return ['asked_at' => 'immutable_datetime', 'sent_at' => 'immutable_datetime'];
    }
}

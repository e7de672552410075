<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Phrase\Phrase;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * A shop and its bench: its units, its scale, its room, its working day (minutes after midnight).
 *
 * @property int $id
 * @property string $name
 * @property string $units metric or imperial; what is stored is always metric
 * @property string $room_source hand or thermometer
 * @property bool $muted
 * @property float $scale_division_g
 * @property float $scale_capacity_g
 * @property string|null $time_zone null until somebody has said where the bench stands
 * @property string $mark unlike that of any other database
 * @property int $change_count how often anything changed that every screen has around it; the database counts
 * @property string|null $digest_stamp for which shelf the digests of the swatches were written
 * @property int $digest_changes how often a digest changed since
 * @property string|null $shelf_mark differs as soon as a sheet of the shop's own does; null where it has none
 * @property list<string>|null $off_shelf what of the library this shop does not have
 * @property string|null $currency three letters
 * @property list<array{ml: float, tare_g: float|null}>|null $cups the cups it mixes in, smallest first
 * @property bool|null $vacuum whether it has a chamber
 * @property CarbonImmutable|null $set_up_at null in the first hour
 * @property int $day_starts_min
 * @property int $day_ends_min
 * @property int $hands pairs of hands at the bench
 * @property array<string, string>|null $schools what this shop holds where schools differ
 * @property string $release_school when a release goes on where it is no must: every, harsh, wash
 * @property int $unused_min after how many minutes without a touch a tablet at the bench asks again whose hands it is in
 * @property string|null $known_as its name at the door where a server has several, in small letters
 * @property bool $cables the scale and thermometers at the server's cables stand here
 * @property bool $made_up a demo: whoever sits at this computer comes in as its owner
 * @property float $label_w_mm of the roll in the label printer
 * @property float $label_h_mm
 * @property float $label_dots_mm how fine it prints
 * @property string|null $hour_rate what an hour of hands costs
 * @property int $practising how many practices go on: where none does, no address is looked at for one
 * @property int|null $practice_of the shop somebody of which practises in this one: nobody finds it among the shops
 */
final class Workshop extends Model
{
    use HasEdition {
        readsAnew as private saysSomethingElse;
    }
    use PlainRecord;

    /** Until somebody has said what it is called. */
    public const UNNAMED = 'Our workshop';

    /** What of it is a new edition when it changes. */
    private const EDITED = [
        'name', 'scale_division_g', 'scale_capacity_g', 'day_starts_min', 'day_ends_min', 'hands', 'time_zone', 'currency', 'cups',
        'vacuum', 'release_school', 'hour_rate', 'schools',
    ];

    protected $table = 'workshops';

    protected $fillable = [
        'name', 'units', 'room_source', 'muted', 'scale_division_g', 'scale_capacity_g', 'day_starts_min', 'day_ends_min', 'hands',
        'time_zone', 'digest_stamp', 'digest_changes',
        'shelf_mark', 'off_shelf', 'currency', 'cups', 'vacuum', 'set_up_at', 'release_school', 'hour_rate', 'schools', 'made_up',
        'known_as', 'cables', 'unused_min', 'label_w_mm', 'label_h_mm', 'label_dots_mm', 'practice_of',
    ];

    protected static function booted(): void
    {
        self::addGlobalScope('real', static fn (Builder $query): Builder => $query->whereNull('practice_of'));
        self::creating(static function (self $workshop): void {
            $workshop->mark = (string) Str::ulid();
        });
    }

    /** The first browser says where the shop is, unasked: nobody changed anything, and a form that is open already stays good. */
    protected function readsAnew(): bool
    {
        $unasked = $this->getRawOriginal('time_zone') === null
            && array_keys(array_intersect_key($this->getDirty(), array_flip(self::EDITED))) === ['time_zone'];

        return ! $unasked && $this->saysSomethingElse();
    }

    protected function casts(): array
    {
        return [
            'muted' => 'boolean', 'scale_division_g' => 'float', 'scale_capacity_g' => 'float', 'change_count' => 'integer',
            'practising' => 'integer', 'digest_changes' => 'integer', 'day_starts_min' => 'integer', 'day_ends_min' => 'integer',
            'hands' => 'integer', 'off_shelf' => 'array', 'made_up' => 'boolean', 'cables' => 'boolean', 'unused_min' => 'integer',
            'label_w_mm' => 'float', 'label_h_mm' => 'float', 'label_dots_mm' => 'float', 'schools' => 'array', 'cups' => 'array',
            'vacuum' => 'boolean',
        ];
    }

    /** @return HasMany<Job, $this> */
    public function jobs(): HasMany
    {
        return $this->hasMany(Job::class);
    }

    /** @return HasMany<Formula, $this> */
    public function formulas(): HasMany
    {
        return $this->hasMany(Formula::class);
    }

    /** @return HasMany<Swatch, $this> */
    public function swatches(): HasMany
    {
        return $this->hasMany(Swatch::class);
    }

    /** @return HasMany<Series, $this> */
    public function series(): HasMany
    {
        return $this->hasMany(Series::class);
    }

    /** @return HasMany<ColourTarget, $this> */
    public function colourTargets(): HasMany
    {
        return $this->hasMany(ColourTarget::class);
    }

    /** @return HasMany<RoomReading, $this> */
    public function roomReadings(): HasMany
    {
        return $this->hasMany(RoomReading::class);
    }

    /** @return HasMany<TestPatch, $this> */
    public function testPatches(): HasMany
    {
        return $this->hasMany(TestPatch::class);
    }

    /** @return HasMany<OwnRule, $this> */
    public function ownRules(): HasMany
    {
        return $this->hasMany(OwnRule::class);
    }

    /** A moment as one says it here: the time, and the day where it is another. */
    public function said(CarbonImmutable $at, CarbonImmutable $now): string
    {
        [$at, $now] = [$at->setTimezone($this->zone()), $now->setTimezone($this->zone())];

        return $at->isSameDay($now) ? $at->format('H:i') : $at->format('D H:i');
    }

    /** How long it works in a day; one that ends before it begins runs past midnight. */
    public function dayMinutes(): float
    {
        return (float) (
            ($this->day_ends_min > $this->day_starts_min ? $this->day_ends_min : $this->day_ends_min + 1440) - $this->day_starts_min
        );
    }

    /** The zone its clock shows. */
    public function zone(): string
    {
        return $this->time_zone ?? 'UTC';
    }

    /** The shop this bench stands in; it is made on first use, so that an empty database already works. */
    public static function here(): self
    {
        return self::query()->orderBy('id')->first() ?? DB::transaction(static function (): self {
            // First visits at once make one shop: whoever comes second waits, and finds it.
            DB::getDriverName() === 'pgsql' && DB::statement('lock table workshops in exclusive mode');

            return self::query()->orderBy('id')->first() ?? self::query()->create(['name' => self::UNNAMED])->refresh();
        });
    }

    /** Somebody has said what it is called. */
    public function isNamed(): bool
    {
        return $this->name !== self::UNNAMED;
    }

    public function calledOnScreen(): Phrase
    {
        return Phrase::of('bench.what_holds_for_bench');
    }
}

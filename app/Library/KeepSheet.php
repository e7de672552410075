<?php

declare(strict_types=1);

namespace App\Library;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Sheet\SheetDoubts;
use Apalos\Core\Sheet\SheetKind;
use Apalos\Core\Sheet\SheetWords;
use App\Models\Outdated;
use App\Models\OwnSheet;
use App\Models\Workshop;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Keeps a sheet of the shop's own: as a new one, or as the next version of one it has. A shipped sheet is never changed; a copy of it
 * has a house code of its own.
 *
 * @phpstan-import-type SheetDoubt from SheetDoubts
 */
final readonly class KeepSheet
{
    /** In one file. */
    public const MOST = 1_000;

    /** A workshop with more of its own has taken a catalogue for a shelf; every surface and release is judged against everything else. */
    private const MOST_OF = ['base' => 400, 'additive' => 400, 'release' => 60, 'sealer' => 30, 'surface' => 60];

    public function __construct(private Workshop $workshop, private Library $library, private SheetDoubts $doubts) {}

    /**
     * The sheet as it would be kept.
     *
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function read(SheetKind $kind, Fields $said): array
    {
        $sheet = $this->library->sheetForm($kind)->read($said, SheetWords::of($this->library->knowledge()));
        $code = Fields::of($sheet)->text('code');
        if ($this->isShipped($code)) {
            throw BadInput::at($said->at('code'), Phrase::of('sheet.code_shipped', ['code' => $code]));
        }

        return $sheet;
    }

    /**
     * @param  array<string, mixed>  $sheet  as {@see self::read} gives it
     * @return list<SheetDoubt>
     */
    public function doubts(array $sheet): array
    {
        return ($sheet['kind'] ?? null) === SheetKind::Base->value ? $this->doubts->in($sheet) : [];
    }

    /**
     * @param  array<string, mixed>  $sheet  as {@see self::read} gives it
     * @param  string|null  $changes  the house code of the sheet this is the next version of; null where it is a new one
     * @param  int|null  $edition  the version on the screen it was changed from; null where a file says so
     * @return OwnSheet the version that says so now, made only where none did
     *
     * @throws BadInput where the code is taken, or is another than that of the sheet
     * @throws Outdated where another version was kept since
     */
    public function keep(array $sheet, ?string $changes, ?int $edition = null): OwnSheet
    {
        $code = Fields::of($sheet)->text('code');
        $kind = SheetKind::from(Fields::of($sheet)->text('kind'));

        return DB::transaction(function () use ($sheet, $code, $kind, $changes, $edition): OwnSheet {
            // One at a time: the next number is the last one and one more.
            Workshop::query()->whereKey($this->workshop->id)->lockForUpdate()->first(['id']);
            $now = OwnSheet::query()->where('code', $code)->orderByDesc('version')->first();
            if ($changes !== null && $changes !== $code) {
                throw BadInput::at('code', Phrase::of('sheet.code_stays'));
            }
            if ($now !== null && ($changes === null || $now->kind !== $kind)) {
                throw BadInput::at('code', Phrase::of('sheet.code_taken', ['code' => $code]));
            }
            $most = self::MOST_OF[$kind->value];
            if ($now === null && OwnSheet::query()->where('kind', $kind)->where('version', 1)->count() >= $most) {
                throw BadInput::at('code', Phrase::of('input.too_many', ['most' => $most, 'there' => $most + 1]));
            }
            if ($now !== null && $this->same($now->sheet, $sheet)) {
                return $now;
            }
            if ($now !== null && $edition !== null && $edition !== $now->version) {
                throw Outdated::of($now);
            }
            $kept = OwnSheet::query()->create(['kind' => $kind, 'code' => $code, 'version' => ($now->version ?? 0) + 1, 'sheet' => $sheet]);
            $this->workshop->update(['shelf_mark' => (string) Str::ulid()]);

            return $kept;
        }, 3);
    }

    /** A house code of the library, of whatever kind. */
    private function isShipped(string $code): bool
    {
        $own = array_map(fn (SheetKind $kind): array => $this->library->own($kind->value), SheetKind::cases());
        $known = $this->library->knowledge();
        $all = [
            ...$this->library->shelf()->bases, ...$this->library->shelf()->additives, ...$known->surfaces, ...$known->releases,
            ...$known->sealers,
        ];

        return isset($all[$code]) && ! isset(array_merge(...$own)[$code]);
    }

    /**
     * @param  array<string, mixed>  $one
     * @param  array<string, mixed>  $other
     */
    private function same(array $one, array $other): bool
    {
        // A number is the same whether it came as 1 or as 1.0, and fields have no order.
        return self::sorted($one) == self::sorted($other);
    }

    private static function sorted(mixed $value): mixed
    {
        if (is_array($value)) {
            array_is_list($value) || ksort($value);

            return array_map(self::sorted(...), $value);
        }

        return $value;
    }
}

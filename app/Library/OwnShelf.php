<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\OwnSheet;
use App\Models\Workshop;

/** The sheets this shop has written itself, each as it stands now, and what of the library it does not have. */
final readonly class OwnShelf
{
    public function __construct(private Workshop $workshop, private Prepared $kept) {}

    /** Differs as soon as one of them does. */
    public function mark(): string
    {
        return $this->workshop->shelf_mark ?? '';
    }

    /**
     * Asked of the database once for every change, not for every page.
     *
     * @param  string  $rests  what else the completed sheets rest on
     * @param  callable(array<string, mixed>): array<string, mixed>  $complete
     * @return array<string, array<string, array<string, mixed>>> by kind and code, with their version
     */
    public function sheets(string $rests, callable $complete): array
    {
        if ($this->mark() === '') {
            return [];
        }

        /** @var array<string, array<string, array<string, mixed>>> */
        return $this->kept->of('own-'.md5("{$this->mark()}/{$rests}"), static function () use ($complete): array {
            $sheets = [];
            foreach (self::current()->get() as $own) {
                $sheets[$own->kind->value][$own->code] = [...$complete($own->sheet), 'version' => $own->version];
            }

            return $sheets;
        });
    }

    /** @return \Illuminate\Database\Eloquent\Builder<OwnSheet> the newest version of each */
    public static function current(): \Illuminate\Database\Eloquent\Builder
    {
        return OwnSheet::query()->whereRaw(
            'version = (select max(newest.version) from own_sheets as newest where newest.workshop_id = own_sheets.workshop_id and newest.code = own_sheets.code)',
        )->orderBy('code');
    }

    /** @return list<string> codes and ids this shop does not have */
    public function off(): array
    {
        return $this->workshop->off_shelf ?? [];
    }

    /** @return array<string, string> what this shop holds where schools differ */
    public function schools(): array
    {
        return $this->workshop->schools ?? [];
    }
}

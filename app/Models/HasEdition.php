<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Casts\Attribute;

/**
 * What a maker reads before changing it: each change is a new edition, and a change says which edition it was made on. Nobody writes
 * over what nobody has shown them. The record names in `EDITED` what of it a maker reads.
 *
 * @property int $edition
 */
trait HasEdition
{
    protected static function bootHasEdition(): void
    {
        static::updating(static function (self $record): void {
            if ($record->readsAnew()) {
                $record->setAttribute('edition', (int) ($record->getRawOriginal('edition') ?? 1) + 1);
            }
        });
    }

    /** Whether what a maker reads of it is about to be another. */
    protected function readsAnew(): bool
    {
        return $this->isDirty(self::EDITED);
    }

    /**
     * One that was just made is its first.
     *
     * @return Attribute<int, int>
     */
    protected function edition(): Attribute
    {
        return Attribute::get(static fn (mixed $number): int => is_numeric($number) ? (int) $number : 1);
    }

    /**
     * The record with the turn taken to write to it, if it still is as it was shown. Called in a transaction.
     *
     * @throws Outdated where somebody changed it since
     */
    public static function asShown(int $id, int $edition): static
    {
        $record = static::query()->lockForUpdate()->findOrFail($id);
        if ($record->edition !== $edition) {
            throw Outdated::of($record);
        }

        return $record;
    }
}

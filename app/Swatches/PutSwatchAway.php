<?php

declare(strict_types=1);

namespace App\Swatches;

use App\Models\Swatch;
use App\Models\Workshop;

/** Takes a swatch out of the drawer, and out of every reckoning; back again with all that was read of it. */
final readonly class PutSwatchAway
{
    public function __construct(private Workshop $workshop, private DrawerWriter $entries) {}

    public function __invoke(Swatch $swatch): void
    {
        $this->entries->after(static function () use ($swatch): Swatch {
            $swatch->delete();

            return $swatch;
        });
    }

    public function back(int $id): void
    {
        $this->entries->after(fn (): Swatch => tap($this->workshop->swatches()->withTrashed()->findOrFail($id))->restore());
    }
}

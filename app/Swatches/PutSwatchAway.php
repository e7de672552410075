<?php

declare(strict_types=1);

namespace App\Swatches;

use App\Models\Swatch;
use App\Models\Workshop;

/** Takes a swatch out of the drawer, and out of every reckoning; back again with all that was read of it. */
final readonly class PutSwatchAway
{
    public function __construct(private Workshop $workshop, private DigestWriter $digests) {}

    public function __invoke(Swatch $swatch): void
    {
        $this->digests->after(static function () use ($swatch): Swatch {
            $swatch->delete();

            return $swatch;
        });
    }

    public function back(int $id): void
    {
        $this->digests->after(fn (): Swatch => tap($this->workshop->swatches()->withTrashed()->findOrFail($id))->restore());
    }
}

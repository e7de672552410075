<?php

declare(strict_types=1);

namespace App\Swatches;

use App\Models\FormulaVersion;
use App\Models\Swatch;
use App\Models\Workshop;
use App\Storage\KeepPhoto;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;

/** Puts a swatch into the drawer: poured now, of one version of a formula. */
final readonly class MakeSwatch
{
    public function __construct(private Workshop $workshop, private DigestWriter $digests, private KeepPhoto $keep) {}

    /** @param  array{version: int, name: string, thickness_mm: float|null, note: string|null}  $said */
    public function __invoke(array $said, ?UploadedFile $photo, CarbonImmutable $now): Swatch
    {
        $version = FormulaVersion::query()->whereHas(
            'formula', fn ($formula) => $formula->where('workshop_id', $this->workshop->id),
        )->findOrFail($said['version']);
        $kept = ($this->keep)($photo, 'swatches');

        return $this->digests->after(fn (): Swatch => $this->workshop->swatches()->create([
            'formula_version_id' => $version->id, 'name' => $said['name'], 'thickness_mm' => $said['thickness_mm'], 'note' => $said['note'],
            'poured_at' => $now, 'photo' => $kept,
        ]));
    }
}

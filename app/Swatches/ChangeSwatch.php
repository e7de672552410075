<?php

declare(strict_types=1);

namespace App\Swatches;

use App\Models\Outdated;
use App\Models\Swatch;
use App\Storage\KeepPhoto;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

/** What stands on a swatch: its label, thickness, note, photo, and when it came out of its mould. What was read stays as it is. */
final readonly class ChangeSwatch
{
    public function __construct(private DigestWriter $digests, private KeepPhoto $keep) {}

    /**
     * @param  array<string, mixed>  $changes  by column; an empty text is none
     *
     * @throws Outdated where somebody changed it since
     */
    public function __invoke(Swatch $swatch, int $edition, array $changes, ?UploadedFile $photo): void
    {
        $kept = $photo === null ? null : ($this->keep)($photo, 'swatches');
        $changes = array_map(
            static fn (mixed $value): mixed => $value === '' ? null : $value,
            [...$changes, ...$kept === null ? [] : ['photo' => $kept]],
        );
        $before = $swatch->photo;
        try {
            $this->digests->after(
                static fn (): Swatch => DB::transaction(
                    static fn (): Swatch => tap(Swatch::asShown($swatch->id, $edition))->update($changes),
                ),
            );
        } catch (Outdated $since) {
            // The photo that came with it is nobody's.
            KeepPhoto::forget($kept);
            throw $since;
        }
        $kept === null || KeepPhoto::forget($before);
    }
}

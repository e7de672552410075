<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\ColourTarget;
use App\Models\Workshop;
use Illuminate\Support\Facades\DB;

/** A colour to be met again, under its name. */
final readonly class KeepColour
{
    public function __construct(private Workshop $workshop) {}

    /**
     * @param  array{float, float, float}  $lab
     * @param  array{shows_pct: float|null, at_mm: float|null}  $depth
     * @param  int|null  $edition  of the one that is kept under that name already: it gives way only to who has seen it
     *
     * @throws BadInput where another is kept under that name
     */
    public function __invoke(string $name, array $lab, array $depth, ?int $edition): void
    {
        DB::transaction(function () use ($name, $lab, $depth, $edition): void {
            $kept = $this->workshop->colourTargets()->where('name', $name)->first();
            if ($kept === null) {
                $this->workshop->colourTargets()->create(['name' => $name, 'lab' => $lab, ...$depth]);
            } elseif ($kept->lab != $lab || $kept->depth() != $depth) {
                if ($edition === null) {
                    throw BadInput::at('name', Phrase::of('bench.colour_is_kept', [
                        'name' => $name, 'lab' => array_map(static fn (float $v): string => (string) round($v, 1), $kept->lab),
                        'depth' => $kept->shows_pct === null ? '' : sprintf('; %s %% shows through', round($kept->shows_pct, 1)),
                    ]));
                }
                ColourTarget::asShown($kept->id, $edition)->update(['lab' => $lab, ...$depth]);
            }
        }, 3);
    }
}

<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Result\Warning;
use App\Models\Swatch;
use App\Models\SwatchReading;
use Carbon\CarbonImmutable;

/** A reading of a swatch, and what the drawer learns from it; one that misleads is left out, and taken in again. */
final readonly class TakeReading
{
    public function __construct(private DigestWriter $digests, private ReadSwatch $read) {}

    /**
     * @return list<Warning> what to mind of it
     *
     * @throws BadInput
     */
    public function __invoke(Swatch $swatch, Fields $in, CarbonImmutable $now): array
    {
        $doubts = [];
        $this->digests->after(function () use (&$doubts, $swatch, $in, $now): Swatch {
            $doubts = ($this->read)($swatch, $in, $now);

            return $swatch;
        });

        return $doubts;
    }

    public function leaveOut(SwatchReading $reading, bool $out): void
    {
        $this->digests->after(static function () use ($reading, $out): Swatch {
            $reading->update(['left_out' => $out]);

            return $reading->swatch;
        });
    }
}

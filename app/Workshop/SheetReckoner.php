<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Pour\PourReckoner;
use Apalos\Core\Pour\PourReckoning;

/** Answers a pour sheet with this shop's shelf, its room and what it has watched. */
final readonly class SheetReckoner
{
    public function __construct(private Library $library, private RoomTemperature $room, private CureClock $clock, private PourReckoner $reckoner) {}

    /**
     * @param  array<string, mixed>  $sheet
     *
     * @throws BadInput only where the sheet is not even a sheet
     */
    public function reckon(array $sheet): PourReckoning
    {
        $in = Fields::of($sheet)->only('volume', 'target', 'formula', 'plan', 'formula_name', 'formula_from', 'carried');
        $shelf = $this->library->shelf();
        $formula = $sheet['formula'] ?? null;
        $code = is_array($formula) && is_string($formula['base'] ?? null) ? $formula['base'] : '';
        $base = $shelf->bases[$code] ?? null;

        return $this->reckoner->reckon($in, $shelf, $this->room->now(), $base === null ? null : $this->clock->model($base));
    }
}

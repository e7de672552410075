<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Pour\PourReckoning;
use App\Log\Readiness;
use App\Models\Pour;
use App\PourSheets\ReckoningView;
use App\Room\RoomTemperature;
use App\Swatches\HardnessBook;
use Carbon\CarbonImmutable;

/** What a pour sheet comes to, in the room of now, held against the shop's pucks and the day its job is wanted by. */
final readonly class PourSheetAnswer
{
    public function __construct(private RoomTemperature $room, private HardnessBook $hardness, private Readiness $readiness) {}

    /** @param  array{ml: float, tare_g: float|null}|null  $cup  the one that was chosen for the maker */
    public function of(Pour $pour, PourReckoning $reckoning, ?array $cup = null): ReckoningView
    {
        return new ReckoningView(
            $reckoning, $pour->edition, $cup, $this->room->now()->degrees,
            $reckoning->recipe === null ? null : $this->hardness->expected($reckoning->recipe),
            $this->readiness->planned($reckoning->cure, $pour->impression->job, CarbonImmutable::now()),
        );
    }
}

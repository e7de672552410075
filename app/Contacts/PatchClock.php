<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Units\Minutes;
use App\Library\Library;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;

/** When a test patch can be read: when what was put on has cured, in the room as it was and is. */
final readonly class PatchClock
{
    /** Where nobody said what was put on. */
    private const USUAL_MIN = 360;

    public function __construct(private Library $library, private CureClock $clock, private RoomTemperature $room) {}

    public function due(?string $base, CarbonImmutable $putOn): CarbonImmutable
    {
        $sheet = $this->library->shelf()->bases[$base ?? ''] ?? null;
        $cured = $sheet === null ? null : $this->room->since($putOn)->reaches(Milestone::Demould, $this->clock->model($sheet));

        return $putOn->addMilliseconds(Minutes::ms($cured->likely->min ?? self::USUAL_MIN));
    }
}

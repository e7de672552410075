<?php

declare(strict_types=1);

namespace App\Day;

use App\Devices\Cables;
use App\Looks\Look;
use App\Models\Hands;
use App\Models\Workshop;
use App\People\AtPractice;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;

/**
 * The frame of every screen, asked for by each of them every few seconds.
 *
 * @phpstan-import-type DrawnStrip from DrawStrip
 */
final readonly class FrameLook
{
    public function __construct(
        private Workshop $workshop,
        private Look $look,
        private Hands $hands,
        private Cables $cables,
        private AtPractice $practice,
    ) {}

    public function at(CarbonImmutable $now): FrameView
    {
        $changes = $this->look->changes();
        $kept = $this->look->of('frame', $changes, $now, DayLook::HOLDS_S, static function () use ($changes): array {
            app(DayLook::class)->changes = $changes;

            return ['room_c' => app(RoomTemperature::class)->now()->degrees, 'drawn' => app(DrawStrip::class)()];
            // One that is of the plan before is drawn anew at the next look.
        }, static fn (): bool => ! app(DayLook::class)->isOfBefore);

        return new FrameView(
            $this->workshop, $this->hands, $changes, $kept['room_c'], new StripView($kept['drawn'], (int) $now->getTimestampMs()),
            $this->cables, $this->practice,
        );
    }
}

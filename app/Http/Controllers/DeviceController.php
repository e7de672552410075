<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use App\Devices\DeviceLost;
use App\Devices\ScalePort;
use App\Devices\TcpLines;
use App\Devices\ThermometerPort;
use App\Models\Workshop;
use App\Workshop\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The scale and the thermometer, as the bench reads them. A lost device is an answer, not an error page. */
final readonly class DeviceController
{
    public function scale(ScalePort $scale): JsonResponse
    {
        try {
            $reading = $scale->read();
        } catch (DeviceLost $lost) {
            return self::lost($lost);
        }

        return new JsonResponse(['grams' => $reading->grams, 'stable' => $reading->stable, 'overload' => $reading->overload, 'lost' => null]);
    }

    public function order(string $order, ScalePort $scale): JsonResponse
    {
        try {
            $order === 'tare' ? $scale->tare() : $scale->zero();
        } catch (DeviceLost $lost) {
            return self::lost($lost);
        }

        return $this->scale($scale);
    }

    /** What a hand does to the stand-in scale: pour at a rate, stop, add, clear. Only where the devices are stand-ins. */
    public function hand(Request $request): JsonResponse
    {
        abort_unless(config()->boolean('devices.simulated'), 404);
        $line = Fields::fromJson($request->getContent())->only('line')->text('line');
        if (preg_match('/^([+>-]\d{1,6}(\.\d+)?|\||CLR|DROP \d{1,3})$/', $line) !== 1) {
            throw BadInput::at('line', 'The stand-in knows +12.3, -5, >8 (grams a second), | (stop), CLR and DROP 5 (seconds).');
        }
        try {
            (new TcpLines(config()->string('devices.scale.address'), config()->float('devices.scale.timeout_s')))->ask($line, 'scale');
        } catch (DeviceLost $lost) {
            return self::lost($lost);
        }

        return new JsonResponse(['lost' => null]);
    }

    /** Reads the thermometer into the room's history, where the room is measured by it. */
    public function thermometer(ThermometerPort $thermometer, Workshop $workshop, RoomTemperature $room): JsonResponse
    {
        try {
            $celsius = Celsius::of($thermometer->celsius());
        } catch (DeviceLost $lost) {
            return new JsonResponse(['room_c' => $room->now()->degrees, 'lost' => $lost->getMessage()]);
        }
        // Half a degree changes no decision; a reading a minute would only fill the history.
        if ($workshop->room_source === 'thermometer' && abs($celsius->degrees - $room->now()->degrees) >= 0.3) {
            $room->note($celsius, 'thermometer', CarbonImmutable::now());
        }

        return new JsonResponse(['room_c' => $workshop->room_source === 'thermometer' ? $celsius->degrees : $room->now()->degrees, 'lost' => null]);
    }

    private static function lost(DeviceLost $lost): JsonResponse
    {
        return new JsonResponse(['grams' => null, 'stable' => false, 'overload' => false, 'lost' => $lost->getMessage()]);
    }
}

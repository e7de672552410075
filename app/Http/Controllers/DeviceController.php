<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Celsius;
use App\Devices\Cables;
use App\Devices\DeviceLost;
use App\Devices\ProbePort;
use App\Devices\SaidScale;
use App\Devices\ScalePort;
use App\Devices\ScaleReading;
use App\Devices\ThermometerPort;
use App\Http\Reply;
use App\Library\Library;
use App\Models\Workshop;
use App\Room\RoomTemperature;
use App\Scale\ScaleDesk;
use App\Scale\ScaleView;
use App\Scale\WeighUpAtHand;
use App\Scale\WeighUps;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The scale, the thermometer and the probe, as the bench reads them. A lost device is an answer, not an error page. */
final readonly class DeviceController
{
    /** With which a tablet says what its own scale shows: a name it keeps, and the line. */
    private const OF_TABLET = ['scale', 'line'];

    public function __construct(private WeighUps $weighUps, private Cables $cables) {}

    public function scale(ScalePort $scale): JsonResponse
    {
        try {
            return Reply::json((new ScaleView($scale->read()))->toArray());
        } catch (DeviceLost $lost) {
            return self::lost($lost);
        }
    }

    /** How scales at tablets write down what they show. */
    public function lines(Library $library): JsonResponse
    {
        return Reply::json(['lines' => $library->scaleLines()]);
    }

    /** The reading for one weigh-up, held against what its cup must weigh. */
    public function watch(Request $request, ScalePort $scale, ScaleDesk $desk): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('for', ...self::OF_TABLET);

        return $this->watched($in, ...self::which($in, $scale, $desk));
    }

    /** Tares an empty cup for a weigh-up, unless the scale serves another: then only when told to take it over. */
    public function tare(Request $request, ScalePort $scale, ScaleDesk $desk): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('for', 'take', ...self::OF_TABLET);
        [$scale, $desk] = self::which($in, $scale, $desk);
        $for = $this->weighUps->named($in->text('for'));
        $other = $desk->heldByAnother($for);
        try {
            if ($other !== null && ! ($in->has('take') && $in->bool('take'))) {
                return Reply::json((new ScaleView($scale->read(), null, $other, $desk->since()))->toArray(), 409);
            }
            $scale->tare();
            $desk->tared($for, CarbonImmutable::now());

            return Reply::json((new ScaleView($scale->read()))->toArray());
        } catch (DeviceLost $lost) {
            return self::lost($lost);
        }
    }

    /** Half way through a line: it serves this weigh-up from now on, once somebody says from where to count. */
    public function takeOver(Request $request, ScalePort $scale, ScaleDesk $desk): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('for', ...self::OF_TABLET);
        [$scale, $desk] = self::which($in, $scale, $desk);
        $desk->takenOver($this->weighUps->named($in->text('for')), CarbonImmutable::now());

        return $this->watched($in, $scale, $desk);
    }

    /** What is on it is all in the cup: somebody looked. */
    public function accept(Request $request, ScalePort $scale, ScaleDesk $desk): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('for', ...self::OF_TABLET);
        [$scale, $desk] = self::which($in, $scale, $desk);
        $desk->accepted($this->weighUps->named($in->text('for')));

        return $this->watched($in, $scale, $desk);
    }

    private function watched(Fields $in, ScalePort $scale, ScaleDesk $desk): JsonResponse
    {
        $for = $this->weighUps->named($in->text('for'));
        try {
            $asked = CarbonImmutable::now();

            return $this->seen($for, $scale->read(), $asked, $desk);
        } catch (DeviceLost $lost) {
            return self::lost($lost);
        }
    }

    /**
     * That of the shop, or one at a tablet, whose browser says what it shows.
     *
     * @return array{ScalePort, ScaleDesk}
     *
     * @throws BadInput
     */
    private static function which(Fields $in, ScalePort $scale, ScaleDesk $desk): array
    {
        $named = $in->textOrNull('scale');
        if ($named === null) {
            return [$scale, $desk];
        }
        preg_match('/^[a-z0-9]{8,32}$/', $named) === 1 || throw BadInput::at('scale', Phrase::of('bench.name_of_tablet_scale'));

        return [new SaidScale(mb_substr($in->text('line'), 0, 64)), $desk->of($named)];
    }

    private function seen(WeighUpAtHand $for, ScaleReading $reading, CarbonImmutable $asked, ScaleDesk $desk): JsonResponse
    {
        $other = $desk->heldByAnother($for);
        $view = $other === null
            ? new ScaleView($reading, null, null, null, $for, $desk->watch($for, $reading, $asked, CarbonImmutable::now()))
            : new ScaleView($reading, null, $other, $desk->since());

        return Reply::json($view->toArray());
    }

    /** What a hand does to the stand-in scale: pour at a rate, stop, add, clear. Only where the devices are stand-ins. */
    public function hand(Request $request): JsonResponse
    {
        abort_unless($this->cables->areSimulated(), 404);
        $line = Fields::fromJson($request->getContent())->only('line')->text('line');
        if (preg_match('/^([+=>-]\d{1,6}(\.\d+)?|\||T|CLR|DROP \d{1,3}|SET \d{1,6}(\.\d+)?|UNIT (g|oz))$/', $line) !== 1) {
            throw BadInput::at('line', Phrase::of('bench.stand_in_scale_knows'));
        }
        try {
            $this->cables->lines('scale')->ask($line, 'scale');
        } catch (DeviceLost $lost) {
            return self::lost($lost);
        }

        return Reply::json(['lost' => null]);
    }

    /** How warm the pot is, as its probe says. */
    public function probe(ProbePort $probe): JsonResponse
    {
        try {
            return Reply::json(['celsius' => $probe->celsius(), 'lost' => null]);
        } catch (DeviceLost $lost) {
            return Reply::json(['celsius' => null, 'lost' => $lost->says]);
        }
    }

    /** The heat under the stand-in's pot. Only where the devices are stand-ins. */
    public function stove(Request $request): JsonResponse
    {
        abort_unless($this->cables->areSimulated(), 404);
        $line = Fields::fromJson($request->getContent())->only('line')->text('line');
        if (preg_match('/^(ON|OFF|=\d{1,3}(\.\d+)?)$/', $line) !== 1) {
            throw BadInput::at('line', Phrase::of('bench.stand_in_probe_knows'));
        }
        try {
            $this->cables->lines('probe')->ask($line, 'probe');
        } catch (DeviceLost $lost) {
            return Reply::json(['lost' => $lost->says]);
        }

        return Reply::json(['lost' => null]);
    }

    /** Reads the thermometer into the room's history, where the room is measured by it. */
    public function thermometer(ThermometerPort $thermometer, Workshop $workshop, RoomTemperature $room): JsonResponse
    {
        try {
            $celsius = Celsius::of($thermometer->celsius());
        } catch (DeviceLost $lost) {
            return Reply::json(['room_c' => $room->now()->degrees, 'lost' => $lost->says]);
        }
        // Half a degree changes no decision; a reading a minute would only fill the history.
        if ($workshop->room_source === 'thermometer' && abs($celsius->degrees - $room->now()->degrees) >= 0.3) {
            $room->note($celsius, 'thermometer', CarbonImmutable::now());
        }

        return Reply::json([
            'room_c' => $workshop->room_source === 'thermometer' ? $celsius->degrees : $room->now()->degrees, 'lost' => null,
        ]);
    }

    private static function lost(DeviceLost $lost): JsonResponse
    {
        return Reply::json((new ScaleView(null, $lost->says))->toArray());
    }
}

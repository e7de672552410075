<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use App\Actions\DrawStrip;
use App\Http\Views\FrameView;
use App\Models\Workshop;
use App\Shop\Room;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The frame's own switches: units, sound, room. Answers with the frame as it is afterwards. */
final readonly class WorkshopController
{
    public function __construct(private Workshop $workshop, private Room $room, private DrawStrip $draw) {}

    public function show(): JsonResponse
    {
        return $this->frame();
    }

    public function update(Request $request): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('units', 'muted', 'room_c', 'room_source');
        if ($in->has('units')) {
            $this->workshop->units = $this->oneOf($in, 'units', ['metric', 'imperial']);
        }
        if ($in->has('muted')) {
            $this->workshop->muted = $in->bool('muted');
        }
        if ($in->has('room_source')) {
            $this->workshop->room_source = $this->oneOf($in, 'room_source', ['hand', 'thermometer']);
        }
        if ($in->has('room_c')) {
            $this->room->note(Celsius::of($in->number('room_c', Celsius::COLDEST, Celsius::HOTTEST)), 'hand', CarbonImmutable::now());
            $this->workshop->room_source = 'hand';
        }
        $this->workshop->save();

        return $this->frame();
    }

    /** @param  list<string>  $known */
    private function oneOf(Fields $in, string $key, array $known): string
    {
        $value = $in->text($key);

        return in_array($value, $known, true) ? $value : throw BadInput::at($key, 'Choose one of: '.implode(', ', $known).'.');
    }

    private function frame(): JsonResponse
    {
        return new JsonResponse((new FrameView($this->workshop, $this->room, ($this->draw)(CarbonImmutable::now())))->toArray());
    }
}

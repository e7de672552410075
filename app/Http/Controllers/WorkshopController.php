<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\Fields;
use App\Actions\SetUpBench;
use App\Http\Reply;
use App\Models\Workshop;
use App\Reads\DrawStrip;
use App\Reads\FrameView;
use App\Workshop\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What holds for the whole bench. Answers with the frame as it is afterwards. */
final readonly class WorkshopController
{
    public function __construct(private Workshop $workshop, private RoomTemperature $room, private DrawStrip $draw) {}

    public function show(): JsonResponse
    {
        return Reply::json((new FrameView($this->workshop, $this->room, ($this->draw)(CarbonImmutable::now())))->toArray());
    }

    public function update(Request $request, SetUpBench $setUp): JsonResponse
    {
        $setUp(Fields::fromJson($request->getContent()), CarbonImmutable::now());

        return $this->show();
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\Fields;
use App\Day\FrameLook;
use App\Http\Edition;
use App\Http\Reply;
use App\Library\Library;
use App\Shop\SchoolsView;
use App\Shop\SetUpBench;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What holds for the whole bench. Answers with the frame as it is afterwards. */
final readonly class WorkshopController
{
    public function __construct(private FrameLook $frame) {}

    public function show(): JsonResponse
    {
        return Reply::json($this->frame->at(CarbonImmutable::now())->toArray());
    }

    /** Where schools differ: what one may tick. */
    public function schools(Library $library): JsonResponse
    {
        return Reply::json((new SchoolsView($library))->toArray());
    }

    public function update(Request $request, SetUpBench $setUp): JsonResponse
    {
        $setUp(
            Fields::fromJson($request->getContent()), $request->query->has('edition') ? Edition::of($request) : null,
            CarbonImmutable::now(),
        );

        return $this->show();
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\Fields;
use App\Builds\LeaveObservationOut;
use App\Http\Reply;
use App\Library\Library;
use App\Models\Build;
use App\Models\Pour;
use App\People\Names;
use App\Room\ObservationsView;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What a clock rests on, and what somebody takes out of it. */
final readonly class ClockController
{
    public function __construct(private Library $library) {}

    public function show(string $base): JsonResponse
    {
        return Reply::json((new ObservationsView($this->library->shelf()->bases[$base] ?? abort(404), app(Names::class)))->toArray());
    }

    public function gel(Request $request, Pour $pour, LeaveObservationOut $leave): JsonResponse
    {
        $leave->gel($pour, Fields::fromJson($request->getContent())->only('left_out')->bool('left_out'));

        return $this->show((string) $pour->base_code);
    }

    public function touch(Request $request, Build $build, LeaveObservationOut $leave): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('key', 'base', 'left_out');
        $leave->touch($build, $in->text('key'), $in->bool('left_out'), CarbonImmutable::now());

        return $this->show($in->text('base'));
    }
}

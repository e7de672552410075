<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Reply;
use App\Reads\StoresView;
use App\Workshop\CureClock;
use App\Workshop\Library;
use App\Workshop\RoomTemperature;
use Inertia\Response;

final class StoresController
{
    public function __invoke(Library $library, RoomTemperature $room, CureClock $clock, ?string $code = null): Response
    {
        $shelf = $library->shelf();
        abort_if($code !== null && ! isset($shelf->bases[$code]) && ! isset($shelf->additives[$code]), 404);

        return Reply::page('stores/Stores', (new StoresView($library, $room, $clock, $code))->toArray());
    }
}

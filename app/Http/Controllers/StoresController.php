<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Views\StoresView;
use App\Shop\Library;
use App\Shop\PourClock;
use App\Shop\Room;
use Inertia\Inertia;
use Inertia\Response;

final class StoresController
{
    public function __invoke(Library $library, Room $room, PourClock $clock, ?string $code = null): Response
    {
        $shelf = $library->shelf();
        abort_if($code !== null && ! isset($shelf->bases[$code]) && ! isset($shelf->additives[$code]), 404);

        return Inertia::render('stores/Stores', (new StoresView($library, $room, $clock, $code))->toArray());
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** For whoever watches whether the bench is up: in plain text, with nothing from elsewhere. */
final class UpController
{
    public function __invoke(): Response
    {
        DB::select('select 1');

        return response('Apalos is up.', 200, ['Content-Type' => 'text/plain; charset=UTF-8', 'Cache-Control' => 'no-store']);
    }
}

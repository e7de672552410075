<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Machine\Upkeep;
use Carbon\CarbonImmutable;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** For whoever watches whether the bench is up: in plain text, how it keeps on a line each. */
final class UpController
{
    public function __invoke(): Response
    {
        DB::select('select 1');

        return response(
            implode("\n", ['Apalos is up.', ...Upkeep::at(CarbonImmutable::now())->lines()]), 200,
            ['Content-Type' => 'text/plain; charset=UTF-8', 'Cache-Control' => 'no-store'],
        );
    }
}

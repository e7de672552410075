<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Reply;
use App\Reads\ReadBench;
use Carbon\CarbonImmutable;
use Inertia\Response;

final class BenchController
{
    public function __invoke(ReadBench $read): Response
    {
        return Reply::page('bench/Bench', ['bench' => $read(CarbonImmutable::now())->toArray()]);
    }
}

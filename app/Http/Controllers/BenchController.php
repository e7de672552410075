<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Day\ReadBench;
use App\Http\Reply;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Inertia\Response;

final class BenchController
{
    public function __invoke(ReadBench $read, Workshop $workshop): Response|RedirectResponse
    {
        if ($workshop->set_up_at === null && ! $workshop->jobs()->exists() && ! $workshop->series()->exists()) {
            return redirect()->to('/first');
        }

        return Reply::page('bench/Bench', ['bench' => $read(CarbonImmutable::now())->toArray()]);
    }
}

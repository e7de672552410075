<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Day\UnderWay;
use App\Http\Reply;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** What a tablet keeps for when the bench computer does not answer. */
final class AwayController
{
    public function pages(UnderWay $work): JsonResponse
    {
        return Reply::json($work->toArray());
    }

    /** The small worker that keeps it, at the root, so that it stands before every page; a browser asks for a newer one at each visit. */
    public function worker(): BinaryFileResponse
    {
        $file = public_path('build/worker.js');
        is_file($file) || abort(404);

        return response()->file($file, ['Content-Type' => 'text/javascript; charset=UTF-8', 'Cache-Control' => 'no-cache']);
    }
}

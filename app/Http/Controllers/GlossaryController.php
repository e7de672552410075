<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Reply;
use App\Library\Library;
use Illuminate\Http\JsonResponse;

/** The words of the craft, for whoever is new to it. */
final class GlossaryController
{
    public function __invoke(Library $library): JsonResponse
    {
        return Reply::json(['words' => $library->glossary()]);
    }
}

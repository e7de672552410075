<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Console\Shelves;
use Apalos\Core\Console\Verb;
use Apalos\Core\Input\Fields;
use App\Contacts\ContactBook;
use App\Http\Reply;
use App\Library\Library;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The console's verbs over HTTP: the same JSON in, the same JSON out, 422 where the console exits with 2. */
final class ReckonController
{
    public function __invoke(Request $request, Library $library, ContactBook $contacts, string $verb): JsonResponse
    {
        $known = Verb::tryFrom($verb);
        abort_if($known === null, 404, 'Known are: '.implode(', ', array_column(Verb::cases(), 'value')).'.');

        return Reply::json(
            $known->answer(
                Fields::fromJson($request->getContent()),
                new Shelves(
                    $contacts->knowledge(), $library->moulds(), $library->shelf(), $library->faultBook(), $library->wear(),
                    $library->ways(), $library->castings(),
                ),
            ),
        );
    }
}

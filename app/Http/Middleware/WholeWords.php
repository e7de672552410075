<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Text is UTF-8 from end to end: half a letter, once written down, would stop every page and every file it stands on. */
final class WholeWords
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $said = [$request->query->all(), $request->request->all()];
        array_walk_recursive($said, static function (mixed $word, int|string $name): void {
            if (! mb_check_encoding((string) $name, 'UTF-8') || (is_string($word) && (! mb_check_encoding($word, 'UTF-8') || str_contains($word, "\0")))) {
                throw BadInput::at('', Phrase::written('There is a sign in it that is no letter. Type it again.'));
            }
        });

        return $next($request);
    }
}

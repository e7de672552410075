<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\WholeText;
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
        // A piece of a file is no text.
        $said = $request->is('study/uploads/*') ? [] : $request->request->all();
        $isOne = mb_check_encoding($request->getContent(), 'UTF-8') || ! $request->isJson();
        $wrong = $isOne ? WholeText::wrongIn([...$request->query->all(), $said], PHP_INT_MAX) : Phrase::of('input.no_letter');
        if ($wrong !== null) {
            throw BadInput::at('', $wrong);
        }

        return $next($request);
    }
}

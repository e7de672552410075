<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;

/**
 * A session is kept for who comes back: a look without a cookie (a watcher, a search, a scan) leaves none behind. Whoever sends something
 * takes a token first, and with it a session.
 */
final class QuietSession extends StartSession
{
    protected function handleStatefulRequest(Request $request, $session, Closure $next)
    {
        $isFirstLook = $request->isMethodSafe() && ! $request->is('token') && ! $request->cookies->has($session->getName());
        if (! $isFirstLook) {
            return parent::handleStatefulRequest($request, $session, $next);
        }
        $request->setLaravelSession($this->startSession($request, $session));

        $response = $next($request);
        // A token of a session that is not kept would be refused.
        $response->headers->removeCookie('XSRF-TOKEN');

        return $response;
    }
}

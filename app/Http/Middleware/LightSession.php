<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Session\SessionManager;
use Symfony\Component\HttpFoundation\Response;

/**
 * Reads who it is off the session and leaves it as it lies: what is asked every few seconds waits for nobody, and uses up nothing that one
 * page left for the next to say.
 */
final readonly class LightSession
{
    public function __construct(private SessionManager $sessions) {}

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $session = $this->sessions->driver();
        if ($request->cookies->has($session->getName())) {
            $session->setId($request->cookies->get($session->getName()));
            $session->setRequestOnHandler($request);
            $session->start();
            $request->setLaravelSession($session);
        }

        return $next($request);
    }
}

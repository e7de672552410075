<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Apalos\Core\Phrase\Phrase;
use App\Http\Reply;
use Closure;
use Illuminate\Foundation\Vite;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Who may come in, and what a page of ours may do. The bench answers to the names it was given and to nobody who writes from
 * another page; what it sends runs no script but its own and shows in nobody's frame.
 */
final class Doors
{
    private const HEADERS = [
        'X-Content-Type-Options' => 'nosniff',
        'X-Frame-Options' => 'DENY',
        'Referrer-Policy' => 'same-origin',
        'Cross-Origin-Opener-Policy' => 'same-origin',
        'Cross-Origin-Resource-Policy' => 'same-origin',
        'Permissions-Policy' => 'accelerometer=(), camera=(self), display-capture=(), geolocation=(), gyroscope=(), microphone=(), midi=(), payment=(), serial=(self), usb=()',
    ];

    // Styles stand in attributes where a colour or a length is data: those may be written in the page, scripts never.
    private const POLICY = "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; "
        ."object-src 'none'; base-uri 'none'; form-action 'self'; frame-src 'none'; frame-ancestors 'none'";

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = match (true) {
            ! self::isNamed($request) => self::refused(
                Response::HTTP_MISDIRECTED_REQUEST,
                Reply::atTheDoor(Phrase::of('bench.bench_not_called')),
            ),
            ! $request->isMethodSafe()
                && self::isForeign($request, 'Origin') => self::refused(
                    Response::HTTP_FORBIDDEN, Reply::atTheDoor(Phrase::of('bench.sent_from_another_page')),
                ),
            default => $this->inside($request, $next),
        };
        foreach (self::HEADERS as $name => $value) {
            $response->headers->set($name, $value);
        }
        if (! app(Vite::class)->isRunningHot()) {
            $response->headers->set('Content-Security-Policy', self::POLICY);
        }
        header_remove('X-Powered-By');

        return $response;
    }

    /** @param  Closure(Request): Response  $next */
    private function inside(Request $request, Closure $next): Response
    {
        // Whoever is sent back is sent back to a screen of ours.
        if (self::isForeign($request, 'Referer')) {
            $request->headers->remove('Referer');
        }

        return $next($request);
    }

    private static function isNamed(Request $request): bool
    {
        return self::isOurs((string) parse_url('http://'.$request->headers->get('Host', ''), PHP_URL_HOST));
    }

    /** Whether the bench goes by that name. */
    public static function isOurs(string $host): bool
    {
        $own = parse_url(config()->string('app.url'), PHP_URL_HOST);
        $named = array_map(strtolower(...), array_map(trim(...), explode(',', config()->string('apalos.hosts'))));

        return in_array(
            strtolower($host), ['localhost', '127.0.0.1', '[::1]', is_string($own) ? strtolower($own) : '', ...array_filter($named)], true,
        );
    }

    private static function isForeign(Request $request, string $header): bool
    {
        $said = $request->headers->get($header);

        // Behind a proxy that speaks TLS its own address is the one it was given.
        $own = [$request->getSchemeAndHttpHost(), rtrim(config()->string('app.url'), '/')];

        return $said !== null
            && $said !== ''
            && array_filter($own, static fn (string $address): bool => str_starts_with("{$said}/", "{$address}/")) === [];
    }

    private static function refused(int $status, string $says): Response
    {
        return new Response($says, $status, ['Content-Type' => 'text/plain; charset=UTF-8']);
    }
}

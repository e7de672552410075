<?php

declare(strict_types=1);

use Apalos\Core\Input\BadInput;
use App\Database\CannotWrite;
use App\Http\Middleware\Doors;
use App\Http\Middleware\HandleInertiaRequests;
use App\Http\Middleware\LightSession;
use App\Http\Middleware\Practises;
use App\Http\Middleware\QuietSession;
use App\Http\Middleware\Weight;
use App\Http\Middleware\WhoComes;
use App\Http\Middleware\WholeWords;
use App\Http\Middleware\WritesDecisions;
use App\Http\Reply;
use App\Models\Outdated;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Session\Middleware\StartSession;
use Inertia\Inertia;
use Symfony\Component\HttpFoundation\Response;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', api: __DIR__.'/../routes/api.php', commands: __DIR__.'/../routes/console.php')
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->prepend(Doors::class);
        $middleware->append(Weight::class);
        $middleware->append(WholeWords::class);
        $middleware->throttleApi();
        $middleware->api(append: [WhoComes::class]);
        $middleware->web(
            append: [HandleInertiaRequests::class, WhoComes::class, Practises::class, WritesDecisions::class],
            replace: [StartSession::class => QuietSession::class],
        );
        // Whoever may not come in learns nothing of what is there.
        $middleware->prependToPriorityList(before: SubstituteBindings::class, prepend: WhoComes::class);
        $middleware->prependToPriorityList(before: SubstituteBindings::class, prepend: Practises::class);
        $middleware->prependToPriorityList(before: WhoComes::class, prepend: LightSession::class);
        // What a maker types is kept as typed: a lone space or an empty box is answered with a sentence, not turned into null.
        $middleware->convertEmptyStringsToNull(except: [static fn (): bool => true]);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->dontReport([BadInput::class, Outdated::class]);
        $exceptions->render(Reply::refused(...));
        $exceptions->render(static fn (Outdated $since, Request $request): Response => Reply::outdated($since, $request));
        $exceptions->render(static function (PDOException $failed, Request $request): ?Response {
            $because = CannotWrite::because($failed);
            $says = $because === null ? null : Reply::atTheDoor($because);

            // Not of a question alone: a transaction fails when it is closed.
            return $says === null || $request->isMethodSafe()
                ? null
                : (
                    $request->expectsJson()
                    ? new JsonResponse(['error' => ['field' => '', 'message' => $says]], 503)
                    : back()->withErrors(['disk' => $says])
                );
        });
        $exceptions->render(
            static fn (ThrottleRequestsException $often) => new JsonResponse(
                ['error' => ['field' => '', 'message' => 'That is more than a workshop asks. Wait a moment, then go on.']], 429,
                $often->getHeaders(),
            ),
        );
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => $request->expectsJson());
        $exceptions->respond(static function (Response $response, Throwable $e, Request $request): Response {
            if (
                $request->expectsJson()
                || ! in_array($response->getStatusCode(), [403, 404, 405, 413, 419, 500, 503], true)
                || (config('app.debug') === true && $response->getStatusCode() === 500)
            ) {
                return $response;
            }

            // The mishap may have come before the middleware that hands every screen its frame.
            Inertia::share((new HandleInertiaRequests)->share($request));

            return Inertia::render('lost/Lost', ['status' => $response->getStatusCode()])
                ->toResponse($request)
                ->setStatusCode($response->getStatusCode());
        });
    })
    ->create();

<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Apalos\Core\Phrase\Phrase;
use App\Day\FrameLook;
use App\Http\May;
use App\Http\Reply;
use App\Models\Hands;
use App\People\AtPractice;
use App\Practice\PracticeDesk;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * What is meant for a practice happens there: in its shop, on its clock, at its bench. What has no business there is not done at the bench
 * instead.
 */
final readonly class Practises
{
    /** What calls at the bench is told at a practice from so long before it on, for so long after. */
    private const AHEAD_MS = 600_000;

    private const BEFORE_MS = 1_800_000;

    private const CALLS = 2;

    public function __construct(private AtPractice $practice, private Hands $hands, private May $may) {}

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $try = $this->practice->meant($request);
        if ($try === null) {
            return AtPractice::isSaid($request) ? self::refuse('bench.practice_is_over') : $next($request);
        }
        abort_if($try->person_id !== $this->hands->person?->id, 404);
        if (! $this->may->isPractised($request->method(), $request->route()?->uri() ?? '')) {
            return $request->isMethod('GET') && ! $request->expectsJson()
                ? redirect()->to($try->place)
                : self::refuse('bench.not_in_practice');
        }
        $now = CarbonImmutable::now();
        $this->practice->calls = $request->isMethod('GET') ? self::calling(app(FrameLook::class)->at($now)->calls(), $now) : [];

        return $this->practice->during($try, $now, static function () use ($request, $next, $try, $now): Response {
            // What ran in until now is in the cup of the line it was poured for.
            $request->isMethodSafe()
                || app(PracticeDesk::class)->at($try, (float) $now->format('U.u'), CarbonImmutable::now(), static fn (): null => null);

            return $next($request);
        });
    }

    /**
     * @param  list<array<string, mixed>>  $calls
     * @return list<array<string, mixed>> those that want hands now, the first of them
     */
    private static function calling(array $calls, CarbonImmutable $now): array
    {
        $ms = (int) $now->getTimestampMs();
        $due = array_values(
            array_filter(
                $calls,
                static fn (array $call): bool => is_int($call['at_ms'] ?? null)
                    && $call['at_ms'] > $ms - self::BEFORE_MS
                    && $call['at_ms'] < $ms + self::AHEAD_MS,
            ),
        );
        usort($due, static fn (array $one, array $other): int => $one['at_ms'] <=> $other['at_ms']);

        return array_slice($due, 0, self::CALLS);
    }

    private static function refuse(string $why): JsonResponse
    {
        return new JsonResponse(['error' => ['field' => '', 'message' => Reply::say(Phrase::of($why))]], Response::HTTP_CONFLICT);
    }
}

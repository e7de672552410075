<?php

declare(strict_types=1);

namespace App\Http;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Library\Library;
use App\Models\Outdated;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response as Page;
use Symfony\Component\HttpFoundation\Response;

/** Everything that leaves for a browser or a program: here, and only here, phrases become words in the units of the workshop. */
final readonly class Reply
{
    /** @param  array<array-key, mixed>  $what */
    public static function json(array $what, int $status = 200): JsonResponse
    {
        return new JsonResponse(self::words()->tell($what), $status);
    }

    /** @param  array<string, mixed>  $props */
    public static function page(string $component, array $props): Page
    {
        /** @var array<string, mixed> $told */
        $told = self::words()->tell($props);

        return Inertia::render($component, array_map(self::whole(...), $told));
    }

    /** Inertia looks through every figure of an array for one to resolve. There is none here, so it is handed over in one piece. */
    private static function whole(mixed $told): mixed
    {
        return is_array($told) && $told !== [] && ! array_is_list($told) ? (object) $told : $told;
    }

    /**
     * @param  array<array-key, mixed>  $what
     * @return object what every screen has around it, told
     */
    public static function frame(array $what): object
    {
        /** @var array<array-key, mixed> $told */
        $told = self::words()->tell($what);

        return (object) $told;
    }

    public static function refused(BadInput $wrong): JsonResponse
    {
        return new JsonResponse($wrong->told(self::words()), JsonResponse::HTTP_UNPROCESSABLE_ENTITY);
    }

    /** What was shown is no longer so: back to the screen, which then shows both. */
    public static function outdated(Outdated $since, Request $request): Response
    {
        return $request->expectsJson() && ! $request->hasHeader('X-Inertia')
            ? new JsonResponse(['error' => ['field' => 'edition', 'message' => self::say($since->says)]], JsonResponse::HTTP_CONFLICT)
            : back()->withErrors(['edition' => self::say($since->says)]);
    }

    /** Back to the screen it came from, with what is wrong beside the field. */
    public static function back(string $field, BadInput|Phrase $wrong): RedirectResponse
    {
        return back()->withErrors([$field => self::say($wrong)]);
    }

    /** What is wrong with a file, and where in it. */
    public static function refusal(BadInput $wrong): string
    {
        return $wrong->ofFile(self::words());
    }

    public static function say(BadInput|Phrase $what): string
    {
        return self::words()->say($what instanceof BadInput ? $what->says : $what);
    }

    /** At the door, before it is known whose shop it is, and where its database may not answer; there stands no figure in it. */
    public static function atTheDoor(Phrase $what): string
    {
        return app(Library::class)->words()->say($what);
    }

    private static function words(): Phrasebook
    {
        return app(Phrasebook::class);
    }
}

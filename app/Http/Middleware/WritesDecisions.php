<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\May;
use App\Library\Library;
use App\Models\Pour;
use App\People\Decisions;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Whoever went through a door of `decide` or `own` and was not refused has decided something: it is written down in the words of that door.
 */
final readonly class WritesDecisions
{
    /** What is said of people is kept as a number they can be forgotten by, and what they come in with is kept nowhere. */
    private const SECRET = ['pin', 'passphrase', 'token'];

    private const OF_PEOPLE = ['people', 'people/{person}'];

    private const MOST_FIELDS = 16;

    private const LONGEST = 80;

    public function __construct(private May $may, private Library $library, private Decisions $decisions) {}

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $uri = $request->route()?->uri() ?? '';
        $door = $request->isMethodSafe() || self::wasRefused($request, $response)
            ? null
            : $this->may->door($request->method(), $uri, WhoComes::said($request));
        if ($door === null || $this->library->did($door) === null) {
            return $response;
        }
        [$of, $name] = self::of($request);
        $made = $response instanceof JsonResponse ? ($response->getData(true)['id'] ?? null) : null;
        if ($of === [] && (is_int($made) || is_string($made))) {
            $of = [$uri === 'people' ? 'person' : 'made' => $made];
        }
        $this->decisions->write($door, $of, $name, self::what($request, in_array($uri, self::OF_PEOPLE, true)), CarbonImmutable::now());

        return $response;
    }

    private static function wasRefused(Request $request, Response $response): bool
    {
        // A page is led back to what it was changed from, and shows there why not.
        return $response->getStatusCode() >= 400
            || ($response->exception ?? null) !== null
            || ($request->hasSession() && in_array('errors', (array) $request->session()->get('_flash.new', []), true));
    }

    /** @return array{array<string, int|string>, string|null} which thing, and what it was called */
    private static function of(Request $request): array
    {
        [$of, $name] = [[], null];
        foreach ($request->route()?->parameters() ?? [] as $kind => $one) {
            $key = $one instanceof Model ? $one->getKey() : $one;
            if (is_int($key) || is_string($key)) {
                $of[(string) $kind] = $key;
            }
            $called = match (true) {
                $kind === 'person' => null,
                $one instanceof Pour => "{$one->impression->job->name} · {$one->impression->name}",
                $one instanceof Model => $one->getAttributes()['name'] ?? null,
                default => null,
            };
            is_string($called) && $name ??= mb_substr($called, 0, self::LONGEST);
        }

        return [$of, $name];
    }

    /** @return array<string, scalar|null> */
    private static function what(Request $request, bool $isOfPeople): array
    {
        $what = [];
        foreach (array_slice(WhoComes::said($request), 0, self::MOST_FIELDS, true) as $field => $said) {
            $isKept = is_scalar($said) && ! in_array($field, self::SECRET, true) && ! ($isOfPeople && $field === 'name');
            $what[mb_substr((string) $field, 0, self::LONGEST)] = $isKept
                ? (is_string($said) ? mb_substr($said, 0, self::LONGEST) : $said)
                : null;
        }

        return $what;
    }
}

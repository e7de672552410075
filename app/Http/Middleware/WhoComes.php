<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Apalos\Core\Phrase\Phrase;
use App\Http\May;
use App\Http\Reply;
use App\Http\ShopOfRequest;
use App\Models\Hands;
use App\Models\Person;
use App\Models\Tablet;
use App\Models\Workshop;
use App\People\AtPractice;
use App\People\Doorkeeper;
use App\People\ShopAtHand;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\IpUtils;
use Symfony\Component\HttpFoundation\Response;

/** Looks who comes, writes down whose hands they are, and lets them through the doors their role opens. */
final readonly class WhoComes
{
    /** What was countersigned, until when, for which door; in the session. */
    public const WITNESS = 'witness';

    /** When an owner gave the passphrase last; in the session. */
    public const GAVE_PASSPHRASE = 'gave_passphrase_ms';

    public function __construct(
        private Hands $hands,
        private Doorkeeper $keeper,
        private May $may,
        private Workshop $workshop,
        private ShopAtHand $at,
        private AtPractice $practice,
    ) {}

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $uri = $request->route()?->uri() ?? '';
        // Nothing of it is the shop's: an apprentice, or a guest, does at a practice what a maker does at the bench.
        $ability = $this->may->isPractised($request->method(), $uri) && $this->practice->meant($request) !== null
            ? May::LOOK
            : $this->may->asked($request->method(), $uri, self::said($request));
        $isOwn = self::isOwnComputer($request);
        $tablet = Tablet::shown((string) $request->cookies->get(Tablet::COOKIE));
        $this->hands->tablet = $tablet?->workshop_id === $this->workshop->id ? $tablet : null;
        $this->hands->person = $this->signedIn($request) ?? $this->byToken($request) ?? $this->keeper->comesInUnasked($isOwn);
        $isOpen = $this->keeper->isOpen($isOwn);
        $this->hands->isIn = $isOpen || $this->hands->person !== null || $this->hands->tablet !== null;
        if ($ability === May::DOOR || $isOpen) {
            return $next($request);
        }
        $person = $this->hands->person;

        return match (true) {
            // A tablet nobody has taken up shows what a guest sees.
            $person === null && $this->hands->tablet !== null => $ability === May::LOOK
                ? $next($request)
                : $this->asks($request, 'hands', Phrase::of('bench.come_in_first'), 401),
            $person === null => $this->wall($request),
            $this->may->has($person->role, $ability) => $ability === May::OWN && ! $isOwn && ! $this->gavePassphrase($request)
                ? $this->asks($request, 'again', Phrase::of('bench.passphrase_again'), 403)
                : $next($request),
            $this->may->mayAsk($person->role, $ability) => $this->countersigned($request)
                ? $next($request)
                : $this->asks($request, 'countersign', Phrase::of('bench.ask_a_maker'), 403),
            default => $this->asks($request, '', Phrase::of($ability === May::OWN ? 'bench.only_owners' : 'bench.guests_look'), 403),
        };
    }

    /** What comes from this machine itself, and was not handed on by another one. */
    public static function isOwnComputer(Request $request): bool
    {
        return IpUtils::checkIp((string) $request->ip(), ['127.0.0.0/8', '::1'])
            && ! $request->headers->has('X-Forwarded-For')
            && ! $request->headers->has('Forwarded');
    }

    /** @return array<array-key, mixed> what somebody says with a press, by field */
    public static function said(Request $request): array
    {
        $said = $request->isMethodSafe() ? [] : ($request->isJson() ? json_decode($request->getContent(), true) : $request->post());

        return is_array($said) ? $said : [];
    }

    private function signedIn(Request $request): ?Person
    {
        $person = $request->hasSession() ? Auth::guard('web')->user() : null;
        if (! $person instanceof Person) {
            return null;
        }
        if ($person->workshop_id !== $this->workshop->id) {
            return null;
        }
        if ($person->left_at !== null || $request->session()->get('sessions') !== $person->sessions) {
            Auth::guard('web')->logout();

            return null;
        }

        return $person;
    }

    private function byToken(Request $request): ?Person
    {
        $token = ShopOfRequest::token($request);
        $person = $token?->tokenable;
        if (
            $token === null
            || ! $person instanceof Person
            || $person->left_at !== null
            || $person->workshop_id !== $this->workshop->id
            || ! $token->can($request->is('day.ics') ? 'day' : 'reckon')
        ) {
            return null;
        }
        $this->hands->through(Hands::PROGRAM, (string) $token->name);

        return $person;
    }

    private function gavePassphrase(Request $request): bool
    {
        return (int) $request
            ->session()
            ->get(self::GAVE_PASSPHRASE, 0) > CarbonImmutable::now()
            ->subMinutes(config()->integer('auth.again_min'))
            ->getTimestampMs();
    }

    /** One yes for one press at one door. */
    private function countersigned(Request $request): bool
    {
        $said = $request->session()->pull(self::WITNESS);
        if (
            ! is_array($said)
            || ($said['door'] ?? null) !== self::door($request)
            || ($said['until_ms'] ?? 0) < CarbonImmutable::now()->getTimestampMs()
        ) {
            return false;
        }
        $this->hands->witness = Person::here($this->workshop)->whereKey($said['person'] ?? '')->first();

        return $this->hands->witness?->role->countersigns() === true;
    }

    public static function door(Request $request): string
    {
        return "{$request->method()} /{$request->path()}";
    }

    private function wall(Request $request): Response
    {
        if ($this->at->isSaid() && ! Person::here($this->workshop)->exists()) {
            return $this->asks($request, 'sign-in', Phrase::of('bench.made_on_the_machine'), 401);
        }
        if ($request->is('api/*', 'day.ics')) {
            return new JsonResponse(['error' => ['field' => '', 'message' => Reply::say(Phrase::of('bench.program_needs_a_token'))]], 401);
        }
        if ($request->isMethod('GET') && ! $request->expectsJson()) {
            return self::toTheDoor($request);
        }

        return $this->asks($request, 'sign-in', Phrase::of('bench.come_in_first'), 401);
    }

    /** To come in, and go on from there to what was wanted. */
    private static function toTheDoor(Request $request): Response
    {
        return redirect()->to(
            '/sign-in'.($request->getRequestUri() === '/' ? '' : '?'.http_build_query(['to' => $request->getRequestUri()])),
        );
    }

    /** What is asked before it goes on: the browser shows it, and sends the same once more. */
    private function asks(Request $request, string $field, Phrase $says, int $status): Response
    {
        if ($request->isMethod('GET') && ! $request->expectsJson() && ! $request->hasHeader('X-Inertia')) {
            return $field === 'hands' || $field === 'again' || $field === 'sign-in' ? self::toTheDoor($request) : abort($status);
        }

        $makers = $field !== 'countersign'
            ? []
            : Person::here($this->workshop)
                ->whereNotNull('pin')
                ->get()
                ->filter(static fn (Person $one): bool => $one->role->countersigns())
                ->map(static fn (Person $one): array => ['id' => $one->id, 'name' => $one->name, 'colour' => $one->colour])
                ->values()
                ->all();

        return new JsonResponse(
            ['error' => ['field' => $field, 'message' => Reply::say($says), 'door' => self::door($request), 'makers' => $makers]], $status,
        );
    }
}

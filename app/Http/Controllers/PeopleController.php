<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Http\May;
use App\Http\Reply;
use App\Library\Library;
use App\Log\DecisionsView;
use App\Models\Hands;
use App\Models\Person;
use App\Models\Tablet;
use App\Models\Workshop;
use App\People\Decisions;
use App\People\Names;
use App\People\PeopleView;
use App\People\Programs;
use App\People\TokenFor;
use App\People\TrustedTablets;
use App\People\WriteDown;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use Inertia\Response;

/** Who works here, at which tablets, and which programs come in. */
final class PeopleController
{
    public function __construct(private readonly Workshop $workshop, private readonly WriteDown $write, private readonly Hands $hands) {}

    public function show(Request $request, May $may, Names $names, Decisions $decisions, Library $library): Response
    {
        $before = $request->query('before');
        $before = is_string($before) && preg_match('/^\d{1,15}$/', $before) === 1 ? (int) $before : null;
        $now = CarbonImmutable::now();

        return Reply::page('people/People', [
            'people' => (new PeopleView($this->workshop, $this->hands, $now))->toArray(), 'roles' => $may->roles(),
            'decided' => (new DecisionsView($decisions, $names, $library, $before, $now))->toArray(),
        ]);
    }

    public function store(Request $request): JsonResponse
    {
        $person = ($this->write)(Fields::fromJson($request->getContent()));
        // Whoever came in unasked stays in: from the second person on everybody is asked.
        $me = $this->hands->person ?? $person;
        if (! Auth::guard('web')->check()) {
            Auth::guard('web')->login($me);
            $request->session()->put('sessions', $me->sessions);
        }

        return $this->said($person);
    }

    public function update(Request $request, string $person): JsonResponse
    {
        $changed = ($this->write)(Fields::fromJson($request->getContent()), $this->person($person));
        // A new passphrase ends every session but that in which it was given.
        $changed->id === $this->hands->person?->id && $request->session()->put('sessions', $changed->sessions);

        return $this->said($changed);
    }

    public function leave(string $person): JsonResponse
    {
        $this->write->leaves($this->person($person), CarbonImmutable::now());

        return Reply::json(['ok' => true]);
    }

    public function forget(string $person): JsonResponse
    {
        $this->write->forgets($this->person($person), CarbonImmutable::now());

        return Reply::json(['ok' => true]);
    }

    /** Wherever they are still signed in, they are no more. */
    public function end(string $person): JsonResponse
    {
        $this->person($person)->update(['sessions' => (string) Str::ulid()]);

        return Reply::json(['ok' => true]);
    }

    /** This browser stands at the bench from now on. */
    public function trust(Request $request, TrustedTablets $tablets): JsonResponse
    {
        $secret = $tablets->trust(Fields::fromJson($request->getContent())->only('name')->text('name'), CarbonImmutable::now());

        return Reply::json(['ok' => true])->withCookie(
            cookie(Tablet::COOKIE, $secret, 5 * 365 * 24 * 60, null, null, $request->secure(), true, false, 'lax'),
        );
    }

    /** After how many minutes without a touch every tablet asks whose hands it is in. */
    public function unused(Request $request): JsonResponse
    {
        $this->workshop->update([
            'unused_min' => (int) Fields::fromJson($request->getContent())->only('unused_min')->number('unused_min', 1.0, 480.0),
        ]);

        return Reply::json(['unused_min' => $this->workshop->unused_min]);
    }

    public function untrust(int $tablet, TrustedTablets $tablets): JsonResponse
    {
        $tablets->untrust($tablet, CarbonImmutable::now());

        return Reply::json(['ok' => true]);
    }

    /** A program comes in by itself: what it shows of itself is told once, and never again. */
    public function token(Request $request, Programs $programs): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('name', 'for');
        $for = $in->choice('for', TokenFor::class);

        return Reply::json(['token' => $programs->letIn($in->at('name'), $in->text('name'), $for), 'for' => $for->value]);
    }

    public function revoke(int $token, Programs $programs): JsonResponse
    {
        $programs->turnAway($token);

        return Reply::json(['ok' => true]);
    }

    /** @throws BadInput */
    private function said(Person $person): JsonResponse
    {
        return Reply::json(['id' => $person->id, 'name' => $person->name]);
    }

    private function person(string $id): Person
    {
        return Person::query()->where('workshop_id', $this->workshop->id)->findOrFail($id);
    }
}

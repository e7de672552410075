<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Http\Middleware\WhoComes;
use App\Http\Reply;
use App\Http\ShopOfRequest;
use App\Models\Hands;
use App\Models\Person;
use App\Models\Workshop;
use App\People\BeginAsOwner;
use App\People\GivePassphrase;
use App\People\GivePin;
use App\People\OwnerLink;
use App\People\ShopAtHand;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Inertia\Response;

/** Coming in, by passphrase or with a PIN at the bench, handing over, and going. */
final class SignInController
{
    /** A yes of a maker holds for so long, in seconds. */
    private const YES_S = 60;

    /** Whoever gave a PIN at this tablet so lately takes it up again with a tap, in minutes. */
    private const KNOWN_MIN = 240;

    public function __construct(private readonly Workshop $workshop, private readonly Hands $hands, private readonly ShopAtHand $at) {}

    public function show(Request $request): Response
    {
        return Reply::page('people/SignIn', [
            'to' => self::wanted($request), 'known' => ! $this->at->isSaid() || Person::here($this->workshop)->exists(),
            'tablet' => $this->hands->tablet?->name,
            'shop' => $this->at->areSeveral() ? ($this->at->isSaid() ? $this->workshop->known_as : '') : null,
        ]);
    }

    public function in(Request $request, GivePassphrase $give): RedirectResponse
    {
        try {
            $this->comes($request, $give(self::text($request, 'name'), self::text($request, 'passphrase'), (string) $request->ip()));
        } catch (BadInput $wrong) {
            return Reply::back($wrong->field, $wrong);
        }
        $request->session()->put(WhoComes::GAVE_PASSPHRASE, (int) CarbonImmutable::now()->getTimestampMs());

        return $this->toThisShop(redirect()->to(self::wanted($request)));
    }

    /** Once more, before what changes who comes in. */
    public function again(Request $request, GivePassphrase $give): JsonResponse
    {
        $person = $this->hands->person ?? throw BadInput::at('passphrase', Phrase::of('bench.come_in_first'));
        $give($person->name, Fields::fromJson($request->getContent())->only('passphrase')->text('passphrase'), (string) $request->ip());
        $request->session()->put(WhoComes::GAVE_PASSPHRASE, (int) CarbonImmutable::now()->getTimestampMs());

        return Reply::json(['ok' => true]);
    }

    public function out(Request $request): RedirectResponse
    {
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->to('/sign-in');
    }

    /** Whose hands? The people with a PIN, as marks to be tapped. */
    public function hands(Request $request): JsonResponse
    {
        $this->isAtTheBench($request);
        $known = $this->known($request);

        return Reply::json([
            'people' => array_values(
                Person::here($this->workshop)
                    ->whereNotNull('pin')
                    ->get()
                    ->map(
                        static fn (Person $one): array => [
                            'id' => $one->id, 'name' => $one->name, 'role' => $one->role->value, 'colour' => $one->colour,
                            'locked' => $one->isLocked(), 'known' => isset($known[$one->id]),
                        ],
                    )
                    ->all(),
            ),
        ]);
    }

    public function take(Request $request, GivePin $pin): JsonResponse
    {
        $this->isAtTheBench($request);
        $in = Fields::fromJson($request->getContent())->only('person', 'pin');
        $id = $in->text('person');
        $known = $this->known($request);
        $person = ! $in->has('pin') && isset($known[$id]) ? Person::here($this->workshop)->whereKey($id)->first() : null;
        $person = $person !== null && ! $person->isLocked() && $person->pin !== null ? $person : $pin($id, $in->textOrNull('pin') ?? '');
        $this->comes($request, $person, [...$known, $person->id => (int) CarbonImmutable::now()->getTimestampMs()]);

        return Reply::json(['name' => $person->name, 'role' => $person->role->value, 'colour' => $person->colour]);
    }

    /** Nobody in particular again: the tablet stays, and shows what a guest sees. */
    public function rest(Request $request): JsonResponse
    {
        $known = $this->known($request);
        Auth::guard('web')->logout();
        $request->session()->put('known', $known);

        return Reply::json(['ok' => true]);
    }

    public function countersign(Request $request, GivePin $pin): JsonResponse
    {
        $this->hands->person ?? throw BadInput::at('person', Phrase::of('bench.come_in_first'));
        $in = Fields::fromJson($request->getContent())->only('person', 'pin', 'door');
        $person = $pin($in->text('person'), $in->text('pin'));
        $person->role->countersigns()
            || throw BadInput::at('person', Phrase::of('bench.countersigned_by_makers', ['name' => $person->name]));
        $request->session()->put(WhoComes::WITNESS, [
            'person' => $person->id, 'door' => $in->text('door'),
            'until_ms' => (int) CarbonImmutable::now()->addSeconds(self::YES_S)->getTimestampMs(),
        ]);

        return Reply::json(['ok' => true]);
    }

    public function welcome(string $secret, OwnerLink $link): Response
    {
        return Reply::page('people/Welcome', ['good' => $link->isGood($secret, CarbonImmutable::now()), 'secret' => $secret]);
    }

    public function begin(Request $request, string $secret, BeginAsOwner $begin): RedirectResponse
    {
        try {
            $owner = $begin($secret, Fields::of([
                'name' => self::text($request, 'name'), 'passphrase' => self::text($request, 'passphrase'),
                'pin' => self::text($request, 'pin'),
            ]), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back($wrong->field, $wrong);
        }
        if ($owner === null) {
            return Reply::back('name', Phrase::of('bench.link_is_no_more'));
        }
        $this->comes($request, $owner);
        $request->session()->put(WhoComes::GAVE_PASSPHRASE, (int) CarbonImmutable::now()->getTimestampMs());

        return $this->toThisShop(redirect()->to('/'));
    }

    /** Where there are several, this browser knows next time which it was. */
    private function toThisShop(RedirectResponse $on): RedirectResponse
    {
        return $this->at->areSeveral()
            ? $on->withCookie(
                cookie(ShopOfRequest::COOKIE, (string) $this->workshop->known_as, 5 * 365 * 24 * 60, null, null, null, true, false, 'lax'),
            )
            : $on;
    }

    /** Names and PINs are for the bench: a trusted tablet, the bench computer, or whoever has come in already. */
    private function isAtTheBench(Request $request): void
    {
        $this->hands->tablet !== null
            || $this->hands->person !== null
            || (WhoComes::isOwnComputer($request) && ! $this->at->areSeveral())
            || throw BadInput::at('person', Phrase::of('bench.come_in_first'));
    }

    /** @param  array<string, int>|null  $known */
    private function comes(Request $request, Person $person, ?array $known = null): void
    {
        Auth::guard('web')->login($person);
        $request->session()->put('sessions', $person->sessions);
        $known === null || $request->session()->put('known', $known);
        $this->hands->person = $person;
    }

    /** @return array<string, int> who gave a PIN at this tablet lately, and when */
    private function known(Request $request): array
    {
        if ($this->hands->tablet === null) {
            return [];
        }
        $since = CarbonImmutable::now()->subMinutes(self::KNOWN_MIN)->getTimestampMs();

        return array_filter((array) $request->session()->get('known', []), static fn (mixed $at): bool => is_int($at) && $at > $since);
    }

    /** A page of ours that somebody was on their way to; whatever else is said leads to the bench. */
    private static function wanted(Request $request): string
    {
        $to = self::text($request, 'to');

        return preg_match('#^/(?![/\\\\])[^\s\\\\]{0,500}$#', $to) === 1 ? $to : '/';
    }

    private static function text(Request $request, string $key): string
    {
        return is_string($said = $request->input($key)) ? $said : '';
    }
}

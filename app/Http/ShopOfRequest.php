<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Person;
use App\Models\Tablet;
use App\Models\Workshop;
use App\People\OwnerLink;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Laravel\Sanctum\PersonalAccessToken;

/** Which of several shops a request means. What it says of a person or a tablet is looked at again where they are let in. */
final readonly class ShopOfRequest
{
    /** The shop this browser came into last, by its name at the door. */
    public const COOKIE = 'apalos_shop';

    public static function said(Request $request): ?Workshop
    {
        // Said at the door it is meant, whatever tablet it is said at.
        if ($request->is('sign-in') && is_string($shop = $request->input('shop')) && trim($shop) !== '') {
            return self::named($shop);
        }
        $id = self::ofLink($request) ?? self::ofPerson($request) ?? self::ofToken($request) ?? self::ofTablet($request);

        return $id === null
            ? self::named(is_string($shop = $request->cookie(self::COOKIE)) ? $shop : '')
            : Workshop::query()->whereKey($id)->first();
    }

    /** What a program shows of itself: with each request, or in the address of a calendar. */
    public static function token(Request $request): ?PersonalAccessToken
    {
        $secret = $request->bearerToken() ?? ($request->is('day.ics') ? $request->query('key') : null);

        return is_string($secret) && $secret !== '' ? PersonalAccessToken::findToken($secret) : null;
    }

    private static function ofPerson(Request $request): ?int
    {
        // Whoever gives name and passphrase says which shop they mean.
        $person = $request->hasSession() && ! $request->is('sign-in', 'welcome/*') ? Auth::guard('web')->user() : null;

        return $person instanceof Person ? $person->workshop_id : null;
    }

    private static function ofToken(Request $request): ?int
    {
        $person = self::token($request)?->tokenable;

        return $person instanceof Person ? $person->workshop_id : null;
    }

    private static function ofTablet(Request $request): ?int
    {
        return Tablet::shown((string) $request->cookies->get(Tablet::COOKIE))?->workshop_id;
    }

    private static function ofLink(Request $request): ?int
    {
        return $request->is('welcome/*') ? OwnerLink::shop((string) $request->segment(2)) : null;
    }

    private static function named(string $shop): ?Workshop
    {
        return trim($shop) === '' ? null : Workshop::query()->where('known_as', mb_strtolower(trim($shop)))->first();
    }
}

<?php

declare(strict_types=1);

namespace Tests;

use Apalos\Core\Input\Fields;
use App\Models\Person;
use App\Models\Role;
use App\People\WriteDown;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Cache;

/** People of a shop, and requests that come from them. */
trait MakesPeople
{
    protected const PASSPHRASE = 'three wet plaster bats';

    protected function person(string $name, Role $role, string $pin = '7391', ?string $passphrase = null): Person
    {
        // Somebody who answers for it can always come back in.
        $passphrase ??= $role === Role::Owner || Person::query()->doesntExist() ? self::PASSPHRASE : null;

        return app(WriteDown::class)(
            Fields::of(
                array_filter(
                    ['name' => $name, 'role' => $role->value, 'pin' => $pin, 'passphrase' => $passphrase],
                    static fn (?string $said): bool => $said !== null,
                ),
            ),
        );
    }

    /** A limit on tries has run out by then; one that is counted elsewhere knows nothing of the time that stands still here. */
    protected function later(int $seconds): void
    {
        $this->travel($seconds)->seconds();
        config('cache.default') === 'redis' && Cache::flush();
    }

    /** From another machine of the network. */
    protected function away(): self
    {
        return $this->withServerVariables(['REMOTE_ADDR' => '192.168.7.20']);
    }

    protected function as(Person $person): self
    {
        return $this->actingAs($person->refresh())->withSession([
            'sessions' => $person->sessions, 'gave_passphrase_ms' => (int) CarbonImmutable::now()->getTimestampMs(),
        ]);
    }
}

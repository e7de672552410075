<?php

declare(strict_types=1);

namespace App\People;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Models\Person;
use App\Models\Role;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/** Writes down who works here: a name, what they are, and what they come in with. A shop never is without somebody who answers for it. */
final readonly class WriteDown
{
    /** Shorter is guessed. */
    private const LEAST_PASSPHRASE = 10;

    private const MOST_PASSPHRASE = 200;

    private const MOST_PEOPLE = 60;

    /** Marks that are told from one another at two metres. */
    public const COLOURS = ['#b5432e', '#2f6d8c', '#5d7a32', '#8a5a9e', '#b7791f', '#3c7d74', '#a0506e', '#5a5f8f'];

    public function __construct(private Workshop $workshop, private Names $names) {}

    /**
     * @param  Fields  $in  `name`, `role`, `passphrase`, `pin`; what is left out stays as it is
     *
     * @throws BadInput
     */
    public function __invoke(Fields $in, ?Person $person = null): Person
    {
        $in->only('name', 'role', 'passphrase', 'pin', 'here');
        $said = [
            ...($in->has('name') || $person === null ? ['name' => $this->name($in, $person)] : []),
            ...($in->has('role') || $person === null ? ['role' => $in->choice('role', Role::class)] : []),
            ...(
                ($passphrase = $in->textOrNull('passphrase')) !== null && $passphrase !== ''
                ? ['passphrase' => Hash::make(self::passphrase($in, $passphrase)), 'sessions' => (string) Str::ulid()]
                : []
            ),
            ...(
                ($pin = $in->textOrNull('pin')) !== null && $pin !== '' ? ['pin' => Hash::make(self::pin($in, $pin)), 'pin_tries' => 0] : []
            ),
            ...($in->has('here') && $in->bool('here') ? ['left_at' => null] : []),
        ];

        return DB::transaction(function () use ($said, $person, $in): Person {
            Workshop::query()->whereKey($this->workshop->id)->lockForUpdate()->first();
            if ($person === null) {
                $n = Person::query()->where('workshop_id', $this->workshop->id)->count();
                $n < self::MOST_PEOPLE
                    || throw BadInput::at($in->at('name'), Phrase::of('bench.enough_people', ['most' => (float) self::MOST_PEOPLE]));
                // Whoever comes first answers for it. From the second on everybody is asked who they are: then somebody must be able to
                // come back in.
                $first = ! Person::here($this->workshop)->exists();
                $first
                    || Person::here($this->workshop)->where('role', Role::Owner)->whereNotNull('passphrase')->exists()
                    || throw BadInput::at('passphrase', Phrase::of('bench.owner_needs_passphrase'));

                return Person::query()->create([
                    ...$said, 'workshop_id' => $this->workshop->id, 'role' => $first ? Role::Owner : $said['role'] ?? Role::Guest,
                    'colour' => self::COLOURS[$n % count(self::COLOURS)],
                ]);
            }
            $person->role === Role::Owner && ($said['role'] ?? Role::Owner) !== Role::Owner && $this->keepsAnOwner($person);
            $person->fill($said)->save();
            $this->names->forget();

            return $person;
        });
    }

    /** Stays in the record, and comes in no more. */
    public function leaves(Person $person, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($person, $now): void {
            Workshop::query()->whereKey($this->workshop->id)->lockForUpdate()->first();
            $person->role === Role::Owner && $this->keepsAnOwner($person);
            $person->tokens()->delete();
            $person->update(['left_at' => $now, 'passphrase' => null, 'pin' => null, 'sessions' => (string) Str::ulid()]);
        });
    }

    /** Left, and wants the name gone: what they told stays, and is somebody’s. */
    public function forgets(Person $person, CarbonImmutable $now): void
    {
        $person->left_at !== null || throw BadInput::at('person', Phrase::of('bench.leaves_before_forgotten', ['name' => $person->name]));
        $person->update(['name' => "forgotten {$person->id}", 'forgotten_at' => $now]);
        $this->names->forget();
    }

    private function keepsAnOwner(Person $person): void
    {
        Person::here($this->workshop)->where('role', Role::Owner)->whereKeyNot($person->id)->exists()
            || throw BadInput::at('role', Phrase::of('bench.last_owner_stays', ['name' => $person->name]));
    }

    private function name(Fields $in, ?Person $person): string
    {
        $name = trim($in->text('name'));
        mb_strlen($name) <= Person::MOST_NAME
            || throw BadInput::at($in->at('name'), Phrase::of('bench.name_too_long', ['most' => (float) Person::MOST_NAME]));
        $isTaken = Person::query()
            ->where('workshop_id', $this->workshop->id)
            ->where('name_key', mb_strtolower($name))
            ->when($person !== null, static fn ($others) => $others->whereKeyNot($person?->id))
            ->exists();

        return $isTaken ? throw BadInput::at($in->at('name'), Phrase::of('bench.name_is_taken', ['name' => $name])) : $name;
    }

    private static function passphrase(Fields $in, string $passphrase): string
    {
        return mb_strlen($passphrase) >= self::LEAST_PASSPHRASE && strlen($passphrase) <= self::MOST_PASSPHRASE
            ? $passphrase
            : throw BadInput::at($in->at('passphrase'), Phrase::of('bench.passphrase_length', ['least' => (float) self::LEAST_PASSPHRASE]));
    }

    private static function pin(Fields $in, string $pin): string
    {
        $isEasy = preg_match('/^(\d)\1+$/', $pin) === 1 || str_contains('0123456789', $pin) || str_contains('9876543210', $pin);

        return preg_match('/^\d{4,8}$/', $pin) === 1 && ! $isEasy
            ? $pin
            : throw BadInput::at($in->at('pin'), Phrase::of($isEasy ? 'bench.pin_is_easy' : 'bench.pin_length'));
    }
}

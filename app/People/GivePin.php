<?php

declare(strict_types=1);

namespace App\People;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\Person;
use App\Models\Workshop;
use Illuminate\Cache\RateLimiter;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** A few figures at the bench, given with a knuckle. Ten wrong ones in a row lock it until an owner opens it again. */
final readonly class GivePin
{
    /** Wrong ones a minute. */
    private const A_MINUTE = 5;

    public function __construct(private Workshop $workshop, private RateLimiter $limits) {}

    /** @throws BadInput */
    public function __invoke(string $id, string $pin): Person
    {
        $person = Person::here($this->workshop)->whereKey($id)->first()
            ?? throw BadInput::at('person', Phrase::of('bench.nobody_of_that_name'));
        if ($this->limits->tooManyAttempts($key = "pin:{$person->id}", self::A_MINUTE)) {
            throw BadInput::at('pin', Phrase::of('bench.wait_before_next_try', ['seconds' => (float) $this->limits->availableIn($key)]));
        }
        // One after the other: ten tries at once are ten tries.
        DB::transaction(static function () use ($person): void {
            $now = Person::query()->lockForUpdate()->findOrFail($person->id);
            if ($now->isLocked()) {
                throw BadInput::at('pin', Phrase::of('bench.pin_is_locked', ['name' => $now->name]));
            }
            if ($now->pin === null) {
                throw BadInput::at('pin', Phrase::of('bench.has_no_pin', ['name' => $now->name]));
            }
        });
        if (! Hash::check($pin, (string) $person->pin)) {
            $this->limits->hit($key);
            Person::query()->whereKey($person->id)->increment('pin_tries');
            $left = Person::MOST_TRIES - Person::query()->findOrFail($person->id)->pin_tries;

            throw BadInput::at(
                'pin',
                $left <= 0
                    ? Phrase::of('bench.pin_is_locked', ['name' => $person->name])
                    : Phrase::of('bench.pin_does_not_fit', ['left' => (float) $left]),
            );
        }
        $this->limits->clear($key);
        $person->pin_tries === 0 || $person->update(['pin_tries' => 0]);

        return $person;
    }
}

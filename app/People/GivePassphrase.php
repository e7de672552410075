<?php

declare(strict_types=1);

namespace App\People;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\Person;
use App\Models\Workshop;
use Illuminate\Cache\RateLimiter;
use Illuminate\Support\Facades\Hash;

/** By name and passphrase. What is wrong is never said: nobody learns here who works in the shop, nor which shops there are. */
final readonly class GivePassphrase
{
    /** Wrong ones a minute, of one name from one address; and of one address. */
    private const OF_NAME = 5;

    private const OF_ADDRESS = 20;

    /** What a passphrase is held against that belongs to nobody: it takes as long. */
    private const NOBODY = 'nobody comes in with this';

    public function __construct(private Workshop $workshop, private ShopAtHand $at, private RateLimiter $limits) {}

    /** @throws BadInput */
    public function __invoke(string $name, string $passphrase, string $address): Person
    {
        $keys = [
            "sign-in:{$address}:".hash('xxh128', mb_strtolower(trim($name))) => self::OF_NAME, "sign-in:{$address}" => self::OF_ADDRESS,
        ];
        foreach ($keys as $key => $most) {
            if ($this->limits->tooManyAttempts($key, $most)) {
                throw BadInput::at('name', Phrase::of('bench.wait_before_next_try', [
                    'seconds' => (float) $this->limits->availableIn($key),
                ]));
            }
        }
        $person = $this->at->isSaid() ? Person::here($this->workshop)->where('name_key', mb_strtolower(trim($name)))->first() : null;
        // Held against something in any case: whoever is unknown takes as long to refuse.
        $isRight = Hash::check($passphrase, $person->passphrase ?? self::hashOfNobody());
        if (! $isRight || $person === null || $person->passphrase === null) {
            array_map($this->limits->hit(...), array_keys($keys));

            throw BadInput::at(
                'name',
                Phrase::of($this->at->areSeveral() ? 'bench.shop_name_and_passphrase_do_not_fit' : 'bench.name_and_passphrase_do_not_fit'),
            );
        }
        $this->limits->clear((string) array_key_first($keys));

        return $person;
    }

    private static function hashOfNobody(): string
    {
        static $hash = null;

        return $hash ??= Hash::make(self::NOBODY);
    }
}

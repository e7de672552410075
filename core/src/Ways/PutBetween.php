<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Phrase\Phrase;

/** One way of making a contact safe: what goes on, what it takes, and the question as it then stands. */
final readonly class PutBetween
{
    /**
     * @param  array<string, mixed>  $asked  as `contact` asks for it
     * @param  string|null  $release  id; null where nothing is between them
     * @param  float  $waits  minutes until it can be poured on, each time
     * @param  float  $hands  minutes of hands, each time
     * @param  float  $waitsOnce  minutes before the first time: until it is dry, sealed, tested
     * @param  float  $handsOnce  minutes of hands before the first time
     * @param  float  $cost  of the release, a cast, in the shop's money
     * @param  int  $every  casts until it is renewed
     * @param  Phrase|null  $test  what has to be tested first; null where nothing has
     * @param  Phrase|null  $what  is done, beside a release
     * @param  bool  $isDisputed  only some hold that its release parts
     */
    public function __construct(
        public array $asked,
        public ?string $release,
        public float $waits,
        public float $hands,
        public float $waitsOnce,
        public float $handsOnce,
        public float $cost,
        public int $every,
        public ?Phrase $test,
        public ?Phrase $what,
        public bool $isDisputed = false,
    ) {}
}

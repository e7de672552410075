<?php

declare(strict_types=1);

namespace Apalos\Core\Pour;

use Apalos\Core\Cure\CureResult;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use Apalos\Core\Volume\VolumeResult;

/** A pour sheet answered as far as it could be. It can be poured when `mix` is there and nothing is wrong. */
final readonly class PourReckoning
{
    /**
     * @param  list<BadInput>  $errors
     * @param  list<string>  $slower  names of bases of the same chemistry that pour long enough for one cup of it all
     * @param  float  $cools  how many times as long as on its sheet it cools before it opens
     */
    public function __construct(
        public ?VolumeResult $volume,
        public ?Recipe $recipe,
        public ?MixResult $mix,
        public ?CureResult $cure,
        public array $errors,
        public array $slower = [],
        public float $cools = 1.0,
    ) {}

    public function isPourable(): bool
    {
        return $this->mix !== null && $this->errors === [];
    }

    /**
     * @return list<array{code: string, message: Phrase}> what volume, formula and mix warn of; the clock repeats what mix says of the room
     */
    public function warnings(): array
    {
        return Warning::all([
            ...($this->volume->warnings ?? []),
            ...($this->recipe?->warnings() ?? []),
            ...($this->mix->warnings ?? []),
        ]);
    }
}

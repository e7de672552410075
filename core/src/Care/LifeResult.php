<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/** Casts a mould has left: whole, at 10, 50 and 90 %. */
final readonly class LifeResult
{
    /** @param  list<Warning>  $warnings */
    public function __construct(
        public int $low,
        public int $likely,
        public int $high,
        public ?float $chance,
        public int $restsOn,
        public Phrase $advice,
        public array $warnings,
    ) {}

    /**
     * @return array{
     *     left: array{low: int, likely: int, high: int}, chance_of_ahead: float|null, rests_on: int, advice: Phrase,
     *     warnings: list<array{code: string, message: Phrase}>,
     * }
     */
    public function toArray(): array
    {
        return [
            'left' => ['low' => $this->low, 'likely' => $this->likely, 'high' => $this->high], 'chance_of_ahead' => $this->chance,
            'rests_on' => $this->restsOn,
            'advice' => $this->advice, 'warnings' => Warning::all($this->warnings),
        ];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

use Apalos\Core\Phrase\Phrase;

/**
 * The next thing of a series to go onto the scale, and what the display must then read.
 *
 * @phpstan-type WeighingShape array{
 *     vessel: string, line: int, code: string, add: string, grams: float, before: float, running: float, from: float, to: float,
 *     opens: bool, meets: bool, because: Phrase|null
 * }
 */
final readonly class WeighingResult
{
    /**
     * @param  int  $line  of the vessel's weigh-up
     * @param  float  $before  what the display reads before, in g
     * @param  float  $running  and after
     * @param  float  $from  as little is right
     * @param  float  $to  as much is right
     * @param  bool  $opens  the vessel is empty: it goes onto the scale first
     * @param  bool  $meets  here A meets B
     * @param  Phrase|null  $because  why the grams are not those of the plan
     */
    public function __construct(
        public string $vessel, public int $line, public string $code, public string $add, public float $grams, public float $before,
        public float $running,
        public float $from, public float $to, public bool $opens, public bool $meets, public ?Phrase $because,
    ) {}

    /** The same on a display that shows so many grams more than are in the vessel. */
    public function shownWith(float $offsetG): self
    {
        return $offsetG === 0.0 ? $this : new self(
            $this->vessel, $this->line, $this->code, $this->add, $this->grams, $this->before + $offsetG, $this->running + $offsetG,
            $this->from + $offsetG, $this->to + $offsetG,
            $this->opens, $this->meets, $this->because,
        );
    }

    /** @return WeighingShape */
    public function toArray(): array
    {
        return [
            'vessel' => $this->vessel, 'line' => $this->line, 'code' => $this->code, 'add' => $this->add, 'grams' => $this->grams,
            'before' => $this->before, 'running' => $this->running,
            'from' => $this->from, 'to' => $this->to, 'opens' => $this->opens, 'meets' => $this->meets, 'because' => $this->because,
        ];
    }
}

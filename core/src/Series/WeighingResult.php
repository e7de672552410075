<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

/**
 * The next thing of a series to go onto the scale, and what the display must then read.
 *
 * @phpstan-type WeighingShape array{
 *     vessel: string, line: int, add: string, grams: float, before: float, running: float, from: float, to: float, opens: bool, meets: bool, because: string|null
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
     * @param  string|null  $because  why the grams are not those of the plan
     */
    public function __construct(
        public string $vessel, public int $line, public string $add, public float $grams, public float $before, public float $running,
        public float $from, public float $to, public bool $opens, public bool $meets, public ?string $because,
    ) {}

    /** @return WeighingShape */
    public function toArray(): array
    {
        return [
            'vessel' => $this->vessel, 'line' => $this->line, 'add' => $this->add, 'grams' => $this->grams, 'before' => $this->before, 'running' => $this->running,
            'from' => $this->from, 'to' => $this->to, 'opens' => $this->opens, 'meets' => $this->meets, 'because' => $this->because,
        ];
    }
}

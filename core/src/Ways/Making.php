<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

/** What it takes to make one mould: its work, its rubber and what else goes into it. */
final readonly class Making
{
    /**
     * @param  list<array{minutes: float, from: float, until: float|null}>  $stages  one after the other; what is waited for comes before
     * @param  float  $wait  minutes from the last of them until it can be cast in
     * @param  float  $grams  of its rubber, as it lies and, where it was reckoned with it, with what is lost
     * @param  float  $ml  of its rubber, as it lies
     * @param  float  $lossPct  what is lost beside that
     * @param  float  $jacketG  of the stiff shell round it
     * @param  array<string, mixed>|null  $build  the question to `build`, where it is brushed
     * @param  array<string, mixed>|null  $gang  the question to `gang`
     * @param  float  $pourMin  minutes of hands between A meeting B and the last of it in place
     */
    public function __construct(
        public array $stages,
        public float $wait,
        public float $grams,
        public float $ml,
        public float $lossPct,
        public float $jacketG,
        public ?array $build,
        public ?array $gang,
        public float $pourMin,
    ) {}

    public function hands(): float
    {
        return array_sum(array_column($this->stages, 'minutes'));
    }
}

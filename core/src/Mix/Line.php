<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Units\Grams;

/** One line of a weigh-up: add this, so many grams, until the display reaches the running total. */
final readonly class Line
{
    /**
     * @param  string  $code  what it goes by in the plan: A, B or an additive's code
     * @param  string  $add  what a maker reads
     */
    public function __construct(public string $code, public string $add, public Grams $grams, public Grams $running) {}

    /**
     * Lines in the order of the amounts, each rounded to what the scale shows, the running totals adding what is shown.
     *
     * @param  array<string, float>  $amounts  grams by code
     * @param  array<string, string>  $names  by code, where they differ from it
     * @return list<self>
     */
    public static function listed(array $amounts, Grams $division, float $alreadyIn = 0.0, array $names = []): array
    {
        $lines = [];
        $running = Grams::of($alreadyIn)->toDivision($division);
        foreach ($amounts as $code => $amount) {
            $grams = Grams::of($amount)->toDivision($division);
            $running = $running->plus($grams)->toDivision($division);
            $lines[] = new self((string) $code, $names[$code] ?? (string) $code, $grams, $running);
        }

        return $lines;
    }

    /** The same line with so much in it. */
    public function holding(Grams $grams): self
    {
        return new self($this->code, $this->add, $grams, $this->running);
    }

    /** @return array{add: string, grams: float, running: float} */
    public function toArray(): array
    {
        return ['add' => $this->add, 'grams' => $this->grams->g, 'running' => $this->running->g];
    }
}

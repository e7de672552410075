<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Units\Grams;

/** One line of a weigh-up: add this, so many grams, until the display reaches the running total. */
final readonly class Line
{
    public function __construct(public string $add, public Grams $grams, public Grams $running) {}

    /**
     * Lines in the order of the amounts, each rounded to what the scale shows, the running totals adding what is shown.
     *
     * @param  array<string, float>  $amounts  grams by name
     * @return list<self>
     */
    public static function listed(array $amounts, Grams $division, float $alreadyIn = 0.0): array
    {
        $lines = [];
        $running = Grams::of($alreadyIn)->toDivision($division);
        foreach ($amounts as $name => $amount) {
            $grams = Grams::of($amount)->toDivision($division);
            $running = $running->plus($grams)->toDivision($division);
            $lines[] = new self((string) $name, $grams, $running);
        }

        return $lines;
    }

    /** @return array{add: string, grams: float, running: float} */
    public function toArray(): array
    {
        return ['add' => $this->add, 'grams' => $this->grams->g, 'running' => $this->running->g];
    }
}

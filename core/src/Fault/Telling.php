<?php

declare(strict_types=1);

namespace Apalos\Core\Fault;

use Apalos\Core\Input\Fields;

/** A fact that makes a cause likelier or less likely, where it holds: so many times, and in a sentence. */
final readonly class Telling
{
    /** @param  list<string|bool>  $is  any of these; empty where bounds are asked */
    private function __construct(
        public string $fact,
        public ?float $over,
        public ?float $under,
        public array $is,
        public float $times,
        public string $because,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('fact', 'over', 'under', 'is', 'times', 'because');
        $is = $in->toArray()['is'] ?? [];

        return new self(
            $in->text('fact'), $in->numberOrNull('over', -1e6), $in->numberOrNull('under', -1e6),
            is_array($is) ? array_values(array_filter($is, static fn (mixed $one): bool => is_string($one) || is_bool($one))) : [],
            $in->number('times', 0.001, 1000.0), $in->text('because'),
        );
    }

    public function holds(float|bool|string $value): bool
    {
        if ($this->is !== []) {
            return in_array($value, $this->is, true);
        }

        return is_float($value) && ($this->over === null || $value > $this->over) && ($this->under === null || $value < $this->under);
    }
}

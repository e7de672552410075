<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Console;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** A question with a little of it otherwise: a number larger or smaller, a list longer or shorter, something left out. */
final readonly class Mutated
{
    private const TIMES = [0.0, 1e-3, 0.1, 0.5, 0.9, 1.1, 2.0, 10.0, 1e3];

    private Randomizer $chance;

    public function __construct(int $seed)
    {
        $this->chance = new Randomizer(new Mt19937($seed));
    }

    /**
     * @param  array<string, mixed>  $question
     * @return array<string, mixed>
     */
    public function of(array $question): array
    {
        for ($n = $this->chance->getInt(1, 4); $n > 0; $n--) {
            $question = $this->changed($question);
        }

        return $question;
    }

    /**
     * @param  array<array-key, mixed>  $of
     * @return array<array-key, mixed>
     */
    private function changed(array $of): array
    {
        if ($of === []) {
            return $of;
        }
        $key = $this->chance->pickArrayKeys($of, 1)[0];
        $value = $of[$key];
        $of[$key] = match (true) {
            is_array($value) && array_is_list($value) && $this->chance->getInt(0, 2) === 0 => $this->resized($value),
            is_array($value) => $this->changed($value),
            is_int($value), is_float($value) => $value * self::TIMES[$this->chance->getInt(0, count(self::TIMES) - 1)],
            is_bool($value) => ! $value,
            default => $value,
        };

        return $of;
    }

    /**
     * @param  list<mixed>  $list
     * @return list<mixed>
     */
    private function resized(array $list): array
    {
        return match ($this->chance->getInt(0, 3)) {
            0 => array_slice($list, 0, intdiv(count($list), 2)),
            1 => array_slice([...$list, ...$list], 0, 400),
            2 => array_reverse($list),
            default => array_values($this->chance->shuffleArray($list)),
        };
    }
}

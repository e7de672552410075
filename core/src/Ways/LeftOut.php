<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Phrase\Phrase;

/** What cannot be, and why: each reason once, with how many ways it forbids. */
final class LeftOut
{
    private const SHOWN = 40;

    /** @var array<string, array{what: string, why: Phrase, count: int}> */
    private array $all = [];

    public function add(string $what, Phrase $why, int $count): void
    {
        $key = "{$what}|{$why->code}|".json_encode($why->values, JSON_PARTIAL_OUTPUT_ON_ERROR);
        $this->all[$key] ??= ['what' => $what, 'why' => $why, 'count' => 0];
        $this->all[$key]['count'] += max(1, $count);
    }

    /** @return list<array{what: string, why: Phrase, count: int}> what forbids most first */
    public function toArray(): array
    {
        $all = array_values($this->all);
        usort($all, static fn (array $a, array $b): int => [$b['count'], $a['what']] <=> [$a['count'], $b['what']]);

        return array_slice($all, 0, self::SHOWN);
    }
}

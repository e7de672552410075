<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

/** What is found of a practice while it is looked through: findings, what the cast would show, and what the faults need to know. */
final class FoundSoFar
{
    private const DECIMALS = 6;

    /** @var list<Finding> */
    public array $all = [];

    /** @var array<string, true> what would be seen on the cast */
    public array $seen = [];

    public ?string $where = null;

    /** @var array<string, bool|float|string> */
    public array $facts = [];

    /** @var array<string, float> grams that are lost, by what loses them */
    public array $lost = [];

    public function add(Finding $finding, string ...$seen): void
    {
        $this->all[] = $finding;
        $this->seen += array_fill_keys($seen, true);
        if ($finding->lost > 0.0) {
            $this->lost["{$finding->code}/{$finding->of}"] = ($this->lost["{$finding->code}/{$finding->of}"] ?? 0.0) + $finding->lost;
        }
    }

    /** The worst of several counts. */
    public function worst(string $fact, float $value, bool $lowest = false): void
    {
        // What a floating point leaves over is nothing that was found.
        $value = round($value, self::DECIMALS);
        $known = $this->facts[$fact] ?? null;
        $this->facts[$fact] = is_float($known) ? ($lowest ? min($known, $value) : max($known, $value)) : $value;
    }
}

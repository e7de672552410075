<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use App\Log\RecordedRun;
use App\Room\CureClock;
use Carbon\CarbonImmutable;

/** What is in the cup at hand, what would rescue it, and each cup of the pour with its clock. */
final readonly class InCup
{
    private const UNKNOWN_COLOUR = '#c9b38c';

    public function __construct(private RecordedRun $run, private CureClock $clock) {}

    /**
     * @return array{
     *     fills: list<array{code: string, name: string, planned_g: float, poured_g: float, colour: string}>, capacity_ml: float|null,
     *     sg: float, display_g: float, k: float, mass_g: float,
     * }
     */
    public function fills(): array
    {
        $cup = $this->run->state->cup();
        $frozen = $this->run->frozen;
        $fills = [];
        foreach ($cup->planned as $code => $planned) {
            $fills[] = [
                'code' => (string) $code,
                'name' => $frozen->called((string) $code),
                'planned_g' => $planned,
                'poured_g' => $cup->poured[$code] ?? 0.0,
                'colour' => $frozen->colours[$code] ?? self::UNKNOWN_COLOUR,
            ];
        }

        return [
            'fills' => $fills,
            'capacity_ml' => $this->run->plan->capacity?->ml,
            'sg' => $this->run->plan->density->gPerMl,
            'display_g' => $cup->display,
            'k' => $cup->k,
            'mass_g' => array_sum($cup->planned),
        ];
    }

    /**
     * @return array{
     *     needed: bool, k: float, planned: array<string, float>, lines: list<array{add: string, grams: float, running: float}>,
     *     extra_g: float, fits: bool, ratio_error_if_ignored_pct: float, warnings: list<array{code: string, message: Phrase}>
     * }
     */
    public function rescue(): array
    {
        $cup = $this->run->state->cup();
        $found = $cup->rescue();
        $rescue = $found->toArray();
        $twoCups = $cup->inTwoCups($found);
        // The display may count from somewhere else than from what is in.
        $shift = $cup->display - array_sum($cup->poured);
        $lines = array_map(
            fn (array $line): array => [
                ...$line, 'add' => $this->run->frozen->called($line['add']), 'running' => round($line['running'] + $shift, 4),
            ],
            $rescue['lines'],
        );

        return [
            ...$rescue, 'lines' => $lines, 'warnings' => [...$rescue['warnings'], ...($twoCups === null ? [] : Warning::all([$twoCups]))],
        ];
    }

    /**
     * @return list<array{batch: int, grams: float, weighed: bool, met_ms: int|null, pot_ends_ms: int|null, filled_ms: int|null}> each cup
     *   with its clock
     */
    public function all(): array
    {
        $state = $this->run->state;

        return array_map(fn (int $batch, array $planned): array => [
            'batch' => $batch, 'grams' => array_sum($planned), 'weighed' => ($state->cups[$batch]->weighings ?? []) !== [],
            'met_ms' => self::ms($this->run->at(($state->cups[$batch] ?? null)?->metAt)),
            'pot_ends_ms' => isset($state->cups[$batch]) ? self::ms($this->run->potLifeEnds($this->clock, $batch)) : null,
            'filled_ms' => self::ms($this->run->at($state->filledAt[$batch] ?? null)),
        ], array_map(static fn (int $i): int => $i + 1, array_keys($this->run->plan->batches)), $this->run->plan->batches);
    }

    private static function ms(?CarbonImmutable $at): ?int
    {
        return $at === null ? null : (int) $at->getTimestampMs();
    }
}

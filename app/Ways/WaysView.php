<?php

declare(strict_types=1);

namespace App\Ways;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Ways\WayAnswer;
use App\Library\Library;
use App\Types\View;
use Carbon\CarbonImmutable;

/**
 * Whole ways as a screen shows them beside each other: with names, and with days in place of minutes.
 *
 * @phpstan-import-type WholeWayShape from WayAnswer
 *
 * @phpstan-type ShownWayShape array{
 *     id: string, kind: string, name: Phrase, rubber: string|null, casting: string|null, release: string|null, base: string|null,
 *     cast: string|null, rack: string|null, moulds: int, gang: int|null, build: string|null,
 *     per_piece: string, total: string, cash: string, done_ms: int, late_min: float, hands_min: float, chance: float, low: float,
 *     high: float, rests_on: Phrase,
 *     because: list<Phrase>, against: list<Phrase>, raise: list<Phrase>,
 *     buy: list<array{code: string, name: string, kits: int, cash: string}>, first: Phrase,
 *     line: list<array{stage: string, name: Phrase, from_ms: int, to_ms: int}>
 * }
 */
final readonly class WaysView implements View
{
    /**
     * @param array{
     *     ways: list<WholeWayShape>, left_out: list<array{what: string, why: Phrase, count: int}>,
     *     ask: list<array{question: Phrase, about: string, narrows: float}>, stopped_early: bool,
     *     warnings: list<array{code: string, message: Phrase}>,
     *     why_not?: array{forbidden: bool, why: Phrase|null, way: WholeWayShape|null},
     * }  $answer
     */
    public function __construct(private array $answer, private Library $library, private CarbonImmutable $midnight) {}

    /**
     * @return array{
     *     ways: list<ShownWayShape>, left_out: list<array{what: string, why: Phrase, count: int}>,
     *     ask: list<array{question: Phrase, about: string, narrows: float}>, stopped_early: bool,
     *     warnings: list<array{code: string, message: Phrase}>,
     *     why_not: array{forbidden: bool, why: Phrase|null, way: ShownWayShape|null}|null,
     * }
     */
    public function toArray(): array
    {
        $not = $this->answer['why_not'] ?? null;

        return [
            'ways' => array_map($this->shown(...), $this->answer['ways']),
            'left_out' => array_map(fn (array $out): array => [...$out, 'what' => $this->called($out['what'])], $this->answer['left_out']),
            'ask' => $this->answer['ask'],
            'stopped_early' => $this->answer['stopped_early'], 'warnings' => $this->answer['warnings'],
            'why_not' => $not === null
                ? null
                : [
                    'forbidden' => $not['forbidden'], 'why' => $not['why'],
                    'way' => $not['way'] === null ? null : $this->shown($not['way']),
                ],
        ];
    }

    /**
     * @param  WholeWayShape  $way
     * @return ShownWayShape
     */
    private function shown(array $way): array
    {
        $ms = fn (float $minutes): int => (int) $this->midnight->addSeconds((int) round(60.0 * $minutes))->getTimestampMs();
        $name = fn (?string $code): ?string => $code === null ? null : ($this->library->shelf()->bases[$code]->name ?? $code);

        return [
            'id' => $way['id'], 'kind' => $way['kind'], 'name' => $way['name'], 'rubber' => $name($way['base']),
            'casting' => $name($way['cast']),
            'release' => $way['release'] === null ? null : $this->library->knowledge()->release($way['release'])->name,
            'base' => $way['base'], 'cast' => $way['cast'], 'rack' => $way['rack'],
            'moulds' => $way['moulds'], 'gang' => $way['gang'], 'build' => $way['build'], 'per_piece' => $way['per_piece'],
            'total' => $way['total'], 'cash' => $way['cash'],
            'done_ms' => $ms($way['done_min']), 'late_min' => $way['late_min'], 'hands_min' => $way['hands_min'],
            'chance' => $way['chance'], 'low' => $way['chance_band']['low'], 'high' => $way['chance_band']['high'],
            'rests_on' => $way['rests_on']['says'], 'because' => $way['because'], 'against' => $way['against'], 'raise' => $way['raise'],
            'buy' => array_map(
                fn (array $buy): array => [
                    'code' => $buy['code'], 'name' => (string) $name($buy['code']), 'kits' => $buy['kits'], 'cash' => $buy['cash'],
                ],
                $way['buy'],
            ),
            'first' => $way['first'],
            'line' => array_map(
                static fn (array $stage): array => [
                    'stage' => $stage['stage'], 'name' => $stage['name'], 'from_ms' => $ms($stage['start_min']),
                    'to_ms' => $ms($stage['end_min']),
                ],
                $way['stages'],
            ),
        ];
    }

    /** House codes and kinds by what they are called. */
    private function called(string $what): string
    {
        return implode(
            ' in ',
            array_map(
                fn (string $one): string => $this->library->moulds()->kinds[$one]->name
                    ?? $this->library->shelf()->bases[$one]->name
                    ?? (str_starts_with($one, 'rack ') ? 'mould M-'.substr($one, 5) : $one),
                explode(' in ', $what),
            ),
        );
    }
}

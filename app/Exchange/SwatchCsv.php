<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** A CSV of swatches, formulas or colour targets, told apart by its columns, as the same document the JSON is. */
final readonly class SwatchCsv
{
    /** @throws BadInput */
    public static function parsed(string $text): Fields
    {
        $rows = Csv::read($text);
        $columns = array_keys($rows[0] ?? []);
        $has = static fn (string ...$wanted): bool => array_diff($wanted, $columns) === [];

        return Fields::of(match (true) {
            $has('swatch', 'formula', 'recipe', 'poured_at') => ['swatches' => self::swatches($rows)],
            $has('formula', 'version', 'recipe') => ['formulas' => self::formulas($rows)],
            $has('name', 'l', 'a', 'b') => [
                'targets' => array_map(
                    static fn (array $row, int $i): array => [
                        'name' => $row['name'], 'lab' => self::lab($row, "line {$i}"),
                        ...array_filter(
                            [
                                'shows_pct' => self::number($row, 'shows_pct', "line {$i}"),
                                'at_mm' => self::number($row, 'at_mm', "line {$i}"),
                            ],
                            static fn (?float $value): bool => $value !== null,
                        ),
                    ],
                    $rows, array_keys($rows),
                ),
            ],
            default => throw BadInput::at('file', Phrase::of('bench.name_the_columns')),
        });
    }

    /**
     * @param  list<array<string, string>>  $rows
     * @return list<array<string, mixed>>
     */
    private static function swatches(array $rows): array
    {
        $swatches = [];
        foreach ($rows as $i => $row) {
            $line = 'line '.($i + 2);
            $key = implode("\n", [$row['swatch'], $row['formula'], $row['poured_at']]);
            $swatches[$key] ??= array_filter([
                'name' => $row['swatch'], 'formula' => $row['formula'], 'recipe' => self::recipe($row['recipe'], $line),
                'thickness_mm' => self::number($row, 'thickness_mm', $line),
                'poured_at' => $row['poured_at'], 'demoulded_at' => $row['demoulded_at'] ?? '', 'note' => $row['note'] ?? '',
                'readings' => [],
            ], static fn (mixed $value): bool => $value !== null && $value !== '');
            if (($row['kind'] ?? '') !== '') {
                $swatches[$key]['readings'][] = self::reading($row, $line);
            }
        }

        return array_values($swatches);
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, mixed>
     */
    private static function reading(array $row, string $line): array
    {
        $reading = [
            'kind' => $row['kind'], 'at' => ($row['at'] ?? '') === '' ? $row['poured_at'] : $row['at'],
            'left_out' => in_array(mb_strtolower($row['left_out'] ?? ''), ['yes', '1', 'true'], true),
        ];
        if ($row['kind'] === 'colour') {
            return [
                ...$reading, 'lab' => self::lab($row, $line),
                ...array_filter(
                    [
                        'backing' => $row['backing'] ?? '', 'source' => $row['source'] ?? '',
                        'within_delta_e' => self::number($row, 'within_delta_e', $line),
                    ],
                    static fn (mixed $v): bool => $v !== null && $v !== '',
                ),
            ];
        }
        $readings = preg_split('/[\s\/]+/', $row['readings'] ?? '', -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return [
            ...$reading, 'scale' => $row['scale'] ?? '',
            'readings' => array_map(static fn (string $cell): float => self::parsedNumber($cell, "{$line}, readings"), $readings),
        ];
    }

    /**
     * @param  list<array<string, string>>  $rows
     * @return list<array<string, mixed>>
     */
    private static function formulas(array $rows): array
    {
        $formulas = [];
        foreach ($rows as $i => $row) {
            $line = 'line '.($i + 2);
            $formulas[$row['formula']] ??= [
                'name' => $row['formula'], 'kind' => ($row['kind'] ?? '') === '' ? 'mix' : $row['kind'],
                'retired' => mb_strtolower($row['retired'] ?? '') === 'yes', 'versions' => [],
            ];
            $formulas[$row['formula']]['versions'][] = array_filter([
                'number' => self::number($row, 'version', $line), 'recipe' => self::recipe($row['recipe'], $line),
                'parent' => $row['parent'] ?? '', 'note' => $row['note'] ?? '',
            ], static fn (mixed $value): bool => $value !== null && $value !== '');
        }

        return array_values($formulas);
    }

    /**
     * @return array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>}
     *
     * @throws BadInput
     */
    private static function recipe(string $text, string $line): array
    {
        $parts = array_map(trim(...), explode('|', $text));
        $additives = [];
        foreach (array_slice($parts, 1) as $part) {
            $words = preg_split('/\s+/', $part, -1, PREG_SPLIT_NO_EMPTY) ?: [];
            if (count($words) !== 4) {
                throw BadInput::at("{$line}, recipe", Phrase::of('bench.no_ingredient', ['part' => $part]));
            }
            $additives[] = [
                'code' => $words[0], 'amount' => self::parsedNumber($words[1], "{$line}, recipe"), 'basis' => $words[2],
                'into' => $words[3],
            ];
        }

        return ['base' => $parts[0], 'additives' => $additives];
    }

    /**
     * @param  array<string, string>  $row
     * @return list<float>
     */
    private static function lab(array $row, string $line): array
    {
        return array_map(static fn (string $axis): float => self::parsedNumber($row[$axis] ?? '', "{$line}, {$axis}"), ['l', 'a', 'b']);
    }

    /** @param  array<string, string>  $row */
    private static function number(array $row, string $column, string $line): ?float
    {
        return ($row[$column] ?? '') === '' ? null : self::parsedNumber($row[$column], "{$line}, {$column}");
    }

    private static function parsedNumber(string $cell, string $field): float
    {
        $plain = preg_match('/^-?\d+,\d+$/', $cell) === 1 ? str_replace(',', '.', $cell) : $cell;

        return is_numeric($plain)
            ? (float) $plain
            : throw BadInput::at($field, Phrase::of('bench.cell_is_no_number', ['field' => $field, 'cell' => $cell]));
    }
}

<?php

declare(strict_types=1);

namespace App\Library;

use Apalos\Core\Contact\Family;
use Apalos\Core\Contact\Surface;
use Apalos\Core\Sheet\SheetField;

/** A field of a sheet in words, and the words for everything a field can name. */
final readonly class SheetReading
{
    private const GROUPS = [
        '*' => 'anything', '@silicone' => 'any silicone', '@urethane' => 'any urethane', '@clinging' => 'urethane, epoxy, polyester',
        '@mineral' => 'plaster and cement', '@watery' => 'anything with water in it',
        '@hot' => 'anything hot', '@cured-silicone' => 'any cured silicone', '@smooth' => 'smooth and closed', '@absorbent' => 'porous',
        '@slick' => 'slick: wax, polypropylene', '@silica' => 'glass', '@clay' => 'any clay',
        '@wet' => 'wet', '@rubbery' => 'rubbery', '@melts' => 'what melts or dissolves', '@unknown' => 'what nobody can name',
    ];

    public function __construct(private Library $library) {}

    /**
     * @param  bool  $cured  of surfaces, which go by the same ids as what they were while fresh
     * @return array<string, string> what each id is called, by id; groups with @, bare where a surface is like them
     */
    public function words(bool $cured = false): array
    {
        $knowledge = $this->library->knowledge();
        $groups = self::GROUPS;
        foreach (self::GROUPS as $id => $words) {
            $groups[ltrim($id, '@')] ??= $words;
        }

        return [
            ...$groups,
            ...array_map(static fn (array $caution): string => $caution['title'], $this->library->cautions()),
            ...($cured ? [] : array_map(static fn (Family $family): string => $family->name, $knowledge->families)),
            ...($cured ? array_map(static fn (Surface $surface): string => $surface->name, $knowledge->surfaces) : []),
        ];
    }

    /** @param  array<string, mixed>  $sheet */
    public function of(SheetField $field, array $sheet): ?string
    {
        $value = $field->in($sheet);
        $words = $this->words(in_array($field->ask, ['surface', 'likes'], true));
        $call = static fn (mixed $id): string => is_scalar($id) ? ($words[(string) $id] ?? (string) $id) : '';

        return match (true) {
            $value === null, $value === [] => null,
            is_bool($value) => $value ? 'yes' : 'no',
            $field->ask === 'choice' => $field->called(is_scalar($value) ? (string) $value : ''),
            $field->ask === 'rows'
                && is_array($value) => implode(
                    ' ',
                    array_map(
                        static fn (mixed $row): string => is_array($row) && is_string($row['text'] ?? null) ? $row['text'] : '', $value,
                    ),
                ),
            is_array($value) => implode(', ', array_map($call, $value)),
            is_numeric($value) => rtrim(
                rtrim(number_format((float) $value, 3, '.', ' '), '0'), '.',
            ).(
                $field->unit === null || in_array($field->unit, ['plain', 'times', 'money'], true)
                ? ''
                : ' '.($field->unit === 'minutes' ? 'min' : $field->unit)
            ),
            default => $call($value),
        };
    }
}

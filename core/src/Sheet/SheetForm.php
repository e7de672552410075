<?php

declare(strict_types=1);

namespace Apalos\Core\Sheet;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/**
 * What is asked when a maker writes a sheet, and the strict reading of what was answered. What is left open stays out of the sheet:
 * nothing is filled in for it here.
 *
 * @phpstan-import-type SheetFieldShape from SheetField
 *
 * @phpstan-type SheetFormShape array{
 *     kind: string, title: string, says: string, groups: list<array{title: string, fields: list<SheetFieldShape>}>,
 * }
 */
final readonly class SheetForm
{
    /** @param  list<array{title: string, fields: list<SheetField>}>  $groups */
    private function __construct(public SheetKind $kind, public string $title, public string $says, public array $groups) {}

    /** @param  array<array-key, mixed>  $asked  of one kind, as read from `library/sheet-fields.yaml` */
    public static function of(SheetKind $kind, array $asked): self
    {
        $in = Fields::of($asked, $kind->value);

        return new self($kind, $in->text('title'), $in->text('says'), array_map(
            static fn (Fields $group): array => [
                'title' => $group->text('title'), 'fields' => array_map(SheetField::from(...), $group->objects('fields')),
            ],
            $in->objects('groups'),
        ));
    }

    /** @return list<SheetField> */
    public function fields(): array
    {
        return array_merge(...array_column($this->groups, 'fields'));
    }

    /**
     * @return array<string, mixed> the sheet with what was said and nothing else, `kind` first
     *
     * @throws BadInput for what is missing, unknown, of the wrong kind or out of range, with its place
     */
    public function read(Fields $in, SheetWords $words): array
    {
        $parts = [];
        foreach ($this->fields() as $field) {
            [$part, $name] = [...explode('.', $field->at), ''];
            $parts[$part][$name] = $field;
        }
        $in->only('kind', ...array_keys($parts));
        $sheet = ['kind' => $this->kind->value];
        $wrong = [];
        foreach ($parts as $part => $fields) {
            try {
                $sheet[$part] = isset($fields['']) ? $fields['']->read($in, $part, $words) : self::part($in, $part, $fields, $words);
            } catch (BadInput $one) {
                array_push($wrong, $one, ...$one->also);
            }
        }
        // All that is missing is said at once.
        BadInput::throwAll($wrong);
        $sheet = array_filter($sheet, static fn (mixed $value): bool => $value !== null);
        $this->kind === SheetKind::Base && $this->base(Fields::of($sheet, $in->path));
        $this->kind === SheetKind::Additive && $this->softening($in, $sheet);

        return $sheet;
    }

    /**
     * @param  array<string, SheetField>  $fields  by name
     * @return array<string, mixed>|null
     */
    private static function part(Fields $in, string $key, array $fields, SheetWords $words): ?array
    {
        $part = $in->has($key) && $in->toArray()[$key] !== [] ? $in->object($key) : Fields::of([], $in->at($key));
        $part->only(...array_keys($fields));
        $read = $wrong = [];
        foreach ($fields as $name => $field) {
            try {
                $value = $field->read($part, $name, $words);
                $read += $value === null ? [] : [$name => $value];
            } catch (BadInput $one) {
                $wrong[] = $one;
            }
        }
        BadInput::throwAll($wrong);

        return $read === [] ? null : $read;
    }

    /** What belongs together in the sheet of a base. */
    private function base(Fields $sheet): void
    {
        $both = static function (string $part, string $one, string $other, string $says) use ($sheet): bool {
            $in = $sheet->objectOrNull($part);
            if ($in !== null && $in->has($one) !== $in->has($other)) {
                throw BadInput::at($sheet->at("{$part}.".($in->has($one) ? $other : $one)), Phrase::of($says));
            }

            return $in !== null;
        };
        $byWeight = $both('ratio', 'a', 'b', 'sheet.half_a_ratio');
        $byVolume = $both('ratio_volume', 'a', 'b', 'sheet.half_a_ratio');
        $both('hardness', 'reading', 'scale', 'sheet.half_a_hardness');
        if (! $byWeight && ! $byVolume) {
            throw BadInput::at($sheet->at('ratio.a'), Phrase::of('sheet.no_ratio'));
        }
        $sg = $sheet->objectOrNull('sg');
        if (! $byWeight && ($sg === null || ! $sg->has('a') || ! $sg->has('b'))) {
            throw BadInput::at($sheet->at($sg?->has('a') === true ? 'sg.b' : 'sg.a'), Phrase::of('sheet.volume_needs_both'));
        }
        $times = $sheet->objectOrNull('times');
        foreach ([
            ['recoat_open_min', 'recoat_close_min'], ['pot_life_min', 'demould_min'], ['demould_min', 'full_cure_min'],
        ] as [$sooner, $later]) {
            if ($times?->has($sooner) === true && $times->has($later) && $times->number($sooner) > $times->number($later)) {
                throw BadInput::at($sheet->at("times.{$later}"), Phrase::of("sheet.{$later}_too_soon"));
            }
        }
    }

    /**
     * What a softener does is known as a whole or not at all.
     *
     * @param  array<string, mixed>  $sheet
     */
    private function softening(Fields $in, array $sheet): void
    {
        if (isset($sheet['softening'])) {
            foreach (['k', 'tear_k', 'elongation_k', 'pot_life_k', 'bleed_from_pct'] as $key) {
                if (! is_array($sheet['softening']) || ! isset($sheet['softening'][$key])) {
                    throw BadInput::at($in->at("softening.{$key}"), Phrase::of('sheet.half_a_softening'));
                }
            }
        }
    }

    /** @return SheetFormShape */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value, 'title' => $this->title, 'says' => $this->says,
            'groups' => array_map(
                static fn (array $group): array => [
                    'title' => $group['title'],
                    'fields' => array_map(static fn (SheetField $field): array => $field->toArray(), $group['fields']),
                ],
                $this->groups,
            ),
        ];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Sheet;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Mix\Basis;
use Apalos\Core\Mix\Into;
use Apalos\Core\Phrase\Phrase;

/**
 * One field of a sheet a maker writes: where it stands, what is asked, in which unit, and why. Where it may be left open it says what
 * still works then.
 *
 * @phpstan-type SheetFieldShape array{
 *     at: string, ask: string, label: string, unit: string|null, needed: bool, why: Phrase, open: Phrase, of: array<string, string>,
 *     fields: list<array{at: string, ask: string, label: string, unit: string|null, of: array<string, string>}>
 * }
 */
final readonly class SheetField
{
    private const MOST_ROWS = 30;

    private const LONGEST = ['code' => 24, 'text' => 160, 'long' => 1000];

    /**
     * @param  array<string, string>  $of  choices with their words
     * @param  list<self>  $fields  of a row
     */
    private function __construct(
        public string $at, public string $ask, public string $label, public ?string $unit, public bool $needed, public string $why,
        public string $open,
        private array $of, private float $least, private float $most, private bool $whole, private array $fields,
    ) {}

    public static function from(Fields $in): self
    {
        $of = [];
        $choices = $in->toArray()['of'] ?? [];
        // Asked for as it is: numbers as choices look like a list.
        foreach (is_array($choices) ? $choices : [] as $value => $words) {
            $of[(string) $value] = is_string($words) ? $words : (string) $value;
        }

        return new self(
            $in->text('at'), $in->text('ask'), $in->text('label'), $in->textOrNull('unit'), $in->has('needed') && $in->bool('needed'),
            $in->textOrNull('why') ?? '', $in->textOrNull('open') ?? '',
            $of, $in->numberOrNull('least', -1e6) ?? 0.0, $in->numberOrNull('most') ?? Fields::HUGE,
            $in->has('whole') && $in->bool('whole'), array_map(self::from(...), $in->objects('fields')),
        );
    }

    /**
     * What stands there in a sheet; null where it is left open.
     *
     * @param  array<array-key, mixed>  $sheet
     */
    public function in(array $sheet): mixed
    {
        foreach (explode('.', $this->at) as $step) {
            $sheet = is_array($sheet) ? ($sheet[$step] ?? null) : null;
        }

        return $sheet;
    }

    /** A choice in words. */
    public function called(string $value): string
    {
        return $this->of[$value] ?? $value;
    }

    /**
     * What stands there, as the sheet keeps it; null where it is left open.
     *
     * @param  Fields  $in  where the last step of the path is a key
     *
     * @throws BadInput
     */
    public function read(Fields $in, string $key, SheetWords $words): mixed
    {
        if (! $in->has($key) || in_array($in->toArray()[$key] ?? null, ['', []], true)) {
            return $this->needed ? throw BadInput::at($in->at($key), Phrase::of('sheet.needed', ['label' => $this->label])) : null;
        }

        return match ($this->ask) {
            'code', 'text', 'long' => $this->words($in, $key),
            'number' => $this->number($in, $key),
            'yes-no' => $in->bool($key),
            'colour' => $this->matching($in, $key, '/^#[0-9a-f]{6}$/', 'sheet.no_colour'),
            'role' => $in->choice($key, AdditiveRole::class)->value,
            'basis' => $in->choice($key, Basis::class)->value,
            'into' => $in->choice($key, Into::class)->value,
            'choice' => $this->oneOf($in, $key, array_map(strval(...), array_keys($this->of))),
            'family' => $this->oneOf($in, $key, $words->families),
            'families' => $this->someOf($in, $key, $words->families),
            'fresh' => $this->someOf($in, $key, $words->fresh),
            'surface' => $this->someOf($in, $key, $words->surfaces),
            'likes' => $this->someOf($in, $key, $words->likes),
            'cautions' => $this->someOf($in, $key, $words->cautions),
            'rows' => array_map(fn (Fields $row): array => $this->row($row, $words), $in->objects($key, self::MOST_ROWS)),
            default => throw BadInput::at($in->at($key), Phrase::of('sheet.no_such_kind', ['ask' => $this->ask])),
        };
    }

    /** @return array<string, mixed> */
    private function row(Fields $in, SheetWords $words): array
    {
        $in->only(...array_map(static fn (self $field): string => $field->at, $this->fields));
        $row = [];
        foreach ($this->fields as $field) {
            $row[$field->at] = $field->read($in, $field->at, $words);
        }

        return $row;
    }

    private function words(Fields $in, string $key): string
    {
        $text = $in->text($key);
        $longest = self::LONGEST[$this->ask] ?? self::LONGEST['text'];
        if (mb_strlen($text) > $longest) {
            throw BadInput::at($in->at($key), Phrase::of('sheet.too_long', ['label' => $this->label, 'most' => $longest]));
        }
        if ($this->ask === 'code') {
            return $this->matching($in, $key, '/^[a-z0-9]+(-[a-z0-9]+)*$/', 'sheet.no_code');
        }

        return $text;
    }

    private function number(Fields $in, string $key): float|int
    {
        $number = $in->number($key, $this->least, $this->most);
        if ($this->whole && $number !== floor($number)) {
            throw BadInput::at($in->at($key), Phrase::of('sheet.no_whole_number', ['label' => $this->label]));
        }

        return $this->whole ? (int) $number : $number;
    }

    private function matching(Fields $in, string $key, string $pattern, string $otherwise): string
    {
        $text = mb_strtolower($in->text($key));

        return preg_match($pattern, $text) === 1
            ? $text
            : throw BadInput::at($in->at($key), Phrase::of($otherwise, ['value' => mb_strimwidth($text, 0, 40, '…')]));
    }

    /** @param  list<string>  $known */
    private function oneOf(Fields $in, string $key, array $known): string
    {
        $value = $in->toArray()[$key] ?? null;
        $text = is_int($value) ? (string) $value : $in->text($key);

        return in_array($text, $known, true)
            ? $text
            : throw BadInput::at($in->at($key), Phrase::of('sheet.unknown_word', [
                'value' => mb_strimwidth($text, 0, 40, '…'), 'label' => $this->label, 'known' => implode(', ', $known),
            ]));
    }

    /**
     * @param  list<string>  $known
     * @return list<string>
     */
    private function someOf(Fields $in, string $key, array $known): array
    {
        foreach ($in->strings($key) as $i => $text) {
            if (! in_array($text, $known, true)) {
                throw BadInput::at(
                    $in->at("{$key}.{$i}"),
                    Phrase::of('sheet.unknown_word', [
                        'value' => mb_strimwidth($text, 0, 40, '…'), 'label' => $this->label, 'known' => implode(', ', $known),
                    ]),
                );
            }
        }

        return array_values(array_unique($in->strings($key)));
    }

    /** @return SheetFieldShape */
    public function toArray(): array
    {
        return [
            'at' => $this->at, 'ask' => $this->ask, 'label' => $this->label, 'unit' => $this->unit, 'needed' => $this->needed,
            'why' => Phrase::written($this->why), 'open' => Phrase::written($this->open), 'of' => $this->of,
            'fields' => array_map(
                static fn (self $field): array => [
                    'at' => $field->at, 'ask' => $field->ask, 'label' => $field->label, 'unit' => $field->unit, 'of' => $field->of,
                ],
                $this->fields,
            ),
        ];
    }
}

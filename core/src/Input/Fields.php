<?php

declare(strict_types=1);

namespace Apalos\Core\Input;

use Apalos\Core\Phrase\Phrase;

/**
 * Strict reading of decoded JSON: every value is asked for by name and kind, and whatever is missing, unknown, of the
 * wrong type or out of range ends in a BadInput that names its path. Nothing is guessed and nothing is cast.
 */
final readonly class Fields
{
    /** No workshop weighs, measures or waits for more than this; a larger number is a slip of the hand. */
    public const HUGE = 1_000_000.0;

    /** Nothing at a bench is measured finer than this; what is nearer to nothing, and not nothing, is a slip as well. */
    public const TINY = 1e-9;

    /** Entries of a list, where nothing else is said. */
    public const MOST = 100;

    /** @param  array<array-key, mixed>  $values */
    private function __construct(private array $values, public string $path) {}

    /** @param  array<array-key, mixed>  $values */
    public static function of(array $values, string $path = ''): self
    {
        return new self($values, $path);
    }

    /** @throws BadInput when the text is not one JSON object */
    public static function fromJson(string $json): self
    {
        if (trim($json) === '') {
            throw BadInput::at('', Phrase::of('input.nothing'));
        }
        $values = json_decode($json, true);
        if (! is_array($values) || (array_is_list($values) && $values !== [])) {
            $why = json_last_error() === JSON_ERROR_NONE ? 'it is not an object' : strtolower(json_last_error_msg());
            throw BadInput::at('', Phrase::of('input.no_json', ['why' => $why]));
        }

        return new self($values, '');
    }

    public function at(string $key): string
    {
        return $this->path === '' ? $key : "{$this->path}.{$key}";
    }

    /** Refuses every field that is not in the list. */
    public function only(string ...$known): self
    {
        foreach (array_keys($this->values) as $key) {
            if (! in_array((string) $key, $known, true)) {
                throw BadInput::at($this->at((string) $key), Phrase::of('input.unknown_field', [
                    'key' => $key, 'known' => implode(', ', $known),
                ]));
            }
        }

        return $this;
    }

    /** True when the field is there and not null. */
    public function has(string $key): bool
    {
        return isset($this->values[$key]);
    }

    /** A finite number from $min to $max, both included. */
    public function number(string $key, float $min = 0.0, float $max = self::HUGE): float
    {
        $value = $this->finite($key, $min < 0.0);
        if ($value < $min) {
            throw BadInput::at($this->at($key), Phrase::of('input.too_small', [
                'least' => self::plain($min), 'value' => self::plain($value),
            ]));
        }
        if ($value > $max) {
            throw BadInput::at($this->at($key), Phrase::of('input.too_large', [
                'most' => self::plain($max), 'value' => self::plain($value),
            ]));
        }

        return $value;
    }

    public function numberOrNull(string $key, float $min = 0.0, float $max = self::HUGE): ?float
    {
        return $this->has($key) ? $this->number($key, $min, $max) : null;
    }

    /** A finite number above zero. */
    public function positive(string $key, float $max = self::HUGE): float
    {
        $value = $this->finite($key);
        if ($value <= 0.0) {
            throw BadInput::at($this->at($key), Phrase::of('input.not_positive', ['value' => self::plain($value)]));
        }

        return $this->number($key, 0.0, $max);
    }

    public function positiveOrNull(string $key, float $max = self::HUGE): ?float
    {
        return $this->has($key) ? $this->positive($key, $max) : null;
    }

    public function text(string $key, int $longest = WholeText::LONGEST): string
    {
        $value = $this->required($key);
        if (! is_string($value) || trim($value) === '') {
            throw BadInput::at($this->at($key), Phrase::of('input.no_text', ['value' => self::show($value)]));
        }

        return trim($this->whole($value, $key, $longest));
    }

    private function whole(string $text, string $key, int $longest = WholeText::LONGEST): string
    {
        return ($wrong = WholeText::wrong($text, $longest)) === null ? $text : throw BadInput::at($this->at($key), $wrong);
    }

    /** An empty text counts as none. */
    public function textOrNull(string $key): ?string
    {
        return $this->has($key) && $this->values[$key] !== '' ? $this->text($key) : null;
    }

    public function bool(string $key): bool
    {
        $value = $this->required($key);
        if (! is_bool($value)) {
            throw BadInput::at($this->at($key), Phrase::of('input.no_bool', ['value' => self::show($value)]));
        }

        return $value;
    }

    /**
     * @template T of \BackedEnum
     *
     * @param  class-string<T>  $enum
     * @return T
     */
    public function choice(string $key, string $enum): \BackedEnum
    {
        $value = $this->required($key);
        $found = is_string($value) ? $enum::tryFrom($value) : null;
        if ($found === null) {
            $known = implode(', ', array_map(static fn (\BackedEnum $case): string => (string) $case->value, $enum::cases()));
            throw BadInput::at($this->at($key), Phrase::of('input.no_choice', ['known' => $known, 'value' => self::show($value)]));
        }

        return $found;
    }

    public function object(string $key): self
    {
        $value = $this->required($key);
        if (! is_array($value) || (array_is_list($value) && $value !== [])) {
            throw BadInput::at($this->at($key), Phrase::of('input.no_object', ['value' => self::show($value)]));
        }

        return new self($value, $this->at($key));
    }

    public function objectOrNull(string $key): ?self
    {
        return $this->has($key) ? $this->object($key) : null;
    }

    /** @return list<self> an absent list counts as an empty one */
    public function objects(string $key, int $most = self::MOST): array
    {
        if (! $this->has($key)) {
            return [];
        }
        $value = $this->required($key);
        if (! is_array($value) || ! array_is_list($value)) {
            throw BadInput::at($this->at($key), Phrase::of('input.no_list', ['value' => self::show($value)]));
        }
        $this->bounded($key, $value, $most);
        $list = [];
        foreach ($value as $i => $entry) {
            if (! is_array($entry) || (array_is_list($entry) && $entry !== [])) {
                throw BadInput::at($this->at("{$key}.{$i}"), Phrase::of('input.no_entry', ['value' => self::show($entry)]));
            }
            $list[] = new self($entry, $this->at("{$key}.{$i}"));
        }

        return $list;
    }

    /** @return list<float> an absent list counts as an empty one */
    public function numbers(string $key, float $min = 0.0, float $max = self::HUGE, int $most = self::MOST): array
    {
        $list = $this->listOfNumbers($key, $most);

        return array_map(static fn (int $i): float => $list->number((string) $i, $min, $max), array_keys($list->values));
    }

    /** @return list<?float> numbers, with null where there is none yet; an absent list counts as an empty one */
    public function numbersOrNull(string $key, float $min = 0.0, float $max = self::HUGE, int $most = self::MOST): array
    {
        $list = $this->listOfNumbers($key, $most);

        return array_map(static fn (int $i): ?float => $list->numberOrNull((string) $i, $min, $max), array_keys($list->values));
    }

    private function listOfNumbers(string $key, int $most): self
    {
        $value = $this->has($key) ? $this->required($key) : [];
        if (! is_array($value) || ! array_is_list($value)) {
            throw BadInput::at($this->at($key), Phrase::of('input.no_numbers', ['value' => self::show($value)]));
        }
        $this->bounded($key, $value, $most);

        return new self($value, $this->at($key));
    }

    /** @return list<string> an absent list counts as an empty one */
    public function strings(string $key, int $most = self::MOST): array
    {
        $value = $this->has($key) ? $this->required($key) : [];
        if (! is_array($value) || ! array_is_list($value)) {
            throw BadInput::at($this->at($key), Phrase::of('input.no_words', ['value' => self::show($value)]));
        }
        $this->bounded($key, $value, $most);
        $strings = [];
        foreach ($value as $i => $entry) {
            $strings[] = is_string($entry)
                ? $this->whole($entry, "{$key}.{$i}")
                : throw BadInput::at($this->at("{$key}.{$i}"), Phrase::of('input.no_word', ['value' => self::show($entry)]));
        }

        return $strings;
    }

    /** @param  array<array-key, mixed>  $list  longer than any workshop has at once, it would keep the bench busy for nothing */
    private function bounded(string $key, array $list, int $most): void
    {
        if (count($list) > $most) {
            throw BadInput::at($this->at($key), Phrase::of('input.too_many', ['most' => $most, 'there' => count($list)]));
        }
    }

    /** @return array<array-key, mixed> as handed in */
    public function toArray(): array
    {
        return $this->values;
    }

    /** @return list<string> the names of the fields that are there */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->values));
    }

    /** @param  bool  $crosses  nought lies inside the range: what is so near to it is nought, as a sum of tenths leaves it */
    private function finite(string $key, bool $crosses = false): float
    {
        $value = $this->required($key);
        if (is_string($value) && preg_match('/^\s*-?\d+,\d+\s*$/', $value) === 1) {
            throw BadInput::at($this->at($key), Phrase::of('input.comma', ['value' => str_replace(',', '.', trim($value))]));
        }
        if (! is_int($value) && ! is_float($value)) {
            throw BadInput::at($this->at($key), Phrase::of('input.no_number', ['value' => self::show($value)]));
        }
        if (! is_finite((float) $value)) {
            throw BadInput::at($this->at($key), Phrase::of('input.too_large_to_mean'));
        }
        if ($value == 0 || abs($value) >= self::TINY) {
            return (float) $value;
        }

        return $crosses ? 0.0 : throw BadInput::at($this->at($key), Phrase::of('input.too_small_to_mean'));
    }

    private function required(string $key): mixed
    {
        if (! array_key_exists($key, $this->values) || $this->values[$key] === null) {
            throw BadInput::missing($this->at($key));
        }

        return $this->values[$key];
    }

    private static function show(mixed $value): string|Phrase
    {
        return match (true) {
            $value === '' => Phrase::of('input.is_empty'),
            is_string($value) => '“'.mb_strimwidth(mb_scrub($value), 0, 40, '…').'”',
            is_bool($value) => $value ? 'true' : 'false',
            is_int($value), is_float($value) => self::plain((float) $value),
            is_array($value) => Phrase::of(array_is_list($value) ? 'input.is_a_list' : 'input.is_an_object'),
            default => Phrase::of('input.is_nothing'),
        };
    }

    private static function plain(float $value): string
    {
        return rtrim(rtrim(number_format($value, 3, '.', ''), '0'), '.');
    }
}

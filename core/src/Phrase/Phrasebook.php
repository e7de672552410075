<?php

declare(strict_types=1);

namespace Apalos\Core\Phrase;

use LogicException;

/**
 * The words of one language, by code, and the one place where a phrase becomes a sentence. In a sentence `{room}` is a value,
 * `{factor:2}` with so many decimals, `{name^}` with a capital, `{name~}` without, `{sizes| × }` a list joined, `{steps|&}` joined
 * with “and”, `{ways|or}` with “or”, `{n#line/lines}` one of two words by the number, `{10 mm}` a quantity that is part of the sentence.
 */
final readonly class Phrasebook
{
    private const SLOT = '/\{(?:(?<literal>-?\d+(?:\.\d+)?) (?<sign>[^}\s]+)|(?<name>[a-z][a-z0-9_]*)(?<how>[:^~|#][^}]*)?)\}/u';

    /** @param  array<string, string>  $sentences  by code */
    private function __construct(private array $sentences, private Measures $measures) {}

    /** @param  array<array-key, mixed>  $read  as read from the library: sentences by room and name */
    public static function of(array $read, Measures $measures = Measures::Metric): self
    {
        $sentences = [];
        foreach ($read as $room => $phrases) {
            foreach (is_array($phrases) ? $phrases : [] as $name => $sentence) {
                if (is_string($sentence)) {
                    $sentences["{$room}.{$name}"] = $sentence;
                }
            }
        }

        return new self($sentences, $measures);
    }

    /** The same words in other measures. */
    public function in(Measures $measures): self
    {
        return new self($this->sentences, $measures);
    }

    public function say(Phrase $phrase): string
    {
        $sentence = $phrase->code === 'written' ? $this->value($phrase->values['text'] ?? '', '') : $this->sentences[$phrase->code]
            ?? throw new LogicException("The phrasebook has no words for “{$phrase->code}”.");

        return (string) preg_replace_callback(self::SLOT, function (array $slot) use ($phrase): string {
            if (($slot['literal'] ?? '') !== '') {
                return $this->literal((float) $slot['literal'], $slot['sign'] ?? '', $slot[0]);
            }
            $name = $slot['name'] ?? '';
            if ($phrase->code === 'written') {
                return $slot[0];
            }
            if (! array_key_exists($name, $phrase->values)) {
                throw new LogicException("“{$phrase->code}” is said without its “{$name}”.");
            }

            return $this->value($phrase->values[$name], $slot['how'] ?? '');
        }, $sentence);
    }

    /** Whatever is to be shown, with every phrase in it said. */
    public function tell(mixed $what): mixed
    {
        if (is_array($what)) {
            foreach ($what as $key => $one) {
                // Most of a page are figures and texts: they are left where they are.
                if (is_array($one) || is_object($one)) {
                    $what[$key] = $this->tell($one);
                }
            }

            return $what;
        }

        return $what instanceof Phrase ? $this->say($what) : $what;
    }

    /** @param  Quantity|Phrase|float|int|string|list<Quantity|Phrase|float|int|string>  $value */
    private function value(Quantity|Phrase|float|int|string|array $value, string $how): string
    {
        if (is_array($value)) {
            $said = array_map(fn (Quantity|Phrase|float|int|string $one): string => $this->value($one, ''), $value);
            $joint = substr($how, 1);

            return match ($joint) {
                '&', 'or' => self::listed($said, $joint === 'or' ? 'or' : 'and'),
                '' => implode(', ', $said),
                default => self::joined($said, $joint),
            };
        }
        if (str_starts_with($how, '#')) {
            [$one, $many] = [...explode('/', substr($how, 1), 2), ''];

            return is_numeric($value) && (float) $value === 1.0 ? $one : $many;
        }
        $decimals = str_starts_with($how, ':') ? (int) substr($how, 1) : null;
        $text = match (true) {
            $value instanceof Quantity => $this->measures->say($value, $decimals),
            $value instanceof Phrase => $this->say($value),
            is_float($value) => Measures::figure($value, $decimals ?? 1),
            default => (string) $value,
        };

        return match ($how) {
            '^' => mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1),
            '~' => mb_strtolower(mb_substr($text, 0, 1)).mb_substr($text, 1),
            default => $text,
        };
    }

    private function literal(float $number, string $sign, string $written): string
    {
        $kind = Kind::ofSign($sign);

        return $kind === null ? $written : $this->measures->say(match ($kind) {
            Kind::Mass => Quantity::mass($number),
            Kind::Volume => Quantity::volume($number),
            Kind::Length => Quantity::length($number),
            Kind::Area => Quantity::area($number),
            Kind::Temperature => Quantity::temperature($number),
            Kind::Duration => Quantity::duration($number),
            Kind::Density => Quantity::density($number),
            Kind::Yield => Quantity::yield($number),
        }, $this->measures === Measures::Metric ? 2 : 0);
    }

    /**
     * Sizes that share a unit are told with it once: 120 × 80 × 40 mm.
     *
     * @param  list<string>  $said
     */
    private static function joined(array $said, string $joint): string
    {
        $signs = array_unique(
            array_map(static fn (string $one): string => preg_match('/^-?[\d.]+( \S+)$/u', $one, $part) === 1 ? $part[1] : '', $said),
        );
        if (count($signs) !== 1 || $signs[0] === '') {
            return implode($joint, $said);
        }

        return implode($joint, array_map(static fn (string $one): string => substr($one, 0, -strlen($signs[0])), $said)).$signs[0];
    }

    /** @param  list<string>  $words */
    private static function listed(array $words, string $by): string
    {
        $last = array_pop($words);

        return $words === [] ? (string) $last : implode(', ', $words)." {$by} {$last}";
    }
}

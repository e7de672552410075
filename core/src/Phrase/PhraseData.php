<?php

declare(strict_types=1);

namespace Apalos\Core\Phrase;

/** Phrases and quantities as plain data, so that an answer can be kept and said later, in whatever words and measures there are then. */
final class PhraseData
{
    public static function of(mixed $what): mixed
    {
        return match (true) {
            $what instanceof Phrase => ['_phrase' => $what->code, 'values' => array_map(self::of(...), $what->values)],
            $what instanceof Quantity => ['_quantity' => $what->kind->value, 'value' => $what->value],
            is_array($what) => array_map(self::of(...), $what),
            default => $what,
        };
    }

    public static function back(mixed $data): mixed
    {
        if (! is_array($data)) {
            return $data;
        }
        if (is_string($data['_phrase'] ?? null) && is_array($data['values'] ?? null)) {
            $values = [];
            foreach ($data['values'] as $name => $value) {
                $back = self::back($value);
                if ($back instanceof Phrase || $back instanceof Quantity || is_float($back) || is_int($back) || is_string($back)) {
                    $values[(string) $name] = $back;
                } elseif (is_array($back)) {
                    $values[(string) $name] = array_values(
                        array_filter(
                            $back,
                            static fn (mixed $one): bool => $one instanceof Phrase
                                || $one instanceof Quantity
                                || is_float($one)
                                || is_int($one)
                                || is_string($one),
                        ),
                    );
                }
            }

            return Phrase::of($data['_phrase'], $values);
        }
        if (is_string($data['_quantity'] ?? null) && is_numeric($data['value'] ?? null)) {
            $value = (float) $data['value'];

            return match (Kind::from($data['_quantity'])) {
                Kind::Mass => Quantity::mass($value),
                Kind::Volume => Quantity::volume($value),
                Kind::Length => Quantity::length($value),
                Kind::Area => Quantity::area($value),
                Kind::Temperature => Quantity::temperature($value),
                Kind::Duration => Quantity::duration($value),
                Kind::Density => Quantity::density($value),
                Kind::Yield => Quantity::yield($value),
            };
        }

        return array_map(self::back(...), $data);
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Facts;

/**
 * What makes a record one that nobody can bend unseen: each fact carries a SHA-256 over its own canonical bytes and the seal of the fact
 * before it in its stream. Whoever changes, takes out, moves or slips in one breaks its seal or that of the next.
 */
final readonly class Seal
{
    /** Before the first of a stream. */
    public const NOTHING = '0000000000000000000000000000000000000000000000000000000000000000';

    /** How the bytes are written: raised where that changes, and part of them. */
    private const WRITTEN = 1;

    /**
     * @param  string  $before  seal of the fact before, {@see NOTHING} for the first
     * @return string 64 hexadecimal digits
     */
    public static function of(SealedFact $fact, string $before): string
    {
        return hash('sha256', $before."\n".self::bytes([self::WRITTEN, $fact->toArray()]));
    }

    /**
     * Of many streams at once: their last facts in one seal, after that of the anchor before.
     *
     * @param  iterable<array{string, int, int, string}>  $heads stream, its number, place and seal of its last fact, in the order
     *   of streams
     *   and numbers
     */
    public static function anchor(iterable $heads, string $before): string
    {
        $hash = hash_init('sha256');
        hash_update($hash, $before);
        foreach ($heads as $head) {
            hash_update($hash, "\n".implode(' ', $head));
        }

        return hash_final($hash);
    }

    /**
     * The same bytes for the same content, whatever engine kept it: names in order, 34 and 34.0 alike, letters as they are. A float is
     * written with as many digits as tell it from its neighbours.
     */
    public static function bytes(mixed $content): string
    {
        return match (true) {
            is_array($content) && array_is_list($content) => '['.implode(',', array_map(self::bytes(...), $content)).']',
            is_array($content) => self::named($content),
            is_float($content) => self::figure($content),
            default => json_encode($content, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
        };
    }

    /** @param  array<array-key, mixed>  $content */
    private static function named(array $content): string
    {
        ksort($content, SORT_STRING);
        $said = [];
        foreach ($content as $name => $value) {
            $said[] = self::bytes((string) $name).':'.self::bytes($value);
        }

        return '{'.implode(',', $said).'}';
    }

    private static function figure(float $number): string
    {
        return $number === floor($number) && abs($number) < 2.0 ** 53
            ? sprintf('%.0F', $number === 0.0 ? 0.0 : $number)
            : json_encode($number, JSON_THROW_ON_ERROR);
    }
}

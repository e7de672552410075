<?php

declare(strict_types=1);

namespace Apalos\Core\Input;

use Apalos\Core\Phrase\Phrase;

/**
 * Text that can be kept: UTF-8 from end to end, no NUL and no control signs but tabs and the ends of lines, and not longer than anybody
 * writes. The one gate for whatever enters a record, from JSON, a form, a file or the console.
 */
final readonly class WholeText
{
    /** Signs; a long note has a thousand. */
    public const LONGEST = 20_000;

    private const STRANGE = '/[\x00-\x08\x0b\x0c\x0e-\x1f\x7f\x{80}-\x{9f}]/u';

    /**
     * What is wrong with it; null where nothing is.
     *
     * @param  int  $longest  signs; PHP_INT_MAX for a file that is handed in as text
     */
    public static function wrong(string $text, int $longest = self::LONGEST): ?Phrase
    {
        return match (true) {
            strlen($text) > $longest
                && (strlen($text) > 4 * $longest || mb_strlen($text) > $longest) => Phrase::of('input.too_long', ['most' => $longest]),
            ! mb_check_encoding($text, 'UTF-8'), preg_match(self::STRANGE, $text) === 1 => Phrase::of('input.no_letter'),
            default => null,
        };
    }

    /**
     * Whether all texts in a structure can be kept, names of fields included.
     *
     * @param  array<array-key, mixed>  $of
     */
    public static function wrongIn(array $of, int $longest = self::LONGEST): ?Phrase
    {
        foreach ($of as $name => $value) {
            $wrong = is_string($name) ? self::wrong($name, $longest) : null;
            $wrong ??= is_string($value) ? self::wrong($value, $longest) : (is_array($value) ? self::wrongIn($value, $longest) : null);
            if ($wrong !== null) {
                return $wrong;
            }
        }

        return null;
    }
}

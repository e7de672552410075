<?php

declare(strict_types=1);

namespace Apalos\Core\Phrase;

/**
 * What there is to say, as a code and typed quantities. Which words and which units it is said in is nobody's business until it
 * reaches a screen, a file or a console: there the {@see Phrasebook} has them.
 */
final readonly class Phrase
{
    /** @param  array<string, Quantity|Phrase|float|int|string|list<Quantity|Phrase|float|int|string>>  $values */
    private function __construct(public string $code, public array $values) {}

    /** @param  array<string, Quantity|Phrase|float|int|string|list<Quantity|Phrase|float|int|string>>  $values */
    public static function of(string $code, array $values = []): self
    {
        return new self($code, $values);
    }

    /** Words that are data: of a rule, a caution, a sheet. Quantities in them stand in braces, `{170 °C}`. */
    public static function written(string $text): self
    {
        return new self('written', ['text' => $text]);
    }
}

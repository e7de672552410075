<?php

declare(strict_types=1);

namespace Apalos\Core\Input;

use Apalos\Core\Phrase\Phrase;
use DomainException;

/**
 * Input that makes no sense. It says what to do, in a phrase for the maker; the field is the dotted path of what was wrong
 * (`base.ratio.a`), so that a form can show it in place.
 */
final class BadInput extends DomainException
{
    private function __construct(public readonly string $field, public readonly Phrase $says, public readonly bool $isMissing = false)
    {
        // For whoever reads a log; a maker reads the phrase.
        parent::__construct($says->code === 'written' ? (string) json_encode($says->values['text'] ?? '', JSON_UNESCAPED_UNICODE) : $says->code);
    }

    public static function at(string $field, Phrase $says): self
    {
        return new self($field, $says);
    }

    /** Nothing is there yet, which on a half-filled form is no mistake. */
    public static function missing(string $field): self
    {
        return new self($field, Phrase::of('input.missing'), true);
    }
}

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
    /** @param  list<self>  $also  what else is wrong, where all of it is said at once */
    private function __construct(public readonly string $field, public readonly Phrase $says, public readonly bool $isMissing = false, public readonly array $also = [])
    {
        // For whoever reads a log; a maker reads the phrase.
        parent::__construct($says->code === 'written' ? (string) json_encode($says->values['text'] ?? '', JSON_UNESCAPED_UNICODE) : $says->code);
    }

    public static function at(string $field, Phrase $says): self
    {
        return new self($field, $says);
    }

    /**
     * All that is wrong at once; nothing where nothing is.
     *
     * @param  list<self>  $wrong
     *
     * @throws self
     */
    public static function throwAll(array $wrong): void
    {
        if ($wrong !== []) {
            throw new self($wrong[0]->field, $wrong[0]->says, $wrong[0]->isMissing, array_slice($wrong, 1));
        }
    }

    /** Nothing is there yet, which on a half-filled form is no mistake. */
    public static function missing(string $field): self
    {
        return new self($field, Phrase::of('input.missing'), true);
    }
}

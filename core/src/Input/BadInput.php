<?php

declare(strict_types=1);

namespace Apalos\Core\Input;

use DomainException;

/**
 * Input that makes no sense. The message is a sentence for the maker that says what to do;
 * the field is the dotted path of what was wrong (`base.ratio.a`), so that a form can show it in place.
 */
final class BadInput extends DomainException
{
    private function __construct(public readonly string $field, string $message, public readonly bool $isMissing = false)
    {
        parent::__construct($message);
    }

    public static function at(string $field, string $message): self
    {
        return new self($field, $message);
    }

    /** Nothing is there yet, which on a half-filled form is no mistake. */
    public static function missing(string $field): self
    {
        return new self($field, 'This is missing. Give a value.', true);
    }

    /** @return array{error: array{field: string, message: string}} */
    public function toArray(): array
    {
        return ['error' => ['field' => $this->field, 'message' => $this->getMessage()]];
    }
}

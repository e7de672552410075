<?php

declare(strict_types=1);

namespace Apalos\Core\Input;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use DomainException;

/**
 * Input that makes no sense. It says what to do, in a phrase for the maker; the field is the dotted path of what was wrong
 * (`base.ratio.a`), so that a form can show it in place.
 */
final class BadInput extends DomainException
{
    /** @param  list<self>  $also  what else is wrong, where all of it is said at once */
    private function __construct(
        public readonly string $field,
        public readonly Phrase $says,
        public readonly bool $isMissing = false,
        public readonly array $also = [],
    ) {
        // For whoever reads a log; a maker reads the phrase.
        parent::__construct(
            $says->code === 'written' ? (string) json_encode($says->values['text'] ?? '', JSON_UNESCAPED_UNICODE) : $says->code,
        );
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

    /**
     * @return array{error: array{field: string, message: string, also?: list<array{field: string, message: string}>}} as a program reads it
     */
    public function told(Phrasebook $words): array
    {
        $also = array_map(
            static fn (self $other): array => ['field' => $other->field, 'message' => $words->say($other->says)], $this->also,
        );

        return ['error' => ['field' => $this->field, 'message' => $words->say($this->says), ...($also === [] ? [] : ['also' => $also])]];
    }

    /** What is wrong with a file, and where in it: a line says where by itself. */
    public function ofFile(Phrasebook $words): string
    {
        return ($this->field === 'file' || str_starts_with($this->field, 'line') ? '' : "{$this->field}: ").$words->say($this->says);
    }
}

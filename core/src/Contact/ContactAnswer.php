<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Material\Shelf;
use Apalos\Core\Phrase\Phrase;

/**
 * What a contact asks for, and, where it is not safe, what would make it so.
 *
 * @phpstan-import-type ContactShape from ContactResult
 * @phpstan-import-type WayShape from Way
 */
final readonly class ContactAnswer
{
    /** @param  list<Way>  $ways */
    private function __construct(public ContactResult $result, public array $ways) {}

    public static function to(ContactRequest $request, Knowledge $knowledge, Shelf $shelf): self
    {
        $engine = new ContactEngine($knowledge);
        $result = $engine->judge($request);

        return new self($result, $result->safe ? [] : (new WaysOut($engine, $knowledge, Candidate::on($shelf, $knowledge)))->of($request));
    }

    /** Said where nothing on the shelf helps. */
    public function note(): ?Phrase
    {
        return $this->result->safe || $this->ways !== [] ? null : Phrase::of('contact.no_way_out');
    }

    /** @return array<string, mixed> the result, with `ways_out` and, where there are none, `ways_out_note` */
    public function toArray(): array
    {
        return [
            ...$this->result->toArray(), 'ways_out' => array_map(static fn (Way $way): array => $way->toArray(), $this->ways),
            'ways_out_note' => $this->note(),
        ];
    }
}

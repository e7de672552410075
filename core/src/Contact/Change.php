<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Phrase\Phrase;

/** One change to a contact, with the question as it would then be asked. */
final readonly class Change
{
    /** In which order changes are made at the bench: first what it is poured of, last what is put between. */
    private const ORDER = ['base', 'wait', 'barrier', 'seal', 'test', 'release'];

    /** @param  list<array{kind: WayKind, id: string}>  $before  what is changed with it */
    public function __construct(
        public WayKind $kind,
        public string $id,
        public Phrase $what,
        public float $addsMin,
        public ?float $cost,
        public ContactRequest $request,
        private array $before = [],
    ) {}

    public function order(): int
    {
        return (int) array_search($this->kind->value, self::ORDER, true);
    }

    public function then(self $next): self
    {
        return new self(
            $next->kind, $next->id, Phrase::of('contact.way_then', ['first' => $this->what, 'then' => $next->what]),
            $this->addsMin + $next->addsMin,
            $this->cost === null && $next->cost === null ? null : ($this->cost ?? 0.0) + ($next->cost ?? 0.0),
            $next->request, [...$this->before, ['kind' => $this->kind, 'id' => $this->id]],
        );
    }

    public function way(ContactResult $result): Way
    {
        return new Way([...$this->before, ['kind' => $this->kind, 'id' => $this->id]], $this->what, $this->addsMin, $this->cost, $result);
    }
}

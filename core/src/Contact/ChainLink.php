<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** One link of a chain as its contacts see it: positive or not, what it is poured of, what it becomes, what stands around it. */
final readonly class ChainLink
{
    /**
     * @param  Family|null  $fresh  null for an original, which is not poured, or while nobody has chosen
     * @param  Surface|null  $becomes  what its surface is once it is there
     * @param  int|null  $from  the link whose shape it takes; null for the one before it
     * @param  bool  $had  it is not poured here: an original, a printed, machined or bought mould, an insert
     */
    public function __construct(
        public int $id,
        public string $name,
        public bool $positive,
        public MouldPart $role,
        public ?Family $fresh,
        public ?Surface $becomes,
        public ?int $from = null,
        public ?Surface $wall = null,
        public ?Surface $bed = null,
        public bool $had = false,
    ) {}

    /** The same before anybody said from which link it takes its shape. */
    public function unpinned(): self
    {
        return new self(
            $this->id, $this->name, $this->positive, $this->role, $this->fresh, $this->becomes, null, $this->wall, $this->bed, $this->had,
        );
    }
}

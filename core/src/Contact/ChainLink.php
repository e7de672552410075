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
    ) {}
}

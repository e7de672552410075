<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Phrase\Phrase;

/** One thing to do before pouring. */
final readonly class Preparation
{
    /** @param  'dry'|'seal'|'block'|'release'|'wait'|'test'  $do */
    public function __construct(
        public string $do,
        public Phrase $what,
        public int $coats,
        public float $minutes,
        public Phrase $note,
        public bool $flashesOff = false,
    ) {}

    /** @return array{do: 'dry'|'seal'|'block'|'release'|'wait'|'test', what: Phrase, coats: int, minutes: float, note: Phrase} */
    public function toArray(): array
    {
        return ['do' => $this->do, 'what' => $this->what, 'coats' => $this->coats, 'minutes' => $this->minutes, 'note' => $this->note];
    }
}

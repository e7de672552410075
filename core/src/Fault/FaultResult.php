<?php

declare(strict_types=1);

namespace Apalos\Core\Fault;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/** The causes of a bad cast, likeliest first; their shares sum to one. */
final readonly class FaultResult
{
    /**
     * @param list<array{
     *     id: string, name: string, share: float, because: list<Phrase>, against: list<Phrase>, look: Phrase, next: Phrase,
     * }>  $causes
     * @param  list<Warning>  $warnings
     */
    public function __construct(public array $causes, public array $warnings) {}

    /**
     * @return array{
     *     causes: list<array{
     *         id: string, name: string, share: float, because: list<Phrase>, against: list<Phrase>, look: Phrase, next: Phrase,
     *     }>,
     *     warnings: list<array{code: string, message: Phrase}>,
     * }
     */
    public function toArray(): array
    {
        return ['causes' => $this->causes, 'warnings' => Warning::all($this->warnings)];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Result;

use Apalos\Core\Phrase\Phrase;

/** Something a maker should know before trusting the number: a stable code, and what there is to say with the number in it. */
final readonly class Warning
{
    public function __construct(public string $code, public Phrase $message) {}

    /** @return array{code: string, message: Phrase} */
    public function toArray(): array
    {
        return ['code' => $this->code, 'message' => $this->message];
    }

    /**
     * @param  list<self>  $warnings
     * @return list<array{code: string, message: Phrase}>
     */
    public static function all(array $warnings): array
    {
        return array_map(static fn (self $warning): array => $warning->toArray(), $warnings);
    }
}

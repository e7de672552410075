<?php

declare(strict_types=1);

namespace Apalos\Core\Result;

/** Something a maker should know before trusting the number: a stable code and a plain sentence with the number in it. */
final readonly class Warning
{
    public function __construct(public string $code, public string $message) {}

    /** @return array{code: string, message: string} */
    public function toArray(): array
    {
        return ['code' => $this->code, 'message' => $this->message];
    }

    /**
     * @param  list<self>  $warnings
     * @return list<array{code: string, message: string}>
     */
    public static function all(array $warnings): array
    {
        return array_map(static fn (self $warning): array => $warning->toArray(), $warnings);
    }
}

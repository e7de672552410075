<?php

declare(strict_types=1);

namespace App\Facts;

use Carbon\CarbonImmutable;

/**
 * A stream that is open already, with the turn taken: what is told of it one after the other reads it once.
 *
 * @template S of Stream
 *
 * @implements Streams<S>
 */
final class HeldStream implements Streams
{
    /** @param  S  $stream */
    private function __construct(private Stream $stream) {}

    /**
     * @template T of Stream
     *
     * @param  T  $stream  opened in this transaction
     * @return self<T>
     */
    public static function of(Stream $stream): self
    {
        return new self($stream);
    }

    public function open(int $id, CarbonImmutable $now): Stream
    {
        return $this->stream;
    }

    /**
     * @param  S  $stream  as it stands after something more was told
     * @return S
     */
    public function goesOn(Stream $stream): Stream
    {
        return $this->stream = $stream;
    }
}

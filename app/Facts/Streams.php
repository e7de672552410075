<?php

declare(strict_types=1);

namespace App\Facts;

use Carbon\CarbonImmutable;

/**
 * All streams of one kind, any of which can be opened to be written to. What a stream works with is handed to its kind, by whoever
 * builds it.
 *
 * @template-covariant S of Stream
 */
interface Streams
{
    /**
     * With the turn taken to write to it: nobody else does until this transaction ends. Read once.
     *
     * @return S
     *
     * @throws \Apalos\Core\Input\BadInput where nothing can be told of it yet
     */
    public function open(int $id, CarbonImmutable $now): Stream;
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Console;

use Apalos\Core\Care\Wear;
use Apalos\Core\Casting\CastingWays;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Fault\FaultBook;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Mould\MouldLibrary;
use Apalos\Core\Ways\WaysBook;

/** The knowledge that verbs draw on, read from `library/` by whoever asks. */
final readonly class Shelves
{
    public function __construct(
        public Knowledge $contacts,
        public MouldLibrary $moulds,
        public Shelf $materials,
        public FaultBook $faults,
        public Wear $wear,
        public WaysBook $ways,
        public CastingWays $casting,
    ) {}
}

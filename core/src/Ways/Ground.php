<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Care\Wear;
use Apalos\Core\Casting\CastingWays;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Mould\MouldLibrary;

/** All that whole ways are judged by. */
final readonly class Ground
{
    public function __construct(
        public Knowledge $contacts,
        public MouldLibrary $moulds,
        public Shelf $materials,
        public Wear $wear,
        public WaysBook $ways,
        public CastingWays $casting,
    ) {}
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Facts;

/** What can happen in a stream of facts. Facts only: nothing is ever changed or deleted, a mistake is taken back by one more. */
interface FactKind extends \BackedEnum
{
    /** It takes an earlier fact back, whose number stands in its payload under `of`. */
    public function isUndoing(): bool;
}

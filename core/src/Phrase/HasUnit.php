<?php

declare(strict_types=1);

namespace Apalos\Core\Phrase;

/** What has a unit of its own, and can be said in it. */
interface HasUnit
{
    public function quantity(): Quantity;
}

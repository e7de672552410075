<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Contact\Family;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Material\BaseSheet;

/** Of which family things are; a printed mould is none, and wears as resin does. */
final readonly class Families
{
    private const PRINT_WEARS_AS = 'urethane-resin';

    public function __construct(private Knowledge $knowledge) {}

    public function of(BaseSheet $base): ?Family
    {
        return $this->knowledge->families[$base->family] ?? null;
    }

    public function ofMould(Combination $way): ?Family
    {
        return $way->base === null ? ($this->knowledge->families[self::PRINT_WEARS_AS] ?? null) : $this->of($way->base);
    }
}

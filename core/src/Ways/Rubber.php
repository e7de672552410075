<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Casting\CastingWay;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Material\BaseSheet;

/** What of a sheet is reckoned with again and again, read once: its times are those of this room. */
final readonly class Rubber
{
    /** @param  array<string, float>  $times  minutes, by milestone, as far as its sheet gives them */
    public function __construct(
        public BaseSheet $sheet,
        public float $sg,
        public ?float $viscosity,
        public array $times,
        public CastingWay $worked,
    ) {}

    public function time(Milestone $milestone): ?float
    {
        return $this->times[$milestone->value] ?? null;
    }

    public function isHot(): bool
    {
        return $this->worked->heat !== null;
    }
}

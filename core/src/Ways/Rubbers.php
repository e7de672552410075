<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Casting\CastingWays;
use Apalos\Core\Cure\Clock;
use Apalos\Core\Cure\CureRequest;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Units\Celsius;

/** Sheets as they are in this room, each read once. */
final class Rubbers
{
    /** @var array<string, Rubber> */
    private array $known = [];

    public function __construct(private readonly Celsius $room, private readonly CastingWays $casting) {}

    public function of(BaseSheet $base): Rubber
    {
        return $this->known[$base->code] ??= new Rubber(
            $base, $base->density()->gPerMl, $base->sheet()->numberOrNull('viscosity_pas'),
            array_map(
                static fn ($band): float => $band->likely->min, (new Clock)->read(new CureRequest($base->forCuring(), $this->room))->bands,
            ),
            $this->casting->choose($base->casting, $base->family, $base->ratio->isOnePart(), $base->brushed),
        );
    }
}

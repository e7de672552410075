<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Phrase\Phrase;
use App\Types\View;

/** What stands on the labels of swatches. */
final readonly class LabelsView implements View
{
    /** @param  list<KnownSwatch>  $swatches */
    public function __construct(private array $swatches) {}

    /**
     * @return array{labels: list<array{
     *     id: int, name: string, base: Phrase|string, formula: string, inside: list<Phrase>, poured_ms: int, thickness_mm: float|null,
     *     href: string,
     * }>}
     */
    public function toArray(): array
    {
        return ['labels' => array_map(static fn (KnownSwatch $known): array => [
            'id' => $known->swatch->id, 'name' => $known->swatch->name,
            'base' => $known->recipe->base->name ?? Phrase::of('bench.base_no_longer_shelf'),
            'formula' => $known->swatch->version->called(),
            'inside' => $known->inside(), 'poured_ms' => (int) $known->swatch->poured_at->getTimestampMs(),
            'thickness_mm' => $known->swatch->thickness_mm,
            'href' => "/swatches/drawer#swatch-{$known->swatch->id}",
        ], $this->swatches)];
    }
}

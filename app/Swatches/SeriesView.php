<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Material\BaseSheet;
use App\Library\Library;
use App\Library\Softeners;
use App\Types\View;

/** What a series can be made of. */
final readonly class SeriesView implements View
{
    public function __construct(
        private Library $library,
        private Softeners $softeners,
        private Undrawn $undrawn,
        private string $kind,
        private string $base,
        private string $pigment,
    ) {}

    /**
     * @return array{
     *     kind: 'softener'|'tint', base: string, pigment: string,
     *     bases: list<array{
     *         code: string, name: string, family: string, softeners: list<array{code: string, name: string, limit_pct: float}>,
     *         pigment_basis: string, pigment_into: string, undrawn: int, heated: bool,
     *     }>,
     *     pigments: list<array{code: string, name: string, colour: string, families: list<string>}>
     * }
     */
    public function toArray(): array
    {
        $shelf = $this->library->shelf();
        $choices = $this->softeners->choices();
        $bases = array_filter(
            $this->library->atHand()->bases,
            static fn (BaseSheet $base): bool => isset($choices[$base->code]) || $base->limitFor(AdditiveRole::Pigment) !== null,
        );

        return [
            'kind' => $this->kind === 'tint' ? 'tint' : 'softener',
            'base' => isset($bases[$this->base]) && ($this->kind === 'tint' || isset($choices[$this->base]))
                ? $this->base
                : $this->library->usual('base'),
            'pigment' => isset($shelf->additives[$this->pigment]) ? $this->pigment : '',
            'bases' => array_values(array_map(fn (BaseSheet $base): array => [
                'code' => $base->code, 'name' => $base->name, 'family' => $base->family,
                'softeners' => array_map(
                    static fn (string $code): array => [
                        'code' => $code, 'name' => $shelf->additives[$code]->name, 'limit_pct' => $base->bears($shelf->additives[$code]),
                    ],
                    $choices[$base->code] ?? [],
                ),
                'pigment_basis' => $base->limitFor(AdditiveRole::Pigment)->basis->value ?? 'pct_of_total',
                'pigment_into' => $base->limitFor(AdditiveRole::Pigment)->into->value ?? 'a', 'undrawn' => count($this->undrawn->in($base)),
                'heated' => $this->library->way($base)->heat !== null,
            ], $bases)),
            'pigments' => array_values(
                array_map(
                    static fn ($a): array => ['code' => $a->code, 'name' => $a->name, 'colour' => $a->colour, 'families' => $a->families],
                    array_filter($this->library->atHand()->additives, static fn ($a): bool => $a->role === AdditiveRole::Pigment),
                ),
            ),
        ];
    }
}

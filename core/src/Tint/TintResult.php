<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/**
 * What a tinted base looks like, and what brings it nearest the target.
 *
 * @phpstan-type TintShape array{
 *     lab: array{float, float, float}, srgb: string,
 *     chips: list<array{thickness_mm: float, backing: 'light'|'dark', lab: array{float, float, float}, srgb: string}>,
 *     hides_from_mm: float|null, loads: array<string, float>, delta_e: float|null, shows_pct: float|null,
 *     alternatives: list<array{
 *         loads: array<string, float>, lab: array{float, float, float}, srgb: string, delta_e: float, shows_pct: float|null,
 *     }>,
 *     warnings: list<array{code: string, message: Phrase}>
 * }
 */
final readonly class TintResult
{
    /** ΔE₀₀ from which two colours side by side are told apart. */
    private const SEEN_APART = 1.0;

    /**
     * @param  list<array{thickness_mm: float, backing: 'light'|'dark', lab: Lab}>  $chips
     * @param  list<PigmentLoads>  $alternatives  with fewer pigments
     * @param  list<Warning>  $warnings
     */
    public function __construct(
        public PigmentLoads $recipe,
        public bool $hasTarget,
        public array $chips,
        public ?float $hidesFromMm,
        public array $alternatives,
        public array $warnings,
    ) {}

    /** @return TintShape */
    public function toArray(): array
    {
        return [
            'lab' => $this->recipe->lab->toArray(),
            'srgb' => $this->recipe->lab->srgb(),
            'chips' => array_map(
                static fn (array $chip): array => [...$chip, 'lab' => $chip['lab']->toArray(), 'srgb' => $chip['lab']->srgb()],
                $this->chips,
            ),
            'hides_from_mm' => $this->hidesFromMm,
            'loads' => $this->recipe->loads,
            'delta_e' => $this->hasTarget ? $this->recipe->deltaE : null,
            'shows_pct' => $this->recipe->showsPct,
            'alternatives' => array_map(static fn (PigmentLoads $recipe): array => $recipe->toArray(), $this->alternatives),
            'warnings' => Warning::all($this->warnings),
        ];
    }

    /** Why an edge looks paler than the middle, in numbers of this very colour. */
    public function depth(): Phrase
    {
        [$thin, , $thick] = array_column(array_filter($this->chips, static fn (array $chip): bool => $chip['backing'] === 'light'), 'lab');
        $apart = Difference::between($thin, $thick);
        $edge = match (true) {
            $apart < self::SEEN_APART => Phrase::of('tint.edge_is_like_middle'),
            $thin->l - $thick->l > self::SEEN_APART => Phrase::of('tint.edge_looks_paler', ['apart' => $apart]),
            default => Phrase::of('tint.edge_is_off', ['apart' => $apart]),
        };

        return $this->hidesFromMm === null
            ? Phrase::of('tint.shows_through', ['edge' => $edge])
            : Phrase::of('tint.hides_from', [
                'edge' => $edge, 'from' => Quantity::length($this->hidesFromMm < 10.0 ? $this->hidesFromMm : round($this->hidesFromMm)),
            ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Harden\PuckReading;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Mix\Basis;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Tint\Translucency;
use App\Models\Swatch;
use App\Models\SwatchReading;

/** A swatch with its recipe read against the shelf and what was last read of it. */
final readonly class KnownSwatch
{
    /** Stirred in as pinches, these do not change how hard a puck is. */
    private const HARMLESS = [AdditiveRole::Pigment, AdditiveRole::Flock];

    /** @var array<string, SwatchReading> what counts, by its kind, and by kind and card */
    private array $last;

    /** @var array<string, Lab> by the card it was read over */
    private array $colours;

    /** @param  Recipe|null  $recipe  null where a material of it is no longer on the shelf */
    public function __construct(public Swatch $swatch, public ?Recipe $recipe)
    {
        $last = [];
        // Whoever asks only what is in it, a label for one, brings no readings.
        foreach ($swatch->relationLoaded('readings') ? $swatch->readings : [] as $reading) {
            if (! $reading->left_out) {
                $last[$reading->kind] = $last["{$reading->kind} {$reading->backing}"] = $reading;
            }
        }
        $this->last = $last;
        $colours = array_map(
            static fn (string $backing): ?Lab => ($last["colour {$backing}"] ?? null)?->colour(), ['white' => 'white', 'black' => 'black'],
        );
        $this->colours = array_filter($colours);
    }

    public function last(string $kind, ?string $backing = null): ?SwatchReading
    {
        return $this->last[$backing === null ? $kind : "{$kind} {$backing}"] ?? null;
    }

    public function hardness(): ?PuckReading
    {
        return $this->last('hardness')?->hardness();
    }

    public function over(string $backing): ?Lab
    {
        return $this->colours[$backing] ?? null;
    }

    /** Its colour as one holds it over something white, else over whatever it was read over. */
    public function colour(): ?Lab
    {
        return $this->over('white') ?? $this->over('black');
    }

    public function translucency(): ?Translucency
    {
        [$white, $black] = [$this->over('white'), $this->over('black')];
        try {
            return $white === null || $black === null ? null : Translucency::of($white, $black);
        } catch (BadInput) {
            return null;
        }
    }

    /**
     * @return array{softener: string|null, pct: float}|null per cent of A+B of its softener; null where something else in it changes the
     *   hardness too
     */
    public function softening(): ?array
    {
        $hard = array_values(
            array_filter(
                $this->recipe?->sheets() ?? [], static fn (AdditiveSheet $sheet): bool => ! in_array($sheet->role, self::HARMLESS, true),
            ),
        );
        if ($this->recipe === null || count($hard) > 1) {
            return null;
        }

        return $hard === []
            ? ['softener' => null, 'pct' => 0.0]
            : ['softener' => $hard[0]->code, 'pct' => 100.0 * $this->recipe->loads()[$hard[0]->code]];
    }

    /**
     * @return list<Phrase> what goes into the base, as it was written down; softener on both bases, for half the trade counts on one part
     */
    public function inside(): array
    {
        if ($this->recipe === null) {
            return [];
        }
        $base = $this->recipe->base;
        $shareOfA = $base->ratio->weightFractionOfA($base->sgA, $base->sgB);
        $softeners = array_filter(
            $this->recipe->sheets(), static fn (AdditiveSheet $sheet): bool => $sheet->role->isSoftener() && ! $base->ratio->isOnePart(),
        );
        $lines = [];
        foreach ($softeners as $sheet) {
            $pct = 100.0 * $this->recipe->loads()[$sheet->code];
            $lines[] = Phrase::of('bench.on_both_bases', ['name' => $sheet->name, 'pct_of_ab' => $pct, 'pct_of_a' => $pct / $shareOfA]);
        }
        $named = array_map(static fn (AdditiveSheet $sheet): string => $sheet->name, $softeners);
        foreach ($this->recipe->additives() as $additive) {
            if ($additive->amount > 0.0 && ! in_array($additive->name, $named, true)) {
                $lines[] = Phrase::of('bench.inside', [
                    'name' => $additive->name, 'amount' => $additive->amount,
                    'basis' => $base->ratio->isOnePart() && $additive->basis === Basis::OfAB
                        ? Phrase::of('basis.pct_of_base')
                        : $additive->basis->inWords(),
                ]);
            }
        }

        return $lines;
    }

    /** @return array<string, float> pigments in per cent of everything, by house code */
    public function pigments(): array
    {
        if ($this->recipe === null) {
            return [];
        }
        $all = $this->recipe->composition()->massPerAB;
        $loads = $this->recipe->loads();
        $pigments = [];
        foreach ($this->recipe->sheets() as $sheet) {
            if ($sheet->role === AdditiveRole::Pigment) {
                $pigments[$sheet->code] = 100.0 * $loads[$sheet->code] / $all;
            }
        }

        return $pigments;
    }
}

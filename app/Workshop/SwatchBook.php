<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Harden\SoftenedPuck;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Pour\Recipe;
use App\Models\FormulaVersion;
use App\Models\Swatch;
use App\Models\Workshop;

/** The shop's swatches, as the core's models of hardness and colour want them. */
final class SwatchBook
{
    /** @var list<KnownSwatch>|null */
    private ?array $all = null;

    /** @var array<string, list<array{known: KnownSwatch, puck: SoftenedPuck}>> */
    private array $pucks = [];

    public function __construct(private readonly Workshop $workshop, private readonly Library $library) {}

    /** @return list<KnownSwatch> oldest first */
    public function all(): array
    {
        return $this->all ??= array_values($this->workshop->swatches()->with(['version.formula', 'readings'])->orderBy('id')->get()
            ->map(fn (Swatch $swatch): KnownSwatch => new KnownSwatch($swatch, $this->recipe($swatch->version)))->all());
    }

    public function recipe(FormulaVersion $version): ?Recipe
    {
        try {
            $recipe = Recipe::from(Fields::of($version->recipe), $this->library->shelf());
            $recipe->composition();

            return $recipe;
        } catch (BadInput) {
            return null;
        }
    }

    /**
     * Pucks that say something of this softener in this base.
     *
     * @return list<array{known: KnownSwatch, puck: SoftenedPuck}>
     */
    public function pucks(string $base, string $softener): array
    {
        return $this->pucks["{$base} {$softener}"] ??= $this->looked($base, $softener);
    }

    /** @return list<array{known: KnownSwatch, puck: SoftenedPuck}> */
    private function looked(string $base, string $softener): array
    {
        $pucks = [];
        foreach ($this->all() as $known) {
            $pct = $known->softenedBy($base, $softener);
            $reading = $known->hardness();
            if ($pct !== null && $reading !== null) {
                $pucks[] = ['known' => $known, 'puck' => new SoftenedPuck($pct, $reading->median())];
            }
        }

        return $pucks;
    }
}

<?php

declare(strict_types=1);

namespace App\Actions;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\FormulaVersion;
use App\Models\Impression;
use App\Models\Pour;
use App\Models\PourState;
use App\Workshop\Library;

/** A sheet for pouring a formula again: of a pour that was, scaled to a new mass, or of a version into a link of its own. */
final readonly class PourAgain
{
    public function __construct(private PlanPour $plan, private Library $library) {}

    /**
     * The formula it was really poured with, the cup and scale it was planned for, and so many grams.
     *
     * @throws BadInput
     */
    public function scaled(Pour $past, float $massG): Pour
    {
        $version = $past->formulaVersion;
        $sheet = $past->sheet;
        if ($version !== null) {
            $sheet = [...$sheet, ...self::of($version)];
        }

        return $past->impression->pours()->create(['sheet' => self::byMass($sheet, $massG), 'state' => PourState::Draft]);
    }

    /**
     * A version poured into a link: its sheet that was begun, else a new one. What was measured there stays.
     *
     * @param  float|null  $massG  where the maker knows the grams
     *
     * @throws BadInput
     */
    public function into(FormulaVersion $version, Impression $impression, ?float $massG): Pour
    {
        $base = $this->library->shelf()->base($version->recipe['base']);
        $pour = ($this->plan)($impression);
        $sheet = [...$pour->sheet, ...self::of($version)];
        if ($massG !== null) {
            $sheet = self::byMass($sheet, $massG);
        }
        if ($base->vacuum === 'never') {
            data_set($sheet, 'plan.vessel.degas', false);
        }
        $pour->update(['sheet' => $sheet]);

        return $pour;
    }

    /** @return array<string, mixed> */
    private static function of(FormulaVersion $version): array
    {
        return ['formula' => $version->recipe, 'formula_name' => $version->formula->name, 'formula_from' => $version->id];
    }

    /**
     * @param  array<string, mixed>  $sheet
     * @return array<string, mixed>
     */
    private static function byMass(array $sheet, float $massG): array
    {
        if (! is_finite($massG) || $massG <= 0.0 || $massG > 1e6) {
            throw BadInput::at('mass_g', Phrase::written('Say how many grams: more than nothing, and less than a tonne.'));
        }

        return [...$sheet, 'volume' => null, 'target' => ['mass_g' => $massG, 'waste_pct' => 0]];
    }
}

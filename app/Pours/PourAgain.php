<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Input\BadInput;
use App\Library\Library;
use App\Models\FormulaVersion;
use App\Models\Impression;
use App\Models\Pour;
use App\Models\PourState;
use App\PourSheets\Amount;
use App\PourSheets\PlanPour;

/** A sheet for pouring a formula again: of a pour that was, scaled to a new mass, or of a version into a link of its own. */
final readonly class PourAgain
{
    public function __construct(private PlanPour $plan, private Library $library) {}

    /**
     * The formula it was really poured with, the cup and scale it was planned for, and as much as is said.
     *
     * @throws BadInput
     */
    public function scaled(Pour $past, Amount $amount): Pour
    {
        $version = $past->formulaVersion;
        $sheet = $past->sheet;
        if ($version !== null) {
            $sheet = [...$sheet, ...self::of($version)];
        }

        return $past->impression->pours()->create(['sheet' => $amount->into($sheet), 'state' => PourState::Draft]);
    }

    /**
     * A version poured into a link: its sheet that was begun, else a new one. What was measured there stays.
     *
     * @param  Amount|null  $amount  where the maker knows it already
     *
     * @throws BadInput
     */
    public function into(FormulaVersion $version, Impression $impression, ?Amount $amount): Pour
    {
        $base = $this->library->shelf()->base($version->recipe['base']);
        $pour = ($this->plan)($impression);
        $sheet = [...$pour->sheet, ...self::of($version)];
        if ($amount !== null) {
            $sheet = $amount->into($sheet);
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
}

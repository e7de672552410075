<?php

declare(strict_types=1);

namespace App\Formulas;

use Apalos\Core\Harden\SofteningEffectsResult;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\MixPlanner;
use Apalos\Core\Mix\MixRequest;
use Apalos\Core\Mix\MixTarget;
use Apalos\Core\Mix\Scale;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;
use App\Library\Library;
use App\Models\Workshop;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use App\Swatches\HardnessBook;

/** What a formula comes to: grams, both bases, how hard it will be, what that costs, what to mind. */
final readonly class FormulaReckoner
{
    public function __construct(
        private Library $library,
        private Workshop $workshop,
        private RoomTemperature $room,
        private HardnessBook $hardness,
        private CureClock $clock,
    ) {}

    /**
     * @param  Fields  $recipe  `base` and `additives`
     *
     * @throws BadInput
     */
    public function reckon(Fields $recipe, float $massG, bool $asPaint = false): FormulaAnswerView
    {
        $read = Recipe::from($recipe, $this->library->shelf());
        $mix = (new MixPlanner)->plan(new MixRequest(
            $read->base->forMixing(), MixTarget::from(Fields::of(['mass_g' => $massG, 'waste_pct' => 0])), $read->additives(),
            new Scale(Grams::of($this->workshop->scale_division_g), null), null, $this->room->now(), Minutes::of(0.0), Minutes::of(0.0),
            null, null,
        ));

        return new FormulaAnswerView($read, $mix, $this->hardness->expected($read), $this->cost($read), $asPaint, $this->library);
    }

    private function cost(Recipe $recipe): ?SofteningEffectsResult
    {
        foreach ($recipe->sheets() as $sheet) {
            if ($sheet->softening !== null && $sheet->suits($recipe->base)) {
                return SofteningEffectsResult::of(
                    $recipe->base, $sheet->softening, $recipe->base->bears($sheet), 100.0 * $recipe->loads()[$sheet->code], null,
                    $this->clock->pours($recipe->base),
                );
            }
        }

        return null;
    }
}

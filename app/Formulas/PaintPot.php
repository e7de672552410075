<?php

declare(strict_types=1);

namespace App\Formulas;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Scale;
use Apalos\Core\Paint\PaintPlanner;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Units\Grams;
use App\Contacts\ContactBook;
use App\Library\Library;
use App\Models\Workshop;
use App\Room\RoomTemperature;

/** A pot of silicone paint for an area, with whether it will hold on a silicone cast. */
final readonly class PaintPot
{
    /** A thicker film is no paint, in mm. */
    private const THICKEST_MM = 1.0;

    private const MOST_COATS = 20.0;

    public function __construct(
        private Library $library,
        private Workshop $workshop,
        private RoomTemperature $room,
        private ContactBook $contacts,
        private PaintPlanner $planner,
    ) {}

    /** @throws BadInput */
    public function mix(Fields $in): PaintAnswerView
    {
        $in->only('recipe', 'area_mm2', 'film_mm', 'coats', 'waste_pct');
        $recipe = Recipe::from($in->object('recipe'), $this->library->shelf());
        $pot = $this->planner->plan(
            $recipe, $in->positive('area_mm2', 1e8), $in->positive('film_mm', self::THICKEST_MM),
            (int) $in->number('coats', 1.0, self::MOST_COATS),
            $in->number('waste_pct', 0.0, 300.0), new Scale(Grams::of($this->workshop->scale_division_g), null), $this->room->now(),
        );
        $holds = $this->contacts->judge($this->contacts->asked([
            'fresh' => ['family' => $recipe->base->family, 'skin_safe' => $recipe->base->isForSkin()],
            'surface' => ['id' => $this->library->usual('painted')], 'intent' => 'bond',
        ]));

        return new PaintAnswerView($pot, $holds);
    }
}

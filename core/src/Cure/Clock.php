<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

use Apalos\Core\Result\Say;
use Apalos\Core\Result\Warning;

/** Answers a question to the clock from the sheet and from what the shop has watched. */
final readonly class Clock
{
    private const COLD = 18.0;

    private const HOT = 29.0;

    /** Farther than this from the sheet, in natural logarithm, and either the sheet or the watching is suspect. */
    private const FAR_FROM_SHEET = 0.4;

    public function read(CureRequest $request): CureResult
    {
        $model = CureModel::learnt($request->sheet, $request->logs);
        $bands = [];
        foreach (Milestone::cases() as $milestone) {
            $band = $model->band($milestone, $request->room, $request->mass);
            if ($band !== null) {
                $bands[$milestone->value] = $band;
            }
        }
        $factor = $model->factor($request->room, $request->mass);

        return new CureResult($factor, exp($model->lnQ10), $model->offset, $bands, $model->restsOn, iterator_to_array($this->warnings($request, $model, $factor), false));
    }

    /** @return \Generator<Warning> */
    private function warnings(CureRequest $request, CureModel $model, float $factor): \Generator
    {
        $room = $request->room->degrees;
        if ($room < self::COLD) {
            yield new Warning('cold_room', sprintf('At %s °C everything takes %s times the sheet’s minutes, and may never finish if it gets much colder.', Say::number($room), Say::number($factor, 2)));
        }
        if ($room > self::HOT) {
            yield new Warning('hot_room', sprintf('At %s °C you have %s %% of the sheet’s minutes.', Say::number($room), Say::number($factor * 100.0, 0)));
        }
        if (abs($model->offset) > self::FAR_FROM_SHEET) {
            yield new Warning('far_from_sheet', sprintf('Your own times are %s times the sheet’s. Check the age of the kit, the ratio and the thermometer.', Say::number(exp($model->offset), 2)));
        }
        if ($request->sheet->alpha > 0.0 && $request->mass !== null && $request->mass->g > 500.0) {
            yield new Warning('exotherm', sprintf('%s of this base in one mass heats itself: it sets in less time than a small cup and can crack, smoke or burn. Pour it in smaller batches.', Say::grams($request->mass->g)));
        }
    }
}

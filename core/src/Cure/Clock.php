<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Grams;

/** Answers a question to the clock from the sheet and from what the shop has watched. */
final readonly class Clock
{
    private const COLD = 18.0;

    private const HOT = 29.0;

    /** From here on an exothermic base heats itself. */
    private const HEATS_ITSELF_G = 500.0;

    /** Farther than this from the sheet, in natural logarithm, and either the sheet or the watching is suspect. */
    private const FAR_FROM_SHEET = 0.4;

    public function read(CureRequest $request): CureResult
    {
        $heard = Witnesses::heard($request->sheet, $request->logs);
        $doubts = array_map(static fn (int $which): Warning => self::doubt($which, $request->logs[$which]), $heard->doubted);

        return $this->tell($heard->model, $request->room, $request->mass, $heard->doubted, $doubts);
    }

    private static function doubt(int $which, Observation $one): Warning
    {
        return new Warning('doubted', Phrase::of('cure.doubted', [
            'n' => $which + 1, 'after' => Quantity::duration($one->after), 'room' => Quantity::temperature($one->room->degrees),
        ]));
    }

    /**
     * The same from a model that is already learnt, or that a pour was begun with.
     *
     * @param  list<int>  $doubted
     * @param  list<Warning>  $doubts
     */
    public function tell(CureModel $model, Celsius $at, ?Grams $mass, array $doubted = [], array $doubts = []): CureResult
    {
        $bands = [];
        foreach (Milestone::cases() as $milestone) {
            $band = $model->band($milestone, $at, $mass);
            if ($band !== null) {
                $bands[$milestone->value] = $band;
            }
        }
        $factor = $model->factor($at, $mass);

        return new CureResult(
            $factor, exp($model->lnQ10), $model->offset, $bands, $model->restsOn,
            [...$doubts, ...iterator_to_array($this->warnings($model, $at, $mass, $factor), false)], $doubted,
        );
    }

    /** @return \Generator<Warning> */
    private function warnings(CureModel $model, Celsius $at, ?Grams $mass, float $factor): \Generator
    {
        $room = $at->degrees;
        if ($room < self::COLD) {
            yield new Warning('cold_room', Phrase::of('cure.cold_room', ['room' => Quantity::temperature($room), 'factor' => $factor]));
        }
        if ($room > self::HOT) {
            yield new Warning('hot_room', Phrase::of('cure.hot_room', [
                'room' => Quantity::temperature($room), 'share' => $factor * 100.0,
            ]));
        }
        yield from $this->beyondTheRoom($model, $mass);
    }

    /**
     * What the clock has to say whatever the room: the plan says it too.
     *
     * @return \Generator<Warning>
     */
    public function beyondTheRoom(CureModel $model, ?Grams $mass): \Generator
    {
        if (abs($model->offset) > self::FAR_FROM_SHEET) {
            yield new Warning('far_from_sheet', Phrase::of('cure.far_from_sheet', ['times' => exp($model->offset)]));
        }
        if ($model->sheet->alpha > 0.0 && $mass !== null && $mass->g > self::HEATS_ITSELF_G) {
            yield new Warning('exotherm', Phrase::of('cure.exotherm', ['mass' => Quantity::mass($mass->g)]));
        }
    }
}

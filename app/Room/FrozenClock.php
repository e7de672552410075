<?php

declare(strict_types=1);

namespace App\Room;

use Apalos\Core\Cure\Band;
use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Cure\Observation;
use Apalos\Core\Cure\Watched;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;

/**
 * The clock something was begun with: what was learnt until then, what stands in one cup, and how much longer it pours for what is stirred
 * in.
 */
final readonly class FrozenClock
{
    public function __construct(public CureModel $model, public ?Grams $mass, public float $longer) {}

    public static function from(Fields $in): self
    {
        $mass = $in->numberOrNull('mass_g');

        return new self(CureModel::from($in->object('model')), $mass === null ? null : Grams::of($mass), $in->positive('longer'));
    }

    /** What was watched here, as 100 g of the bare base would have shown it: so pours of all sizes and formulas teach one clock. */
    public function asBare(Minutes $watched): Minutes
    {
        return $watched->times($this->model->factorOfMass($this->mass) ** -1.0 / $this->longer);
    }

    /** What was to be expected of a gel, where one after so many minutes is far from it: the 99 % band; null where it may well be so. */
    public function unexpected(Minutes $after, Celsius $room): ?Band
    {
        $one = new Observation($room, Watched::Gel, $after->times(1.0 / $this->model->factorOfMass($this->mass)));

        return abs($this->model->far($one)) <= CureModel::NINETY_NINE
            ? null
            : $this->model->band(Milestone::PotLife, $room, $this->mass, CureModel::NINETY_NINE);
    }

    /** @return array{model: array<string, mixed>, mass_g: float|null, longer: float} */
    public function toArray(): array
    {
        return ['model' => $this->model->toArray(), 'mass_g' => $this->mass?->g, 'longer' => $this->longer];
    }
}

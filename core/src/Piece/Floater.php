<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Input\Fields;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Survey;
use Apalos\Core\Water\BallastRequest;
use Apalos\Core\Water\Floating;
use Apalos\Core\Water\FloatResult;

/** A piece laid into water: what it weighs, where its weight lies, and which side is up as it is let go. */
final readonly class Floater
{
    /** @param  array{float, float, float}|null  $centre  of mass, mm in the model; null: where its volume lies */
    private function __construct(private float $mass, private ?array $centre, private float $waterSg, private Direction $up) {}

    /** @throws \Apalos\Core\Input\BadInput */
    public static function from(Fields $in): self
    {
        $in->only('mass_g', 'centre_mm', 'water_sg', 'up');
        $up = $in->textOrNull('up');

        return new self(
            $in->positive('mass_g'), BallastRequest::place($in, 'centre_mm'),
            $in->has('water_sg') ? $in->number('water_sg', 0.5, 2.0) : 0.998,
            $up === null ? Direction::up() : Direction::written($up, $in->at('up')),
        );
    }

    public function in(Survey $survey): FloatResult
    {
        return (new Floating)->rest(
            $survey->mesh, $survey->volume, $this->mass, $this->centre ?? $survey->centre, $this->waterSg, $this->up,
        );
    }
}

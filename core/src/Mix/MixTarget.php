<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;

/** What is wanted in the mould, by volume or by mass, and what is lost on cups, sprue and sticks (0–100 %). */
final readonly class MixTarget
{
    private function __construct(private ?Millilitres $volume, private ?Grams $mass, private float $wastePct) {}

    /** @throws BadInput when neither or both of volume and mass are given, or nothing is wanted */
    public static function from(Fields $in): self
    {
        $in->only('volume_ml', 'mass_g', 'waste_pct');
        if ($in->has('volume_ml') === $in->has('mass_g')) {
            throw BadInput::at($in->at('volume_ml'), Phrase::of('mix.no_target'));
        }
        $volume = $in->positiveOrNull('volume_ml');
        $mass = $in->positiveOrNull('mass_g');

        return new self(
            $volume === null ? null : Millilitres::of($volume),
            $mass === null ? null : Grams::of($mass),
            $in->number('waste_pct', 0.0, 100.0),
        );
    }

    /** The mass to mix, waste included. */
    public function massAt(Density $density): Grams
    {
        $wanted = $this->volume?->massAt($density) ?? $this->mass ?? Grams::of(0.0);

        return $wanted->times(1.0 + $this->wastePct / 100.0);
    }
}

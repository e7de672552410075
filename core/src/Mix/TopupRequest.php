<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;

/** A cup in which something went wrong: what was planned, what is in it so far, and what it can hold. */
final readonly class TopupRequest
{
    /**
     * @param  array<string, Grams>  $planned  in the order of the weigh-up
     * @param  array<string, Grams>  $poured
     * @param  float  $tolerancePct  an over-pour up to this is left alone (0–50)
     */
    public function __construct(
        public array $planned,
        public array $poured,
        public ?Millilitres $capacity,
        public ?Density $density,
        public Grams $division,
        public float $tolerancePct,
    ) {}

    /** @throws BadInput when something was poured that the plan does not have */
    public static function from(Fields $in): self
    {
        $in->only('planned', 'poured', 'vessel', 'scale', 'tolerance_pct');
        $planned = self::masses($in->object('planned'));
        $poured = self::masses($in->object('poured'));
        if ($planned === []) {
            throw BadInput::at('planned', Phrase::of('mix.no_plan'));
        }
        foreach ($poured as $name => $grams) {
            if ($grams->g > 0.0 && ($planned[$name]->g ?? 0.0) <= 0.0) {
                throw BadInput::at($in->at("poured.{$name}"), Phrase::of('mix.not_in_the_plan', ['name' => $name]));
            }
        }
        $vessel = $in->objectOrNull('vessel')?->only('capacity_ml', 'sg');

        return new self(
            $planned,
            $poured,
            $vessel === null ? null : Millilitres::of($vessel->positive('capacity_ml')),
            $vessel === null ? null : Density::of($vessel->positive('sg', 25.0)),
            Scale::from($in->object('scale'))->division,
            $in->number('tolerance_pct', 0.0, 50.0),
        );
    }

    /** @return array<string, Grams> */
    private static function masses(Fields $in): array
    {
        $masses = [];
        foreach ($in->names() as $name) {
            $masses[$name] = Grams::of($in->number($name));
        }

        return $masses;
    }
}

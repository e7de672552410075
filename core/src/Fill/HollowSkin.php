<?php

declare(strict_types=1);

namespace Apalos\Core\Fill;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/** A hollow skin, turned by hand in passes: grams in all and a pass, how long to keep turning, and which way. */
final class HollowSkin
{
    /** Of the cavity: a pass that fills more slops and does not run. */
    private const HALF = 50.0;

    /** Of the pot life: when a mix that is turned begins to hang. */
    private const GELS = 1.25;

    /** A warm or cold room moves every time: twice as fast with 10 °C more where the sheet says nothing else. */
    private const Q10 = 2.0;

    private const REFERENCE_C = 23.0;

    /** A coat so thick drags before it gels: mm a pass. */
    private const THICK = 2.5;

    /**
     * @return array{
     *     volume_ml: float, mass_g: float, pass_g: float, pass_ml: float, turn_min: float|null, fill_pct: float|null, how: list<Phrase>,
     *     warnings: list<array{code: string, message: Phrase}>,
     * }
     *
     * @throws BadInput
     */
    public function ask(Fields $in): array
    {
        $in->only('area_mm2', 'wall_mm', 'sg', 'passes', 'loss_pct', 'cavity_ml', 'pot_life_min', 'room_c', 'q10', 'ref_c');
        $area = $in->positive('area_mm2', 1e8);
        $wall = $in->positive('wall_mm', 100.0);
        $passes = $in->number('passes', 1.0, 20.0);
        if ($passes !== floor($passes)) {
            throw BadInput::at($in->at('passes'), Phrase::of('fill.whole_passes'));
        }
        $ml = $area * $wall / 1000.0;
        $mass = $ml * $in->positive('sg', 25.0) * (1.0 + ($in->numberOrNull('loss_pct', 0.0, 100.0) ?? 0.0) / 100.0);
        $passMl = $mass / $in->positive('sg', 25.0) / $passes;
        $cavity = $in->positiveOrNull('cavity_ml');
        $pct = $cavity === null ? null : 100.0 * $passMl / $cavity;
        $pot = $in->positiveOrNull('pot_life_min', 20_000.0);
        $q10 = $in->has('q10') ? $in->number('q10', 1.0, 6.0) : self::Q10;
        $turn = $pot === null
            ? null
            : $pot * self::GELS * $q10 ** (
                (
                    ($in->numberOrNull('ref_c', -20.0, 60.0) ?? self::REFERENCE_C)
                    - ($in->numberOrNull('room_c', -20.0, 60.0) ?? self::REFERENCE_C)
                ) / 10.0
            );
        $warnings = [];
        if ($pct !== null && $pct > self::HALF) {
            $more = (int) ceil($passes * $pct / self::HALF);
            $warnings[] = new Warning('too_full', Phrase::of('fill.too_full', ['pct' => $pct, 'passes' => $more]));
        }
        if ($wall / $passes > self::THICK) {
            $warnings[] = new Warning('thick_pass', Phrase::of('fill.thick_pass', [
                'mm' => Quantity::length($wall / $passes), 'passes' => (int) ceil($wall / self::THICK),
            ]));
        }

        return [
            'volume_ml' => $ml, 'mass_g' => $mass, 'pass_g' => $mass / $passes, 'pass_ml' => $passMl, 'turn_min' => $turn,
            'fill_pct' => $pct,
            'how' => [
                Phrase::of('fill.turn_how'),
                ...($turn === null ? [] : [Phrase::of('fill.turn_until', ['minutes' => Quantity::duration($turn)])]),
            ],
            'warnings' => Warning::all($warnings),
        ];
    }
}

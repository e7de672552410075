<?php

declare(strict_types=1);

namespace Apalos\Core\Fill;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/**
 * Which bubbles leave before it sets. The smallest that climbs a depth in a time: Stokes with the thickening mix,
 * d = 2·√(9·η0·depth/(2·ρ·g·I)), I = ∫ 10^(−t/pot) dt in seconds. Under other pressure a bubble is wider by (101.325/p)^(1/3): under
 * vacuum smaller ones leave, and what stays in a pressure pot is squeezed by just that, once.
 */
final class Bubbles
{
    private const ROOM = 101.325;

    /** What an eye sees in a cast: mm. */
    private const SEEN = 0.4;

    /** A mix that pours like syrup holds no bubble for long: Pa·s. */
    private const THIN = 1.0;

    /** What is gone sooner has no time for a chamber: minutes. */
    private const FAST = 6.0;

    /**
     * @return array{
     *     cases: list<array{name: string, smallest_mm: float, squeezed_mm: float|null}>, advice: list<Phrase>,
     *     warnings: list<array{code: string, message: Phrase}>,
     * }
     *
     * @throws BadInput
     */
    public function ask(Fields $in): array
    {
        $in->only('sg', 'viscosity_pas', 'pot_life_min', 'cases');
        $mix = Thickening::from($in);
        $cases = $in->objects('cases', 12);
        if ($cases === []) {
            throw BadInput::at($in->at('cases'), Phrase::of('fill.no_cases'));
        }
        $answers = $warnings = [];
        foreach ($cases as $case) {
            $case->only('name', 'depth_mm', 'from_min', 'to_min', 'pressure_kpa');
            $name = $case->text('name');
            $from = $case->number('from_min', 0.0, 20_000.0);
            $to = $case->number('to_min', 0.0, 20_000.0);
            if ($to <= $from) {
                throw BadInput::at($case->at('to_min'), Phrase::of('fill.no_time', ['name' => $name]));
            }
            if ($to > $mix->potLife) {
                $warnings[] = new Warning('past_pot_life', Phrase::of('fill.past_pot_life', [
                    'name' => $name, 'pot' => Quantity::duration($mix->potLife),
                ]));
            }
            if ($mix->fluidSeconds($from, $to) <= 0.0) {
                throw BadInput::at($case->at('from_min'), Phrase::of('fill.after_pot_life', ['pot' => Quantity::duration($mix->potLife)]));
            }
            $pressure = $case->has('pressure_kpa') ? $case->number('pressure_kpa', 0.1, 2000.0) : self::ROOM;
            $smallest = self::smallest($mix, $case->positive('depth_mm', 2000.0), $from, $to, $pressure);
            $answers[] = [
                'name' => $name, 'smallest_mm' => $smallest,
                'squeezed_mm' => $pressure > self::ROOM ? $smallest * self::wider($pressure) : null,
            ];
        }

        return ['cases' => $answers, 'advice' => self::advice($mix, $answers), 'warnings' => Warning::all($warnings)];
    }

    /** In mm, as wide as it would be in the room. */
    public static function smallest(Thickening $mix, float $depthMm, float $from, float $to, float $pressure = self::ROOM): float
    {
        $wide = 2.0 * sqrt(
            9.0 * $mix->viscosity * ($depthMm / 1000.0) / (2.0 * 1000.0 * $mix->sg * Thickening::G * $mix->fluidSeconds($from, $to)),
        ) * 1000.0;

        return $wide / self::wider($pressure);
    }

    /** How many times as wide a bubble is at a pressure as in the room. */
    private static function wider(float $pressureKpa): float
    {
        return (self::ROOM / $pressureKpa) ** (1.0 / 3.0);
    }

    /**
     * @param  list<array{name: string, smallest_mm: float, squeezed_mm: float|null}>  $answers
     * @return list<Phrase>
     */
    private static function advice(Thickening $mix, array $answers): array
    {
        $best = $answers[0];
        foreach ($answers as $answer) {
            $best = $answer['smallest_mm'] < $best['smallest_mm'] ? $answer : $best;
        }
        $advice = [
            Phrase::of($best['smallest_mm'] <= self::SEEN ? 'fill.clears' : 'fill.stays', [
                'name' => $best['name'], 'mm' => Quantity::length($best['smallest_mm']),
            ]),
        ];
        $advice[] = match (true) {
            $mix->potLife < self::FAST => Phrase::of('fill.advise_pressure'),
            $mix->viscosity > self::THIN => Phrase::of('fill.advise_vacuum'),
            default => Phrase::of('fill.advise_thin'),
        };
        $advice[] = Phrase::of('fill.advise_original');
        $advice[] = Phrase::of('fill.advise_mould');

        return $advice;
    }
}

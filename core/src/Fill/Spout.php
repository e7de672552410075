<?php

declare(strict_types=1);

namespace Apalos\Core\Fill;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/**
 * Will it fill before it sets. What drives is the height of the mix over the mouth of the sprue, ρ·g·(length + head); what holds is
 * laminar loss in the tube and the speed it needs, 32·η·L·v/d² + 0.75·ρ·v² (Hagen–Poiseuille, and one and a half velocity heads). The
 * flow v·π·d²/4 is integrated from the start of the pour to the end of the pot life, as the mix thickens.
 */
final readonly class Spout
{
    private const STEPS = 2000;

    private const WIDEST = 500.0;

    /** What lets air out and is narrower fills with the first drop: mm, of a mix that runs, and of one like honey that is 20 Pa·s. */
    private const THIN_VENT = 1.5;

    private const THICK_VENT = 3.0;

    private const RUNS_PAS = 5.0;

    private const THICK_PAS = 20.0;

    public function __construct(private SpoutRequest $asked) {}

    public function fill(): SpoutResult
    {
        $asked = $this->asked;
        [$minutes, $ml] = $this->filled($asked->diameter);
        $least = $this->least();
        $warnings = [];
        if ($minutes === null || $minutes > $asked->withinShare * $asked->mix->potLife) {
            $values = [
                'diameter' => Quantity::length($asked->diameter), 'ml' => Quantity::volume($ml), 'of' => Quantity::volume($asked->volume),
                'least' => Quantity::length($least ?? self::WIDEST), 'minutes' => Quantity::duration($minutes ?? $asked->mix->potLife),
            ];
            $warnings[] = new Warning(
                'spout_too_narrow',
                Phrase::of(
                    $least === null ? 'fill.no_spout_serves' : ($minutes === null ? 'fill.never_fills' : 'fill.fills_late'), $values,
                ),
            );
        }
        $narrowest = self::narrowestVent($asked->mix->viscosity);
        if ($asked->vent !== null && $asked->vent < $narrowest) {
            $warnings[] = new Warning('thin_vent', Phrase::of('fill.thin_vent', [
                'vent' => Quantity::length($asked->vent), 'least' => Quantity::length($narrowest),
            ]));
        }

        return new SpoutResult($minutes, $ml, $least, $warnings);
    }

    private static function narrowestVent(float $viscosity): float
    {
        $share = max(0.0, min(1.0, ($viscosity - self::RUNS_PAS) / (self::THICK_PAS - self::RUNS_PAS)));

        return self::THIN_VENT + $share * (self::THICK_VENT - self::THIN_VENT);
    }

    /** @return array{float|null, float} minutes until it is full, null if never; ml that got in */
    private function filled(float $diameter): array
    {
        $asked = $this->asked;
        $step = 60.0 * ($asked->mix->potLife - $asked->start) / self::STEPS;
        $in = 0.0;
        for ($i = 0; $i < self::STEPS; $i++) {
            // Simpson over the step: begin, middle, end.
            $minute = $asked->start + $i * $step / 60.0;
            $more = $step / 6.0 * (
                $this->flow($diameter, $minute) + 4.0 * $this->flow($diameter, $minute + $step / 120.0)
                + $this->flow($diameter, $minute + $step / 60.0)
            );
            if ($in + $more >= $asked->volume) {
                return [($i + ($asked->volume - $in) / $more) * $step / 60.0, $asked->volume];
            }
            $in += $more;
        }

        return [null, $in];
    }

    /** In ml/s. */
    private function flow(float $diameterMm, float $minute): float
    {
        $asked = $this->asked;
        $rho = 1000.0 * $asked->mix->sg;
        $d = $diameterMm / 1000.0;
        $drives = $rho * Thickening::G * ($asked->length + $asked->head) / 1000.0;
        $laminar = 32.0 * $asked->mix->at($minute) * ($asked->length / 1000.0) / ($d * $d);
        $inertia = 0.75 * $rho;
        // The root that flows, in the form that does not lose digits when the mix is thick.
        $v = 2.0 * $drives / ($laminar + sqrt($laminar * $laminar + 4.0 * $inertia * $drives));

        return $v * M_PI / 4.0 * $d * $d * 1e6;
    }

    /** The narrowest that fills within the share of the pot life one allows, in mm; null where none does. */
    private function least(): ?float
    {
        $limit = $this->asked->withinShare * $this->asked->mix->potLife;
        $serves = fn (float $diameter): bool => ($time = $this->filled($diameter)[0]) !== null && $time <= $limit;
        if (! $serves(self::WIDEST)) {
            return null;
        }
        [$low, $high] = [0.01, self::WIDEST];
        while ($high - $low > 1e-4) {
            $middle = ($low + $high) / 2.0;
            $serves($middle) ? $high = $middle : $low = $middle;
        }

        return $high;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** The rubber's volume before allowance and correction, with what is known of its error and how it was found. */
final readonly class Measurement
{
    private const RICE_PCT = 4.0;

    private const CLAY_PCT = 5.0;

    private const THICKNESS_PCT = 15.0;

    private const MESH_PCT = 0.5;

    /** What a mould is said to hold: measured with water, or as it is marked. */
    private const CAPACITY_PCT = 3.0;

    private const MOST_PIECES = 100_000.0;

    /** @param  list<Phrase>  $working */
    private function __construct(public Spread $rubber, public array $working, public ?Container $container = null) {}

    /** @throws BadInput */
    public static function from(Method $method, Fields $in): self
    {
        return match ($method) {
            Method::Box => self::inContainer(Container::box($in)),
            Method::Cylinder => self::inContainer(Container::cylinder($in)),
            Method::Displacement => self::measured($in->positive('poured_back_ml'), self::RICE_PCT, 'volume.working_poured_back'),
            Method::Mesh => self::measured($in->positive('volume_ml'), self::MESH_PCT, 'volume.working_mesh'),
            Method::Capacity => self::measured($in->positive('capacity_ml'), self::CAPACITY_PCT, 'volume.working_capacity'),
            Method::Pieces => self::pieces($in),
            Method::Blanket => self::blanket($in),
            Method::Coats => self::coats($in),
        };
    }

    private static function inContainer(Container $container): self
    {
        return new self($container->rubber(), $container->working(), $container);
    }

    private static function measured(float $ml, float $pct, string $code): self
    {
        return new self(Spread::within($ml, $pct), [Phrase::of($code, ['ml' => Quantity::volume($ml), 'pct' => $pct])]);
    }

    /** @throws BadInput for no whole number of pieces */
    private static function pieces(Fields $in): self
    {
        $pieces = $in->positive('pieces', self::MOST_PIECES);
        if ($pieces !== floor($pieces)) {
            throw BadInput::at($in->at('pieces'), Phrase::of('volume.whole_pieces'));
        }
        [$each, $spout] = [$in->positive('each_ml'), $in->numberOrNull('spout_ml', 0.0, 1e6) ?? 0.0];

        return new self(
            Spread::within($pieces * ($each + $spout), self::CAPACITY_PCT),
            [
                Phrase::of($spout > 0.0 ? 'volume.working_pieces_spout' : 'volume.working_pieces', [
                    'n' => (int) $pieces, 'each' => Quantity::volume($each), 'spout' => Quantity::volume($spout),
                    'ml' => Quantity::volume($pieces * ($each + $spout)), 'pct' => self::CAPACITY_PCT,
                ]),
            ],
        );
    }

    private static function blanket(Fields $in): self
    {
        if ($in->has('clay_ml') === $in->has('area_mm2')) {
            throw BadInput::at($in->at('clay_ml'), Phrase::of('volume.no_clay'));
        }
        $clay = $in->has('clay_ml')
            ? self::measured($in->positive('clay_ml'), self::CLAY_PCT, 'volume.working_clay')
            : self::layer($in->positive('area_mm2', 1e8), $in->positive('thickness_mm', 500.0), Phrase::of('volume.clay_blanket'));
        $pourUp = $in->numberOrNull('pour_up_ml') ?? 0.0;

        return new self(
            $clay->rubber->plus(Spread::exactly($pourUp)),
            $pourUp > 0.0 ? [...$clay->working, Phrase::of('volume.working_funnel', ['ml' => Quantity::volume($pourUp)])] : $clay->working,
        );
    }

    private static function coats(Fields $in): self
    {
        $area = $in->positive('area_mm2', 1e8);
        $coats = $in->objects('coats');
        if ($coats === []) {
            throw BadInput::at($in->at('coats'), Phrase::of('volume.no_coats'));
        }
        $sum = Spread::exactly(0.0);
        $working = [];
        foreach ($coats as $i => $coat) {
            $coat->only('thickness_mm');
            $layer = self::layer($area, $coat->positive('thickness_mm', 100.0), Phrase::of('volume.coat', ['n' => $i + 1]));
            $sum = $sum->plus($layer->rubber);
            $working = [...$working, ...$layer->working];
        }

        return new self($sum, $working);
    }

    private static function layer(float $areaMm2, float $thicknessMm, Phrase $what): self
    {
        $ml = $areaMm2 * $thicknessMm / 1000.0;

        return new self(Spread::within($ml, self::THICKNESS_PCT), [
            Phrase::of('volume.working_layer', [
                'what' => $what, 'area' => Quantity::area($areaMm2), 'thickness' => Quantity::length($thicknessMm),
                'ml' => Quantity::volume($ml), 'pct' => self::THICKNESS_PCT,
            ]),
        ]);
    }
}

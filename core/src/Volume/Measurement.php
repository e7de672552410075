<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Result\Say;

/** The rubber's volume before allowance and correction, with what is known of its error and how it was found. */
final readonly class Measurement
{
    private const RICE_PCT = 4.0;

    private const CLAY_PCT = 5.0;

    private const THICKNESS_PCT = 15.0;

    private const MESH_PCT = 0.5;

    /** @param  list<string>  $working */
    private function __construct(public Spread $rubber, public array $working, public ?Container $container = null) {}

    /** @throws BadInput */
    public static function from(Method $method, Fields $in): self
    {
        return match ($method) {
            Method::Box => self::inContainer(Container::box($in)),
            Method::Cylinder => self::inContainer(Container::cylinder($in)),
            Method::Displacement => self::measured($in->positive('poured_back_ml'), self::RICE_PCT, 'Poured back'),
            Method::Mesh => self::measured($in->positive('volume_ml'), self::MESH_PCT, 'Mesh'),
            Method::Blanket => self::blanket($in),
            Method::Coats => self::coats($in),
        };
    }

    private static function inContainer(Container $container): self
    {
        return new self($container->rubber(), $container->working(), $container);
    }

    private static function measured(float $ml, float $pct, string $what): self
    {
        return new self(Spread::within($ml, $pct), [sprintf('%s: %s ml ± %s %%.', $what, Say::number($ml), Say::number($pct))]);
    }

    private static function blanket(Fields $in): self
    {
        if ($in->has('clay_ml') === $in->has('area_mm2')) {
            throw BadInput::at($in->at('clay_ml'), 'Say how much clay the blanket is: either its volume in a measure, or its area and thickness.');
        }
        $clay = $in->has('clay_ml')
            ? self::measured($in->positive('clay_ml'), self::CLAY_PCT, 'Clay blanket')
            : self::layer($in->positive('area_mm2', 1e8), $in->positive('thickness_mm', 500.0), 'Clay blanket');
        $pourUp = $in->numberOrNull('pour_up_ml') ?? 0.0;

        return new self(
            $clay->rubber->plus(Spread::exactly($pourUp)),
            $pourUp > 0.0 ? [...$clay->working, sprintf('Funnel and vents: + %s ml.', Say::number($pourUp))] : $clay->working,
        );
    }

    private static function coats(Fields $in): self
    {
        $area = $in->positive('area_mm2', 1e8);
        $coats = $in->objects('coats');
        if ($coats === []) {
            throw BadInput::at($in->at('coats'), 'Give at least one coat with its thickness in millimetres.');
        }
        $sum = Spread::exactly(0.0);
        $working = [];
        foreach ($coats as $i => $coat) {
            $coat->only('thickness_mm');
            $layer = self::layer($area, $coat->positive('thickness_mm', 100.0), 'Coat '.($i + 1));
            $sum = $sum->plus($layer->rubber);
            $working = [...$working, ...$layer->working];
        }

        return new self($sum, $working);
    }

    private static function layer(float $areaMm2, float $thicknessMm, string $what): self
    {
        $ml = $areaMm2 * $thicknessMm / 1000.0;

        return new self(Spread::within($ml, self::THICKNESS_PCT), [sprintf('%s: %s cm² × %s mm is %s ml ± %s %%.', $what, Say::number($areaMm2 / 100.0), Say::number($thicknessMm), Say::number($ml), Say::number(self::THICKNESS_PCT))]);
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/** K and S per mm in each band: of the base as it is, or of a pigment for one per cent of load. */
final readonly class Colourant
{
    /** Cards that drawdowns are made on, where nothing else is said. */
    private const WHITE_CARD = [95.0, 0.0, 0.0];

    private const BLACK_CARD = [12.0, 0.0, 0.0];

    /** Two cards closer than this tell nothing of scattering. */
    private const LEAST_CONTRAST = 20.0;

    /**
     * @param  list<float>  $k
     * @param  list<float>  $s
     */
    private function __construct(public string $name, public array $k, public array $s) {}

    /**
     * @param  list<float>  $k
     * @param  list<float>  $s
     */
    public static function of(string $name, array $k, array $s): self
    {
        return new self($name, $k, $s);
    }

    /**
     * Read from `ks`, or characterised from drawdowns. With a base its own K and S are taken off and the rest is spread over the load.
     *
     * @throws BadInput
     */
    public static function from(Fields $in, string $name, ?self $base): self
    {
        if ($in->has('ks')) {
            $ks = $in->object('ks')->only('k', 's');
            foreach (['k', 's'] as $which) {
                if (count($ks->numbers($which, 0.0, 1e4)) !== Observer::BANDS) {
                    throw BadInput::at($ks->at($which), 'K and S are '.Observer::BANDS.' numbers each, from 380 to 730 nm in steps of 10 nm.');
                }
            }

            return new self($name, $ks->numbers('k', 0.0, 1e4), $ks->numbers('s', 0.0, 1e4));
        }
        $drawdowns = $in->objects('drawdowns');
        if ($drawdowns === []) {
            throw BadInput::at($in->at('drawdowns'), "“{$name}” was never characterised. Make a drawdown of it over white and over black, and read both.");
        }

        return self::characterised($name, $drawdowns, $base);
    }

    /** @param list<Fields> $drawdowns */
    private static function characterised(string $name, array $drawdowns, ?self $base): self
    {
        $k = $s = array_fill(0, Observer::BANDS, 0.0);
        $weight = 0.0;
        foreach ($drawdowns as $drawdown) {
            $drawdown->only('load_pct', 'thickness_mm', 'over_white', 'over_black', 'white', 'black');
            $load = $base === null ? 1.0 : $drawdown->positive('load_pct', 100.0);
            [$layerK, $layerS] = self::layer($drawdown);
            for ($i = 0; $i < Observer::BANDS; $i++) {
                // Least squares through the origin: each drawdown counts by its load.
                $k[$i] += $load * ($layerK[$i] - ($base->k[$i] ?? 0.0));
                $s[$i] += $load * ($layerS[$i] - ($base->s[$i] ?? 0.0));
            }
            $weight += $load * $load;
        }
        $share = static fn (float $sum): float => max(0.0, $sum / $weight);

        return new self($name, array_values(array_map($share, $k)), array_values(array_map($share, $s)));
    }

    /** @return array{list<float>, list<float>} K and S per mm of one drawdown */
    private static function layer(Fields $drawdown): array
    {
        $mm = $drawdown->positive('thickness_mm', 100.0);
        $card = static fn (string $key, array $usual): Lab => $drawdown->has($key) ? Lab::from($drawdown, $key) : Lab::of($usual[0], $usual[1], $usual[2]);
        [$white, $black] = [$card('white', self::WHITE_CARD), $card('black', self::BLACK_CARD)];
        if (Difference::between($white, $black) < self::LEAST_CONTRAST) {
            throw BadInput::at($drawdown->at('black'), 'The two backings are nearly the same: over them nothing tells scattering from absorption. Use a white and a black card.');
        }
        [$w, $b] = [Spectrum::of($white), Spectrum::of($black)];
        [$overW, $overB] = [Spectrum::of(Lab::from($drawdown, 'over_white')), Spectrum::of(Lab::from($drawdown, 'over_black'))];
        [$k, $s, $last] = [[], [], null];
        for ($i = 0; $i < Observer::BANDS; $i++) {
            $solved = KubelkaMunk::solve($overW[$i], $w[$i], $overB[$i], $b[$i], $mm) ?? $last;
            $last = $solved ?? [0.0, 0.05];
            $k[] = $last[0];
            $s[] = $last[1];
        }

        return [$k, $s];
    }
}

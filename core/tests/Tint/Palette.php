<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Tint;

use Apalos\Core\Tint\Colourant;

/** A nearly clear base and pigments all round the spectrum, as smooth curves. */
final class Palette
{
    /** Name, where it absorbs (nm), how widely (nm), how strongly and how much it scatters (per mm and per cent). */
    private const DOZEN = [
        ['bone', 410, 50, 0.3, 2.5], ['fawn', 450, 80, 1.2, 1.0], ['russet', 480, 70, 3.0, 0.8], ['oxblood', 520, 80, 4.0, 0.5],
        ['lichen', 650, 90, 1.5, 0.6], ['soot', 560, 400, 5.0, 0.3], ['straw', 430, 40, 2.0, 1.2], ['brick', 500, 60, 2.5, 0.9],
        ['moss', 670, 60, 2.0, 0.8], ['slate', 600, 150, 1.8, 0.7], ['plum', 560, 50, 2.2, 0.6], ['sky', 620, 70, 2.4, 0.7],
    ];

    public static function base(): Colourant
    {
        return Colourant::of(
            'base', array_map(static fn (int $i): float => 0.010 + 0.0003 * (36 - $i), range(0, 35)), array_fill(0, 36, 0.06),
        );
    }

    /** A pigment that absorbs around a wavelength. */
    public static function pigment(string $name, float $nm, float $width, float $strength, float $scatter): Colourant
    {
        return Colourant::of(
            $name, array_map(static fn (int $i): float => 0.05 + $strength * exp(-(((380 + 10 * $i - $nm) / $width) ** 2)), range(0, 35)),
            array_fill(0, 36, $scatter),
        );
    }

    /** @return list<Colourant> */
    public static function dozen(): array
    {
        return array_map(static fn (array $p): Colourant => self::pigment(...$p), self::DOZEN);
    }

    /**
     * A question to the tinter about all twelve.
     *
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    public static function question(array $more): array
    {
        $ks = static fn (Colourant $c): array => ['k' => $c->k, 's' => $c->s];

        return [...[
            'base' => ['ks' => $ks(self::base())],
            'pigments' => array_map(static fn (Colourant $c): array => ['name' => $c->name, 'ks' => $ks($c)], self::dozen()),
            'thickness_mm' => 4, 'backing_lab' => [80, 5, 12], 'max_load_pct' => 3,
        ], ...$more];
    }
}

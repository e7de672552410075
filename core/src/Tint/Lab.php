<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** A colour as CIE L*a*b*, D65, 2° observer. */
final readonly class Lab
{
    private const EPSILON = 216.0 / 24389.0;

    private const KAPPA = 24389.0 / 27.0;

    /** What an instrument may read below nothing on a black, as a share of the light. */
    private const DARK_NOISE = 0.01;

    /** Papers with a brightener give back a little more than falls on them in the blue. */
    private const BRIGHTEST = 1.15;

    private function __construct(public float $l, public float $a, public float $b) {}

    /** @throws BadInput for a lightness outside 0–100 or a chroma no surface has */
    public static function of(float $l, float $a, float $b, string $field = 'lab'): self
    {
        if ($l < 0.0 || $l > 100.0 || abs($a) > 150.0 || abs($b) > 150.0 || ! is_finite($l + $a + $b)) {
            throw BadInput::at($field, Phrase::of('tint.no_surface'));
        }

        return new self($l, $a, $b);
    }

    /** @throws BadInput also for a Lab that no light off a surface makes, like a strong yellow that is nearly black */
    public static function from(Fields $in, string $key): self
    {
        $lab = $in->numbers($key, -1000.0, 1000.0);
        if (count($lab) !== 3) {
            throw BadInput::at($in->at($key), Phrase::of('tint.no_lab'));
        }

        $colour = self::of($lab[0], $lab[1], $lab[2], $in->at($key));
        foreach (array_map(static fn (float $xyz, float $white): float => $xyz / $white, $colour->xyz(), Observer::WHITE) as $share) {
            if ($share < -self::DARK_NOISE || $share > self::BRIGHTEST) {
                throw BadInput::at(
                    $in->at($key),
                    Phrase::of($share < 0.0 ? 'tint.less_than_none' : 'tint.more_than_falls', [
                        'l' => $lab[0], 'a' => $lab[1], 'b' => $lab[2],
                    ]),
                );
            }
        }

        return $colour;
    }

    /** @param  array{float, float, float}  $xyz with the white at Y = 1 */
    public static function ofXyz(array $xyz): self
    {
        $white = Observer::WHITE;
        $f = [];
        foreach ($xyz as $i => $value) {
            $t = max(0.0, $value) / $white[$i];
            $f[] = $t > self::EPSILON ? $t ** (1.0 / 3.0) : (self::KAPPA * $t + 16.0) / 116.0;
        }

        return new self(116.0 * $f[1] - 16.0, 500.0 * ($f[0] - $f[1]), 200.0 * ($f[1] - $f[2]));
    }

    /** @return array{float, float, float} with the white at Y = 1 */
    public function xyz(): array
    {
        $white = Observer::WHITE;
        $fy = ($this->l + 16.0) / 116.0;
        $back = static fn (float $f): float => $f ** 3 > self::EPSILON ? $f ** 3 : (116.0 * $f - 16.0) / self::KAPPA;

        return [$back($fy + $this->a / 500.0) * $white[0], $back($fy) * $white[1], $back($fy - $this->b / 200.0) * $white[2]];
    }

    /** @param  array<int, float>  $rgb  linear sRGB, 0–1 (IEC 61966-2-1) */
    public static function ofLinear(array $rgb): self
    {
        [$r, $g, $b] = array_values($rgb);

        return self::ofXyz([
            0.4124564 * $r + 0.3575761 * $g + 0.1804375 * $b, 0.2126729 * $r + 0.7151522 * $g + 0.0721750 * $b,
            0.0193339 * $r + 0.1191920 * $g + 0.9503041 * $b,
        ]);
    }

    /** @throws BadInput unless it is written #rrggbb */
    public static function ofHex(string $hex, string $field = 'hex'): self
    {
        return self::ofLinear(Srgb::ofHex($hex, $field));
    }

    /** @return array{float, float, float} linear sRGB, not clipped */
    public function linear(): array
    {
        [$x, $y, $z] = $this->xyz();

        return [
            3.2404542 * $x - 1.5371385 * $y - 0.4985314 * $z, -0.9692660 * $x + 1.8760108 * $y + 0.0415560 * $z,
            0.0556434 * $x - 0.2040259 * $y + 1.0572252 * $z,
        ];
    }

    /** The nearest colour of a screen, as #rrggbb (IEC 61966-2-1, clipped). */
    public function srgb(): string
    {
        return Srgb::hex($this->linear());
    }

    /** @return array{float, float, float} */
    public function toArray(): array
    {
        return [$this->l, $this->a, $this->b];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/**
 * The pixels of one even patch of a photo, as sRGB bytes, boiled down to linear light (0–1). The darkest and lightest tenth are
 * left out: dust, bubbles, glints.
 */
final readonly class PhotoPatch
{
    private const LEAST_PIXELS = 25;

    private const MOST_PIXELS = 10_000;

    private const LEFT_OUT = 0.1;

    /** A byte from here on says only “too bright”. */
    private const CLIPPED = 254.0;

    private const MAY_CLIP = 0.02;

    /**
     * @param  array{float, float, float}  $linear
     * @param  array{float, float, float}  $error  standard error of each mean
     * @param  float  $unevenPct  standard deviation of the light over the patch, in per cent of its mean
     */
    private function __construct(public array $linear, public array $error, public float $unevenPct) {}

    /** @throws BadInput for too few pixels, none that are bytes, or a patch that is burnt out or black */
    public static function from(Fields $in, string $name): self
    {
        $pixels = $in->toArray()['pixels'] ?? null;
        $field = $in->at('pixels');
        if (! is_array($pixels) || count($pixels) < self::LEAST_PIXELS || count($pixels) > self::MOST_PIXELS) {
            throw BadInput::at($field, Phrase::of('tint.mark_more', [
                'name' => $name, 'least' => self::LEAST_PIXELS, 'most' => self::MOST_PIXELS,
            ]));
        }
        $seen = [];
        $clipped = 0;
        foreach ($pixels as $i => $pixel) {
            if (! is_array($pixel) || count($pixel) !== 3 || ! array_is_list($pixel)) {
                throw BadInput::at("{$field}.{$i}", Phrase::of('tint.no_pixel'));
            }
            $linear = array_map(static fn (mixed $byte): float => self::linear($byte, "{$field}.{$i}"), $pixel);
            $clipped += max($pixel) >= self::CLIPPED ? 1 : 0;
            $seen[] = ['linear' => $linear, 'y' => 0.2126 * $linear[0] + 0.7152 * $linear[1] + 0.0722 * $linear[2]];
        }
        if ($clipped > self::MAY_CLIP * count($pixels)) {
            throw BadInput::at($field, Phrase::of('tint.burnt_out', ['name' => $name, 'pct' => 100.0 * $clipped / count($pixels)]));
        }

        return self::trimmed($seen, $name, $field);
    }

    /** @param  list<array{linear: array<int, float>, y: float}>  $seen */
    private static function trimmed(array $seen, string $name, string $field): self
    {
        usort($seen, static fn (array $a, array $b): int => $a['y'] <=> $b['y']);
        $out = (int) floor(self::LEFT_OUT * count($seen));
        $kept = array_slice($seen, $out, count($seen) - 2 * $out);
        $n = count($kept);
        [$mean, $error] = [[], []];
        foreach ([0, 1, 2] as $channel) {
            [$mean[$channel], $sd] = self::spread(array_map(static fn (array $pixel): float => $pixel['linear'][$channel], $kept));
            $error[$channel] = $sd / sqrt($n);
        }
        [$light, $sd] = self::spread(array_column($kept, 'y'));
        if ($light < 0.002) {
            throw BadInput::at($field, Phrase::of('tint.black', ['name' => $name]));
        }

        return new self([$mean[0], $mean[1], $mean[2]], [$error[0], $error[1], $error[2]], 100.0 * $sd / $light);
    }

    /**
     * @param  array<int, float>  $values
     * @return array{float, float} mean and standard deviation
     */
    private static function spread(array $values): array
    {
        $mean = array_sum($values) / max(1, count($values));

        return [$mean, sqrt(array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $values)) / max(1, count($values) - 1))];
    }

    private static function linear(mixed $byte, string $field): float
    {
        if ((! is_int($byte) && ! is_float($byte)) || $byte < 0 || $byte > 255) {
            throw BadInput::at($field, Phrase::of('tint.no_pixel'));
        }

        return Srgb::light((float) $byte);
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Result\Say;

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
            throw BadInput::at($field, sprintf('Mark a larger even place of the %s: %d pixels are needed at least, %d at most.', $name, self::LEAST_PIXELS, self::MOST_PIXELS));
        }
        $seen = [];
        $clipped = 0;
        foreach ($pixels as $i => $pixel) {
            if (! is_array($pixel) || count($pixel) !== 3 || ! array_is_list($pixel)) {
                throw BadInput::at("{$field}.{$i}", 'A pixel is three numbers from 0 to 255: red, green, blue.');
            }
            $linear = array_map(static fn (mixed $byte): float => self::linear($byte, "{$field}.{$i}"), $pixel);
            $clipped += max($pixel) >= self::CLIPPED ? 1 : 0;
            $seen[] = ['linear' => $linear, 'y' => 0.2126 * $linear[0] + 0.7152 * $linear[1] + 0.0722 * $linear[2]];
        }
        if ($clipped > self::MAY_CLIP * count($pixels)) {
            throw BadInput::at($field, sprintf('The %s is burnt out in the photo (%s %% of it is as bright as a pixel gets). Take it again with less light, or a stop darker.', $name, Say::number(100.0 * $clipped / count($pixels), 0)));
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
            throw BadInput::at($field, "The {$name} is black in the photo. Take it again with more light.");
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
            throw BadInput::at($field, 'A pixel is three numbers from 0 to 255: red, green, blue.');
        }

        return Srgb::light((float) $byte);
    }
}

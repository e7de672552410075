<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/**
 * The colour of a swatch from a photo that shows a grey card beside it. Each channel is scaled so that the card comes out as it
 * really is (white balance and exposure in one), and the swatch with it. A camera is no instrument: what it cannot know is
 * stated, as ΔE within which the true colour lies four times out of five.
 */
final readonly class PhotoPatchReader
{
    /** Lightness of the usual grey card (18 % reflectance). */
    private const GREY_CARD_L = 49.5;

    /** What the filters of a camera get wrong after a white balance, one standard deviation. */
    private const CAMERA_SD = 1.8;

    private const EIGHTY = 1.2815515655446004;

    private const UNEVEN_PCT = 6.0;

    private const STRONG_CAST = 1.6;

    /** @throws BadInput */
    public function read(Fields $in): PhotoPatchResult
    {
        $in->only('card', 'sample');
        $card = $in->object('card')->only('pixels', 'lab');
        $true = ($card->has('lab') ? Lab::from($card, 'lab') : Lab::of(self::GREY_CARD_L, 0.0, 0.0))->linear();
        $seen = PhotoPatch::from($card, 'grey card');
        $sample = PhotoPatch::from($in->object('sample')->only('pixels'), 'swatch');
        $gains = [$true[0] / max(1e-6, $seen->linear[0]), $true[1] / max(1e-6, $seen->linear[1]), $true[2] / max(1e-6, $seen->linear[2])];
        $colour = self::colour($gains, $sample->linear, $in->at('sample'));

        return new PhotoPatchResult(
            $colour, self::uncertainty($colour, $gains, $seen, $sample),
            array_map(static fn (float $gain): float => $gain / $gains[1], $gains),
            iterator_to_array($this->warnings($gains, $seen, $sample), false),
        );
    }

    /**
     * @param  array{float, float, float}  $gains
     * @param  array<int, float>  $linear
     */
    private static function colour(array $gains, array $linear, string $field): Lab
    {
        $lab = Lab::ofLinear(array_map(static fn (float $gain, float $value): float => $gain * $value, $gains, $linear));
        if ($lab->l > 100.0) {
            throw BadInput::at($field, Phrase::of('tint.brighter_than_white'));
        }

        return $lab;
    }

    /** @param  array{float, float, float}  $gains */
    private static function uncertainty(Lab $colour, array $gains, PhotoPatch $card, PhotoPatch $sample): float
    {
        $sum = self::CAMERA_SD ** 2;
        foreach ([0, 1, 2] as $channel) {
            $relative = hypot(
                $card->error[$channel] / max(1e-6, $card->linear[$channel]),
                $sample->error[$channel] / max(1e-6, $sample->linear[$channel]),
            );
            $moved = $sample->linear;
            $moved[$channel] *= 1.0 + $relative;
            $sum += Difference::between(
                $colour, Lab::ofLinear(array_map(static fn (float $g, float $v): float => $g * $v, $gains, $moved)),
            ) ** 2;
        }
        // Light that falls off over the card falls off on the way to the swatch as well.
        $uneven = $card->unevenPct / 100.0;
        $dimmer = Lab::ofLinear(array_map(static fn (float $g, float $v): float => $g * $v * (1.0 - $uneven), $gains, $sample->linear));

        return self::EIGHTY * sqrt($sum + Difference::between($colour, $dimmer) ** 2);
    }

    /**
     * @param  array{float, float, float}  $gains
     * @return \Generator<Warning>
     */
    private function warnings(array $gains, PhotoPatch $card, PhotoPatch $sample): \Generator
    {
        if ($card->unevenPct > self::UNEVEN_PCT) {
            yield new Warning('uneven_light', Phrase::of('tint.uneven_light', ['pct' => $card->unevenPct]));
        }
        if ($sample->unevenPct > 2.0 * self::UNEVEN_PCT) {
            yield new Warning('uneven_swatch', Phrase::of('tint.uneven_swatch', ['pct' => $sample->unevenPct]));
        }
        if (max($gains) / min($gains) > self::STRONG_CAST) {
            yield new Warning('strong_cast', Phrase::of('tint.strong_cast'));
        }
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/**
 * How much of what lies behind shows through, from the colour of one swatch over white and over black: the contrast ratio
 * Y over black ÷ Y over white (1 hides everything), and the difference of the two colours (ΔE00; 0 hides everything).
 */
final readonly class Translucency
{
    private function __construct(public float $contrastRatio, public float $deltaE) {}

    /** @throws BadInput where it is lighter over black, which no layer is */
    public static function of(Lab $overWhite, Lab $overBlack): self
    {
        $ratio = $overWhite->xyz()[1] <= 0.0 ? 1.0 : $overBlack->xyz()[1] / $overWhite->xyz()[1];
        if ($ratio > 1.05) {
            throw BadInput::at('over_black', Phrase::of('tint.swapped'));
        }

        return new self(min(1.0, $ratio), Difference::between($overWhite, $overBlack));
    }

    public function inWords(): Phrase
    {
        return match (true) {
            $this->contrastRatio > 0.98 => Phrase::of('tint.opaque'),
            $this->contrastRatio > 0.9 => Phrase::of('tint.nearly_opaque'),
            $this->contrastRatio > 0.5 => Phrase::of('tint.translucent'),
            default => Phrase::of('tint.nearly_clear'),
        };
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Density;

/** The proportion of A to B as the sheet states it. A one-part material is A alone (b = 0, by weight). */
final readonly class Ratio
{
    private function __construct(public RatioBy $by, public float $a, public float $b) {}

    /** @throws BadInput when both parts are zero, or a by-volume ratio lacks one */
    public static function of(RatioBy $by, float $a, float $b, string $field = 'base.ratio'): self
    {
        if ($a <= 0.0) {
            throw BadInput::at("{$field}.a", Phrase::of('mix.no_a'));
        }
        if ($b < 0.0 || ($b === 0.0 && $by === RatioBy::Volume)) {
            throw BadInput::at("{$field}.b", Phrase::of('mix.no_b'));
        }

        return new self($by, $a, $b);
    }

    public static function from(Fields $in): self
    {
        $in->only('by', 'a', 'b');

        return self::of($in->choice('by', RatioBy::class), $in->number('a'), $in->number('b'), $in->path);
    }

    public function isOnePart(): bool
    {
        return $this->b === 0.0;
    }

    /**
     * Weight fraction of A in A+B; that of B is the rest.
     *
     * @throws BadInput when the ratio is by volume and a density is missing
     */
    public function weightFractionOfA(?Density $a, ?Density $b): float
    {
        if ($this->by === RatioBy::Weight) {
            return $this->a / ($this->a + $this->b);
        }
        if ($a === null || $b === null) {
            throw BadInput::at('base.sg', Phrase::of('mix.volume_needs_density'));
        }

        return $this->a * $a->gPerMl / ($this->a * $a->gPerMl + $this->b * $b->gPerMl);
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/**
 * How deep a colour is wanted: what shows through of a dark card beside a light one, 100·(1 − Y over dark ÷ Y over light), in per cent at
 * so many mm; or the colour itself over the dark card. And how much that weighs: so many ΔE for ten points of it.
 */
final readonly class Depth
{
    public const LIGHT = [92.0, 0.0, 2.0];

    public const DARK = [22.0, 0.0, 0.0];

    /** ΔE that ten points of what shows through weigh, where nobody says otherwise. */
    private const USUAL_WEIGHT = 2.0;

    private const TEN_POINTS = 10.0;

    /**
     * @param  float|null  $shows  per cent; null where the colour over dark is given
     * @param  Lab|null  $overDark  at the thickness at which it is seen
     */
    private function __construct(public ?float $shows, public float $mm, public ?Lab $overDark, private float $weight) {}

    /**
     * @param  Fields  $in  `shows_pct` and `at_mm`, or `over_dark_lab`; `weight` 0 to 20
     *
     * @throws BadInput where neither is said
     */
    public static function from(Fields $in, float $seenAtMm): self
    {
        $in->only('shows_pct', 'at_mm', 'over_dark_lab', 'weight');
        $shows = $in->numberOrNull('shows_pct', 0.0, 100.0);
        $dark = $in->has('over_dark_lab') ? Lab::from($in, 'over_dark_lab') : null;
        if ($shows === null && $dark === null) {
            throw BadInput::at($in->at('shows_pct'), Phrase::of('tint.no_depth'));
        }

        return new self(
            $shows, $in->positiveOrNull('at_mm', 200.0) ?? $seenAtMm, $dark, $in->numberOrNull('weight', 0.0, 20.0) ?? self::USUAL_WEIGHT,
        );
    }

    /**
     * What of it is kept with a colour: how much shows through, and at which thickness.
     *
     * @return array{shows_pct: float|null, at_mm: float|null}
     *
     * @throws BadInput
     */
    public static function kept(Fields $in): array
    {
        $shows = $in->numberOrNull('shows_pct', 0.0, 100.0);

        return ['shows_pct' => $shows, 'at_mm' => $shows === null ? null : $in->positiveOrNull('at_mm', 200.0)];
    }

    /** Per cent that shows through, from the two colours. */
    public static function shown(Lab $overLight, Lab $overDark): float
    {
        $light = $overLight->xyz()[1];

        return $light <= 0.0 ? 0.0 : max(0.0, 100.0 * (1.0 - $overDark->xyz()[1] / $light));
    }

    /**
     * How far two layers, over light and over dark, are from it, in the measure of ΔE.
     *
     * @return list<float>
     */
    public function off(Lab $overLight, Lab $overDark): array
    {
        $by = $this->weight / self::TEN_POINTS;
        $shows = $this->shows === null ? [] : [$by * (self::shown($overLight, $overDark) - $this->shows)];
        $dark = $this->overDark;

        return $dark === null
            ? $shows
            : [...$shows, $by * ($overDark->l - $dark->l), $by * ($overDark->a - $dark->a), $by * ($overDark->b - $dark->b)];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Ratio;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;

/** Which base, what the shop's pucks read, which hardness is wanted, and at which softener to draw the curve. */
final readonly class HardenRequest
{
    /** ln E falls by this much where softener equals A+B, unless the library knows better. */
    private const USUAL_K = 2.7;

    private const GRID_STEP_PCT = 10.0;

    /** Likewise points of the curve. */
    private const MOST_PUCKS = 400;

    /**
     * @param  list<SoftenedPuck>  $swatches
     * @param  list<float>  $at  per cent of A+B
     */
    public function __construct(
        public Shore $base,
        public float $k,
        public float $maxPct,
        public float $weightFractionOfA,
        public array $swatches,
        public ?Shore $target,
        public array $at,
    ) {}

    /** @throws \Apalos\Core\Input\BadInput */
    public static function from(Fields $in): self
    {
        $in->only('base', 'swatches', 'target', 'at_pct_of_ab');
        $base = $in->object('base')->only('shore', 'scale', 'k', 'max_pct', 'ratio');
        $max = $base->positive('max_pct', 500.0);
        $ratio = $base->objectOrNull('ratio');
        $target = $in->objectOrNull('target');
        $at = $in->numbers('at_pct_of_ab', 0.0, 500.0, self::MOST_PUCKS);

        return new self(
            self::shore($base, 'shore'),
            $base->positiveOrNull('k', 20.0) ?? self::USUAL_K,
            $max,
            $ratio === null ? 0.5 : Ratio::from($ratio)->weightFractionOfA(null, null),
            array_map(
                static fn (Fields $swatch): SoftenedPuck => new SoftenedPuck(
                    $swatch->only('pct_of_ab', 'reading', 'scale')->number('pct_of_ab', 0.0, 500.0), self::shore($swatch, 'reading'),
                ),
                $in->objects('swatches', self::MOST_PUCKS),
            ),
            $target === null ? null : self::shore($target->only('reading', 'scale'), 'reading'),
            $at === [] ? self::grid($max) : $at,
        );
    }

    /**
     * A hardness with its scale, as it is asked for or was read.
     *
     * @throws BadInput
     */
    public static function shore(Fields $in, string $key): Shore
    {
        $scale = $in->choice('scale', ShoreScale::class);
        try {
            return Shore::of($scale, $in->number($key));
        } catch (BadInput $wrong) {
            throw $wrong->field === 'reading' ? BadInput::at($in->at($key), $wrong->says) : $wrong;
        }
    }

    /** @return list<float> */
    private static function grid(float $max): array
    {
        return array_map(floatval(...), range(0.0, $max, min($max, self::GRID_STEP_PCT)));
    }
}

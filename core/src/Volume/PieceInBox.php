<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Millilitres;

/** The thing that takes up room in the mould box: its volume in ml, and how it is known. */
final readonly class PieceInBox
{
    /** A volume that was weighed, measured or computed. */
    private const MEASURED_PCT = 3.0;

    /**
     * @param  list<float>  $dimensionsMm  its outer length, width and height where that is how it is known
     */
    private function __construct(
        public Spread $volume,
        public bool $byOuterBox,
        public array $dimensionsMm,
        public Phrase $working,
        public string $field,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('volume_ml', 'displaced_ml', 'l_mm', 'w_mm', 'h_mm', 'form');
        foreach (['volume_ml' => 'volume.working_measured', 'displaced_ml' => 'volume.working_displaced'] as $key => $code) {
            if ($in->has($key)) {
                $ml = $in->positive($key);

                return new self(
                    Spread::within($ml, self::MEASURED_PCT), false, [],
                    Phrase::of($code, ['ml' => Quantity::volume($ml), 'pct' => self::MEASURED_PCT]), $in->at($key),
                );
            }
        }
        if (! $in->has('form')) {
            throw BadInput::at($in->at('volume_ml'), Phrase::of('volume.no_part'));
        }
        $form = $in->choice('form', Form::class);
        $size = [$in->positive('l_mm', 20_000.0), $in->positive('w_mm', 20_000.0), $in->positive('h_mm', 20_000.0)];
        $outer = Millilitres::ofBox(...$size)->ml;
        $fill = $form->fill();

        return new self(
            new Spread($outer * $fill->low, $outer * $fill->likely, $outer * $fill->high),
            $form !== Form::Box,
            $size,
            Phrase::of("volume.working_{$form->value}", [
                'size' => array_map(Quantity::length(...), $size), 'outer' => Quantity::volume($outer), 'low' => $fill->low,
                'high' => $fill->high,
            ]),
            $in->at('l_mm'),
        );
    }
}

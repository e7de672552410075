<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Result\Say;
use Apalos\Core\Units\Millilitres;

/** The thing that takes up room in the mould box: its volume in ml, and how it is known. */
final readonly class Part
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
        public string $working,
        public string $field,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('volume_ml', 'displaced_ml', 'l_mm', 'w_mm', 'h_mm', 'form');
        foreach (['volume_ml' => 'its measured volume', 'displaced_ml' => 'what it displaced'] as $key => $words) {
            if ($in->has($key)) {
                $ml = $in->positive($key);

                return new self(Spread::within($ml, self::MEASURED_PCT), false, [], sprintf('Part: %s, %s ml ± %s %%.', $words, Say::number($ml), Say::number(self::MEASURED_PCT)), $in->at($key));
            }
        }
        if (! $in->has('form')) {
            throw BadInput::at($in->at('volume_ml'), 'Say how large the part is: its volume, what it displaces, or its outer dimensions and form.');
        }
        $form = $in->choice('form', Form::class);
        $size = [$in->positive('l_mm', 20_000.0), $in->positive('w_mm', 20_000.0), $in->positive('h_mm', 20_000.0)];
        $outer = Millilitres::ofBox(...$size)->ml;
        $fill = $form->fill();

        return new self(
            new Spread($outer * $fill->low, $outer * $fill->likely, $outer * $fill->high),
            $form !== Form::Box,
            $size,
            sprintf('Part: %s mm outside is %s ml; %s fills %s–%s of that.', implode(' × ', array_map(Say::number(...), $size)), Say::number($outer), $form->value === 'ellipsoid' ? 'an ellipsoid' : "a {$form->value}", Say::number($fill->low, 3), Say::number($fill->high, 3)),
            $in->at('l_mm'),
        );
    }
}

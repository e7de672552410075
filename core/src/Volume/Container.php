<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Millilitres;

/** A mould box or tube, with or without a part standing in it. Dimensions are inner ones, in mm. */
final readonly class Container
{
    private function __construct(
        public Millilitres $volume,
        public ?PieceInBox $part,
        private Phrase $working,
    ) {}

    public static function box(Fields $in): self
    {
        $box = $in->object('box')->only('l_mm', 'w_mm', 'h_mm');
        $size = [$box->positive('l_mm', 20_000.0), $box->positive('w_mm', 20_000.0), $box->positive('h_mm', 20_000.0)];
        $volume = Millilitres::ofBox(...$size);

        return self::around($in, $volume, $size, Phrase::of('volume.working_of_box', [
            'size' => array_map(Quantity::length(...), $size), 'volume' => Quantity::volume($volume),
        ]));
    }

    public static function cylinder(Fields $in): self
    {
        $diameter = $in->positive('diameter_mm', 20_000.0);
        $height = $in->positive('height_mm', 20_000.0);
        $volume = Millilitres::ofCylinder($diameter, $height);

        return self::around(
            $in, $volume, [$diameter, $diameter, $height],
            Phrase::of('volume.working_of_tube', [
                'diameter' => Quantity::length($diameter), 'height' => Quantity::length($height), 'volume' => Quantity::volume($volume),
            ]),
        );
    }

    /** @param  list<float>  $size */
    private static function around(Fields $in, Millilitres $volume, array $size, Phrase $working): self
    {
        $part = $in->objectOrNull('part');
        $part = $part === null ? null : PieceInBox::from($part);
        if ($part !== null) {
            if ($part->volume->likely >= $volume->ml) {
                throw BadInput::at($part->field, Phrase::of('volume.part_too_large', [
                    'part' => Quantity::volume($part->volume->likely), 'holds' => Quantity::volume($volume->ml),
                ]));
            }
            self::refuseTooLong($part, $size);
        }

        return new self($volume, $part, $working);
    }

    /** @param  list<float>  $size */
    private static function refuseTooLong(PieceInBox $part, array $size): void
    {
        $own = $part->dimensionsMm;
        // A part may lie any way round, so its sides are compared in order of length.
        rsort($own);
        rsort($size);
        foreach ($own as $i => $side) {
            if ($side > $size[$i]) {
                throw BadInput::at($part->field, Phrase::of('volume.part_too_long', [
                    'side' => Quantity::length($side), 'into' => Quantity::length($size[$i]),
                ]));
            }
        }
    }

    public function rubber(): Spread
    {
        return $this->part === null
            ? Spread::exactly($this->volume->ml)
            : Spread::exactly($this->volume->ml)->minus($this->part->volume);
    }

    /** @return list<Phrase> */
    public function working(): array
    {
        return $this->part === null ? [$this->working] : [$this->working, $this->part->working];
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Result\Say;
use Apalos\Core\Units\Millilitres;

/** A mould box or tube, with or without a part standing in it. Dimensions are inner ones, in mm. */
final readonly class Container
{
    private function __construct(
        public Millilitres $volume,
        public ?Part $part,
        private string $working,
    ) {}

    public static function box(Fields $in): self
    {
        $box = $in->object('box')->only('l_mm', 'w_mm', 'h_mm');
        $size = [$box->positive('l_mm', 20_000.0), $box->positive('w_mm', 20_000.0), $box->positive('h_mm', 20_000.0)];
        $volume = Millilitres::ofBox(...$size);

        return self::around($in, $volume, $size, sprintf('Box: %s mm is %s ml.', implode(' × ', array_map(Say::number(...), $size)), Say::number($volume->ml)));
    }

    public static function cylinder(Fields $in): self
    {
        $diameter = $in->positive('diameter_mm', 20_000.0);
        $height = $in->positive('height_mm', 20_000.0);
        $volume = Millilitres::ofCylinder($diameter, $height);

        return self::around($in, $volume, [$diameter, $diameter, $height], sprintf('Tube: ⌀ %s × %s mm is %s ml.', Say::number($diameter), Say::number($height), Say::number($volume->ml)));
    }

    /** @param  list<float>  $size */
    private static function around(Fields $in, Millilitres $volume, array $size, string $working): self
    {
        $part = $in->objectOrNull('part');
        $part = $part === null ? null : Part::from($part);
        if ($part !== null) {
            if ($part->volume->likely >= $volume->ml) {
                throw BadInput::at($part->field, sprintf('The part (%s ml) is not smaller than what holds it (%s ml). Check both sizes and their units.', Say::number($part->volume->likely), Say::number($volume->ml)));
            }
            self::refuseTooLong($part, $size);
        }

        return new self($volume, $part, $working);
    }

    /** @param  list<float>  $size */
    private static function refuseTooLong(Part $part, array $size): void
    {
        $own = $part->dimensionsMm;
        // A part may lie any way round, so its sides are compared in order of length.
        rsort($own);
        rsort($size);
        foreach ($own as $i => $side) {
            if ($side > $size[$i]) {
                throw BadInput::at($part->field, sprintf('A part %s mm long does not go into %s mm. Measure both again.', Say::number($side), Say::number($size[$i])));
            }
        }
    }

    public function rubber(): Spread
    {
        return $this->part === null
            ? Spread::exactly($this->volume->ml)
            : Spread::exactly($this->volume->ml)->minus($this->part->volume);
    }

    /** @return list<string> */
    public function working(): array
    {
        return $this->part === null ? [$this->working] : [$this->working, $this->part->working];
    }
}

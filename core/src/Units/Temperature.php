<?php

declare(strict_types=1);

namespace Apalos\Core\Units;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/** How warm something worked is, in degrees Celsius, from −30 to 400; the room has {@see Celsius}. */
final readonly class Temperature
{
    public const COLDEST = -30.0;

    public const HOTTEST = 400.0;

    private function __construct(public float $degrees) {}

    /** @throws BadInput outside −30–400 °C: no pot of a workshop is there */
    public static function in(Fields $in, string $key): self
    {
        return new self($in->number($key, self::COLDEST, self::HOTTEST));
    }

    /** @throws BadInput outside −30–400 °C */
    public static function inOrNull(Fields $in, string $key): ?self
    {
        $degrees = $in->numberOrNull($key, self::COLDEST, self::HOTTEST);

        return $degrees === null ? null : new self($degrees);
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/** The white and the black card a drawdown lies on, as an instrument reads them bare. */
final readonly class Backings
{
    /** Lightness of the neutral cards that drawdowns are made on, where nothing else is said. */
    private const USUAL_L = ['white' => 95.0, 'black' => 12.0];

    /** Two cards closer than this in ΔE00 tell nothing of scattering. */
    private const LEAST_CONTRAST = 20.0;

    private function __construct(public Lab $white, public Lab $black) {}

    /** @throws BadInput at $field where the two are nearly the same */
    public static function of(?Lab $white, ?Lab $black, string $field = 'black'): self
    {
        $cards = new self($white ?? self::usual('white'), $black ?? self::usual('black'));
        if (Difference::between($cards->white, $cards->black) < self::LEAST_CONTRAST) {
            throw BadInput::at($field, Phrase::of('tint.same_backings'));
        }

        return $cards;
    }

    /** @param  'white'|'black'  $which */
    public static function usual(string $which): Lab
    {
        return Lab::of(self::USUAL_L[$which], 0.0, 0.0);
    }
}

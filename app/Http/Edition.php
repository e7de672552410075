<?php

declare(strict_types=1);

namespace App\Http;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Illuminate\Http\Request;

/** Which edition of what is changed stood on the screen it is changed from: `?edition=` in the address of every change. */
final readonly class Edition
{
    /** @throws BadInput where the change does not say */
    public static function of(Request $request): int
    {
        $said = $request->query('edition');

        return is_string($said) && preg_match('/^\d{1,9}$/', $said) === 1
            ? (int) $said
            : throw BadInput::at('edition', Phrase::of('bench.say_which_edition'));
    }
}

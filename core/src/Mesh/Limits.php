<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** What a bench reads: beyond it a file is no piece, or none that fits into memory. */
final class Limits
{
    public const MEGABYTE = 1_048_576;

    public const MOST_MEGABYTES = 128;

    public const MOST_FACETS = 2_000_000;

    /** A line of text longer than this is none. */
    public const LONGEST_LINE = self::MEGABYTE;

    /** From the origin, and from end to end; in mm. */
    public const FARTHEST = 1e6;

    public const LONGEST = 20_000.0;

    /** @throws BadInput */
    public static function bytes(int $bytes): void
    {
        if ($bytes > self::MOST_MEGABYTES * self::MEGABYTE) {
            throw BadInput::at('file', Phrase::of('mesh.too_heavy', [
                'mb' => (float) ceil($bytes / self::MEGABYTE), 'most' => self::MOST_MEGABYTES,
            ]));
        }
    }

    /** @throws BadInput */
    public static function facets(int $facets): void
    {
        if ($facets > self::MOST_FACETS) {
            throw BadInput::at('file', Phrase::of('mesh.too_many_facets', ['most' => number_format(self::MOST_FACETS)]));
        }
    }

    /**
     * Coordinates that are none, or that lie where no piece does.
     *
     * @param  list<float>  ...$axes
     *
     * @throws BadInput
     */
    public static function coordinates(array ...$axes): void
    {
        foreach ($axes as $values) {
            if ($values === []) {
                continue;
            }
            // A sum notices what is not a number; least and most do not.
            if (! is_finite(array_sum($values))) {
                throw BadInput::at('file', Phrase::of('mesh.not_finite'));
            }
            if (max(abs(min($values)), abs(max($values))) > self::FARTHEST || max($values) - min($values) > self::LONGEST) {
                throw BadInput::at('units', Phrase::of('mesh.too_large', [
                    'size' => Quantity::length(max($values) - min($values)), 'most' => Quantity::length(self::LONGEST),
                ]));
            }
        }
    }
}

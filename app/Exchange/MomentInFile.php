<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Carbon\CarbonImmutable;

/**
 * A moment in a file: ISO 8601 with its offset, of a year in which somebody could have poured. Anything else may mean two things, and is
 * refused by name.
 */
final readonly class MomentInFile
{
    private const ISO = '/^(\d{4})-(\d{2})-(\d{2})T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d(\.\d{1,6})?)?(Z|[+-](0\d|1[0-4]):?[0-5]\d)$/';

    private const YEARS = [1990, 2100];

    /**
     * @return CarbonImmutable|null in UTC; null where nothing is said
     *
     * @throws BadInput
     */
    public static function in(Fields $in, string $key): ?CarbonImmutable
    {
        $said = $in->textOrNull($key);
        if ($said === null) {
            return null;
        }
        $isOne = preg_match(self::ISO, $said, $part) === 1 && checkdate((int) $part[2], (int) $part[3], (int) $part[1]);
        if (! $isOne || (int) $part[1] < self::YEARS[0] || (int) $part[1] > self::YEARS[1]) {
            throw BadInput::at($in->at($key), Phrase::of('bench.no_moment', ['said' => $said]));
        }

        return CarbonImmutable::parse($said)->utc();
    }
}

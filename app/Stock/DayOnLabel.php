<?php

declare(strict_types=1);

namespace App\Stock;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Carbon\CarbonImmutable;
use Throwable;

/** A day as it is written on a label: 2026-11-26. */
final readonly class DayOnLabel
{
    /** @throws BadInput */
    public static function said(Fields $in, string $key, ?string $earliest = null): string
    {
        $text = $in->text($key);
        try {
            $day = preg_match('/^\d{4}-\d\d-\d\d$/', $text) === 1 ? CarbonImmutable::createFromFormat('!Y-m-d', $text, 'UTC') : null;
        } catch (Throwable) {
            $day = null;
        }
        if ($day === null || $day->format('Y-m-d') !== $text || $day->year < 1990 || $day->year > 2100) {
            throw BadInput::at($in->at($key), Phrase::of('bench.write_day_so'));
        }
        if ($earliest !== null && $text < $earliest) {
            throw BadInput::at($in->at($key), Phrase::of('bench.before_it_came', ['earliest' => $earliest]));
        }

        return $text;
    }

    /** @throws BadInput */
    public static function saidOrNull(Fields $in, string $key): ?string
    {
        return $in->has($key) && $in->toArray()[$key] !== '' ? self::said($in, $key) : null;
    }
}

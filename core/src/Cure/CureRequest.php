<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;

/** A question to the clock: this sheet, in this room, this much at once, and what the shop has watched before. */
final readonly class CureRequest
{
    /** @param  list<Observation>  $logs */
    public function __construct(
        public CureSheet $sheet,
        public Celsius $room,
        public ?Grams $mass = null,
        public array $logs = [],
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('base', 'room_c', 'mass_g', 'logs');
        $sheet = CureSheet::from($in->object('base'));
        $mass = $in->positiveOrNull('mass_g');
        $logs = self::logs($in, $sheet);

        return new self(
            $sheet,
            Celsius::of($in->number('room_c', Celsius::COLDEST, Celsius::HOTTEST)),
            $mass === null ? null : Grams::of($mass),
            $logs,
        );
    }

    /**
     * @return list<Observation> what was watched
     *
     * @throws BadInput for an observation of a time the sheet does not give
     */
    public static function logs(Fields $in, CureSheet $sheet): array
    {
        $logs = [];
        foreach ($in->objects('logs', 500) as $log) {
            $log->only('room_c', 'kind', 'minutes', 'sure');
            $kind = $log->choice('kind', Watched::class);
            if (! isset($sheet->times[$kind->milestone()->value])) {
                throw BadInput::at($log->at('kind'), Phrase::of('cure.nothing_to_count_against', [
                    'milestone' => $kind->milestone()->value,
                ]));
            }
            $logs[] = new Observation(
                Celsius::of($log->number('room_c', Celsius::COLDEST, Celsius::HOTTEST)),
                $kind,
                Minutes::of($log->positive('minutes')),
                $log->has('sure') && $log->bool('sure'),
            );
        }

        return $logs;
    }
}

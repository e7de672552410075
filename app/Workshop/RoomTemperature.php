<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Cure\RoomHistory;
use Apalos\Core\Units\Celsius;
use App\Models\RoomReading;
use App\Models\Workshop;
use Carbon\CarbonImmutable;

/** The room's temperature now and as it was. */
final readonly class RoomTemperature
{
    /** Where nobody has said anything yet. */
    private const USUAL_C = 21.0;

    public function __construct(private Workshop $workshop) {}

    public function now(): Celsius
    {
        $last = $this->workshop->roomReadings()->orderByDesc('at')->orderByDesc('id')->first();

        return Celsius::of($last->celsius ?? self::USUAL_C);
    }

    /** Writes the temperature down where it differs from the last one by a tenth of a degree or more. */
    public function note(Celsius $celsius, string $source, CarbonImmutable $at): void
    {
        $last = $this->workshop->roomReadings()->orderByDesc('at')->orderByDesc('id')->first();
        if ($last === null || abs($last->celsius - $celsius->degrees) >= 0.1 || $last->source !== $source) {
            $this->workshop->roomReadings()->create(['at' => $at, 'celsius' => round($celsius->degrees, 1), 'source' => $source]);
        }
    }

    /** What it was at a moment. */
    public function at(CarbonImmutable $moment): Celsius
    {
        $before = $this->workshop->roomReadings()->where('at', '<=', $moment->format('Y-m-d H:i:s.v'))->orderByDesc('at')->orderByDesc('id')->first();

        return Celsius::of($before->celsius ?? $this->first() ?? self::USUAL_C);
    }

    /** How warm it has been since the moment. */
    public function since(CarbonImmutable $moment): RoomHistory
    {
        // A bare date in a query is cut to the second; readings are kept to the millisecond.
        $exactly = $moment->format('Y-m-d H:i:s.v');
        $stretches = [['from_min' => 0.0, 'room' => $this->at($moment)]];
        /** @var RoomReading $reading */
        foreach ($this->workshop->roomReadings()->where('at', '>', $exactly)->orderBy('at')->get() as $reading) {
            $stretches[] = ['from_min' => $moment->diffInMilliseconds($reading->at) / 60_000.0, 'room' => Celsius::of($reading->celsius)];
        }

        return new RoomHistory($stretches);
    }

    private function first(): ?float
    {
        return $this->workshop->roomReadings()->orderBy('at')->orderBy('id')->first()?->celsius;
    }
}

<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Phrase\Phrase;
use App\Database\CannotWrite;
use App\Devices\Cables;
use App\Machine\Upkeep;
use App\Models\Hands;
use App\Models\Workshop;
use App\People\AtPractice;
use App\Types\View;
use Carbon\CarbonImmutable;

/** What every screen's frame needs: whose bench, which units, how warm, what is live today. */
final readonly class FrameView implements View
{
    /** @param  int  $changes  how often anything changed that a screen may show */
    public function __construct(
        private Workshop $workshop,
        private Hands $hands,
        private int $changes,
        private float $roomC,
        private StripView $strip,
        private Cables $cables,
        private AtPractice $practice,
    ) {}

    /** @return list<array<string, mixed>> what wants hands */
    public function calls(): array
    {
        return $this->strip->toArray()['calls'];
    }

    /**
     * @return array{
     *     workshop: array{
     *         edition: int, name: string, named: bool, units: string, room_c: float, room_source: string, muted: bool, day_starts_min: int,
     *         day_ends_min: int, time_zone: string|null, scale_division_g: float, scale_capacity_g: float, currency: string|null,
     *         cups: list<array{ml: float, tare_g: float|null}>, vacuum: bool|null, hands: int, schools: array<string, string>,
     *     },
     *     changes: int, hands: array{name: string, role: string, colour: string}|null, tablet: string|null, unused_min: int, made_up: bool,
     *     thermometer: bool, scale: bool, probe: bool, labels: bool, simulated: bool, trouble: Phrase|null,
     *     practice: array{
     *         id: int, name: string, rate: int, calls: list<array{at_ms: int, what: string, title: string, href: string}>,
     *     }|null,
     *     strip: array{
     *         now_ms: int,
     *         lozenges: list<array{
     *             id: string, href: string, job: string, title: string, state: string,
     *             hands: list<array{from_ms: int, to_ms: int}>,
     *             waits: list<array{from_ms: int, to_ms: int}>,
     *             windows: list<array{kind: string, from_ms: int, to_ms: int}>
     *         }>,
     *         calls: list<array{
     *             id: string, at_ms: int, what: string, event: string|null, event_ms: int|null, title: string, href: string,
     *         }>,
     *         startable: list<array{pour_id: int, title: string, open_ms: int}>,
     *         plans: list<array{
     *             id: string, href: string, job: string, title: string, name: string, from_ms: int, to_ms: int, moves: bool, live: bool,
     *             opens_ms: int|null, shuts_ms: int|null,
     *         }>
     *     }
     * }
     */
    public function toArray(): array
    {
        return [
            'workshop' => [
                'edition' => $this->workshop->edition,
                'name' => $this->workshop->name, 'named' => $this->workshop->isNamed(),
                'units' => $this->workshop->units,
                'room_c' => $this->roomC,
                'room_source' => $this->workshop->room_source,
                'muted' => $this->workshop->muted,
                'day_starts_min' => $this->workshop->day_starts_min,
                'day_ends_min' => $this->workshop->day_ends_min,
                'time_zone' => $this->workshop->time_zone,
                'scale_division_g' => $this->workshop->scale_division_g,
                'scale_capacity_g' => $this->workshop->scale_capacity_g,
                'currency' => $this->workshop->currency,
                'cups' => $this->workshop->cups ?? [],
                'vacuum' => $this->workshop->vacuum,
                'hands' => $this->workshop->hands, 'schools' => $this->workshop->schools ?? [],
            ],
            'changes' => $this->changes,
            'hands' => $this->hands->person === null
                ? null
                : [
                    'name' => $this->hands->person->name, 'role' => $this->hands->person->role->value,
                    'colour' => $this->hands->person->colour,
                ],
            'tablet' => $this->hands->tablet?->name, 'unused_min' => $this->workshop->unused_min, 'made_up' => $this->workshop->made_up,
            'thermometer' => $this->cables->has('thermometer'),
            'scale' => $this->cables->has('scale'),
            'probe' => $this->cables->has('probe'),
            'labels' => $this->cables->has('labels'),
            'simulated' => $this->cables->areSimulated(),
            'trouble' => CannotWrite::now() ?? Upkeep::at(CarbonImmutable::now())->trouble(),
            'practice' => $this->practice(),
            'strip' => $this->strip->toArray(),
        ];
    }

    /** @return array{id: int, name: string, rate: int, calls: list<array{at_ms: int, what: string, title: string, href: string}>}|null */
    private function practice(): ?array
    {
        $try = $this->practice->in;
        $said = static fn (mixed $one): string => is_string($one) ? $one : '';

        return $try === null ? null : ['id' => $try->id, 'name' => $try->name, 'rate' => $try->rate, 'calls' => array_map(
            static fn (array $call): array => [
                'at_ms' => is_int($call['at_ms'] ?? null) ? $call['at_ms'] : 0, 'what' => $said($call['what'] ?? ''),
                'title' => $said($call['title'] ?? ''), 'href' => $said($call['href'] ?? ''),
            ],
            $this->practice->calls,
        )];
    }
}

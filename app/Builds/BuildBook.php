<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\ReadyMade;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Minutes;
use App\Library\Library;
use App\Models\OwnBuild;
use App\Room\CureClock;
use App\Room\RoomTemperature;

/** The builds one can take as they are: shipped ones, and those the shop kept from what it made. */
final readonly class BuildBook
{
    private const OWN = 'own-';

    private const MOST_OWN = 100;

    public function __construct(private Library $library, private CureClock $clock, private RoomTemperature $room) {}

    /** @return list<ReadyMade> the shop's own first */
    public function all(): array
    {
        return [
            ...array_map(self::own(...), array_values(OwnBuild::query()->orderByDesc('id')->limit(self::MOST_OWN)->get()->all())),
            ...array_values($this->library->builds()),
        ];
    }

    /** @throws BadInput where there is none of that name */
    public function one(string $id): ReadyMade
    {
        $own = str_starts_with($id, self::OWN) ? OwnBuild::query()->find((int) substr($id, strlen(self::OWN))) : null;

        return $own !== null
            ? self::own($own)
            : $this->library->builds()[$id] ?? throw BadInput::at('kind', Phrase::of('bench.no_such_way_build'));
    }

    /** @return array<value-of<Milestone>, Minutes> the times of a base as this workshop knows them, in the room as it is */
    public function times(BaseSheet $base): array
    {
        $times = [];
        foreach (Milestone::cases() as $milestone) {
            $band = $this->clock->model($base)->band($milestone, $this->room->now(), null);
            if ($band !== null) {
                $times[$milestone->value] = $band->likely;
            }
        }

        return $times;
    }

    /** What usually saves an operation that comes too late, and what that risks. */
    public function saves(string $under, string $fresh): ?Fields
    {
        foreach ($this->library->missedWindows() as $save) {
            if (in_array($save->text('under'), [$under, '*'], true) && in_array($save->text('fresh'), [$fresh, '*'], true)) {
                return $save;
            }
        }

        return null;
    }

    private static function own(OwnBuild $own): ReadyMade
    {
        return ReadyMade::from(self::OWN.$own->id, Fields::of($own->made));
    }
}

<?php

declare(strict_types=1);

namespace App\Room;

use Apalos\Core\Cure\RoomHistory;
use Apalos\Core\Units\Celsius;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** The room's temperature now and as it was. What was read of it is asked for once, however many want to know. */
final class RoomTemperature
{
    /** Where nobody has said anything yet. */
    private const USUAL_C = 21.0;

    /** Longer than anything cures. */
    private const LONGEST_D = 45;

    /** @var list<array{at: string, celsius: float}>|null oldest first, from the one that held at the beginning */
    private ?array $known = null;

    private string $from = '';

    /** @var array<string, RoomHistory> */
    private array $histories = [];

    public function __construct(private readonly Workshop $workshop) {}

    public function now(): Celsius
    {
        if ($this->known === null) {
            $this->reach(CarbonImmutable::now());
        }
        $last = $this->known === null || $this->known === [] ? null : $this->known[count($this->known) - 1];

        return Celsius::of($last['celsius'] ?? self::USUAL_C);
    }

    /** Writes the temperature down where it differs from the last one by a tenth of a degree or more. */
    public function note(Celsius $celsius, string $source, CarbonImmutable $at): void
    {
        $last = $this->workshop->roomReadings()->orderByDesc('at')->orderByDesc('id')->first();
        if ($last === null || abs($last->celsius - $celsius->degrees) >= 0.1 || $last->source !== $source) {
            $this->workshop->roomReadings()->create(['at' => $at, 'celsius' => round($celsius->degrees, 1), 'source' => $source]);
            [$this->known, $this->histories] = [null, []];
        }
    }

    /** What it was at a moment. */
    public function at(CarbonImmutable $moment): Celsius
    {
        $this->reach($moment);
        $exactly = self::written($moment);
        $held = $this->known[0]['celsius'] ?? self::USUAL_C;
        foreach ($this->known ?? [] as $reading) {
            if ($reading['at'] > $exactly) {
                break;
            }
            $held = $reading['celsius'];
        }

        return Celsius::of($held);
    }

    /** How warm it has been since the moment, for as long as anything that began then may take. */
    public function since(CarbonImmutable $moment): RoomHistory
    {
        $exactly = self::written($moment);

        return $this->histories[$exactly] ??= $this->told($moment, $exactly);
    }

    private function told(CarbonImmutable $moment, string $exactly): RoomHistory
    {
        $longest = self::written($moment->addDays(self::LONGEST_D));
        $this->reach($moment);
        $stretches = [['from_min' => 0.0, 'room' => Celsius::of($this->known[0]['celsius'] ?? self::USUAL_C)]];
        $begun = (float) $moment->format('U.v');
        foreach ($this->known ?? [] as $reading) {
            if ($reading['at'] <= $exactly) {
                $stretches[0]['room'] = Celsius::of($reading['celsius']);
            } elseif ($reading['at'] > $longest) {
                break;
            } else {
                $stretches[] = ['from_min' => (self::seconds($reading['at']) - $begun) / 60.0, 'room' => Celsius::of($reading['celsius'])];
            }
        }

        return new RoomHistory($stretches);
    }

    /** Asks at once for all that somebody will want to know. */
    public function reach(CarbonImmutable $moment): void
    {
        $from = self::written($moment);
        if ($this->known !== null && $from >= $this->from) {
            return;
        }
        // The last one before it, and all since, in one question.
        $before = $this->readings()->where('at', '<=', $from)->orderByDesc('at')->orderByDesc('id')->limit(1);
        $found = DB::query()
            ->fromSub($before, 'before')
            ->select('at', 'celsius', 'id')
            ->unionAll($this->readings()->where('at', '>', $from))
            ->get()
            ->all();
        usort(
            $found,
            static fn (object $one, object $other): int => [(string) $one->at, (int) $one->id] <=> [(string) $other->at, (int) $other->id],
        );
        $this->known = array_map(static fn (object $row): array => ['at' => (string) $row->at, 'celsius' => (float) $row->celsius], $found);
        $this->from = $from;
    }

    private function readings(): Builder
    {
        return DB::table('room_readings')->where('workshop_id', $this->workshop->id)->select('at', 'celsius', 'id');
    }

    private static function written(CarbonImmutable $moment): string
    {
        // As it stands in the table: in UTC, to the millisecond.
        return $moment->utc()->format('Y-m-d H:i:s.v');
    }

    private static function seconds(string $at): float
    {
        return (float) strtotime(substr($at, 0, 19).' UTC') + (float) ('0'.substr($at, 19));
    }
}

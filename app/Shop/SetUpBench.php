<?php

declare(strict_types=1);

namespace App\Shop;

use Apalos\Core\Contact\Schools;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Celsius;
use App\Library\Library;
use App\Models\Outdated;
use App\Models\Workshop;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;

/** Changes what holds for the whole bench: its name, units, money, sound, room, scale, cups, vacuum, hands, working day and time zone. */
final readonly class SetUpBench
{
    /** A scale that shows fewer steps than this has been read wrong. */
    private const FEWEST_STEPS = 100.0;

    private const DAY_MIN = 24 * 60;

    private const AT_A_TOUCH = ['units', 'muted', 'room_c', 'room_source'];

    private const MOST_CUPS = 12;

    private const MOST_HANDS = 20.0;

    private const LARGEST_CUP_ML = 100_000.0;

    public function __construct(private Workshop $workshop, private RoomTemperature $room, private Library $library) {}

    /**
     * @param  Fields  $in any of `name`, `units`, `muted`, `room_c`, `room_source`, `scale_division_g`, `scale_capacity_g`,
     *   `day_starts_min`, `day_ends_min`, `time_zone`, `currency`, `cups`, `vacuum`, `hands`, `schools` (option by school)
     * @param  int|null  $edition  of what stood on the screen; what one sets at a touch, seeing what is, needs none: units, sound, the room
     *
     * @throws BadInput and then nothing is changed
     * @throws Outdated where another screen has set something since
     */
    public function __invoke(Fields $in, ?int $edition, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($in, $edition, $now): void {
            if (array_diff($in->names(), self::AT_A_TOUCH) !== []) {
                Workshop::asShown(
                    $this->workshop->id, $edition ?? throw BadInput::at('edition', Phrase::of('bench.say_which_edition_of_bench')),
                );
            }
            $this->set($in, $now);
        }, 3);
    }

    /**
     * @return array<string, string>
     *
     * @throws BadInput
     */
    private function schools(Fields $in): array
    {
        Schools::check($this->library->schools(), $in);
        $held = [];
        foreach ($in->names() as $school) {
            $option = $in->textOrNull($school);
            $option === null || $held[$school] = $option;
        }

        return $held;
    }

    private function set(Fields $in, CarbonImmutable $now): void
    {
        $in->only(
            'name', 'units', 'muted', 'room_c', 'room_source', 'scale_division_g', 'scale_capacity_g', 'day_starts_min', 'day_ends_min',
            'time_zone', 'currency', 'cups', 'vacuum', 'hands', 'schools',
        );
        $room = self::says($in, 'room_c') ? Celsius::of($in->number('room_c', Celsius::COLDEST, Celsius::HOTTEST)) : null;
        $shop = $this->workshop;
        $shop->fill([
            'name' => self::says($in, 'name') ? mb_substr($in->text('name'), 0, 80) : $shop->name,
            'units' => self::says($in, 'units') ? self::oneOf($in, 'units', ['metric', 'imperial']) : $shop->units,
            'muted' => self::says($in, 'muted') ? $in->bool('muted') : $shop->muted,
            'room_source' => match (true) {
                $room !== null => 'hand',
                self::says($in, 'room_source') => self::oneOf($in, 'room_source', ['hand', 'thermometer']),
                default => $shop->room_source,
            },
            ...$this->scale($in),
            ...$this->day($in),
            'time_zone' => self::says($in, 'time_zone') ? self::zone($in) : $shop->time_zone,
            'currency' => self::says($in, 'currency') ? self::currency($in) : $shop->currency,
            'cups' => self::says($in, 'cups') ? self::cups($in) : $shop->cups,
            'vacuum' => self::says($in, 'vacuum') ? $in->bool('vacuum') : $shop->vacuum,
            'schools' => self::says($in, 'schools') ? $this->schools($in->object('schools')) : $shop->schools,
            'hands' => self::says($in, 'hands') ? (int) round($in->number('hands', 1.0, self::MOST_HANDS)) : $shop->hands,
        ])->save();
        if ($room !== null) {
            $this->room->note($room, 'hand', $now);
        }
    }

    /** @return array<string, float> */
    private function scale(Fields $in): array
    {
        $division = self::says($in, 'scale_division_g') ? $in->number('scale_division_g', 0.001, 100.0) : $this->workshop->scale_division_g;
        $capacity = self::says($in, 'scale_capacity_g') ? $in->number('scale_capacity_g', 1.0) : $this->workshop->scale_capacity_g;
        if ($capacity < self::FEWEST_STEPS * $division) {
            throw BadInput::at(
                self::says($in, 'scale_division_g') ? 'scale_division_g' : 'scale_capacity_g',
                Phrase::of('bench.too_few_steps', ['capacity' => Quantity::mass($capacity), 'division' => Quantity::mass($division)]),
            );
        }

        return ['scale_division_g' => $division, 'scale_capacity_g' => $capacity];
    }

    /** @return array<string, int> */
    private function day(Fields $in): array
    {
        $starts = self::says($in, 'day_starts_min')
            ? (int) $in->number('day_starts_min', 0.0, self::DAY_MIN)
            : $this->workshop->day_starts_min;
        $ends = self::says($in, 'day_ends_min') ? (int) $in->number('day_ends_min', 0.0, self::DAY_MIN) : $this->workshop->day_ends_min;
        // One that ends before it begins runs past midnight.
        if (($ends > $starts ? $ends : $ends + self::DAY_MIN) - $starts < 60) {
            throw BadInput::at('day_ends_min', Phrase::of('bench.working_day_must_end'));
        }

        return ['day_starts_min' => $starts, 'day_ends_min' => $ends];
    }

    private static function currency(Fields $in): string
    {
        $currency = strtoupper($in->text('currency'));

        return preg_match('/^[A-Z]{3}$/', $currency) === 1
            ? $currency
            : throw BadInput::at('currency', Phrase::of('bench.give_currency_with_three'));
    }

    /** @return list<array{ml: float, tare_g: float|null}> smallest first */
    private static function cups(Fields $in): array
    {
        $cups = array_map(static fn (Fields $cup): array => [
            'ml' => $cup->only('ml', 'tare_g')->number('ml', 1.0, self::LARGEST_CUP_ML),
            'tare_g' => $cup->numberOrNull('tare_g', 0.0, 100_000.0),
        ], $in->objects('cups', self::MOST_CUPS));
        usort($cups, static fn (array $one, array $other): int => $one['ml'] <=> $other['ml']);

        return $cups;
    }

    private static function zone(Fields $in): string
    {
        $zone = $in->text('time_zone');

        return in_array($zone, DateTimeZone::listIdentifiers(DateTimeZone::ALL_WITH_BC), true)
            ? $zone
            : throw BadInput::at('time_zone', Phrase::of('bench.no_time_zone_choose', ['zone' => $zone]));
    }

    /** A field that is there but empty is no wish to leave it as it was: it is refused as missing. */
    private static function says(Fields $in, string $key): bool
    {
        return in_array($key, $in->names(), true);
    }

    /** @param  list<string>  $known */
    private static function oneOf(Fields $in, string $key, array $known): string
    {
        $value = $in->text($key);

        return in_array($value, $known, true) ? $value : throw BadInput::at($key, Phrase::of('bench.choose_one_of', ['known' => $known]));
    }
}

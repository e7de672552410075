<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Cost\Money;
use Apalos\Core\Day\WorkingHours;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Mould\PieceRequest;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Celsius;

/** A piece, how many of it of what and by when; and what a shop has: shelf, gear, hands, rack, past, money. */
final readonly class WaysRequest
{
    public const MOST_BASES = 200;

    private const GEAR = ['vacuum', 'pot', 'oven', 'printer'];

    /** The longest stretch of work there is, in minutes. */
    public float $longest;

    /**
     * @param  array<string, mixed>  $mould  the question to `mould`
     * @param  list<BaseSheet>  $casts  what it may be cast of
     * @param  float|null  $due  minutes from midnight of the first day
     * @param  array<string, BaseSheet>  $bases  on the shelf, by code
     * @param  array<string, bool>  $gear
     * @param  list<array{id: string, kind: string, base: string, left: array{low: int, likely: int, high: int}}>  $rack
     * @param  array<string, array{price: string, mass_g: float}>  $prices  by code
     * @param  array{price: string, lead_h: float|null}|null  $buyIn  a piece
     * @param  array<string, float>  $onHand  grams, by code
     * @param  array{kind: string, base: string|null, cast: string|null, release: string|null}|null  $whyNot
     * @param  list<string>  $releases  on the shelf; all that are known where none is named
     * @param  array<string, list<array<string, mixed>>>  $tests  of the shop's own
     */
    private function __construct(
        public PieceRequest $piece, public array $mould, public int $count, public array $casts, public ?float $due, public array $bases,
        public array $gear, public int $pairs,
        public WorkingHours $hours, public array $rack, public Past $past, public string $currency, public string $hourRate,
        public array $prices, public Celsius $room,
        public ?array $buyIn, public array $onHand, public ?float $stretch, public ?float $thinnest, public ?array $whyNot,
        private array $releases, private array $tests, public Fields $in,
    ) {
        $this->longest = $hours->longest();
    }

    /** @throws BadInput */
    public static function from(Fields $in, Knowledge $knowledge, Shelf $shelf, WaysBook $book): self
    {
        $in->only('piece', 'casts', 'shelf', 'gear', 'hands', 'rack', 'past', 'money', 'room_c', 'buy_in', 'on_hand', 'why_not', 'tests');
        $casts = $in->object('casts')->only('count', 'code', 'family', 'heat_c', 'ready_by_h');
        $count = self::whole($casts, 'count', 100_000.0);
        [$bases, $releases] = [[], []];
        foreach ($in->strings('shelf', self::MOST_BASES * 3) as $i => $code) {
            $releases = isset($knowledge->releases[$code]) ? [...$releases, $code] : $releases;
            isset($shelf->bases[$code])
                || isset($shelf->additives[$code])
                || isset($knowledge->releases[$code])
                || isset($knowledge->sealers[$code])
                || throw BadInput::at($in->at("shelf.{$i}"), Phrase::of('material.no_such_base', ['code' => $code]));
            isset($shelf->bases[$code]) && $bases[$code] = $shelf->bases[$code];
        }
        $of = self::of($casts, $bases, $shelf, $knowledge);
        $piece = $in->object('piece')->only(
            'size_mm', 'volume_ml', 'area_mm2', 'undercuts', 'detail', 'thinnest_mm', 'flat_back', 'hollow', 'skin', 'original',
            'stretch_pct',
        );
        self::fits($piece);
        $money = $in->object('money')->only('currency', 'hour_rate', 'prices');
        $rate = $money->has('hour_rate') ? self::money($money, 'hour_rate') : '0';
        $mould = self::mould(
            $piece, $count, $of[0]->family, $casts->numberOrNull('heat_c', 0.0, 400.0) ?? $book->heat($of[0]->family), (float) $rate,
        );
        $hands = $in->object('hands')->only('pairs', 'days');
        $gear = $in->object('gear')->only('scale_g', ...self::GEAR);
        $ready = $casts->numberOrNull('ready_by_h', -Fields::HUGE);
        if ($ready !== null && $ready <= 0.0) {
            throw BadInput::at($casts->at('ready_by_h'), Phrase::of('ways.due_gone_by'));
        }

        return new self(
            PieceRequest::from(Fields::of($mould, 'piece'), $knowledge), $mould, $count, $of, $ready === null ? null : 60.0 * $ready,
            $bases,
            array_combine(self::GEAR, array_map(static fn (string $one): bool => $gear->has($one) && $gear->bool($one), self::GEAR)),
            self::whole($hands, 'pairs', 1000.0), WorkingHours::from($hands),
            self::rack($in), Past::from($in), $money->text('currency'), $rate, self::prices($money),
            Celsius::of($in->number('room_c', Celsius::COLDEST, Celsius::HOTTEST)),
            self::buyIn($in), self::onHand($in), $piece->numberOrNull('stretch_pct', 0.0, 2000.0),
            $piece->positiveOrNull('thinnest_mm', 1000.0), self::whyNot($in), $releases, self::tested($in), $in,
        );
    }

    /** @return list<array<string, mixed>> what the shop's own tests said of this very rubber on this surface, as `contact` takes them */
    public function tests(?BaseSheet $fresh, string $surface): array
    {
        return $fresh === null
            ? []
            : [...$this->tests["{$fresh->family}/{$surface}/"] ?? [], ...$this->tests["{$fresh->family}/{$surface}/{$fresh->code}"] ?? []];
    }

    /** @return array<string, list<array<string, mixed>>> by family, surface and, where they are of one, sheet */
    private static function tested(Fields $in): array
    {
        $tests = [];
        foreach ($in->objects('tests', 500) as $test) {
            $one = [
                'fresh' => $test->only('fresh', 'surface', 'base', 'sealed_with', 'release', 'passed')->text('fresh'),
                'surface' => $test->text('surface'), 'passed' => $test->bool('passed'),
            ];
            foreach (['sealed_with', 'release'] as $of) {
                // What is not named holds for any.
                $one = in_array($of, $test->names(), true) ? [...$one, $of => $test->textOrNull($of)] : $one;
            }
            $tests["{$one['fresh']}/{$one['surface']}/".($test->textOrNull('base') ?? '')][] = $one;
        }

        return $tests;
    }

    /** What is known of contacts, with no release that is not here. */
    public function contacts(Knowledge $knowledge): Knowledge
    {
        return $this->releases === []
            ? $knowledge
            : $knowledge->without(array_values(array_diff(array_map(strval(...), array_keys($knowledge->releases)), $this->releases)));
    }

    /** @throws BadInput where a piece takes more than its own box holds */
    private static function fits(Fields $piece): void
    {
        $size = $piece->object('size_mm')->only('l', 'w', 'h');
        $holds = $size->positive('l', 5000.0) * $size->positive('w', 5000.0) * $size->positive('h', 5000.0) / 1000.0;
        $ml = $piece->positiveOrNull('volume_ml');
        if ($ml !== null && $ml > 1.001 * $holds) {
            throw BadInput::at($piece->at('volume_ml'), Phrase::of('frame.piece_too_full', [
                'ml' => Quantity::volume($ml), 'holds' => Quantity::volume($holds),
            ]));
        }
    }

    private static function whole(Fields $in, string $key, float $most): int
    {
        $number = $in->number($key, 1.0, $most);

        return $number === floor($number)
            ? (int) $number
            : throw BadInput::at($in->at($key), Phrase::of('ways.whole', ['number' => $number]));
    }

    /**
     * @param  array<string, BaseSheet>  $bases
     * @return non-empty-list<BaseSheet>
     */
    private static function of(Fields $casts, array $bases, Shelf $shelf, Knowledge $knowledge): array
    {
        $code = $casts->textOrNull('code');
        if ($code !== null) {
            return [$shelf->base($code, $casts->at('code'))];
        }
        $family = $knowledge->family($casts->text('family'), $casts->at('family'))->id;
        $is = static fn (BaseSheet $base): bool => $base->family === $family;
        // What is not on the shelf can be bought, as long as there is a sheet of it; what is brushed or kneaded is cast only where nothing
        // pours.
        $of = array_values(array_filter($bases, $is)) ?: array_values(array_filter($shelf->bases, $is));
        $of = array_values(array_filter($of, static fn (BaseSheet $base): bool => ! $base->brushed && $base->casting === null)) ?: $of;

        return $of !== []
            ? $of
            : throw BadInput::at($casts->at('family'), Phrase::of('ways.no_sheet_of', ['family' => $knowledge->family($family)->name]));
    }

    /** @return array<string, mixed> the question to `mould` */
    private static function mould(Fields $piece, int $count, string $family, float $heat, float $rate): array
    {
        $size = $piece->object('size_mm');

        return [
            'size_mm' => $size->toArray(), 'undercuts' => $piece->text('undercuts'), 'detail' => $piece->text('detail'), 'casts' => $count,
            'casting' => ['family' => $family, 'heat_c' => $heat],
            'original' => $piece->object('original')->toArray(), 'flat_back' => $piece->bool('flat_back'),
            'hollow' => $piece->bool('hollow'), 'skin' => $piece->bool('skin'), 'budget' => 'normal', 'hour_rate' => $rate,
            'mesh' => [
                'undercut_depth_mm' => null, 'stretch_pct' => $piece->numberOrNull('stretch_pct', 0.0, 2000.0),
                'volume_ml' => $piece->positiveOrNull('volume_ml'), 'area_mm2' => $piece->positiveOrNull('area_mm2', 1e8),
            ],
        ];
    }

    private static function money(Fields $in, string $key): string
    {
        $said = $in->toArray()[$key] ?? null;
        $text = is_int($said) || is_float($said) ? number_format((float) $said, 2, '.', '') : $in->text($key);
        Money::written(Fields::of([$key => $text], substr($in->at($key), 0, -strlen($key) - 1)), $key);

        return $text;
    }

    /** @return list<array{id: string, kind: string, base: string, left: array{low: int, likely: int, high: int}}> */
    private static function rack(Fields $in): array
    {
        return array_map(static function (Fields $mould): array {
            $left = $mould->only('id', 'kind', 'base', 'left')->object('left')->only('low', 'likely', 'high');
            $id = $mould->toArray()['id'] ?? null;

            return [
                'id' => is_int($id) ? (string) $id : $mould->text('id'), 'kind' => $mould->text('kind'), 'base' => $mould->text('base'),
                'left' => [
                    'low' => (int) $left->number('low'), 'likely' => (int) $left->number('likely'), 'high' => (int) $left->number('high'),
                ],
            ];
        }, $in->objects('rack', 500));
    }

    /** @return array<string, array{price: string, mass_g: float}> */
    private static function prices(Fields $money): array
    {
        $all = $money->objectOrNull('prices');
        $prices = [];
        foreach ($all?->names() ?? [] as $code) {
            $one = $money->object('prices')->object($code)->only('price', 'mass_g');
            $prices[$code] = ['price' => self::money($one, 'price'), 'mass_g' => $one->positive('mass_g')];
        }

        return $prices;
    }

    /** @return array{price: string, lead_h: float|null}|null */
    private static function buyIn(Fields $in): ?array
    {
        if (! $in->has('buy_in')) {
            return null;
        }
        if (! is_array($in->toArray()['buy_in'])) {
            return ['price' => self::money($in, 'buy_in'), 'lead_h' => null];
        }
        $one = $in->object('buy_in')->only('price', 'lead_h');

        return ['price' => self::money($one, 'price'), 'lead_h' => $one->numberOrNull('lead_h')];
    }

    /** @return array<string, float> */
    private static function onHand(Fields $in): array
    {
        $all = $in->objectOrNull('on_hand');
        $there = [];
        foreach ($all?->names() ?? [] as $code) {
            $there[$code] = $in->object('on_hand')->number($code);
        }

        return $there;
    }

    /** @return array{kind: string, base: string|null, cast: string|null, release: string|null}|null */
    private static function whyNot(Fields $in): ?array
    {
        $asked = $in->objectOrNull('why_not')?->only('kind', 'base', 'cast', 'release');

        return $asked === null
            ? null
            : [
                'kind' => $asked->text('kind'), 'base' => $asked->textOrNull('base'), 'cast' => $asked->textOrNull('cast'),
                'release' => $asked->textOrNull('release'),
            ];
    }
}

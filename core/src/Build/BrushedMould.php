<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Day\After;
use Apalos\Core\Day\DayOperation;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;

/**
 * A brushed mould in numbers: a thin print coat that carries the detail, then equal thick coats up to the wall, each over the whole
 * area and its flange, and the operations they make for a day.
 */
final readonly class BrushedMould
{
    /** So much of the pot life a brush can use. */
    private const USABLE = 0.8;

    /** Above this a coat sags off an upright wall before it sets unless it is a stiff paste, in mm. */
    public const SAGS_MM = 4.0;

    /** A wall thicker than this no longer peels: it is a block. In mm. */
    public const PEELS_MM = 12.0;

    private const MANY_CUPS = 2;

    /** @throws BadInput where no time is left to brush, or coats come out thinner than a brush leaves */
    public function plan(BrushedMouldRequest $asked): BrushedMouldResult
    {
        $pot = $asked->time(Milestone::PotLife);
        $brushing = self::USABLE * $pot - $asked->mix;
        if ($brushing <= 0.0) {
            throw BadInput::at('times.pot_life_min', Phrase::of('build.no_time_to_brush', [
                'pot' => Quantity::duration($pot), 'mix' => Quantity::duration($asked->mix),
            ]));
        }
        $wall = $asked->wall();
        $thick = max(2, (int) ceil(($wall - $asked->print) / $asked->coat - 1e-9));
        $each = ($wall - $asked->print) / $thick;
        if ($each < BrushedMouldRequest::BRUSH_LEAVES_MM) {
            throw BadInput::at('thickness_mm', Phrase::of('build.too_thin_for_two', ['each' => Quantity::length($each)]));
        }
        $perCup = $brushing * $asked->brush;
        $coats = [];
        for ($i = 0; $i <= $thick; $i++) {
            $thickness = $i === 0 ? $asked->print : $each;
            $volume = ($asked->area + $asked->flange) * $thickness / 1000.0 + ($i === 1 ? $asked->fill : 0.0);
            $coats[] = self::coat($asked, $i, $thickness, $volume, $perCup);
        }
        $keys = $asked->keys === null ? null : Millilitres::of($asked->keys['count'] * $asked->keys['each_ml']);
        $last = $coats[$thick];

        return new BrushedMouldResult(
            $wall, $coats, $keys, $keys === null ? null : self::mass($asked, $keys->ml), max(0.0, self::USABLE * $pot - $last->hands),
            $this->operations($asked, $coats, $keys === null ? 0.0 : self::hands($asked, $keys->ml, $perCup)),
            iterator_to_array($this->warnings($asked, $coats), false),
        );
    }

    private static function coat(BrushedMouldRequest $asked, int $number, float $thickness, float $volume, float $perCup): Coat
    {
        $mass = self::mass($asked, $volume);

        return new Coat(
            $number === 0, $thickness, Millilitres::of($volume), $mass,
            Grams::of($number === 0 ? 0.0 : $mass->g * $asked->thickener / 100.0),
            $asked->tints === [] ? null : $asked->tints[$number % count($asked->tints)], self::cups($asked, $volume, $perCup),
            self::hands($asked, $volume, $perCup),
        );
    }

    private static function mass(BrushedMouldRequest $asked, float $ml): Grams
    {
        return Grams::of($ml * $asked->density->gPerMl * (1.0 + $asked->loss));
    }

    private static function cups(BrushedMouldRequest $asked, float $ml, float $perCup): int
    {
        return max(1, (int) ceil($ml * (1.0 + $asked->loss) / $perCup - 1e-9));
    }

    private static function hands(BrushedMouldRequest $asked, float $ml, float $perCup): float
    {
        return self::cups($asked, $ml, $perCup) * $asked->mix + $ml * (1.0 + $asked->loss) / $asked->brush;
    }

    /**
     * @param  list<Coat>  $coats
     * @return list<DayOperation>
     */
    private function operations(BrushedMouldRequest $asked, array $coats, float $keyHands): array
    {
        $operations = $asked->keys === null ? [] : [new DayOperation('keys', $keyHands, [DayOperation::HANDS])];
        $before = null;
        foreach ($coats as $i => $coat) {
            $after = $before === null
                ? []
                : [new After($before, $asked->time(Milestone::RecoatOpen), $asked->time(Milestone::RecoatClose))];
            if ($i === count($coats) - 1 && $asked->keys !== null) {
                $after[] = new After('keys', $asked->keys['set_min']);
            }
            $before = $i === 0 ? 'print' : 'coat'.($i + 1);
            $operations[] = new DayOperation($before, $coat->hands, [DayOperation::HANDS], $after);
        }
        if ($asked->jacket !== null) {
            $operations[] = new DayOperation('jacket', $asked->jacket['hands_min'], [DayOperation::HANDS], [
                new After((string) $before, $asked->jacket['wait_min']),
            ]);
        }

        return $operations;
    }

    /**
     * @param  non-empty-list<Coat>  $coats
     * @return \Generator<Warning>
     */
    private function warnings(BrushedMouldRequest $asked, array $coats): \Generator
    {
        $window = $asked->time(Milestone::RecoatClose) - $asked->time(Milestone::RecoatOpen);
        $longest = max(array_map(static fn (Coat $coat): float => $coat->hands, $coats));
        if ($longest > $window) {
            yield new Warning('window_shut', Phrase::of('build.window_shut', [
                'hands' => Quantity::duration($longest), 'window' => Quantity::duration($window),
            ]));
        }
        if ($asked->wall() > self::PEELS_MM) {
            yield new Warning('too_thick', Phrase::of('build.too_thick', [
                'wall' => Quantity::length($asked->wall()), 'most' => Quantity::length(self::PEELS_MM),
            ]));
        } elseif ($coats[1]->thickness > self::SAGS_MM) {
            yield new Warning('too_thick', Phrase::of('build.sags', [
                'coat' => Quantity::length($coats[1]->thickness), 'most' => Quantity::length(self::SAGS_MM),
            ]));
        }
        if (count(array_unique($asked->tints)) < 2) {
            yield new Warning('one_tint', Phrase::of('build.one_tint'));
        }
        $cups = max(array_map(static fn (Coat $coat): int => $coat->cups, $coats));
        if ($cups > self::MANY_CUPS) {
            yield new Warning('many_cups', Phrase::of('build.many_cups', ['cups' => $cups]));
        }
    }
}

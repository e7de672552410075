<?php

declare(strict_types=1);

namespace Apalos\Core\Cost;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/**
 * What a piece costs: each line is price/mass × used × (1 + waste), rounded to the cent; moulds wear by the cast; whole kits are bought
 * beyond what is on hand, for what is still to be cast (`casts` less `done`). A piece bears those that came out bad.
 */
final class Costing
{
    private const MOST_CASTS = 1_000_000;

    private const MOST_NUMBERS = 8;

    /** A thousand tons: a wish, and no number. */
    private const MOST_G = 1e9;

    private const THIS = 'this';

    /**
     * @return array{
     *     lines: list<array{name: string, cost: string, kits: int, cash: string}>, mould: string, labour: string, other: string,
     *     total: string, per_piece: string, cash: string, shares: array{materials: float, mould: float, labour: float, other: float},
     *     break_even: array{pieces: int|null, cheaper_below: string, cheaper_above: string, fixed: string, each: string}|null,
     *     currency: string, warnings: list<array{code: string, message: Phrase}>,
     *     numbers?: list<array{
     *         casts: int, per_piece: string, total: string, cash: string, used_g: float, min: float, moulds: int, kits: int,
     *         fixed: string, running: string,
     *     }>,
     * }
     *
     * @throws BadInput
     */
    public function ask(Fields $in): array
    {
        $in->only('currency', 'casts', 'done', 'reject_pct', 'materials', 'moulds', 'labour', 'other', 'against', 'numbers');
        $currency = $in->text('currency');
        if (preg_match('/^[A-Z]{3}$/', $currency) !== 1) {
            throw BadInput::at($in->at('currency'), Phrase::of('cost.no_currency'));
        }
        $casts = $in->number('casts', 1.0, self::MOST_CASTS);
        $rejects = $in->numberOrNull('reject_pct', 0.0, 99.0) ?? 0.0;
        // What is cast already was bought already.
        $toCome = 1.0 - ($in->numberOrNull('done', 0.0, $casts) ?? 0.0) / $casts;
        $lines = $materials = [];
        $cash = Money::none();
        $stuff = Money::none();
        foreach ($in->objects('materials') as $material) {
            [$line, $cost, $paid] = $this->material($material, $toCome);
            $lines[] = $line;
            $materials[] = $cost;
            $stuff = $stuff->plus($cost);
            $cash = $cash->plus($paid);
        }
        [$mould, $worth] = $this->moulds($in, $casts);
        $labour = $this->sum(
            $in, 'labour',
            static fn (Fields $one): Money => Money::written(
                $one->only('what', 'min', 'hour_rate'), 'hour_rate',
            )->times($one->number('min'))->over(60),
        );
        $other = $this->sum($in, 'other', static fn (Fields $one): Money => Money::written($one->only('name', 'price'), 'price'));
        $total = $stuff->plus($mould)->plus($labour)->plus($other);
        $good = $casts * (1.0 - $rejects / 100.0);
        $warnings = $materials === [] ? [new Warning('no_materials', Phrase::of('cost.no_materials'))] : [];

        return [
            'lines' => $lines, 'mould' => $mould->toString(), 'labour' => $labour->toString(), 'other' => $other->toString(),
            'total' => $total->toString(),
            'per_piece' => $total->over($good)->toString(), 'cash' => $cash->plus($other)->toString(),
            'shares' => [
                'materials' => $stuff->shareOf($total), 'mould' => $mould->shareOf($total), 'labour' => $labour->shareOf($total),
                'other' => $other->shareOf($total),
            ],
            'break_even' => $in->has('against') ? $this->against($in->object('against'), $worth, $total->minus($mould)->over($good)) : null,
            'currency' => $currency, 'warnings' => Warning::all($warnings),
            ...($in->has('numbers') ? ['numbers' => $this->numbers($in, $casts)] : []),
        ];
    }

    /**
     * Other numbers of the same beside each other: grams and hands grow with the pieces, moulds wear by the cast, other things are had
     * once.
     * `fixed` is what stands before the first piece, whole moulds and other things; `running` what each good one then takes.
     *
     * @return list<array{
     *     casts: int, per_piece: string, total: string, cash: string, used_g: float, min: float, moulds: int, kits: int, fixed: string,
     *     running: string,
     * }>
     */
    private function numbers(Fields $in, float $casts): array
    {
        $asked = $in->toArray();
        unset($asked['numbers'], $asked['against']);
        $numbers = is_array($list = $in->toArray()['numbers']) ? array_values($list) : [];
        if (count($numbers) > self::MOST_NUMBERS) {
            throw BadInput::at($in->at('numbers'), Phrase::of('cost.too_many_numbers', ['most' => self::MOST_NUMBERS]));
        }
        $each = [];
        foreach (array_keys($numbers) as $i) {
            $number = Fields::of($numbers, $in->at('numbers'))->number((string) $i, 1.0, self::MOST_CASTS);
            $times = $number / $casts;
            $scaled = $asked;
            $scaled['casts'] = $number;
            $scaled['done'] = min($number, $in->numberOrNull('done', 0.0, $casts) ?? 0.0);
            $scaled['materials'] = array_map(
                static fn (Fields $one): array => [...$one->toArray(), 'used_g' => $one->number('used_g', 0.0, self::MOST_G) * $times],
                $in->objects('materials'),
            );
            $scaled['labour'] = array_map(
                static fn (Fields $one): array => [...$one->toArray(), 'min' => $one->number('min') * $times], $in->objects('labour'),
            );
            $answer = $this->ask(Fields::of($scaled, $in->at('numbers')));
            [$whole, $moulds] = $this->wholeMoulds($in, $number);
            $good = $number * (1.0 - ($in->numberOrNull('reject_pct', 0.0, 99.0) ?? 0.0) / 100.0);
            $of = static fn (string $key): Money => Money::written(Fields::of($answer), $key);
            $running = $of('total')->minus($of('mould'))->minus($of('other'))->over($good);
            $each[] = [
                'casts' => (int) round($number), 'per_piece' => $answer['per_piece'], 'total' => $answer['total'],
                'cash' => $answer['cash'],
                'used_g' => array_sum(
                    array_map(
                        static fn (Fields $one): float => $one->number(
                            'used_g', 0.0, self::MOST_G,
                        ) * (1.0 + ($one->numberOrNull('waste_pct', 0.0, 500.0) ?? 0.0) / 100.0),
                        $in->objects('materials'),
                    ),
                ) * $times,
                'min' => array_sum(array_map(static fn (Fields $one): float => $one->number('min'), $in->objects('labour'))) * $times,
                'moulds' => $moulds, 'kits' => array_sum(array_column($answer['lines'], 'kits')),
                'fixed' => $whole->plus($of('other'))->toString(), 'running' => $running->toString(),
            ];
        }

        return $each;
    }

    /** @return array{Money, int} what the moulds cost that so many casts take, whole, and how many there are */
    private function wholeMoulds(Fields $in, float $casts): array
    {
        [$cost, $count] = [Money::none(), 0];
        foreach ($in->objects('moulds') as $mould) {
            $many = (int) ceil($casts / $mould->number('life_casts', 1.0, self::MOST_CASTS) - 1e-9);
            $count += $many;
            $cost = $cost->plus(Money::written($mould, 'cost')->times($many)->cents());
        }

        return [$cost, $count];
    }

    /**
     * @param  float  $toCome  the share of it that is still to be used
     * @return array{array{name: string, cost: string, kits: int, cash: string}, Money, Money}
     */
    private function material(Fields $in, float $toCome): array
    {
        $in->only('name', 'used_g', 'waste_pct', 'on_hand_g', 'kit');
        $kit = $in->object('kit')->only('price', 'mass_g');
        $price = Money::written($kit, 'price');
        $mass = $kit->positive('mass_g');
        $needed = $in->number('used_g', 0.0, self::MOST_G) * (1.0 + ($in->numberOrNull('waste_pct', 0.0, 500.0) ?? 0.0) / 100.0);
        $cost = $price->times($needed)->over($mass)->cents();
        $kits = (int) max(0.0, ceil(($needed * $toCome - ($in->numberOrNull('on_hand_g') ?? 0.0)) / $mass - 1e-9));
        $paid = $price->times($kits);

        return [['name' => $in->text('name'), 'cost' => $cost->toString(), 'kits' => $kits, 'cash' => $paid->toString()], $cost, $paid];
    }

    /** @return array{Money, Money} what these casts wear off, and what the moulds are worth whole */
    private function moulds(Fields $in, float $casts): array
    {
        $worn = $worth = Money::none();
        foreach ($in->objects('moulds') as $mould) {
            $mould->only('name', 'cost', 'life_casts');
            $cost = Money::written($mould, 'cost');
            $worth = $worth->plus($cost);
            $worn = $worn->plus($cost->times($casts)->over($mould->number('life_casts', 1.0, self::MOST_CASTS))->cents());
        }

        return [$worn, $worth];
    }

    /** @param  callable(Fields): Money  $price */
    private function sum(Fields $in, string $key, callable $price): Money
    {
        $sum = Money::none();
        foreach ($in->objects($key) as $one) {
            $sum = $sum->plus($price($one)->cents());
        }

        return $sum;
    }

    /**
     * Another way of making the same thing: so much before the first piece, so much for each. Where the lines cross.
     *
     * @return array{pieces: int|null, cheaper_below: string, cheaper_above: string, fixed: string, each: string} and what this way costs
     *   before the first piece, and for each
     */
    private function against(Fields $in, Money $fixed, Money $each): array
    {
        $in->only('name', 'fixed', 'each');
        $name = $in->text('name');
        $theirs = Money::written($in, 'fixed');
        $theirEach = Money::written($in, 'each');
        [$cheaperEach, $dearerEach] = [$theirEach->isMoreThan($each), $each->isMoreThan($theirEach)];
        [$cheaperFirst, $dearerFirst] = [$theirs->isMoreThan($fixed), $fixed->isMoreThan($theirs)];
        // One that costs no more at first and no more a piece is never the dearer.
        $never = $dearerEach || (! $cheaperEach && $dearerFirst) ? $name : self::THIS;

        $own = ['fixed' => $fixed->toString(), 'each' => $each->toString()];

        return $own + match (true) {
            $cheaperEach
                && $dearerFirst => [
                    'pieces' => (int) ceil($fixed->minus($theirs)->per($theirEach->minus($each))), 'cheaper_below' => $name,
                    'cheaper_above' => self::THIS,
                ],
            $dearerEach
                && $cheaperFirst => [
                    'pieces' => (int) ceil($theirs->minus($fixed)->per($each->minus($theirEach))), 'cheaper_below' => self::THIS,
                    'cheaper_above' => $name,
                ],
            default => ['pieces' => null, 'cheaper_below' => $never, 'cheaper_above' => $never],
        };
    }
}

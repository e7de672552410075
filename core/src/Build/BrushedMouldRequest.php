<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Minutes;

/** A mould that is brushed on in coats: what it covers, how thick it may be, and how its rubber behaves. */
final readonly class BrushedMouldRequest
{
    /** A brush leaves no thinner coat than this, in mm. */
    public const BRUSH_LEAVES_MM = 0.2;

    /** No coat holds thicker than this on an upright wall, however much thickener is in it, in mm. */
    public const HOLDS_MM = 8.0;

    /**
     * @param  float  $area  mm², without the flange
     * @param  float  $flange  mm²
     * @param  float  $least  of the wall, mm
     * @param  float  $most  of the wall, mm
     * @param  float  $print  thickness of the first coat, mm
     * @param  float  $coat  the most a thick coat is laid on, mm
     * @param  float  $fill  ml of undercuts filled with the first thick coat
     * @param  float  $loss  what stays in cup and brush, 0–1
     * @param  array<value-of<Milestone>, Minutes>  $times  of the rubber, in this room
     * @param  float  $mix  minutes a cup
     * @param  float  $brush  ml a minute
     * @param  float  $thickener  % of A+B, in the thick coats
     * @param  list<string>  $tints  going round
     * @param  array{count: int, each_ml: float, set_min: float}|null  $keys
     * @param  array{wait_min: float, hands_min: float}|null  $jacket
     */
    private function __construct(
        public float $area,
        public float $flange,
        public float $least,
        public float $most,
        public float $print,
        public float $coat,
        public float $fill,
        public float $loss,
        public Density $density,
        public array $times,
        public float $mix,
        public float $brush,
        public float $thickener,
        public array $tints,
        public ?array $keys,
        public ?array $jacket,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only(
            'area_mm2', 'flange_mm2', 'thickness_mm', 'print_mm', 'coat_mm', 'fill_ml', 'loss_pct', 'sg', 'times', 'mix_min',
            'brush_ml_per_min', 'thickener_pct_of_ab', 'tints', 'keys', 'jacket',
        );
        $thickness = $in->object('thickness_mm')->only('least', 'most');
        $least = $thickness->positive('least', 500.0);
        $most = $thickness->number('most', $least, 500.0);
        $print = self::brushed($in, 'print_mm');
        $coat = self::brushed($in, 'coat_mm');
        if ($print >= ($least + $most) / 2.0) {
            throw BadInput::at($in->at('print_mm'), Phrase::of('build.print_is_all', [
                'print' => Quantity::length($print), 'wall' => Quantity::length(($least + $most) / 2.0),
            ]));
        }
        $keys = $in->objectOrNull('keys')?->only('count', 'each_ml', 'set_min');
        $jacket = $in->objectOrNull('jacket')?->only('wait_min', 'hands_min');

        return new self(
            $in->positive('area_mm2', 1e8), $in->numberOrNull('flange_mm2', 0.0, 1e8) ?? 0.0, $least, $most, $print, $coat,
            $in->numberOrNull('fill_ml') ?? 0.0, ($in->numberOrNull('loss_pct', 0.0, 300.0) ?? 0.0) / 100.0,
            Density::of($in->positive('sg', 25.0)), self::times($in->object('times')),
            $in->number('mix_min', 0.0, 600.0), $in->positive('brush_ml_per_min'),
            $in->numberOrNull('thickener_pct_of_ab', 0.0, 50.0) ?? 0.0, $in->strings('tints'),
            $keys === null
                ? null
                : ['count' => self::whole($keys, 'count'), 'each_ml' => $keys->positive('each_ml'), 'set_min' => $keys->number('set_min')],
            $jacket === null
                ? null
                : ['wait_min' => $jacket->number('wait_min'), 'hands_min' => $jacket->number('hands_min', 0.0, 10_000.0)],
        );
    }

    public function wall(): float
    {
        return ($this->least + $this->most) / 2.0;
    }

    public function time(Milestone $milestone): float
    {
        return $this->times[$milestone->value]->min;
    }

    private static function whole(Fields $in, string $key): int
    {
        $count = $in->number($key, 1.0, 1000.0);
        if (floor($count) !== $count) {
            throw BadInput::at($in->at($key), Phrase::of('build.whole_keys'));
        }

        return (int) $count;
    }

    private static function brushed(Fields $in, string $key): float
    {
        $mm = $in->positive($key, 500.0);
        if ($mm < self::BRUSH_LEAVES_MM) {
            throw BadInput::at($in->at($key), Phrase::of('build.thinner_than_a_brush', [
                'thickness' => Quantity::length($mm), 'least' => Quantity::length(self::BRUSH_LEAVES_MM),
            ]));
        }
        if ($mm > self::HOLDS_MM) {
            throw BadInput::at($in->at($key), Phrase::of('build.runs_off', [
                'thickness' => Quantity::length($mm), 'most' => Quantity::length(self::HOLDS_MM),
            ]));
        }

        return $mm;
    }

    /** @return array<value-of<Milestone>, Minutes> */
    private static function times(Fields $in): array
    {
        $times = [];
        foreach (Milestone::cases() as $milestone) {
            $isNeeded = in_array($milestone, [Milestone::PotLife, Milestone::RecoatOpen, Milestone::RecoatClose], true);
            $minutes = $isNeeded ? $in->positive($milestone->value) : $in->positiveOrNull($milestone->value);
            if ($minutes !== null) {
                $times[$milestone->value] = Minutes::of($minutes);
            }
        }
        $in->only(...array_map(static fn (Milestone $milestone): string => $milestone->value, Milestone::cases()));
        [$opens, $shuts] = [$in->positive('recoat_open_min'), $in->positive('recoat_close_min')];
        if ($shuts <= $opens) {
            throw BadInput::at($in->at('recoat_close_min'), Phrase::of('build.window_shuts_first', [
                'opens' => Quantity::duration($opens), 'shuts' => Quantity::duration($shuts),
            ]));
        }

        return $times;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Contact\Intent;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Minutes;

/** A build one can take as it is: shipped in the library, or kept by the shop from one it made. */
final readonly class ReadyMade
{
    private const ORDINALS = ['Print', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth', 'Seventh', 'Eighth', 'Ninth', 'Tenth'];

    /**
     * @param  list<string>  $makes  kinds of links it builds
     * @param  list<string>  $asks  what has to be measured or said: area, flange, fill, wall, ml; of what box walls and bed are
     */
    private function __construct(
        public string $id,
        public string $name,
        public array $makes,
        public string $what,
        public array $asks,
        public ?string $base,
        private ?Fields $brushed,
        private Fields $in,
    ) {}

    public static function from(string $id, Fields $in): self
    {
        $in->only('name', 'makes', 'what', 'asks', 'base', 'brushed', 'operations');

        return new self(
            $id, $in->text('name'), $in->strings('makes'), $in->text('what'), $in->strings('asks'), $in->textOrNull('base'),
            $in->objectOrNull('brushed'), $in,
        );
    }

    /**
     * The operations for a piece so large.
     *
     * @param  BaseSheet|null  $base  what the impression is made of
     * @param  array<value-of<Milestone>, Minutes>  $times  of that base, in this room
     *
     * @throws BadInput where a measure is missing or the base cannot be brushed
     */
    public function plan(Measured $measured, ?BaseSheet $base, array $times): BuildPlan
    {
        if (in_array('area', $this->asks, true) && $measured->area === null) {
            throw BadInput::at('area_mm2', Phrase::of('build.area_missing'));
        }
        $coats = $this->brushed === null ? [] : $this->coats($this->brushed, $measured, $base, $times);
        $last = $coats === [] ? null : $coats[count($coats) - 1]['id'];
        $operations = [];
        foreach ($this->in->objects('operations', BuildPlan::MOST_OPERATIONS) as $operation) {
            if ($operation->has('coats')) {
                $operations = [...$operations, ...self::firstAfter($coats, $operation)];
            } else {
                $operations[] = self::written($operation, $measured, $last);
            }
        }

        return BuildPlan::from(Fields::of([
            'operations' => $operations, ...(($said = $measured->toArray()) === [] ? [] : ['measured' => $said]),
        ]));
    }

    /** @return array<array-key, mixed> */
    private static function written(Fields $in, Measured $measured, ?string $last): array
    {
        $operation = $in->toArray();
        $mix = $in->objectOrNull('mix')?->toArray();
        if ($mix !== null) {
            // All of what was measured, or its own share: of two shells each has its half.
            $share = is_numeric($mix['area'] ?? null) ? (float) $mix['area'] : (($mix['area'] ?? null) === true ? 1.0 : null);
            if ($share !== null) {
                $mix['area_mm2'] = $measured->covered() === null ? null : $share * $measured->covered();
            }
            if (is_numeric($mix['share'] ?? null)) {
                $mix['ml'] = $measured->ml === null ? null : round($measured->ml * (float) $mix['share'], 3);
            }
            unset($mix['area'], $mix['share']);
            $operation['mix'] = $mix;
        }
        $operation['after'] = array_map(
            static fn (Fields $wait): array => $wait->text('op') === 'last-coat'
                ? [...$wait->toArray(), 'op' => $last ?? 'last-coat']
                : $wait->toArray(),
            $in->objects('after', 20),
        );

        return $operation;
    }

    /**
     * @param  list<array<string, mixed>>  $coats
     * @return list<array<string, mixed>>
     */
    private static function firstAfter(array $coats, Fields $placeholder): array
    {
        $after = array_map(static fn (Fields $wait): array => $wait->toArray(), $placeholder->objects('after', 20));

        return array_map(static fn (array $coat): array => $coat['id'] === 'print' ? [...$coat, 'after' => $after] : $coat, $coats);
    }

    /**
     * @param  array<value-of<Milestone>, Minutes>  $times
     * @return list<array{id: string, ...}>
     */
    private function coats(Fields $brushed, Measured $measured, ?BaseSheet $base, array $times): array
    {
        if (
            $base === null
            || ! isset($times[Milestone::RecoatOpen->value], $times[Milestone::RecoatClose->value], $times[Milestone::PotLife->value])
        ) {
            throw BadInput::at('base', Phrase::of('build.not_for_brushing', ['name' => $base->name ?? 'What this link is made of']));
        }
        $numbers = $brushed->toArray();
        $keys = $brushed->objectOrNull('keys');
        $how = $brushed->object('how');
        unset($numbers['how']);
        $mould = (new BrushedMould)->plan(BrushedMouldRequest::from(Fields::of([
            ...$numbers, 'area_mm2' => $measured->area, 'flange_mm2' => $measured->flange, 'fill_ml' => $measured->fill,
            'thickness_mm' => $measured->wall ?? $numbers['thickness_mm'] ?? null,
            'sg' => $base->density()->gPerMl, 'times' => array_map(static fn (Minutes $minutes): float => $minutes->min, $times),
            'jacket' => null,
        ])));
        $operations = [];
        if ($keys !== null && $mould->keys !== null) {
            $operations[] = [
                'id' => 'keys', 'kind' => 'keys', 'name' => 'Cast the keys ahead', 'minutes' => round($mould->operations[0]->minutes, 1),
                'mix' => ['against' => Against::Tray->value, 'ml' => $mould->keys->ml], 'how' => $how->textOrNull('keys'),
            ];
        }
        $before = null;
        foreach ($mould->coats as $i => $coat) {
            $id = $i === 0 ? 'print' : 'coat'.($i + 1);
            $after = $before === null ? [] : [['op' => $before, 'from' => 'recoat_open', 'until' => 'recoat_close']];
            if ($keys !== null && $i === count($mould->coats) - 1) {
                $after[] = ['op' => 'keys', 'from' => $keys->number('set_min')];
            }
            $operations[] = [
                'id' => $id, 'kind' => 'coat', 'name' => (self::ORDINALS[$i] ?? ($i + 1).'th').' coat', 'minutes' => round($coat->hands, 1),
                'after' => $after,
                'mix' => array_filter([
                    'against' => $i === 0 ? Against::Original->value : Against::Last->value,
                    'intent' => $i === 0 ? Intent::Separate->value : Intent::Bond->value, 'thickness_mm' => round($coat->thickness, 3),
                    'area_mm2' => $measured->covered(), 'ml' => $i === 1 ? ($measured->fill ?: null) : null,
                    'thickener_pct' => $i === 0 ? null : $brushed->numberOrNull('thickener_pct_of_ab'), 'tint' => $coat->tint,
                ], static fn (mixed $value): bool => $value !== null),
                'how' => $how->textOrNull($i === 0 ? 'print' : ($i === 1 ? 'first' : 'more')),
            ];
            $before = $id;
        }

        return $operations;
    }
}

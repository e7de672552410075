<?php

declare(strict_types=1);

namespace Apalos\Core\Sheet;

use Apalos\Core\Contact\Family;
use Apalos\Core\Contact\Surface;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveRole;

/**
 * Makes of a sheet as a maker wrote it one that can be reckoned with. What was left open is listed in it under `left_open`, so that
 * every answer that leans on a stand-in can say so; a stand-in is what such materials usually have, never a figure of this one.
 */
final readonly class Completion
{
    /** A per cent an additive is drawn up to where its sheet names no limit. */
    private const DRAWN_TO_PCT = 100.0;

    /**
     * @param  Fields  $usual  as read from `library/usual.yaml`
     * @param  array<string, Family>  $families
     * @param  array<string, Surface>  $surfaces
     */
    public function __construct(private Fields $usual, private array $families, private array $surfaces) {}

    /**
     * @param  array<string, mixed>  $sheet  as {@see SheetForm::read} gives it
     * @return array<string, mixed> as `library/` would hold it, with `left_open`
     */
    public function of(array $sheet): array
    {
        return match (SheetKind::from(Fields::of($sheet)->text('kind'))) {
            SheetKind::Base => $this->base($sheet),
            SheetKind::Additive => $this->additive($sheet),
            SheetKind::Release => $this->release($sheet),
            SheetKind::Sealer => $sheet + ['test_under' => ['silicone-platinum'], 'hazards' => []],
            SheetKind::Surface => $this->surface($sheet),
        };
    }

    /**
     * @param  array<string, mixed>  $sheet
     * @return array<string, mixed>
     */
    private function base(array $sheet): array
    {
        $in = Fields::of($sheet);
        $family = $this->families[$in->text('family')] ?? null;
        $ratio = $in->objectOrNull('ratio')?->toArray();
        $parts = $in->objectOrNull('part_names')?->toArray() ?? [];
        $onePart = $in->objectOrNull('ratio')?->numberOrNull('b') === 0.0;
        $sg = $in->objectOrNull('sg');
        $known = $sg !== null && ($sg->has('mixed') || ($sg->has('a') && ($sg->has('b') || $onePart)));
        $hazards = [...($family->hazards ?? []), ...$in->strings('hazards')];
        $times = $in->objectOrNull('times')?->toArray() ?? [];
        $heats = $family !== null && in_array('clinging', $family->groups, true);
        $open = array_values(array_filter([
            $known ? null : 'sg',
            $heats && ! $in->has('alpha') ? 'alpha' : null,
            ...array_map(static fn (string $time): ?string => isset($times[$time]) ? null : $time, [
                'pot_life_min', 'demould_min', 'recoat_open_min', 'recoat_close_min', 'service_min',
            ]),
            ...array_map(static fn (string $key): ?string => $in->has($key) ? null : $key, [
                'ref_c', 'q10', 'hardness', 'elongation_pct', 'skin_safe', 'vacuum',
            ]),
        ]));

        return [
            ...$sheet,
            'ratio' => $ratio === null ? ['by' => 'volume', ...($in->object('ratio_volume')->toArray())] : ['by' => 'weight', ...$ratio],
            'part_names' => ['a' => $parts['a'] ?? 'A', ...($onePart ? [] : ['b' => $parts['b'] ?? 'B'])],
            'sg' => [
                'a' => $sg?->numberOrNull('a'), 'b' => $sg?->numberOrNull('b'),
                'mixed' => $sg?->numberOrNull('mixed')
                    ?? ($known ? null : $this->usual->object('density')->numberOrNull($in->text('family'))),
            ],
            'times' => $times, 'ref_c' => $in->numberOrNull('ref_c') ?? $this->usual->number('reference_c'),
            'q10' => $in->numberOrNull('q10'), 'alpha' => $in->numberOrNull('alpha') ?? 0.0,
            'hardness' => $in->objectOrNull('hardness')?->toArray(), 'limits' => $sheet['limits'] ?? [],
            'hazards' => array_values(array_unique($hazards)), 'left_open' => $open,
        ] + [
            'summary' => '', 'colour' => $this->usual->text('colour'), 'pour_first' => 'b', 'measured_by_volume_ok' => false,
            'vacuum' => 'optional', 'brushed' => false,
            'moisture_sensitive' => false, 'skin_safe' => false, 'measured' => [], 'typical' => [], 'notes' => '',
        ];
    }

    /**
     * @param  array<string, mixed>  $sheet
     * @return array<string, mixed>
     */
    private function additive(array $sheet): array
    {
        $in = Fields::of($sheet);
        $softens = $in->choice('role', AdditiveRole::class)->isSoftener();
        $open = array_values(array_filter([
            $in->has('sg') ? null : 'sg', $in->has('max') ? null : 'max', ! $softens || $in->has('softening') ? null : 'softening',
        ]));

        return [
            ...$sheet,
            ...($softens && ! $in->has('softening') ? ['softening' => $this->usual->object('softening')->toArray()] : []),
            'left_open' => $open, 'typical' => in_array('softening', $open, true) ? ['softening'] : [],
        ] + [
            'summary' => '', 'colour' => $this->usual->text('colour'), 'sg' => 1.0, 'max' => self::DRAWN_TO_PCT, 'hazards' => [],
            'measured' => [], 'notes' => '',
        ];
    }

    /**
     * @param  array<string, mixed>  $sheet
     * @return array<string, mixed>
     */
    private function release(array $sheet): array
    {
        $in = Fields::of($sheet);

        return [...$sheet, 'hides' => (int) ($in->textOrNull('hides') ?? '1')]
            + [
                'never' => [], 'porous_after_min' => $in->number('after_min'), 'every' => 1, 'skin_safe' => false, 'paint' => 'wash',
                'cost' => 0.0, 'vapour' => true, 'sure' => 'usual', 'hazards' => [],
            ];
    }

    /**
     * @param  array<string, mixed>  $sheet
     * @return array<string, mixed> with the groups of what it behaves like
     */
    private function surface(array $sheet): array
    {
        $like = [];
        foreach (Fields::of($sheet)->strings('like') as $id) {
            $like = [...$like, $id, ...($this->surfaces[$id]->groups ?? [])];
        }

        return [
            ...$sheet, 'like' => $like === [] ? [Surface::UNKNOWN] : array_values(array_unique($like)),
            'porous' => (bool) ($sheet['porous'] ?? true),
        ];
    }
}

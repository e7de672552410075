<?php

declare(strict_types=1);

namespace Database\Seeders;

use Apalos\Core\Input\Fields;
use Apalos\Core\Run\Grade;
use App\Facts\AppendFact;
use App\Faults\PlanTrial;
use App\Faults\TrialStreams;
use App\Models\Impression;
use App\Models\Kit;
use App\Models\Lot;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\Trial;
use App\Models\WaitingThing;
use App\Models\Workshop;
use App\Moulds\MouldStreams;
use App\Moulds\PutOnRack;
use App\Stock\LotStreams;
use App\Stock\TakeLotIn;
use Carbon\CarbonImmutable;

/** What the invented workshop keeps: kits on the shelf, moulds on the rack, what it found behind its failures, a trial. */
final class DemoKeeping
{
    /** Days ago it came, days ago it was opened, days from now it is best before, price, grams by part. */
    private const KITS = [
        'pr-10' => [[92, 90, 160, '64.00', [2_000, 2_000]]],
        'pr-25' => [[95, 60, 200, '118.00', [3_000, 3_000]], [20, null, 320, '121.50', [3_000, 3_000]]],
        'pr-40' => [[95, 88, 120, '72.00', [2_000, 2_000]], [40, 33, 280, '74.50', [1_800, 1_800]]],
        'pg-30' => [[95, 90, -12, '58.40', [1_500, 1_500]], [30, 24, 240, '58.40', [1_500, 1_500]]],
        'ur-35' => [[95, 30, 60, '41.00', [1_200, 1_200]]], 'tr-25' => [[95, 62, 90, '39.90', [3_000, 300]]],
        'hv-08' => [[95, 84, 400, '24.80', [9_000]]], 'cp-70' => [[95, 77, 200, '11.50', [10_000]]],
        'sf-1' => [[95, 90, 300, '21.00', [1_800]]], 'rf-70' => [[95, 80, 45, '33.00', [1_000, 1_000]]],
        'br-28' => [[60, null, 250, '66.00', [900, 900]]],
    ];

    private const REORDER = ['pr-10' => 900, 'pr-25' => 1_500, 'pg-30' => 800, 'ur-35' => 600, 'hv-08' => 2_000];

    private int $fact = 0;

    public function __construct(
        private readonly TakeLotIn $take,
        private readonly AppendFact $append,
        private readonly PutOnRack $rack,
        private readonly PlanTrial $plan,
        private readonly Hands $hands,
    ) {}

    public function kits(Workshop $workshop, CarbonImmutable $now): void
    {
        $workshop->update(['hour_rate' => '22.00']);
        foreach (self::KITS as $code => $kits) {
            foreach ($kits as $i => [$came, $opened, $best, $price, $grams]) {
                $day = static fn (int $ago): string => $now->subDays($ago)->format('Y-m-d');
                ($this->take)(Fields::of([
                    'code' => $code, 'got_on' => $day($came), 'opened_on' => $opened === null ? null : $day($opened),
                    'best_before' => $now->addDays($best)->format('Y-m-d'), 'price' => $price,
                    'parts' => array_map(
                        static fn (int $g, int $n): array => [
                            'part' => ['A', 'B'][$n], 'grams' => $g,
                            'maker_number' => sprintf('%s-%02d%s', strtoupper($code), 40 + 7 * $i, ['A', 'B'][$n]),
                        ],
                        $grams, array_keys($grams),
                    ),
                ]), $now->subDays($came));
            }
        }
        foreach (self::REORDER as $code => $grams) {
            Kit::query()->create(['code' => $code, 'price' => null, 'mass_g' => null, 'reorder_g' => $grams]);
        }
        foreach ([
            'pi-lichen' => ['9.80', 60], 'pi-soot' => ['8.40', 60], 'pi-oxblood' => ['11.20', 60], 'pi-russet' => ['9.80', 60],
            'pi-fawn' => ['9.80', 60], 'pi-bone' => ['8.40', 60], 'pv-lichen' => ['6.90', 120], 'pv-soot' => ['5.80', 120],
            'pu-russet' => ['12.40', 100], 'pu-soot' => ['9.90', 100], 'pu-bone' => ['9.90', 100], 'fl-red' => ['6.50', 40],
            'vs-1' => ['14.90', 1_000],
        ] as $code => [$price, $grams]) {
            Kit::query()->create(['code' => $code, 'price' => $price, 'mass_g' => $grams, 'reorder_g' => null]);
        }
        foreach (['Key tray' => 12, 'Puck' => 18, 'Small frog' => 27.5, 'Wedge' => 9] as $name => $ml) {
            WaitingThing::query()->create(['name' => $name, 'ml' => $ml]);
        }
    }

    /** @param  array<string, Impression>  $links */
    public function rack(array $links, CarbonImmutable $now): void
    {
        // Three blocks of the crab before this one, of which two wore out.
        foreach ([
            ['First crab block', 52, 'worn'], ['Crab block of last spring', 37, 'worn'], ['Spare crab block', 44, null],
        ] as [$name, $casts, $why]) {
            $mould = ($this->rack)(
                Fields::of(['name' => $name, 'material' => 'pr-40', 'casting' => 'hv-08', 'casts' => $casts, 'place' => 'Shelf 3, left']),
                $now->subDays(86),
            );
            $why === null
                ? $this->tell($mould, 'looked', ['condition' => 'gloss_gone', 'marks' => []], $now->subDays(20))
                : $this->tell($mould, 'retired', ['why' => $why], $now->subDays(85));
        }
        foreach ([
            'Dune crab/Open block' => ['Shelf 3, left', 'gloss_gone', ['washed', 'dried'], 14],
            'Practice forearm/Tray' => ['Under the bench', 'fresh', ['stored'], 0],
            'Owl brow/Plaster mould' => ['Drying rack', 'pits', ['dried'], 9],
            'Hatch gasket/Flat mould' => ['Shelf 1', 'fresh', ['washed', 'dried', 'released'], 0],
        ] as $link => [$place, $condition, $care, $before]) {
            $mould = Mould::query()->where('impression_id', $links[$link]->id)->orderByDesc('id')->first();
            if ($mould === null) {
                continue;
            }
            $before === 0 || $this->tell($mould, 'counted', ['casts' => $before], $now->subDays(30));
            $this->tell($mould, 'placed', ['place' => $place], $now->subDays(25));
            $this->tell(
                $mould, 'looked', ['condition' => $condition, 'marks' => $condition === 'pits' ? ['torn_key'] : []], $now->subDays(8),
            );
            foreach ($care as $i => $act) {
                $this->tell($mould, 'cared', ['act' => $act], $now->subDays(2)->addMinutes(10 * $i));
            }
        }
        $links['Hatch gasket/Old gasket']->update(['gone_at' => $now->subDays(41)]);
        $lot = Lot::query()->where('code', 'ur-35')->firstOrFail();
        ($this->append)(
            app(LotStreams::class), $lot->id,
            Fields::of(['key' => 'demo-lot', 'kind' => 'doubted', 'payload' => ['what' => 'lid_off']]), $now->subDays(6),
        );
    }

    public function found(CarbonImmutable $now): void
    {
        foreach ([
            'sticky' => 'inhibited', 'soft-spots' => 'under-mixed', 'bubbles' => 'overheated', 'colour-off' => 'pigment-by-eye',
        ] as $fault => $cause) {
            $pour = Pour::query()
                ->whereIn('grade', [Grade::Spoilt, Grade::Poor])
                ->whereJsonContains('faults', $fault)
                ->orderBy('id')
                ->first();
            $pour === null
                || $this->hands->do($pour, 'diagnosed', ['cause' => $cause, 'answers' => []], ($pour->graded_at ?? $now)->addMinutes(5));
        }
        $trial = ($this->plan)(
            Fields::of([
                'name' => 'Air out of the forearm gel', 'about' => 'air', 'base' => 'pg-30', 'cups' => 5, 'cup_g' => 25,
                'note' => 'One batch, fifteen cups, looked at against the window.',
                'variants' => [['name' => 'drawn out'], ['name' => 'pressed'], ['name' => 'left alone']],
            ]),
            $now->subDays(16),
        );
        foreach ([
            ['superb', 'good', 'superb', 'superb', 'good'], ['good', 'usable', 'usable', 'good', 'usable'],
            ['poor', 'poor', 'usable', 'spoilt', 'poor'],
        ] as $variant => $grades) {
            foreach ($grades as $cup => $grade) {
                $this->grade($trial, ['variant' => $variant, 'cup' => $cup, 'grade' => $grade], $now->subDays(15));
            }
        }
    }

    /** @param  array<string, mixed>  $payload */
    private function tell(Mould $mould, string $kind, array $payload, CarbonImmutable $at): void
    {
        ($this->append)(
            app(MouldStreams::class), $mould->id,
            Fields::of(['key' => 'demo-keep-'.(++$this->fact), 'kind' => $kind, 'payload' => $payload]), $at,
        );
    }

    /** @param  array<string, mixed>  $payload */
    private function grade(Trial $trial, array $payload, CarbonImmutable $at): void
    {
        ($this->append)(
            app(TrialStreams::class), $trial->id,
            Fields::of(['key' => 'demo-trial-'.(++$this->fact), 'kind' => 'graded', 'payload' => $payload]), $at,
        );
    }
}

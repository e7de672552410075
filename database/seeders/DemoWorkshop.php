<?php

declare(strict_types=1);

namespace Database\Seeders;

use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Celsius;
use App\Log\RecordedRun;
use App\Models\Impression;
use App\Models\Job;
use App\Models\Pour;
use App\Models\Workshop;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;

/**
 * An invented workshop with three months behind it and a busy bench in front: pours at every stage, all relative to the
 * moment of seeding. Everything is poured through the real actions, so that nothing stands here the application could not do.
 */
final class DemoWorkshop extends Seeder
{
    private const PAST_DAYS = 88;

    /** So long ago the bust was poured that its funnel can just be topped up. */
    private const BUST_AGO = 52;

    /** Links that give several pieces a pour. */
    private const PIECES = ['Dune crab/Crabs' => 6, 'Practice forearm/Skin sheets' => 2];

    private CarbonImmutable $now;

    private Workshop $workshop;

    private Hands $hands;

    private RoomTemperature $room;

    /** @var array<string, Impression> by job and link */
    private array $links = [];

    public function run(): void
    {
        mt_srand(2203);
        $this->now = CarbonImmutable::now()->startOfMinute();
        DB::transaction(function (): void {
            $this->workshop = Workshop::here();
            $this->workshop->update([
                'name' => 'Quillfeather Softworks', 'room_source' => 'thermometer', 'currency' => 'EUR', 'vacuum' => true,
                'set_up_at' => $this->now->subDays(120),
                'cups' => [
                    ['ml' => 350, 'tare_g' => 9.5], ['ml' => 750, 'tare_g' => 18], ['ml' => 1500, 'tare_g' => 45],
                    ['ml' => 5000, 'tare_g' => 160],
                ],
            ]);
            $this->room = new RoomTemperature($this->workshop);
            app()->instance(Workshop::class, $this->workshop);
            app()->instance(RoomTemperature::class, $this->room);
            app()->instance(DemoPeople::class, $people = new DemoPeople);
            $people->come($this->workshop, $this->now);
            $this->hands = app(Hands::class);
            foreach (require __DIR__.'/demo/jobs.php' as $job) {
                $this->job($job);
            }
            $drawer = app(DemoSwatches::class);
            $drawer->formulas($this->workshop, $this->now);
            $keeping = app(DemoKeeping::class);
            $keeping->kits($this->workshop, $this->now);
            $this->past();
            $keeping->rack($this->links, $this->now);
            $this->present();
            $drawer->swatches($this->workshop, $this->now);
            $keeping->found($this->now);
        });
    }

    /**
     * @param array{
     *     name: string, purpose: string, quantity: int, due_in_days: int|null, age_days: int,
     *     chain: list<array{
     *         0: string, 1: string, 2: string, 3: string,
     *         4?: array{surface?: string, role?: string, wall?: string, bed?: string, contacts?: array<string, array<string, string>>},
     *     }>,
     * }  $job
     */
    private function job(array $job): void
    {
        $made = $this->now->subDays($job['age_days']);
        $record = Job::query()->create([
            'workshop_id' => $this->workshop->id, 'name' => $job['name'], 'purpose' => $job['purpose'], 'quantity' => $job['quantity'],
            'due_on' => $job['due_in_days'] === null ? null : $this->now->addDays($job['due_in_days'])->toDateString(),
            'created_at' => $made, 'updated_at' => $made,
        ]);
        $keys = ['wall' => 'wall', 'bed' => 'bed'];
        foreach ($job['chain'] as $position => $link) {
            [$kind, $name, $material, $note] = $link;
            $more = $link[4] ?? [];
            $contacts = [];
            foreach ($more['contacts'] ?? [] as $with => $chosen) {
                $contacts[$keys[$with]] = $chosen;
            }
            $impression = $record->impressions()->create([
                ...$more, 'contacts' => $contacts, 'position' => $position, 'kind' => $kind, 'name' => $name, 'material' => $material,
                'note' => $note,
            ]);
            $keys[$name] = "link-{$impression->id}";
            $this->links["{$job['name']}/{$name}"] = $impression;
        }
    }

    /** Three months, day by day: the room breathes, some days something is poured, and now and then it goes wrong. */
    private function past(): void
    {
        /**
         * @var list<array{
         *     day: int, hour: float, link: string, sheet: array<string, mixed>, grade: string, faults: list<string>, used: float,
         *     note: string, slip?: array<string, float>,
         * }>  $log
         */
        $log = require __DIR__.'/demo/log.php';
        $byDay = [];
        foreach ($log as $entry) {
            $byDay[$entry['day']][] = $entry;
        }
        for ($day = self::PAST_DAYS; $day >= 1; $day--) {
            $morning = $this->now->subDays($day)->startOfDay()->addHours(8);
            $season = 20.5 - 2.2 * (self::PAST_DAYS - $day) / self::PAST_DAYS + mt_rand(-12, 12) / 10.0;
            $this->room->note(Celsius::of(round($season - 0.8, 1)), 'thermometer', $morning);
            $this->room->note(Celsius::of(round($season + 0.6, 1)), 'thermometer', $morning->addHours(4));
            foreach ($byDay[$day] ?? [] as $entry) {
                $this->poured($entry, $morning->addMinutes((int) (($entry['hour'] - 8.0) * 60)));
            }
        }
        $this->room->note(Celsius::of(19.4), 'thermometer', $this->now->subHours(11));
    }

    /**
     * @param array{
     *     day: int, hour: float, link: string, sheet: array<string, mixed>, grade: string, faults: list<string>, used: float,
     *     note: string, slip?: array<string, float>,
     * }  $entry
     */
    private function poured(array $entry, CarbonImmutable $at): void
    {
        $pour = $this->hands->plan($this->links[$entry['link']], $entry['sheet']);
        $at = $this->hands->pour($pour, $at, static fn (): bool => false, $entry['slip'] ?? []);
        $run = RecordedRun::of($pour->refresh());
        $ends = $run->potLifeEnds(app(CureClock::class));
        if (mt_rand(0, 2) === 0 && $pour->met_at !== null && $ends !== null) {
            // Where the last cup went in after the first had gelled, nobody saw it.
            $gels = $pour->met_at->addSeconds((int) ($pour->met_at->diffInSeconds($ends) * mt_rand(90, 112) / 100));
            $gels <= $at || $this->hands->gel($pour, $gels);
        }
        $demould = min(1200, (int) (($pour->plan['pot_life_min'] ?? 30) * 11));
        $opened = $at->addMinutes($demould + mt_rand(10, 90));
        $this->hands->open($pour, $opened);
        $this->hands->grade(
            $pour, $opened->addMinutes(mt_rand(10, 50)), $entry['grade'], $entry['faults'],
            round($run->state->weighedGrams() * $entry['used'], 1), $entry['note'], self::PIECES[$entry['link']] ?? 1,
        );
    }

    /** Three that go on over hours: a window that is open now, one about to shut, and one that nobody was there for. */
    private function builds(): void
    {
        $glove = $this->hands->build(
            $this->links['Puppet wellington/Glove, first coats'], 'glove-silicone',
            ['area_mm2' => 92_000, 'flange_mm2' => 18_000, 'fill_ml' => 30], $this->now->subMinutes(205),
        );
        $this->hands->tell($glove, 'done', ['op' => 'release'], $this->now->subMinutes(188));
        $this->hands->tell($glove, 'done', ['op' => 'flange'], $this->now->subMinutes(160));
        $this->hands->lay($glove, 'keys', $this->now->subMinutes(156));
        $this->hands->lay($glove, 'print', $this->now->subMinutes(92));
        $this->hands->tell($glove, 'fingered', ['op' => 'print', 'finger' => 'comes_off'], $this->now->subMinutes(44));

        $bust = $this->hands->build(
            $this->links['Lantern bust/Matrix'], 'matrix',
            ['area_mm2' => 150_000, 'wall_mm' => ['least' => 10, 'most' => 12], 'ml' => 1350], $this->now->subDays(6),
        );
        foreach ([['wrap', 5.9], ['blanket', 5.85], ['funnel', 5.83]] as [$operation, $days]) {
            $this->hands->tell($bust, 'done', ['op' => $operation], $this->now->subMinutes((int) ($days * 1440)));
        }
        // Epoxy stops platinum for days: the shells have stood long enough.
        $this->hands->lay($bust, 'shell-1', $this->now->subMinutes((int) (5.82 * 1440)));
        $this->hands->tell($bust, 'done', ['op' => 'flange'], $this->now->subMinutes((int) (4.95 * 1440)));
        $this->hands->lay($bust, 'shell-2', $this->now->subMinutes((int) (4.9 * 1440)));
        foreach ([['lift', 240], ['release', 180], ['close', 120]] as [$operation, $minutes]) {
            $this->hands->tell($bust, 'done', ['op' => $operation], $this->now->subMinutes($minutes));
        }
        $this->hands->lay($bust, 'pour', $this->now->subMinutes(self::BUST_AGO));

        $edge = $this->hands->build(
            $this->links['Heron mask/Beak, in film'], 'appliance', ['area_mm2' => 14_000, 'ml' => 48], $this->now->subHours(9),
        );
        $this->hands->tell($edge, 'done', ['op' => 'clean'], $this->now->subHours(8));
        $this->hands->lay($edge, 'film', $this->now->subMinutes(465));
        $this->hands->tell($edge, 'done', ['op' => 'mist-2'], $this->now->subMinutes(440));
        $this->hands->tell($edge, 'noted', ['text' => 'Called away to the rowing shed'], $this->now->subMinutes(425));
    }

    /** What is on the bench this very minute. */
    private function present(): void
    {
        $sheets = require __DIR__.'/demo/sheets.php';
        $waiting = static fn (): bool => false;

        $half = $this->hands->plan($this->links['Skiff-oar grip/Half 2'], $sheets['grip-half']);
        $this->hands->pour($half, $this->now->subMinutes(150), $waiting);

        $brow = $this->hands->plan($this->links['Owl brow/Brows'], $sheets['brow']);
        $this->hands->pour($brow, $this->now->subMinutes(318), $waiting);

        $this->builds();

        $crab = $this->hands->plan($this->links['Dune crab/Crabs'], $sheets['crab']);
        $at = $this->hands->pour($crab, $this->now->subMinutes(52), $waiting);
        $this->hands->do($crab, 'noted', ['text' => 'A dimple under the left claw again', 'fault' => 'short-fill'], $at->addMinutes(6));
        $this->hands->open($crab, $at->addMinutes(16));

        $gasket = $this->hands->plan($this->links['Hatch gasket/Gaskets'], $sheets['gasket']);
        $this->hands->pour(
            $gasket, $this->now->subMinutes(19),
            static fn (RecordedRun $run): bool => $run->state->step->batch === 2
                && $run->state->step->kind === StepKind::Weigh
                && $run->state->step->weighing === 2,
        );

        $this->hands->plan($this->links['Practice forearm/Skin sheets'], $sheets['forearm']);
        $this->hands->plan($this->links['Skiff-oar grip/Hard copy'], $sheets['grip-copy']);
        $this->hands->plan($this->links['Street-lamp nose/Noses'], $sheets['nose']);
        Pour::query()->where('state', 'draft')->update(['updated_at' => $this->now]);
    }
}

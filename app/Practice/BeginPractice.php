<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Practice\PracticeBench;
use Apalos\Core\Practice\Scenario;
use Apalos\Core\Units\Minutes;
use App\Builds\BuildStreams;
use App\Builds\MixOperation;
use App\Facts\AppendFact;
use App\Facts\StepHasMoved;
use App\Facts\ToldLate;
use App\Models\Build;
use App\Models\Hands;
use App\Models\Impression;
use App\Models\Pour;
use App\Models\PracticeTry;
use App\Models\Workshop;
use App\People\AtPractice;
use App\Pours\RunStreams;
use App\Pours\StartPour;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Begins a practice: a shop of its own, its clock, its bench, and what the scenario is about laid out on it. One that is tried again goes
 * on from a moment of the one before: what was told until then is told once more.
 *
 * @phpstan-import-type RecordShape from PracticeTry
 * @phpstan-import-type ToldShape from PracticeTry
 */
final readonly class BeginPractice
{
    private const KEPT_D = 7;

    private const CLEARED = 20;

    public function __construct(private Workshop $shop, private Hands $hands, private PracticeShop $shops, private AtPractice $practice) {}

    /**
     * @param  int  $seed  of its luck
     * @param  array{record: RecordShape, of: string, fact: int}|null  $from  from before this fact of that run on
     */
    public function __invoke(Scenario $scenario, int $seed, CarbonImmutable $now, ?array $from = null): PracticeTry
    {
        return DB::transaction(function () use ($scenario, $seed, $now, $from): PracticeTry {
            // Two who press at once begin one after the other: the later one leaves what the earlier has begun.
            DB::table('workshops')->where('id', $this->shop->id)->lockForUpdate()->value('id');
            $this->leave($now);
            $shop = $this->shops->like($this->shop, $now);
            $try = PracticeTry::query()->create([
                'workshop_id' => $this->shop->id, 'person_id' => $this->hands->person?->id, 'scenario_id' => $scenario->id,
                'name' => $scenario->name, 'scenario' => $scenario->toArray(), 'seed' => $seed, 'began_at' => $now, 'sim_at' => $now,
                'real_at' => $now,
                'bench' => PracticeBench::begin($scenario, $seed)->toArray(), 'shop_id' => $shop->id,
            ]);
            $ends = $this->practice->during($try, $now, function () use ($try, $scenario, $now, $from): CarbonImmutable {
                app(PracticeDesk::class)->at($try, $from === null ? (float) $now->format('U.u') : 0.0, $now, static fn (): null => null);
                $try->place = app(SetScene::class)($scenario, $now);

                return $from === null ? $now : $this->walks($try, $from, $now);
            });
            $try->fill(['sim_at' => $ends])->save();

            return $try->refresh();
        }, 3);
    }

    /** One at a time: whoever begins anew has left the one before; and what nobody came back to for a week goes as well. */
    private function leave(CarbonImmutable $now): void
    {
        $old = $now->subDays(self::KEPT_D);
        foreach (PracticeTry::query()->whereNotNull('shop_id')->where(
            fn ($query) => $query->where('person_id', $this->hands->person?->id)->orWhere('real_at', '<', $old),
        )->limit(self::CLEARED)->get() as $left) {
            $this->shops->clear($left->shop_id);
            $left->update(['shop_id' => null]);
        }
    }

    /**
     * Tells once more what was told, each at its minute.
     *
     * @param  array{record: RecordShape, of: string, fact: int}  $from
     * @return CarbonImmutable when the last of it was told
     */
    private function walks(PracticeTry $try, array $from, CarbonImmutable $began): CarbonImmutable
    {
        $at = $began;
        $links = array_combine(
            array_map(static fn (int $id): string => "link-{$id}", $from['record']['links']),
            Impression::query()
                ->orderBy('position')
                ->pluck('id')
                ->map(static fn (mixed $id): string => 'link-'.(is_numeric($id) ? (int) $id : 0))
                ->all(),
        );
        $again = new WalkAgain($try, $from['record']['truth'] ?? []);
        foreach (self::told($from) as [$of, $minute, $fact]) {
            $at = $began->addMilliseconds(Minutes::ms($minute));
            CarbonImmutable::setTestNow($at);
            $again->before($fact, $at);
            $build = Build::query()->where('plain', false)->first();
            if ($fact === null) {
                $this->begins($of, $build, $at);

                continue;
            }
            $pour = $of === 'build' ? null : Pour::query()->where('operation', $of)->orderByDesc('turn')->firstOrFail();
            $zero = $pour->started_at ?? $build->created_at ?? $began;
            $in = Fields::of([
                'key' => "again-{$fact['id']}", 'kind' => $fact['kind'], 'payload' => self::retold($fact['payload'], $links, $zero),
            ]);
            try {
                $pour === null && $build !== null
                    ? app(AppendFact::class)(app(BuildStreams::class), $build->id, $in, $at)
                    : app(AppendFact::class)(app(RunStreams::class), $pour->id ?? 0, $in, $at);
            } catch (BadInput|StepHasMoved) {
                // What cannot be told once more is where it goes on.
                return $at;
            }
            $again->after($at);
        }

        return $at;
    }

    /**
     * As it was told, and not as it was kept: its links are those of this chain, a time is a time of day again, and no scale stands behind
     * it.
     *
     * @param  array<string, mixed>  $kept
     * @param  array<string, string>  $links
     * @return array<string, mixed>
     */
    private static function retold(array $kept, array $links, CarbonImmutable $zero): array
    {
        $told = json_decode(strtr((string) json_encode($kept), $links), true);
        $told = is_array($told) ? $told : [];
        if (is_numeric($told['done_min'] ?? null)) {
            $told[ToldLate::FIELD] = (int) $zero->getTimestampMs() + Minutes::ms((float) $told['done_min']);
            unset($told['done_min']);
        }

        /** @var array<string, mixed> */
        return isset($told['by']) ? ['by' => 'hand'] + $told : $told;
    }

    private function begins(string $of, ?Build $build, CarbonImmutable $at): void
    {
        if ($build !== null) {
            $pour = app(MixOperation::class)($build, $of, $at);
            app(StartPour::class)(
                $pour->refresh(), $pour->edition, null, $at, app(Phrasebook::class)->say(Phrase::of('bench.tried_again')),
            );
        }
    }

    /**
     * What stands of it, in order, up to the fact that is tried again; a run begins where its first fact is.
     *
     * @param  array{record: RecordShape, of: string, fact: int}  $from
     * @return list<array{string, float, ToldShape|null}>
     */
    private static function told(array $from): array
    {
        $all = [];
        $runs = [
            ...$from['record']['runs'], ...($from['record']['build'] === null ? [] : [['of' => 'build', ...$from['record']['build']]]),
        ];
        $until = INF;
        foreach ($runs as $run) {
            $undone = array_merge(
                ...array_map(
                    static fn (array $fact): array => $fact['kind'] === 'undone' ? [$fact['id'], (int) ($fact['payload']['of'] ?? 0)] : [],
                    $run['facts'],
                ),
            );
            $run['of'] === 'build' || $from['record']['build'] === null || $all[] = [$run['of'], $run['began_min'], null, -1];
            foreach ($run['facts'] as $fact) {
                // A clock that starts with the first gram is told by what is weighed.
                in_array($fact['id'], $undone, true) || $all[] = [$run['of'], $run['began_min'] + $fact['at_min'], $fact, $fact['id']];
                if ($run['of'] === $from['of'] && $fact['id'] === $from['fact']) {
                    $until = $run['began_min'] + $fact['at_min'];
                }
            }
        }
        usort($all, static fn (array $one, array $other): int => [$one[1], $one[3]] <=> [$other[1], $other[3]]);
        $before = array_filter(
            $all, static fn (array $one): bool => $one[1] < $until - 1e-9 || ($one[1] <= $until + 1e-9 && $one[3] < $from['fact']),
        );

        return array_values(array_map(static fn (array $one): array => [$one[0], $one[1], $one[2]], $before));
    }
}

<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Care\Act;
use Apalos\Core\Input\Fields;
use Apalos\Core\Run\Outcome;
use App\Facts\Happened;
use App\Lists\Rows;
use App\Log\GoodPieces;
use App\Log\RecordedRun;
use App\Models\ImpressionKind;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\PourState;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** After something happened in a run: what is in which mould, what came out of it, and what was done to the mould on the way. */
final readonly class CastKeeper
{
    private const MOST_PIECES = 2_000;

    public function __construct(private Rack $rack, private CountMould $count) {}

    public function settle(RecordedRun $run): void
    {
        $pour = $run->pour;
        $kind = $pour->impression->kind;
        if ($kind === ImpressionKind::Mould) {
            $this->rack->settle($pour->impression);

            return;
        }
        $before = array_map(intval(...), Rows::of('pour_moulds')->where('pour_id', $pour->id)->pluck('mould_id')->all());
        $moulds = $pour->state === PourState::GivenUp && $pour->poured_at === null ? [] : $this->moulds($run);
        $this->fill($pour, $moulds, $before);
        $this->castings($run, $moulds);
        $this->care($run);
        foreach (Mould::query()->whereKey([...$before, ...$moulds])->get() as $mould) {
            ($this->count)($mould);
        }
    }

    /** @return list<int> as somebody said in the run, else as it was begun */
    public static function said(RecordedRun $run): array
    {
        $planned = $run->pour->plan['moulds'] ?? [];

        return $run->beside->moulds ?? array_values(array_filter(is_array($planned) ? $planned : [], is_int(...)));
    }

    /** @return list<int> those that still are */
    private function moulds(RecordedRun $run): array
    {
        $said = self::said($run);
        if ($said === [] && ! array_key_exists('moulds', $run->pour->plan ?? [])) {
            // Begun before there was a rack.
            $said = array_filter([$this->rack->usual($run->pour)?->id]);
        }
        if ($said === [] && ! $run->pour->build->plain) {
            // A later coat lies where the first went.
            $said = array_values(array_unique(array_map(intval(...), self::ofBuild($run->pour)->pluck('mould_id')->all())));
        }

        return $said === []
            ? []
            : array_values(array_intersect($said, array_map(intval(...), Rows::of('moulds')->whereIn('id', $said)->pluck('id')->all())));
    }

    /**
     * @param  list<int>  $moulds
     * @param  array<array-key, int>  $before
     */
    private function fill(Pour $pour, array $moulds, array $before): void
    {
        $isOut = $pour->state === PourState::Graded || ($pour->state === PourState::GivenUp && $pour->poured_at !== null);
        // A coat that is laid stays in there until its build is over.
        $stands = [
            'cast_at' => $isOut ? $pour->graded_at?->format('Y-m-d H:i:s.v') : null,
            'live' => $pour->graded_at === null || $pour->state === PourState::Laid,
        ];
        Rows::of('pour_moulds')->where('pour_id', $pour->id)->whereNotIn('mould_id', $moulds)->delete();
        foreach ($moulds as $mould) {
            in_array($mould, $before, true)
                ? Rows::of('pour_moulds')->where('pour_id', $pour->id)->where('mould_id', $mould)->update($stands)
                : DB::table('pour_moulds')->insert([
                    'pour_id' => $pour->id, 'mould_id' => $mould, 'workshop_id' => $pour->workshop_id, ...$stands,
                ]);
        }
        if ($isOut && ! $pour->build->plain) {
            // The coats came out as one cast: that of the pour that bears the grade.
            self::ofBuild($pour)->where('pour_id', '!=', $pour->id)->delete();
        }
    }

    /** What stands in moulds of the build of a pour. */
    private static function ofBuild(Pour $pour): Builder
    {
        return Rows::of('pour_moulds')->whereIn('pour_id', Rows::of('pours')->where('build_id', $pour->build_id)->select('id'));
    }

    /** Nothing of a build that is over stands in a mould any more; what was taken back stands there again. */
    public function over(int $build, bool $isOver): void
    {
        Rows::of('pour_moulds')
            ->whereNull('cast_at')
            ->whereIn(
                'pour_id', Rows::of('pours')->where('build_id', $build)->where('state', '!=', PourState::GivenUp->value)->select('id'),
            )
            ->update(['live' => ! $isOver]);
    }

    /**
     * The pieces that came of it, one by one where that was said, else all as it was graded; turn by turn from its moulds.
     *
     * @param  list<int>  $moulds
     */
    private function castings(RecordedRun $run, array $moulds): void
    {
        $pour = $run->pour;
        Rows::of('castings')->where('pour_id', $pour->id)->delete();
        $this->put($run, $moulds);
        GoodPieces::countAgain($pour->id);
    }

    /** @param  list<int>  $moulds */
    private function put(RecordedRun $run, array $moulds): void
    {
        $pour = $run->pour;
        if ($pour->state !== PourState::Graded || $pour->grade === null || $pour->graded_at === null) {
            return;
        }
        $rows = [];
        foreach (self::pieces($pour, $run->state->grade ?? []) as $i => $piece) {
            $rows[] = [
                'workshop_id' => $pour->workshop_id, 'pour_id' => $pour->id,
                'mould_id' => $moulds === [] ? null : $moulds[$i % count($moulds)], 'number' => $i + 1, ...$piece,
                'at' => $pour->graded_at->format('Y-m-d H:i:s.v'),
            ];
        }
        foreach (array_chunk($rows, 100) as $some) {
            DB::table('castings')->insert($some);
        }
    }

    /**
     * @param  array<string, mixed>  $grade
     * @return list<array{outcome: string, fault: string|null}>
     */
    public static function pieces(Pour $pour, array $grade): array
    {
        $each = $grade['each'] ?? null;
        if (is_array($each) && $each !== []) {
            return array_map(
                static fn (mixed $one): array => [
                    'outcome' => Fields::of(is_array($one) ? $one : [])->text('outcome'),
                    'fault' => Fields::of(is_array($one) ? $one : [])->textOrNull('fault'),
                ],
                array_values($each),
            );
        }
        $outcome = Outcome::of($pour->grade);

        return array_fill(
            0, min(self::MOST_PIECES, max(1, $pour->pieces ?? 1)),
            ['outcome' => $outcome->value, 'fault' => $outcome === Outcome::Reject ? ($pour->faults[0] ?? null) : null],
        );
    }

    /** What was ticked off in the run as done to the mould. */
    private function care(RecordedRun $run): void
    {
        Rows::of('mould_care')->where('pour_id', $run->pour->id)->delete();
        $ticked = [];
        $said = self::said($run);
        $cares = array_column(
            array_filter($run->plan->checklist, static fn (array $item): bool => isset($item['care'], $item['mould'])), null, 'id',
        );
        foreach ($run->facts as $fact) {
            $item = $fact->kind === 'checked'
                && is_string($id = $fact->payload['item'] ?? null)
                && in_array($id, $run->state->checked, true)
                ? $cares[$id] ?? null
                : null;
            $act = Act::tryFrom($item['care'] ?? '');
            if ($item !== null && $act !== null) {
                $ticked[$item['id']] = [
                    'workshop_id' => $run->pour->workshop_id, 'mould_id' => count($said) === 1 ? $said[0] : $item['mould'],
                    'pour_id' => $run->pour->id, 'act' => $act->value,
                    'what' => isset($item['with']) ? mb_substr($item['with'], 0, 160) : null, 'at' => $fact->at()->format('Y-m-d H:i:s.v'),
                ];
            }
        }
        $there = $ticked === []
            ? []
            : array_map(intval(...), Rows::of('moulds')->whereIn('id', array_column($ticked, 'mould_id'))->pluck('id')->all());
        DB::table('mould_care')->insert(
            array_values(array_filter($ticked, static fn (array $care): bool => in_array($care['mould_id'], $there, true))),
        );
    }

    /** Castings that are in no mould the rack knows. */
    public static function homeless(CarbonImmutable $since): int
    {
        return Rows::of('castings')->whereNull('mould_id')->where('at', '>=', $since->format('Y-m-d H:i:s.v'))->count();
    }
}

<?php

declare(strict_types=1);

namespace App\Faults;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Run\MixingCup;
use App\Library\Library;
use App\Lists\Rows;
use App\Log\RecordedRun;
use App\Models\Mould;
use App\Models\Workshop;
use App\Moulds\CastKeeper;
use App\Moulds\Lives;
use App\Room\CureClock;
use Carbon\CarbonImmutable;

/** What the log already knows of a pour that counts for what went wrong with it. */
final readonly class PourFacts
{
    public function __construct(private CureClock $clock, private Lives $lives, private Library $library) {}

    /** @return array<string, bool|float|string> */
    public function of(RecordedRun $run): array
    {
        $facts = [
            'ratio_error_pct' => $this->ratioError($run), 'room_c' => $run->pour->room_c ?? $run->frozen->roomC,
            'ref_c' => $run->frozen->clock->model->reference()->degrees,
            'deaired' => $run->plan->degassing->min > 0.0,
            'batch_g' => max([0.0, ...array_map(static fn (MixingCup $cup): float => array_sum($cup->poured), $run->state->cups)]),
            ...$this->times($run), ...$this->lot($run), ...$this->sheets($run), ...$this->mould($run),
        ];

        // Shares and errors are measured, not counted: what a computer adds beyond that is noise.
        return array_map(
            static fn (bool|float|string $fact): bool|float|string => is_float($fact) ? round($fact, 6) : $fact,
            array_filter($facts, static fn (mixed $fact): bool => $fact !== null),
        );
    }

    /** How far the parts of the worst cup were from each other's measure. */
    private function ratioError(RecordedRun $run): ?float
    {
        $worst = null;
        foreach ($run->state->cups as $cup) {
            [$a, $b, $pa, $pb] = [$cup->poured['A'] ?? 0.0, $cup->poured['B'] ?? 0.0, $cup->planned['A'] ?? 0.0, $cup->planned['B'] ?? 0.0];
            if ($a > 0.0 && $b > 0.0 && $pa > 0.0 && $pb > 0.0) {
                $worst = max($worst ?? 0.0, 100.0 * abs(($b / $a) / ($pb / $pa) - 1.0));
            }
        }

        return $worst;
    }

    /** @return array<string, float|null> */
    private function times(RecordedRun $run): array
    {
        $met = $run->at($run->state->lastMetAt());
        $filled = $run->state->filledAt === [] ? null : $run->at(max($run->state->filledAt));
        $share = function (?CarbonImmutable $at, Milestone $milestone) use ($run, $met): ?float {
            $reach = $met === null ? null : $this->clock->from($met, $run->frozen->clock, $milestone)?->likely();
            $whole = $met === null || $reach === null ? 0.0 : $met->diffInSeconds($reach);

            return $met === null || $at === null || $whole <= 0.0 ? null : max(0.0, $met->diffInSeconds($at) / $whole);
        };

        return [
            'poured_at_share' => $share($filled, Milestone::PotLife),
            'opened_at_share' => $share($run->pour->opened_at ?? $run->at($run->state->openedAt), Milestone::Demould),
        ];
    }

    /** @return array<string, bool|float|null> of the worst lot it drew from */
    private function lot(RecordedRun $run): array
    {
        $on = ($run->pour->started_at ?? CarbonImmutable::now())->setTimezone(app(Workshop::class)->zone())->format('Y-m-d');
        $lots = Rows::of('lot_draws')
            ->join('lots', 'lots.id', '=', 'lot_draws.lot_id')
            ->where('pour_id', $run->pour->id)
            ->get(['opened_on', 'best_before']);
        $days = $lots->map(
            static fn (\stdClass $lot): float => $lot->opened_on === null
                ? 0.0
                : max(0.0, CarbonImmutable::parse((string) $lot->opened_on)->diffInDays(CarbonImmutable::parse($on))),
        );
        $dated = $lots->whereNotNull('best_before');

        return [
            'lot_days_open' => $lots->isEmpty() ? null : (float) $days->max(),
            'past_best_before' => $dated->isEmpty()
                ? null
                : $dated->contains(static fn (\stdClass $lot): bool => (string) $lot->best_before < $on),
        ];
    }

    /** @return array<string, bool|float|string|null> as the sheets had it when it was begun */
    private function sheets(RecordedRun $run): array
    {
        /** @var array<string, array<string, mixed>> $sheets */
        $sheets = $run->pour->snapshot->content['materials'] ?? [];
        $base = $sheets[$run->frozen->code] ?? [];
        $family = is_string($base['family'] ?? null) ? $base['family'] : '';
        $chemistry = $this->library->knowledge()->families[$family] ?? null;
        $poured = [];
        foreach ($run->state->cups as $cup) {
            foreach ($cup->poured as $name => $grams) {
                $poured[$name] = ($poured[$name] ?? 0.0) + $grams;
            }
        }
        $ab = ($poured['A'] ?? 0.0) + ($poured['B'] ?? 0.0);
        $soft = array_sum(
            array_intersect_key($poured, array_filter($sheets, static fn (array $sheet): bool => ($sheet['role'] ?? null) === 'softener')),
        );
        $pigment = array_intersect_key(
            $poured, array_filter($sheets, static fn (array $sheet): bool => ($sheet['role'] ?? null) === 'pigment'),
        );
        $bears = null;
        foreach (is_array($base['limits'] ?? null) ? $base['limits'] : [] as $limit) {
            $bears = is_array($limit)
                && ($limit['role'] ?? null) === 'softener'
                && ($limit['basis'] ?? null) === 'pct_of_ab'
                && is_numeric($limit['max'] ?? null)
                ? (float) $limit['max']
                : $bears;
        }

        return [
            'family' => $family === '' ? null : $family,
            'moisture_sensitive' => $chemistry?->isAnyOf(['urethane']), 'hot_vinyl' => $chemistry?->isAnyOf(['plastisol']),
            'softener_pct_of_ab' => $ab > 0.0 ? 100.0 * $soft / $ab : null, 'softener_max_pct' => $bears,
            'pigment_weighed' => $pigment === [] ? null : true,
        ];
    }

    /** @return array<string, float|null> */
    private function mould(RecordedRun $run): array
    {
        $moulds = Mould::query()->whereKey(CastKeeper::said($run))->get()->all();
        $lives = $this->lives->of($moulds);
        $shares = array_map(static fn (Mould $mould): float => $mould->casts / max(1, $mould->casts + $lives[$mould->id]->likely), $moulds);

        return ['mould_casts_share' => $shares === [] ? null : max($shares)];
    }
}

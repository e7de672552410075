<?php

declare(strict_types=1);

namespace App\Day;

use App\Lists\Rows;
use App\Models\PourState;
use App\Types\View;

/**
 * The pages a tablet keeps so that they open without the bench computer: the bench, the day, and all that is under way with its job and its
 * sheets.
 */
final readonly class UnderWay implements View
{
    /** More than these nobody has in hand at once. */
    private const MOST_RUNS = 12;

    private const MOST_BUILDS = 8;

    /** @return array{pages: list<string>} what is most in need of hands first */
    public function toArray(): array
    {
        $runs = Rows::of('pours')->join('impressions', 'impressions.id', '=', 'pours.impression_id')->whereIn(
            'pours.state', [PourState::Running->value, PourState::Waiting->value, PourState::Opened->value],
        )
            ->orderByRaw('case when pours.state = ? then 0 else 1 end', [
                PourState::Running->value,
            ])->orderByDesc('pours.id')->limit(self::MOST_RUNS)
            ->get(['pours.id', 'pours.base_code', 'impressions.job_id']);
        $builds = Rows::of('builds')
            ->join('impressions', 'impressions.id', '=', 'builds.impression_id')
            ->where('builds.plain', false)
            ->whereNotNull('builds.begun_at')
            ->whereNull('builds.ended_at')
            ->orderByDesc('builds.id')->limit(self::MOST_BUILDS)->get(['builds.id', 'impressions.job_id']);
        $series = Rows::of('series')
            ->whereNull('labelled_at')
            ->whereNull('deleted_at')
            ->orderByDesc('id')
            ->limit(self::MOST_BUILDS)
            ->pluck('id');
        $codes = $runs
            ->pluck('base_code')
            ->filter(static fn (mixed $code): bool => is_string($code) && preg_match('/^[a-z0-9-]+$/', $code) === 1)
            ->unique();

        return ['pages' => array_values([
            '/', '/day',
            ...$runs->map(static fn (\stdClass $run): string => "/pours/{$run->id}/run")->all(),
            ...$builds->map(static fn (\stdClass $build): string => "/builds/{$build->id}")->all(),
            ...$series->map(static fn (mixed $id): string => "/swatches/series/{$id}")->all(),
            ...$runs
                ->pluck('job_id')
                ->merge($builds->pluck('job_id'))
                ->unique()
                ->map(static fn (mixed $job): string => "/jobs/{$job}")
                ->all(),
            ...$codes->map(static fn (string $code): string => "/stores/{$code}")->values()->all(),
        ])];
    }
}

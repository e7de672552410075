<?php

declare(strict_types=1);

namespace App\Studies;

use Apalos\Core\Contact\MouldPart;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Phrase\Quantity;
use App\Builds\BuildBook;
use App\Builds\PlanBuild;
use App\Jobs\PutMouldIn;
use App\Library\Library;
use App\Models\Build;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Study;
use App\PourSheets\PlanPour;
use App\PourSheets\PourSheetReckoner;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Writes what a study found into a job, in one press: the mould into its chain, where none was poured yet; what each half takes into
 * its sheet, or into the build that is planned; and the piece into the sheet of the casts. What has begun stays as it is.
 */
final readonly class PutStudyIn
{
    private const ALLOWANCE_PCT = 8;

    public function __construct(
        private PutMouldIn $mould,
        private PlanPour $plan,
        private PlanBuild $build,
        private BuildBook $book,
        private Library $library,
        private PourSheetReckoner $reckoner,
        private Phrasebook $words,
    ) {}

    /**
     * @return string what was written where
     *
     * @throws BadInput where the study is no answer yet
     */
    public function __invoke(Study $study, Job $job, CarbonImmutable $now): string
    {
        $answer = $study->answer === null
            ? throw BadInput::at('study', Phrase::of('bench.study_not_answered_yet'))
            : Fields::of($study->answer);
        $block = $answer->object('mould');
        $isOnePart = ($study->asked['one_part'] ?? false) === true;

        return DB::transaction(function () use ($study, $job, $answer, $block, $isOnePart, $now): string {
            $said = [];
            $study->modelFile->serves($job, $now, $study);
            $built = $this->builds($job, $answer, $block, $now);
            $said = [...$said, ...$built];
            if ($built === []) {
                [$links, $told] = $this->links($job, $isOnePart);
                $said = [...$said, ...$told];
                $note = $this->note($study, $block, $isOnePart);
                foreach ($links as $i => $link) {
                    $link->update(['note' => $note]);
                    $ml = $isOnePart ? $block->number('upper_ml') : $block->number($i === 0 ? 'lower_ml' : 'upper_ml');
                    $this->sheet($link, $ml, self::ALLOWANCE_PCT);
                    $said[] = $this->words->say(Phrase::of('bench.link_takes', ['link' => $link->name, 'ml' => Quantity::volume($ml)]));
                }
            }
            $cast = $job->impressions()->where('kind', ImpressionKind::Cast)->first();
            if ($cast !== null) {
                $volume = $answer->number('volume_ml');
                $reservoir = $block->object('spout')->number('reservoir_ml');
                $this->sheet($cast, $volume, max(self::ALLOWANCE_PCT, (int) ceil(100.0 * $reservoir / max($volume, 0.1))));
                $said[] = $this->words->say(Phrase::of('bench.take_each_what_spout', [
                    'casts' => $cast->name, 'ml' => Quantity::volume($volume),
                ]));
            }
            if ($said === []) {
                throw BadInput::at('study', Phrase::of('bench.all_job_poured_already'));
            }

            return implode(' ', $said);
        }, 3);
    }

    /**
     * What is planned as a build, and not begun, is planned anew with what was measured.
     *
     * @return list<string>
     */
    private function builds(Job $job, Fields $answer, Fields $block, CarbonImmutable $now): array
    {
        $said = [];
        $planned = Build::query()
            ->whereIn('impression_id', $job->impressions()->where('kind', ImpressionKind::Mould)->pluck('id'))
            ->where('plain', false)
            ->whereNotNull('planned_of')
            ->whereNull('begun_at')
            ->with('impression')
            ->get();
        foreach ($planned as $build) {
            $asks = $this->book->one($build->kind)->asks;
            $measured = array_filter([
                'area_mm2' => in_array('area', $asks, true) ? $answer->number('area_mm2', 0.0, 1e8) : null,
                'ml' => in_array('ml', $asks, true) ? $block->number('lower_ml') + $block->number('upper_ml') : null,
                'flange_mm2' => in_array('flange', $asks, true) ? 0.0 : null,
                'fill_ml' => in_array('fill', $asks, true) ? 0.0 : null,
                'wall_mm' => in_array('wall', $asks, true)
                    ? ['least' => $block->number('margin_mm'), 'most' => $block->number('margin_mm')]
                    : null,
            ], static fn (mixed $value): bool => $value !== null);
            $made = ($this->build)($build->impression, Fields::of(['kind' => $build->kind, 'measured' => $measured]), $now);
            $this->halves($made, $block);
            $said[] = $this->words->say(Phrase::of('bench.build_planned_anew_with', ['link' => $build->impression->name]));
        }

        return $said;
    }

    /** A block in two halves is no block in two equal ones. */
    private function halves(Build $build, Fields $block): void
    {
        $plan = $build->plan ?? [];
        $operations = $plan['operations'] ?? [];
        foreach (is_array($operations) ? $operations : [] as $i => $operation) {
            if (! is_array($operation) || ! is_array($operation['mix'] ?? null)) {
                continue;
            }
            $half = match ($operation['id'] ?? '') {
                'half-1' => 'lower_ml',
                'half-2' => 'upper_ml',
                default => null,
            };
            if ($half !== null) {
                $operation['mix']['ml'] = round($block->number($half), 3);
                $operations[$i] = $operation;
            }
        }
        $build->update(['plan' => [...$plan, 'operations' => $operations]]);
    }

    /**
     * The mould's links: those that are there and not poured, else a kind put into the chain.
     *
     * @return array{list<Impression>, list<string>}
     */
    private function links(Job $job, bool $isOnePart): array
    {
        $unpoured = $this->unpoured($job, $isOnePart);
        if (count($unpoured) === ($isOnePart ? 1 : 2)) {
            return [$unpoured, []];
        }
        if (
            $job->impressions()
                ->where('kind', ImpressionKind::Mould)
                ->whereHas('pours', static fn ($pours) => $pours->whereNot('state', PourState::Draft))
                ->exists()
        ) {
            return [[], [$this->words->say(Phrase::of('bench.mould_poured_already_stays'))]];
        }
        $kind = $this->library->moulds()->kinds[$isOnePart ? 'open-block' : 'two-part-block'];
        $told = ($this->mould)($job, $kind, $kind->chemistry[0] ?? '');

        return [$this->unpoured($job->refresh(), $isOnePart), [$told]];
    }

    /** @return list<Impression> */
    private function unpoured(Job $job, bool $isOnePart): array
    {
        return array_values($job->impressions()->where('kind', ImpressionKind::Mould)->where(
            'role', $isOnePart ? MouldPart::Whole : MouldPart::Half,
        )
            ->whereDoesntHave('pours', static fn ($pours) => $pours->whereNot('state', PourState::Draft))->get()->all());
    }

    private function sheet(Impression $link, float $ml, int $allowancePct): void
    {
        $pour = ($this->plan)($link);
        if ($pour->state !== PourState::Draft) {
            return;
        }
        $sheet = $pour->sheet;
        unset($sheet['carried'], $sheet['target']['mass_g']);
        $fresh = Pour::query()->whereKey($pour->id)->where('state', PourState::Draft)->lockForUpdate()->first();
        $fresh?->update([
            'sheet' => $this->reckoner->fitted([
                ...$sheet, 'volume' => ['method' => 'mesh', 'volume_ml' => round($ml, 1), 'allowance_pct' => $allowancePct],
            ])['sheet'],
        ]);
    }

    private function note(Study $study, Fields $block, bool $isOnePart): string
    {
        $inner = $block->numbers('inner_mm', 0.0, 1e6);
        $vents = count($block->objects('vents', 200));
        $all = [
            'model' => $study->modelFile->name,
            'size' => array_map(static fn (float $mm): Quantity => Quantity::length(round($mm)), $inner),
            'vents' => $vents,
        ];

        return $this->words->say($isOnePart
            ? Phrase::of('bench.from_study_box_inside', $all)
            : Phrase::of('bench.from_study_box_inside_seam', [
                ...$all, 'seam' => Quantity::length(round($block->number('seam_mm'))), 'keys' => $this->keys($block),
                'key' => Quantity::length(round($block->number('key_mm'))),
            ]));
    }

    private function keys(Fields $block): int
    {
        $keys = $block->toArray()['keys'] ?? null;

        return is_array($keys) ? count($keys) : 0;
    }
}

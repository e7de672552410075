<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Build\OperationState;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Series\SeriesResult;
use App\Builds\RecordedBuild;
use App\Library\Library;
use App\Log\FrozenPlan;
use App\Log\Readiness;
use App\Log\RecordedRun;
use App\Looks\HeldLook;
use App\Models\Pour;
use App\Models\PourState;
use App\Room\CureClock;
use App\Swatches\RecordedSeries;
use Carbon\CarbonImmutable;

/**
 * Sorts everything live or planned into now, next and later.
 *
 * @phpstan-import-type BenchItemShape from BenchView
 * @phpstan-import-type BenchReadyShape from BenchView
 */
final readonly class ReadBench
{
    private const MOST_CURING = 12;

    /** What is due is due to the half minute. */
    private const HOLDS_S = 30;

    public function __construct(
        private CureClock $clock,
        private LiveWork $work,
        private SmallThings $small,
        private Library $library,
        private Readiness $readiness,
        private HeldLook $look,
    ) {}

    public function __invoke(CarbonImmutable $now): BenchView
    {
        ['items' => $items, 'ready' => $ready] = $this->look->of(
            'bench', $this->look->changes(), $now, self::HOLDS_S,
            fn (): array => ['items' => $this->items($now), 'ready' => $this->ready($now)],
        );

        return new BenchView($items, $this->small->due($now), $ready);
    }

    /** @return list<BenchItemShape> */
    private function items(CarbonImmutable $now): array
    {
        $items = [];
        foreach ($this->work->runs() as $run) {
            $pour = $run->pour;
            $items[] = match ($pour->state) {
                PourState::Running => $this->running($run),
                PourState::Waiting => $this->waiting($run, $now),
                default => $this->item(
                    $pour, 'now', 'It is open: look at it and say how it came out', $pour->weighed_g, 'g', 'poured', null, null, 'run',
                    'Grade it',
                ),
            };
        }
        foreach ($this->work->damaged() as $pour) {
            $items[] = self::damaged("pour-{$pour->id}", $pour->title(), "/pours/{$pour->id}/run");
        }
        foreach ($this->work->series() as $series) {
            $items[] = $this->series($series);
        }
        foreach ($this->work->builds($now) as $build) {
            $items = [...$items, ...$this->build($build)];
        }
        foreach ($this->work->damagedBuilds() as $build) {
            $items[] = self::damaged("build-{$build->id}", $build->title(), "/builds/{$build->id}");
        }
        foreach ($this->work->planned() as $pour) {
            $items[] = $this->planned($pour);
        }
        // What is being poured comes before what closes soonest; what has no end comes last.
        $when = static fn (array $item): int => $item['action'] === 'Go on' || $item['action'] === 'Rescue'
            ? 0
            : ($item['to_ms'] ?? PHP_INT_MAX);
        usort($items, static fn (array $a, array $b): int => $when($a) <=> $when($b));

        return $items;
    }

    /** @return list<BenchReadyShape> what cures on, the soonest first */
    private function ready(CarbonImmutable $now): array
    {
        return array_map(static fn (array $one): array => [
            'title' => "{$one['pour']->impression->job->name} · {$one['pour']->impression->name}",
            'href' => "/pours/{$one['pour']->id}/run", 'colour' => FrozenPlan::of($one['pour'])->colour,
            'ready_ms' => (int) $one['ready']->readyMs, 'full' => $one['ready']->isFull, 'wanted_on' => $one['ready']->wantedOn,
            'late_days' => $one['ready']->lateDays(),
        ], array_slice($this->readiness->curing($now), 0, self::MOST_CURING));
    }

    /** @return BenchItemShape */
    private static function damaged(string $id, string $title, string $href): array
    {
        return [
            'id' => $id, 'group' => 'now', 'title' => $title, 'base' => '',
            'what' => 'its record is damaged and cannot be read; look at it to put it off the bench', 'number' => null, 'unit' => null,
            'label' => '', 'from_ms' => null, 'to_ms' => null, 'href' => $href, 'colour' => '#cfc4ae', 'action' => 'Look',
        ];
    }

    /** @return BenchItemShape */
    private function running(RecordedRun $run): array
    {
        $pour = $run->pour;
        $cup = $run->state->cup();
        $line = $cup->current();
        $met = $run->at($cup->metAt);
        $ends = $run->potLifeEnds($this->clock);
        $batches = count($run->plan->batches);
        $which = $batches > 1 && $run->state->step->batch > 0 ? "cup {$run->state->step->batch} of {$batches}: " : '';

        return match ($run->state->step->kind) {
            StepKind::Weigh => $this->item(
                $pour, 'now', $which.'weigh '.$run->frozen->called($line['add'] ?? ''), $line['running'] ?? null, 'g',
                'until the scale reads', $met, $ends, 'run', 'Go on',
            ),
            StepKind::Rescue => $this->item(
                $pour, 'now', "{$which}over-poured: rescue the cup", array_sum($cup->poured), 'g', 'in this cup', $met, $ends, 'run',
                'Rescue',
            ),
            default => $cup->poured === []
                ? $this->item(
                    $pour, 'now', $which.$this->inWords($run), array_sum($cup->planned), 'g', 'to weigh into this cup', $met, $ends, 'run',
                    'Go on',
                )
                : $this->item(
                    $pour, 'now', $which.$this->inWords($run), array_sum($cup->poured), 'g', 'in this cup', $met, $ends, 'run', 'Go on',
                ),
        };
    }

    private function inWords(RecordedRun $run): string
    {
        $worked = $run->worked($this->library->castings());

        return match ($run->state->step->kind) {
            StepKind::Gear => 'gear on and read the cautions',
            StepKind::Contacts => 'see every contact ready',
            StepKind::PreMix => lcfirst($worked->premix['title'] ?? 'stir it'),
            StepKind::Tare => 'cup on the scale, tare',
            StepKind::Mix, StepKind::Heat => lcfirst($worked->mix['title']),
            StepKind::Degas => 'de-air it',
            StepKind::Fill => lcfirst($worked->fill['title']),
            default => 'go on',
        };
    }

    /** @return BenchItemShape */
    private function waiting(RecordedRun $run, CarbonImmutable $now): array
    {
        $pour = $run->pour;
        $open = $run->reaches($this->clock, Milestone::Demould);
        $at = $open?->likely();
        [$due, $soon] = [$at !== null && $at->lte($now), $at !== null && $at->lte($now->addHours(3))];

        return $this->item(
            $pour, $due ? 'now' : ($soon ? 'next' : 'later'), $due ? 'ready to open' : 'curing', $pour->weighed_g, 'g', 'in the mould',
            $pour->poured_at, $at, 'run', $due ? 'Open it' : 'Look',
        );
    }

    /** @return BenchItemShape */
    private function series(RecordedSeries $series): array
    {
        $next = $series->next();
        $until = $series->fillsUntil($this->clock);

        return [
            'id' => "series-{$series->series->id}", 'group' => 'now', 'title' => "Pucks · {$series->called()}", 'base' => $series->base(),
            'what' => $next === null ? 'everything is in: label the pucks' : SeriesResult::called($next->vessel).": weigh {$next->add}",
            'number' => $next?->running, 'unit' => 'g', 'label' => $next === null ? '' : 'until the scale reads',
            'from_ms' => $until === null ? null : (int) $series->metAt()?->getTimestampMs(),
            'to_ms' => $until === null ? null : (int) $until->getTimestampMs(),
            'href' => "/swatches/series/{$series->series->id}", 'colour' => $series->colour(), 'action' => 'Go on',
        ];
    }

    /** @return list<BenchItemShape> what wants hands next; what is being weighed stands there by itself */
    private function build(RecordedBuild $recorded): array
    {
        $next = $recorded->state->next();
        // Of several copies the one that is next stands there, and those that have begun.
        if ($recorded->build->copies_of !== null && ! $recorded->state->hasBegun() && $recorded->build->planned_of === null) {
            return [];
        }
        if ($next !== null && $next->state === OperationState::UnderWay && $next->operation->mixing !== null) {
            return [];
        }
        $base = $next === null ? null : $this->library->shelf()->bases[$recorded->baseOf($next->operation) ?? ''] ?? null;
        [$opens, $shuts] = [$recorded->ms($next?->opensAt), $recorded->ms($next?->shutsAt)];
        $waits = $next?->state === OperationState::Waits;
        $soon = $opens !== null && $opens <= $recorded->now->addHours(3)->getTimestampMs();

        return [[
            'id' => "build-{$recorded->build->id}",
            'group' => $waits ? ($soon ? 'next' : 'later') : ($recorded->state->hasBegun() ? 'now' : 'next'),
            'title' => $recorded->build->title(), 'base' => $base->name ?? '',
            'what' => $next === null
                ? 'everything is done: say how it came out'
                : mb_strtolower($next->operation->name).match ($next->state) {
                    OperationState::Missed => ': its window has shut',
                    OperationState::Closing => ': its window is closing',
                    default => '',
                },
            'number' => $next?->operation->mixing?->volume(), 'unit' => 'ml',
            'label' => $next?->operation->mixing?->volume() === null ? '' : 'to lay on',
            // Until it opens, or while it is open.
            'from_ms' => $shuts === null && ! $waits ? null : ($waits ? (int) $recorded->now->getTimestampMs() : $opens),
            'to_ms' => $waits ? $opens : $shuts,
            'href' => "/builds/{$recorded->build->id}", 'colour' => $base->colour ?? '#cfc4ae',
            'action' => $waits ? 'Look' : 'Go on building',
        ]];
    }

    /** @return BenchItemShape */
    private function planned(Pour $pour): array
    {
        $gist = $this->work->gist($pour);

        return $gist !== null
            ? $this->item(
                $pour, 'next', 'ready to weigh up', $gist['mass_g'], 'g', $gist['cups'] > 1 ? "in {$gist['cups']} cups" : 'in one cup',
                null, null, '', 'Open the sheet',
            )
            : $this->item($pour, 'later', 'the sheet is not finished', null, null, 'still to be worked out', null, null, '', 'Finish it');
    }

    /** @return BenchItemShape */
    private function item(
        Pour $pour,
        string $group,
        string $what,
        ?float $number,
        ?string $unit,
        string $label,
        ?CarbonImmutable $from,
        ?CarbonImmutable $to,
        string $page,
        string $action,
    ): array {
        $frozen = $pour->plan === null ? null : FrozenPlan::legible($pour);
        $sheet = $frozen === null ? $this->library->shelf()->bases[$pour->baseCode() ?? ''] ?? null : null;

        return [
            'id' => "pour-{$pour->id}",
            'group' => $group,
            'title' => $pour->title(),
            'base' => $frozen->base ?? $sheet->name ?? '',
            'what' => $what,
            'number' => $number,
            'unit' => $unit,
            'label' => $label,
            'from_ms' => $from === null ? null : (int) $from->getTimestampMs(),
            'to_ms' => $to === null ? null : (int) $to->getTimestampMs(),
            'href' => rtrim("/pours/{$pour->id}/{$page}", '/'),
            'colour' => $frozen->colour ?? $sheet->colour ?? '#cfc4ae',
            'action' => $action,
        ];
    }
}

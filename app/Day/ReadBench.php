<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Build\OperationState;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Series\SeriesResult;
use App\Builds\RecordedBuild;
use App\Library\Library;
use App\Log\FrozenPlan;
use App\Log\Readiness;
use App\Log\RecordedRun;
use App\Looks\Look;
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
        private Look $look,
        private Phrasebook $words,
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
        $underHands = [];
        $items = [];
        foreach ($this->work->runs() as $run) {
            $pour = $run->pour;
            if ($pour->state === PourState::Running) {
                $underHands[] = $this->running($run);

                continue;
            }
            $items[] = match ($pour->state) {
                PourState::Waiting => $this->waiting($run, $now),
                default => $this->item(
                    $pour, 'now', $this->say('bench.open_look_say_how'), $pour->weighed_g, 'g', 'poured', null, null, 'run',
                    $this->say('bench.grade_it'),
                ),
            };
        }
        foreach ($this->work->damaged() as $pour) {
            $items[] = $this->damaged("pour-{$pour->id}", $pour->title(), "/pours/{$pour->id}/run");
        }
        foreach ($this->work->series() as $series) {
            $underHands[] = $this->series($series);
        }
        foreach ($this->work->builds($now) as $build) {
            $items = [...$items, ...$this->build($build)];
        }
        foreach ($this->work->damagedBuilds() as $build) {
            $items[] = $this->damaged("build-{$build->id}", $build->title(), "/builds/{$build->id}");
        }
        foreach ($this->work->planned() as $pour) {
            $items[] = $this->planned($pour);
        }
        // What is being poured comes before what closes soonest; what has no end comes last.
        usort($items, static fn (array $a, array $b): int => ($a['to_ms'] ?? PHP_INT_MAX) <=> ($b['to_ms'] ?? PHP_INT_MAX));

        return [...$underHands, ...$items];
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
    private function damaged(string $id, string $title, string $href): array
    {
        return [
            'id' => $id, 'group' => 'now', 'title' => $title, 'base' => '',
            'what' => $this->say('bench.record_damaged_cannot_read'), 'number' => null, 'unit' => null,
            'label' => '', 'from_ms' => null, 'to_ms' => null, 'href' => $href, 'colour' => '#cfc4ae',
            'action' => $this->say('bench.look_at_it'),
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
        $which = $batches > 1 && $run->state->step->batch > 0
            ? $this->say('bench.cup_of_cups', ['cup' => $run->state->step->batch, 'cups' => $batches]).' '
            : '';

        return match ($run->state->step->kind) {
            StepKind::Weigh => $this->item(
                $pour, 'now', $which.$this->say('bench.weigh_add', ['add' => $run->frozen->called($line['add'] ?? '')]),
                $line['running'] ?? null, 'g', $this->say('bench.until_scale_reads'), $met, $ends, 'run', $this->say('bench.go_on'),
            ),
            StepKind::Rescue => $this->item(
                $pour, 'now', $which.$this->say('bench.over_poured_rescue_cup'), array_sum($cup->poured), 'g',
                $this->say('bench.in_this_cup'), $met, $ends, 'run', $this->say('bench.rescue'),
            ),
            default => $cup->poured === []
                ? $this->item(
                    $pour, 'now', $which.$this->inWords($run), array_sum($cup->planned), 'g', $this->say('bench.weigh_into_cup'),
                    $met, $ends, 'run', $this->say('bench.go_on'),
                )
                : $this->item(
                    $pour, 'now', $which.$this->inWords($run), array_sum($cup->poured), 'g', $this->say('bench.in_this_cup'),
                    $met, $ends, 'run', $this->say('bench.go_on'),
                ),
        };
    }

    private function inWords(RecordedRun $run): string
    {
        $worked = $run->worked($this->library->castings());

        return match ($run->state->step->kind) {
            StepKind::Gear => $this->say('bench.gear_read_cautions'),
            StepKind::Contacts => $this->say('bench.see_every_contact_ready'),
            StepKind::PreMix => lcfirst($worked->premix['title'] ?? $this->say('bench.stir_it')),
            StepKind::Tare => $this->say('bench.cup_scale_tare'),
            StepKind::Mix, StepKind::Heat => lcfirst($worked->mix['title']),
            StepKind::Degas => $this->say('bench.de_air'),
            StepKind::Fill => lcfirst($worked->fill['title']),
            default => lcfirst($this->say('bench.go_on')),
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
            $pour, $due ? 'now' : ($soon ? 'next' : 'later'), $this->say($due ? 'bench.ready_to_open' : 'bench.curing'),
            $pour->weighed_g, 'g', $this->say('bench.in_the_mould'), $pour->poured_at, $at, 'run',
            $this->say($due ? 'bench.open_it' : 'bench.look_at_it'),
        );
    }

    /** @return BenchItemShape */
    private function series(RecordedSeries $series): array
    {
        $next = $series->next();
        $until = $series->fillsUntil($this->clock);

        return [
            'id' => "series-{$series->series->id}", 'group' => 'now', 'title' => "Pucks · {$series->called()}", 'base' => $series->base(),
            'what' => $next === null
                ? $this->say('bench.everything_label_pucks')
                : $this->say('bench.weigh_into', ['vessel' => SeriesResult::called($next->vessel), 'add' => $next->add]),
            'number' => $next?->running, 'unit' => 'g', 'label' => $next === null ? '' : $this->say('bench.until_scale_reads'),
            'from_ms' => $until === null ? null : (int) $series->metAt()?->getTimestampMs(),
            'to_ms' => $until === null ? null : (int) $until->getTimestampMs(),
            'href' => "/swatches/series/{$series->series->id}", 'colour' => $series->colour(),
            'action' => $this->say('bench.go_on'),
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
                ? $this->say('bench.everything_done_say_how')
                : match ($next->state) {
                    OperationState::Missed => $this->say('bench.window_shut', ['name' => $next->operation->name]),
                    OperationState::Closing => $this->say('bench.window_closing', ['name' => $next->operation->name]),
                    default => mb_strtolower($next->operation->name),
                },
            'number' => $next?->operation->mixing?->volume(), 'unit' => 'ml',
            'label' => $next?->operation->mixing?->volume() === null ? '' : $this->say('bench.to_lay_on'),
            // Until it opens, or while it is open.
            'from_ms' => $shuts === null && ! $waits ? null : ($waits ? (int) $recorded->now->getTimestampMs() : $opens),
            'to_ms' => $waits ? $opens : $shuts,
            'href' => "/builds/{$recorded->build->id}", 'colour' => $base->colour ?? '#cfc4ae',
            'action' => $this->say($waits ? 'bench.look_at_it' : 'bench.go_on_building'),
        ]];
    }

    /** @return BenchItemShape */
    private function planned(Pour $pour): array
    {
        $gist = $this->work->gist($pour);

        return $gist !== null
            ? $this->item(
                $pour, 'next', $this->say('bench.ready_weigh_up'), $gist['mass_g'], 'g',
                $this->say($gist['cups'] > 1 ? 'bench.in_cups' : 'bench.in_one_cup', ['n' => $gist['cups']]), null, null, '',
                $this->say('bench.open_sheet'),
            )
            : $this->item(
                $pour, 'later', $this->say('bench.sheet_not_finished'), null, null, $this->say('bench.still_worked_out'), null, null, '',
                $this->say('bench.finish_it'),
            );
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

    /** @param  array<string, float|int|string>  $values */
    private function say(string $code, array $values = []): string
    {
        return $this->words->say(Phrase::of($code, $values));
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Casting\Heat;
use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Run\RunState;
use Apalos\Core\Run\StepKind;

/** Where the hands are, as the bench must know it: what is poured from which tub, what stands in the cup, since when it is mixed. */
final readonly class Situation
{
    /**
     * @param  string  $of  `pour`, or the operation of a build
     * @param  int  $line  of the cup at hand, from 1; 0 where nothing is weighed
     * @param  string|null  $add  what the line asks for
     * @param  array<string, float>  $planned  grams of the cup at hand, by code
     * @param  float  $display  what the scale reads that holds what is in the cup
     * @param  Heat|null  $heat  how warm it is made, where it is heated
     * @param  float|null  $metAt  minute of the practice; likewise $since (the step), $filledAt and $laidAt (of the coat that is touched)
     */
    public function __construct(
        public float $minute,
        public string $of = 'pour',
        public ?StepKind $step = null,
        public float $since = 0.0,
        public int $batch = 1,
        public int $line = 0,
        public ?string $add = null,
        public array $planned = [],
        public float $inCup = 0.0,
        public float $gPerMl = 1.0,
        public ?float $capacityMl = null,
        public ?float $metAt = null,
        public ?float $filledAt = null,
        public ?float $laidAt = null,
        public ?CureSheet $sheet = null,
        public float $display = 0.0,
        public ?Heat $heat = null,
    ) {}

    /** @param  float  $began  minute of the practice at which the run began */
    public static function ofRun(RunState $state, string $of, float $began, float $minute, CureSheet $sheet): self
    {
        $cup = $state->cup();
        $line = $state->step->kind === StepKind::Weigh ? $cup->current() : null;
        $met = $cup->metAt ?? $state->lastMetAt();
        $filled = $state->filledAt === [] ? null : max($state->filledAt);

        return new self(
            $minute, $of, $state->step->kind, $began + $state->since, max(1, $state->step->batch),
            $line === null ? 0 : count($cup->weighings) + 1, $line['add'] ?? null, $cup->planned,
            array_sum($cup->poured), $state->plan->density->gPerMl, $state->plan->capacity?->ml, $met === null ? null : $began + $met,
            $filled === null ? null : $began + $filled, null, $sheet, $cup->display, $state->plan->heat,
        );
    }
}

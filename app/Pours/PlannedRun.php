<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Casting\CastingWay;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\StepKind;
use App\Builds\BuildStep;
use App\Models\Mould;

/** A run before it is begun. */
final readonly class PlannedRun
{
    /**
     * @param  BuildStep|null  $step  of its build; null for a pour by itself
     * @param  array<string, list<int>>  $lots  the kits it is taken from, by code
     * @param  string|null  $casting  the way it is worked
     * @param  array<string, StepKind>  $cautions  more than the sheets ask for, with the step where each stands
     * @param  list<string>  $done  of the checklist, what its build has done already
     */
    public function __construct(
        public ?BuildStep $step,
        public ?Mould $mould,
        public array $lots,
        public ?string $casting,
        public CastingWay $way,
        public RunPlan $run,
        public array $cautions,
        public array $done,
    ) {}
}

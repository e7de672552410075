<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

/** Where a run stands: the kind of step, its batch (0 when it is the whole pour's) and, when weighing, which weighing of the cup. */
final readonly class Step
{
    public function __construct(public StepKind $kind, public int $batch = 0, public int $weighing = 0) {}

    /** Stable name of the step, by which an event says what it confirms: `1:weigh:2`, `0:gear`. */
    public function key(): string
    {
        $key = "{$this->batch}:{$this->kind->value}";

        return $this->kind === StepKind::Weigh || $this->kind === StepKind::Rescue ? "{$key}:{$this->weighing}" : $key;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

/**
 * Which cup stands on the scale next. One after the other as a rule; where the plan has them weighed ahead, every cup gets all but its
 * last line first, so that no clock runs while another cup is still being weighed.
 */
final readonly class CupOrder
{
    /** @param  array<int, MixingCup>  $cups  by batch, from 1 */
    public function __construct(private RunPlan $plan, private array $cups) {}

    /** After a line of a cup is in: its next line, another cup, or mixing when all is in. */
    public function afterLine(int $batch): Step
    {
        $cup = $this->cups[$batch];
        $other = $this->plan->ahead && $cup->meetsNow() ? $this->ahead($batch) : null;

        return match (true) {
            $other !== null => new Step(StepKind::Tare, $other),
            $cup->queue === [] => new Step($this->plan->heat === null ? StepKind::Mix : StepKind::Heat, $batch),
            default => new Step(StepKind::Weigh, $batch, count($cup->weighings)),
        };
    }

    /** After a cup is in the mould. One that was weighed ahead goes back on the scale as it is; for another the parts are stirred first. */
    public function afterFill(int $batch): Step
    {
        return ($this->cups[$batch + 1] ?? null)?->weighings ? new Step(StepKind::Tare, $batch + 1) : $this->plan->cupBegins($batch + 1);
    }

    /** Before it meets: the next cup that is still empty, and from the last one back to the first. */
    private function ahead(int $batch): ?int
    {
        if ($batch < count($this->plan->batches)) {
            return isset($this->cups[$batch + 1]) ? null : $batch + 1;
        }

        return $batch > 0 && $this->cups[1]->metAt === null ? 1 : null;
    }
}

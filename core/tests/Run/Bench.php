<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Run;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\RunState;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;
use Apalos\Core\Units\Minutes;

/** Records a run for a test: each call is one fact, a minute after the last. */
final class Bench
{
    /** @var list<Fact<RunFactKind>> */
    public array $facts = [];

    /** @param  list<array<string, float>>  $batches */
    public function __construct(
        private readonly array $batches = [['B' => 100.0, 'tone' => 2.0, 'A' => 100.0, 'softener' => 60.0]],
        private readonly float $degas = 0.0,
        private readonly bool $onePart = false,
        private readonly array $checklist = [],
        private readonly bool $ahead = false,
    ) {}

    public function plan(): RunPlan
    {
        return new RunPlan(
            $this->batches, $this->onePart, Minutes::of(3), Minutes::of($this->degas), Grams::of(0.1), Millilitres::of(1500),
            Density::of(1.05), checklist: $this->checklist, ahead: $this->ahead,
        );
    }

    public function state(): RunState
    {
        return RunState::of($this->plan(), $this->facts);
    }

    /** @param  array<string, mixed>  $payload */
    public function did(RunFactKind $kind, array $payload = []): self
    {
        $id = count($this->facts) + 1;
        $this->facts[] = new Fact($id, $kind, (float) $id, $payload);

        return $this;
    }

    public function confirm(int $times = 1): self
    {
        for ($i = 0; $i < $times; $i++) {
            $this->did(RunFactKind::Confirmed, ['step' => $this->state()->step->key()]);
        }

        return $this;
    }

    public function weigh(float ...$displays): self
    {
        foreach ($displays as $display) {
            $this->did(RunFactKind::Weighed, ['step' => $this->state()->step->key(), 'reading_g' => $display]);
        }

        return $this;
    }

    public function takeBack(): self
    {
        return $this->did(RunFactKind::Undone, ['of' => $this->state()->takeBack]);
    }
}

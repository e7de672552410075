<?php

declare(strict_types=1);

namespace App\Faults;

use Apalos\Core\Facts\Fact as CoreFact;
use Apalos\Core\Trial\CupsCompared;
use Apalos\Core\Trial\TrialFactKind;
use Apalos\Core\Trial\TrialState;
use Apalos\Core\Trial\VerdictResult;
use App\Facts\Happened;
use App\Models\Trial;
use Carbon\CarbonImmutable;

/** A trial as recorded: its facts, and what they say. */
final readonly class RecordedTrial
{
    public const STREAM = 'trial';

    /** @param  list<Happened>  $facts */
    private function __construct(public Trial $trial, public TrialState $state, public array $facts) {}

    public static function of(Trial $trial): self
    {
        $facts = Happened::in(self::STREAM, [$trial->id])[$trial->id];

        return new self($trial, TrialState::of(array_map(static fn (Happened $fact): CoreFact => new CoreFact($fact->id, TrialFactKind::from($fact->kind), $fact->atMs / 60_000.0, $fact->payload), $facts)), $facts);
    }

    public function verdict(): VerdictResult
    {
        $names = array_column($this->trial->variants, 'name');

        return (new CupsCompared)->of($this->state->scores($names, $this->trial->counted !== null), $this->trial->control === null ? null : ($names[$this->trial->control] ?? null));
    }

    public function write(): void
    {
        $this->trial->update(['ended_at' => $this->state->endedAt === null ? null : CarbonImmutable::createFromTimestampMs((int) round($this->state->endedAt * 60_000.0), 'UTC')]);
    }
}

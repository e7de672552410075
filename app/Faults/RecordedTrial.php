<?php

declare(strict_types=1);

namespace App\Faults;

use Apalos\Core\Trial\CupsCompared;
use Apalos\Core\Trial\TrialFactKind;
use Apalos\Core\Trial\TrialState;
use Apalos\Core\Trial\VerdictResult;
use Apalos\Core\Units\Minutes;
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
        return self::from($trial, Happened::in(self::STREAM, [$trial->id])[$trial->id]);
    }

    /** The same with what was told since. */
    public function with(Happened $told): self
    {
        return self::from($this->trial, [...$this->facts, $told]);
    }

    /** @param  list<Happened>  $facts */
    private static function from(Trial $trial, array $facts): self
    {
        return new self($trial, TrialState::of(Happened::read($facts, TrialFactKind::class)), $facts);
    }

    public function verdict(): VerdictResult
    {
        $names = array_column($this->trial->variants, 'name');

        return (new CupsCompared)->of(
            $this->state->scores($names, $this->trial->counted !== null),
            $this->trial->control === null ? null : ($names[$this->trial->control] ?? null),
        );
    }

    /** Writes down what lists need to know of it. */
    public function write(): void
    {
        $this->trial->update([
            'ended_at' => $this->state->endedAt === null
                ? null
                : CarbonImmutable::createFromTimestampMs(Minutes::ms($this->state->endedAt), 'UTC'),
        ]);
    }
}

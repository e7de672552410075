<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

use Apalos\Core\Mix\Topup;
use Apalos\Core\Mix\TopupRequest;
use Apalos\Core\Mix\TopupResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Grams;

/** One cup as it is filled: what is planned for it, what is in it, what is still to be weighed. Immutable; every event gives a new one. */
final readonly class MixingCup
{
    /**
     * @param  array<string, float>  $planned  grams by code, in order of weighing
     * @param  array<string, float>  $poured  grams by code
     * @param  list<array{add: string, grams: float}>  $queue  still to be weighed
     * @param  list<array{add: string, grams: float, display: float, at: float}>  $weighings  done, in order, with the minute of the run
     */
    private function __construct(
        private RunPlan $plan,
        public array $planned,
        public array $poured,
        public array $queue,
        public array $weighings,
        public float $display,
        public bool $overPoured,
        public ?float $metAt,
        public float $k,
    ) {}

    public static function empty(RunPlan $plan, int $batch): self
    {
        $planned = $plan->batches[$batch - 1] ?? [];

        return new self($plan, $planned, [], self::queued($planned), [], 0.0, false, null, 1.0);
    }

    /**
     * A cup that stands there from before the plan was changed; null where what is in it is not of this plan, or more than it.
     *
     * @param  array<string, float>  $poured  grams by code
     */
    public static function carrying(RunPlan $plan, int $batch, array $poured): ?self
    {
        $planned = $plan->batches[$batch - 1] ?? [];
        $queue = $planned;
        $weighings = [];
        $display = 0.0;
        foreach ($poured as $code => $grams) {
            if (! isset($planned[$code]) || $grams > $planned[$code] + $plan->slack($planned[$code]) + 1e-9) {
                return null;
            }
            $display += $grams;
            $weighings[] = ['add' => (string) $code, 'grams' => $grams, 'display' => $display, 'at' => 0.0];
            $queue[$code] = $planned[$code] - $grams;
            if ($queue[$code] <= $plan->slack($planned[$code]) + 1e-9) {
                unset($queue[$code]);
            }
        }
        $cup = new self($plan, $planned, $poured, self::queued($queue), $weighings, $display, false, null, 1.0);

        return $cup->isMet() ? null : $cup;
    }

    /**
     * @param  array<string, float>  $amounts
     * @return list<array{add: string, grams: float}>
     */
    private static function queued(array $amounts): array
    {
        $queue = [];
        foreach ($amounts as $name => $grams) {
            $queue[] = ['add' => (string) $name, 'grams' => $grams];
        }

        return $queue;
    }

    /**
     * @return array{add: string, grams: float, running: float, from: float, to: float}|null what to weigh now and the display that is good
     */
    public function current(): ?array
    {
        $line = $this->queue[0] ?? null;
        if ($line === null) {
            return null;
        }
        $slack = $this->plan->slack($line['grams']);
        $step = fn (float $grams): float => Grams::of(max(0.0, $grams))->toDivision($this->plan->division)->g;
        $running = $step($this->display + $line['grams']);

        return [
            'add' => $line['add'], 'grams' => $line['grams'], 'running' => $running, 'from' => $step($running - $slack),
            'to' => $step($running + $slack),
        ];
    }

    /** The next line is in: the display now reads this. */
    public function weighed(float $display, float $at): self
    {
        $line = $this->current();
        if ($line === null) {
            return $this;
        }
        $grams = max(0.0, $display - $this->display);
        $poured = $this->poured;
        $poured[$line['add']] = ($poured[$line['add']] ?? 0.0) + $grams;

        return new self(
            $this->plan, $this->planned, $poured, array_slice($this->queue, 1),
            [...$this->weighings, ['add' => $line['add'], 'grams' => $grams, 'display' => $display, 'at' => $at]],
            $display, $display > $line['to'] + 1e-9, $this->metAt, $this->k,
        );
    }

    /** Whether the part at hand, or the one weighed last, may have been the other one: before they meet. */
    public function mayBeSwapped(): bool
    {
        return ! $this->plan->onePart
            && $this->metAt === null
            && ! $this->isMet()
            && ($this->queuedPart() !== null || $this->weighedPart() !== null);
    }

    /** The other part was poured. What is in keeps its grams; what is still to come changes places. */
    public function swapped(): self
    {
        $was = $this->queuedPart() ?? $this->weighedPart();
        if ($was === null || ! $this->mayBeSwapped()) {
            return $this;
        }
        $really = $was === 'A' ? 'B' : 'A';
        if ($this->queuedPart() !== null) {
            $queue = array_map(static fn (array $line): array => match ($line['add']) {
                $was => [...$line, 'add' => $really],
                $really => [...$line, 'add' => $was],
                default => $line,
            }, $this->queue);
            $queue = array_map(
                fn (array $line): array => $line['add'] === 'A' || $line['add'] === 'B'
                    ? [...$line, 'grams' => $this->planned[$line['add']]]
                    : $line,
                $queue,
            );

            return new self(
                $this->plan, $this->planned, $this->poured, $queue, $this->weighings, $this->display, $this->overPoured, $this->metAt,
                $this->k,
            );
        }
        $grams = $this->poured[$was] ?? 0.0;
        $poured = array_diff_key([...$this->poured, $really => $grams], [$was => 0]);
        $queue = array_map(
            fn (array $line): array => $line['add'] === $really ? ['add' => $was, 'grams' => $this->planned[$was]] : $line, $this->queue,
        );
        $rest = $this->planned[$really] - $grams;
        if ($rest > $this->plan->slack($this->planned[$really])) {
            $queue = [['add' => $really, 'grams' => $rest], ...$queue];
        }
        $weighings = array_map(
            static fn (array $one): array => $one['add'] === $was ? [...$one, 'add' => $really] : $one, $this->weighings,
        );

        return new self(
            $this->plan, $this->planned, $poured, $queue, $weighings, $this->display,
            -$rest > $this->plan->slack($this->planned[$really]) + 1e-9, $this->metAt, $this->k,
        );
    }

    /** The part that is to be weighed now, where the other one is still to come. */
    private function queuedPart(): ?string
    {
        $add = $this->queue[0]['add'] ?? '';
        $isPart = ($add === 'A' || $add === 'B') && ! isset($this->poured['A']) && ! isset($this->poured['B']);

        return $isPart ? $add : null;
    }

    /** The part that is in, where the other one is still to come. */
    private function weighedPart(): ?string
    {
        $in = array_values(array_filter(['A', 'B'], fn (string $part): bool => ($this->poured[$part] ?? 0.0) > 0.0));

        return count($in) === 1 ? $in[0] : null;
    }

    /** It met so early, as somebody says afterwards. */
    public function metEarlier(float $at): self
    {
        return $this->metAt === null
            ? $this
            : new self(
                $this->plan, $this->planned, $this->poured, $this->queue, $this->weighings, $this->display, $this->overPoured, $at,
                $this->k,
            );
    }

    /** What the display shows now is what is in: it was set to zero, lifted, or carries something that is not in the cup. */
    public function counted(float $display): self
    {
        return new self(
            $this->plan, $this->planned, $this->poured, $this->queue, $this->weighings, $display, $this->overPoured, $this->metAt, $this->k,
        );
    }

    /** Back on the heat: its clock has not begun. */
    public function unmet(): self
    {
        return new self(
            $this->plan, $this->planned, $this->poured, $this->queue, $this->weighings, $this->display, $this->overPoured, null, $this->k,
        );
    }

    public function met(float $at): self
    {
        return new self(
            $this->plan, $this->planned, $this->poured, $this->queue, $this->weighings, $this->display, $this->overPoured,
            $this->metAt ?? $at, $this->k,
        );
    }

    /** Whether A and B are both in it (for a one-part base: whether anything is); of what is heated nothing meets on the scale. */
    public function isMet(): bool
    {
        return $this->plan->heat === null
            && ($this->poured['A'] ?? 0.0) > 0.0
            && ($this->plan->onePart || ($this->poured['B'] ?? 0.0) > 0.0);
    }

    /** Whether what is being poured now makes A meet B. */
    public function meetsNow(): bool
    {
        $add = $this->queue[0]['add'] ?? null;

        return $this->metAt === null && $this->plan->heat === null && (
            ($add === 'A' && ($this->plan->onePart || isset($this->poured['B']))) || ($add === 'B' && isset($this->poured['A']))
        );
    }

    public function rescue(): TopupResult
    {
        $grams = static fn (float $g): Grams => Grams::of($g);

        return (new Topup)->rescue(new TopupRequest(
            array_map($grams, $this->planned), array_map($grams, $this->withoutSlack()),
            $this->plan->capacity, $this->plan->density, $this->plan->division, 0.0,
        ));
    }

    /** Where the rescued cup is more than it can raise under vacuum, or hold at all: what goes into each of two cups. */
    public function inTwoCups(TopupResult $rescue): ?Warning
    {
        $volume = Grams::of(
            array_sum(array_map(static fn (Grams $grams): float => $grams->g, $rescue->planned)),
        )->volumeAt($this->plan->density);
        $takes = $this->plan->takes ?? $this->plan->capacity;
        if (! $rescue->needed || $takes === null || $volume->ml <= $takes->ml + 1e-9) {
            return null;
        }
        $half = array_sum($this->poured) / 2.0;

        return new Warning('two_cups', Phrase::of($rescue->fits ? 'mix.rescue_under_vacuum' : 'mix.rescue_in_two_cups', [
            'volume' => Quantity::volume($volume), 'takes' => Quantity::volume($takes), 'half' => Quantity::volume($volume->ml / 2.0),
            'move' => Quantity::mass($half),
        ]));
    }

    /**
     * What was poured, without the crumbs a scale cannot tell apart: one step too much of a pinch of pigment is no reason to
     * raise the whole cup.
     *
     * @return array<string, float>
     */
    public function withoutSlack(): array
    {
        $poured = $this->poured;
        foreach ($poured as $name => $grams) {
            $planned = $this->planned[$name] ?? 0.0;
            $poured[$name] = $grams > $planned && $grams <= $planned + $this->plan->slack($planned) + 1e-9 ? $planned : $grams;
        }

        return $poured;
    }

    /** The over-pour is taken as the measure: all else is raised to it. */
    public function rescued(): self
    {
        $rescue = $this->rescue();
        $queue = [];
        foreach ($rescue->lines as $line) {
            $queue[] = ['add' => $line->code, 'grams' => $line->grams->g];
        }

        return new self(
            $this->plan, array_map(static fn (Grams $grams): float => $grams->g, $rescue->planned), $this->poured,
            $queue, $this->weighings, $this->display, false, $this->metAt, $this->k * $rescue->k,
        );
    }

    public function kept(): self
    {
        return new self(
            $this->plan, $this->planned, $this->poured, $this->queue, $this->weighings, $this->display, false, $this->metAt, $this->k,
        );
    }
}

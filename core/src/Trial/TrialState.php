<?php

declare(strict_types=1);

namespace Apalos\Core\Trial;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;
use Apalos\Core\Run\Grade;

/** How a trial stands, as its facts tell it. What was told of a cup last counts. */
final readonly class TrialState
{
    /**
     * @param  array<int, array<int, Grade>>  $grades  by variant and cup, both from nought
     * @param  array<int, array<int, int>>  $counts  likewise: of what is counted the fewer the better
     * @param  float|null  $endedAt  minutes
     * @param  int|null  $takeBack  the fact that may be taken back: the last; none of what was told before it ended
     */
    private function __construct(public array $grades, public array $counts, public ?float $endedAt, public ?int $takeBack) {}

    /** @param  list<Fact<TrialFactKind>>  $facts in the order in which they were told */
    public static function of(array $facts): self
    {
        [$grades, $counts, $ended, $last] = [[], [], null, null];
        foreach (Standing::of($facts) as $fact) {
            [$variant, $cup] = [(int) $fact->number('variant'), (int) $fact->number('cup')];
            $grade = Grade::tryFrom($fact->text('grade') ?? '');
            if ($fact->kind === TrialFactKind::Graded && $grade !== null) {
                $grades[$variant][$cup] = $grade;
            }
            if ($fact->kind === TrialFactKind::Counted) {
                $counts[$variant][$cup] = (int) $fact->number('n');
            }
            $ended = $fact->kind === TrialFactKind::Ended ? $fact->at : $ended;
            // What has ended is a finding: only a note told after it may be taken back.
            $last = $ended !== null && $fact->kind !== TrialFactKind::Noted ? null : $fact->id;
        }

        return new self($grades, $counts, $ended, $last);
    }

    public function sawNothing(): bool
    {
        return $this->grades === [] && $this->counts === [];
    }

    /**
     * @param  list<string>  $names  of the variants
     * @param  bool  $counted  whether cups are counted, not graded
     * @return array<string, list<float>> what each of its cups was graded, from 0 for spoilt to 4 for superb; or less than nothing by each
     *   that was counted
     */
    public function scores(array $names, bool $counted = false): array
    {
        $scores = [];
        foreach ($names as $i => $name) {
            $scores[$name] = $counted
                ? array_values(array_map(static fn (int $n): float => (float) -$n, $this->counts[$i] ?? []))
                : array_values(
                    array_map(
                        static fn (Grade $grade): float => (float) array_search($grade, Grade::cases(), true), $this->grades[$i] ?? [],
                    ),
                );
        }

        return $scores;
    }
}

<?php

declare(strict_types=1);

namespace Apalos\Core\Trial;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;
use Apalos\Core\Run\Grade;

/** How a trial stands, as its facts tell it. */
final readonly class TrialState
{
    /**
     * @param  array<int, array<int, Grade>>  $grades  by variant and cup, both from nought
     * @param  float|null  $endedAt  minutes
     * @param  int|null  $takeBack  the fact that may be taken back: the last
     */
    private function __construct(public array $grades, public ?float $endedAt, public ?int $takeBack) {}

    /** @param  list<Fact<TrialFactKind>>  $facts in the order in which they were told */
    public static function of(array $facts): self
    {
        [$grades, $ended, $last] = [[], null, null];
        foreach (Standing::of($facts) as $fact) {
            $last = $fact->id;
            $grade = Grade::tryFrom($fact->text('grade') ?? '');
            if ($fact->kind === TrialFactKind::Graded && $grade !== null) {
                $grades[(int) $fact->number('variant')][(int) $fact->number('cup')] = $grade;
            }
            $ended = $fact->kind === TrialFactKind::Ended ? $fact->at : $ended;
        }

        return new self($grades, $ended, $last);
    }

    /**
     * @param  list<string>  $names  of the variants
     * @return array<string, list<float>> what each of its cups was graded, from 0 for spoilt to 4 for superb
     */
    public function scores(array $names): array
    {
        $scores = [];
        foreach ($names as $i => $name) {
            $scores[$name] = array_values(array_map(static fn (Grade $grade): float => (float) array_search($grade, Grade::cases(), true), $this->grades[$i] ?? []));
        }

        return $scores;
    }
}

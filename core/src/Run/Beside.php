<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;

/** What a run is told beside its steps: into which moulds it goes, from which lots it takes, what was wrong with it. */
final readonly class Beside
{
    /**
     * @param  list<int>|null  $moulds  null where nobody has said otherwise than the plan
     * @param  array<string, int>  $lots  the lot each code is taken from first, where somebody chose
     * @param  array{cause: string, answers: array<string, mixed>}|null  $diagnosis
     * @param  float|null  $leftG  grams that stayed in the cups, as told before a grade; null where nobody weighed it
     */
    private function __construct(public ?array $moulds, public array $lots, public ?array $diagnosis, public ?float $leftG = null) {}

    /** @param  list<Fact<RunFactKind>>  $facts in the order in which they were told */
    public static function of(array $facts): self
    {
        [$moulds, $lots, $diagnosis, $left] = [null, [], null, []];
        foreach (Standing::of($facts) as $fact) {
            if ($fact->kind === RunFactKind::Moulded) {
                $said = $fact->payload['moulds'] ?? [];
                $moulds = array_values(array_filter(is_array($said) ? $said : [], is_int(...)));
            } elseif ($fact->kind === RunFactKind::DrawnFrom) {
                $lots[$fact->text('code') ?? ''] = (int) $fact->number('lot');
            } elseif ($fact->kind === RunFactKind::Diagnosed) {
                $answers = $fact->payload['answers'] ?? [];
                $diagnosis = [
                    'cause' => $fact->text('cause') ?? '',
                    'answers' => is_array($answers) ? array_filter($answers, is_string(...), ARRAY_FILTER_USE_KEY) : [],
                ];
            } elseif ($fact->kind === RunFactKind::LeftOver) {
                // Cup by cup as each is poured, or all of them at once afterwards: that counts for all.
                $cup = (int) ($fact->number('batch') ?? 0);
                $left = $cup === 0 ? [] : array_diff_key($left, [0 => true]);
                $left[$cup] = $fact->number('left_g') ?? 0.0;
            } elseif ($fact->kind === RunFactKind::Graded) {
                $diagnosis = null;
            }
        }

        return new self($moulds, $lots, $diagnosis, $left === [] ? null : array_sum($left));
    }
}

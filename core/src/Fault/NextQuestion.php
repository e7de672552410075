<?php

declare(strict_types=1);

namespace Apalos\Core\Fault;

/**
 * What to ask next: the question whose answer is expected to tell most about the cause, in bits (mutual information of answer and cause,
 * where an answer is the likelier under a cause the more it speaks for it). What is known, or would hardly tell, is not asked.
 */
final readonly class NextQuestion
{
    private const WORTH_BITS = 0.04;

    public function __construct(private FaultBook $book, private FaultFinder $finder) {}

    /** @return array{fact: string, ask: string, answers: list<array{value: float|bool|string, text: string}>}|null */
    public function after(FaultRequest $asked): ?array
    {
        $shares = $this->finder->shares($asked);
        $best = [self::WORTH_BITS, null];
        foreach ($this->book->questions as $fact => $question) {
            $known = $fact === 'where' ? $asked->where !== null : isset($asked->facts[$fact]);
            $bits = $known ? 0.0 : $this->bits($fact, $question['answers'], $shares);
            $best = $bits > $best[0] ? [$bits, $fact] : $best;
        }

        return $best[1] === null ? null : ['fact' => $best[1], ...$this->book->questions[$best[1]]];
    }

    /**
     * @param  list<array{value: float|bool|string, text: string}>  $answers
     * @param  array<string, float>  $shares
     */
    private function bits(string $fact, array $answers, array $shares): float
    {
        $given = [];
        foreach ($shares as $id => $share) {
            $times = array_map(fn (array $answer): float => $this->times($this->book->causes[$id], $fact, $answer['value']), $answers);
            $sum = array_sum($times);
            $given[$id] = array_map(static fn (float $one): float => $one / $sum, $times);
        }
        $bits = 0.0;
        foreach (array_keys($answers) as $i) {
            $all = 0.0;
            foreach ($shares as $id => $share) {
                $all += $share * $given[$id][$i];
            }
            foreach ($shares as $id => $share) {
                $bits += $share > 0.0 && $given[$id][$i] > 0.0 ? $share * $given[$id][$i] * log($given[$id][$i] / $all, 2.0) : 0.0;
            }
        }

        return $bits;
    }

    private function times(Cause $cause, string $fact, float|bool|string $value): float
    {
        return $fact === 'where'
            ? ($cause->where[is_string($value) ? $value : ''] ?? $this->book->elsewhere)
            : ($cause->toldBy($fact, $value)->times ?? 1.0);
    }
}

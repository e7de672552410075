<?php

declare(strict_types=1);

namespace Apalos\Core\Fault;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/**
 * The likeliest causes of what was seen. Each symptom, place and fact makes a cause so many times likelier than it is anyway; what a shop
 * has confirmed counts as so many cases beside the usual ones. A cause that cannot be in this chemistry has no share. Symptoms and facts
 * are taken as independent given the cause (naive Bayes).
 */
final readonly class FaultFinder
{
    /** For so many cases of its own the usual shares count: after as many, a shop's word weighs as much as the library's. */
    private const CASES = 25.0;

    /** Under this the likeliest is hardly likelier than the others: that is said. */
    private const UNSURE = 0.3;

    public function __construct(private FaultBook $book) {}

    public function find(FaultRequest $asked): FaultResult
    {
        $shares = $this->shares($asked);
        arsort($shares);
        $told = $asked->told();
        $causes = [];
        foreach ($shares as $id => $share) {
            $cause = $this->book->causes[$id];
            $causes[] = [
                'id' => $id, 'name' => $cause->name, 'share' => $share, ...$this->because($cause, $asked, $told),
                'look' => Phrase::written($cause->look), 'next' => Phrase::written($cause->next),
            ];
        }
        $warnings = ($causes[0]['share'] ?? 0.0) < self::UNSURE ? [new Warning('unsure', Phrase::of('fault.unsure'))] : [];

        return new FaultResult($causes, $warnings);
    }

    /** @return array<string, float> how likely each cause is, summing to one */
    public function shares(FaultRequest $asked): array
    {
        $told = $asked->told();
        $usual = array_sum(array_map(static fn (Cause $cause): float => $cause->usual, $this->book->causes));
        $shares = [];
        foreach ($this->book->causes as $id => $cause) {
            if (! $cause->canBe($asked->family)) {
                $shares[$id] = 0.0;

                continue;
            }
            $share = self::CASES * $cause->usual / $usual + ($asked->confirmed[$id] ?? 0.0);
            foreach ($asked->seen as $symptom) {
                $share *= $cause->seen[$symptom]['times'] ?? $this->book->unseen;
            }
            $share *= $asked->where === null ? 1.0 : ($cause->where[$asked->where->value] ?? $this->book->elsewhere);
            foreach ($told as $fact => $value) {
                $share *= $cause->toldBy($fact, $value)->times ?? 1.0;
            }
            $shares[$id] = $share;
        }
        $sum = array_sum($shares);

        return array_map(static fn (float $share): float => $sum > 0.0 ? $share / $sum : 0.0, $shares);
    }

    /**
     * @param  array<string, float|bool|string>  $told
     * @return array{because: list<Phrase>, against: list<Phrase>} what speaks for it, and what against
     */
    private function because(Cause $cause, FaultRequest $asked, array $told): array
    {
        $said = ['because' => [], 'against' => []];
        if (! $cause->canBe($asked->family)) {
            return $said;
        }
        // For or against is what makes it likelier, or less likely, than its fellows.
        $say = static function (float $times, float $others, string $because) use (&$said): void {
            $said[$times >= $others ? 'because' : 'against'][] = Phrase::written($because);
        };
        foreach ($asked->seen as $symptom) {
            isset($cause->seen[$symptom])
                && $say(
                    $cause->seen[$symptom]['times'],
                    $this->others($cause, $asked, fn (Cause $other): float => $other->seen[$symptom]['times'] ?? $this->book->unseen),
                    $cause->seen[$symptom]['because'],
                );
        }
        foreach ($told as $fact => $value) {
            $telling = $cause->toldBy($fact, $value);
            $telling !== null
                && $say(
                    $telling->times,
                    $this->others($cause, $asked, static fn (Cause $other): float => $other->toldBy($fact, $value)->times ?? 1.0),
                    $telling->because,
                );
        }
        if (($asked->confirmed[$cause->id] ?? 0.0) > 0.0) {
            $said['because'][] = Phrase::of('fault.found_here', ['times' => (int) $asked->confirmed[$cause->id]]);
        }

        return $said;
    }

    /**
     * How many times likelier the same makes the other causes, each as often as it usually is one.
     *
     * @param  callable(Cause): float  $times
     */
    private function others(Cause $cause, FaultRequest $asked, callable $times): float
    {
        [$sum, $of] = [0.0, 0.0];
        foreach ($this->book->causes as $other) {
            if ($other !== $cause && $other->canBe($asked->family)) {
                $sum += $other->usual * $times($other);
                $of += $other->usual;
            }
        }

        return $of > 0.0 ? $sum / $of : 1.0;
    }
}

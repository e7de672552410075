<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Console;

use Apalos\Core\Console\Shelves;
use Apalos\Core\Console\Verb;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Often;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** Whatever is asked within the bounds that are written down, the core answers within two seconds of processor time. */
#[Group('budget')]
final class SlowestQuestionTest extends TestCase
{
    use CountsTime;

    private const BUDGET_S = 2.0;

    /** Changed so often, each of the slowest known. */
    private const CHANGED = 3;

    private static ?Shelves $shelves = null;

    /**
     * @param  array<string, mixed>  $question
     * @return array{float, array<string, mixed>|null} seconds of processor time, and what was answered; null where it was refused
     */
    private static function asked(Verb $verb, array $question): array
    {
        self::$shelves ??= Shipped::shelves();
        $json = json_encode($question, JSON_THROW_ON_ERROR);
        $before = self::processor();
        try {
            $answer = $verb->answer(Fields::fromJson($json), self::$shelves);
        } catch (BadInput) {
            $answer = null;
        }

        return [self::processor() - $before, $answer];
    }

    /**
     * Whoever shares the machine makes a question slower and never quicker: what seems too slow is asked again, and the least counts.
     *
     * @param  array<string, mixed>  $question
     * @return array{float, array<string, mixed>|null}
     */
    private static function atBest(Verb $verb, array $question): array
    {
        [$least, $answer] = self::asked($verb, $question);
        for ($again = 0; $again < 5 && $least >= self::BUDGET_S * self::slowness(); $again++) {
            $least = min($least, self::asked($verb, $question)[0]);
        }

        return [$least, $answer];
    }

    public function test_the_slowest_questions_known_of_every_verb_keep_their_budget(): void
    {
        $verbs = [];
        foreach (WorstQuestions::all() as $name => [$verb, $question]) {
            [$seconds, $answer] = self::atBest($verb, $question);
            self::assertNotNull($answer, "{$verb->value}, {$name}: that is no question within the bounds.");
            self::assertLessThan(self::BUDGET_S * self::slowness(), $seconds, "{$verb->value}, {$name}");
            $verbs[$verb->value] = true;
        }
        self::assertSame([], array_diff(array_column(Verb::cases(), 'value'), array_keys($verbs)), 'Every verb has its slowest question.');
    }

    public function test_nor_does_a_change_here_and_there_make_one_that_is_slower(): void
    {
        $mutated = new Mutated(1911);
        [$slowest, $what] = [0.0, ''];
        foreach (WorstQuestions::all() as $name => [$verb, $question]) {
            for ($i = 0; $i < Often::times(self::CHANGED); $i++) {
                $other = $mutated->of($question);
                [$seconds] = self::atBest($verb, $other);
                if ($seconds > $slowest) {
                    [$slowest, $what] = [$seconds, "{$verb->value}, {$name}: ".mb_strimwidth((string) json_encode($other), 0, 400, '…')];
                }
            }
        }
        self::assertGreaterThan(0.0, $slowest);
        self::assertLessThan(self::BUDGET_S * self::slowness(), $slowest, $what);
    }

    public function test_what_is_cut_short_says_so_and_what_is_not_does_not(): void
    {
        $codes = static fn (?array $answer): array => array_column($answer['warnings'] ?? [], 'code');
        $all = iterator_to_array(WorstQuestions::all());
        foreach ([
            'four hundred in eighty chains' => 'best_so_far', 'a hundred pigments, six at a time' => 'best_so_far',
            '12 pigments of 24 drawdowns' => 'roughly_known',
        ] as $name => $code) {
            self::assertContains($code, $codes(self::asked(...$all[$name])[1]), $name);
        }
        foreach (['a dozen pigments, six at a time', 'twelve with two hundred waits'] as $name) {
            self::assertSame([], array_intersect(['best_so_far', 'roughly_known'], $codes(self::asked(...$all[$name])[1])), $name);
        }
    }
}

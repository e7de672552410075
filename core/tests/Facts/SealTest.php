<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Facts;

use Apalos\Core\Facts\ChainBreak;
use Apalos\Core\Facts\ChainCheck;
use Apalos\Core\Facts\Seal;
use Apalos\Core\Facts\SealedFact;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Nobody bends a record unseen: whatever is done to a chain of facts, the first that does not fit is found and named. */
final class SealTest extends TestCase
{
    /** @param  array<array-key, mixed>  $payload */
    private static function fact(
        int $nth,
        array $payload = ['grams' => 12.5],
        string $kind = 'weighed',
        ?string $person = '01J0000000000000000000MAKR',
    ): SealedFact {
        return new SealedFact(
            'run', 7, $nth, "k{$nth}", $kind, 1_700_000_000_000 + 1000 * $nth, null, $payload, $person, null, 'screen', null,
        );
    }

    /** @return list<array{id: int, fact: SealedFact, seal: string}> */
    private static function chain(int $n = 6): array
    {
        [$rows, $before] = [[], Seal::NOTHING];
        for ($i = 1; $i <= $n; $i++) {
            $fact = self::fact($i, ['grams' => 10.0 * $i, 'what' => "step {$i}"]);
            $before = Seal::of($fact, $before);
            $rows[] = ['id' => 100 + $i, 'fact' => $fact, 'seal' => $before];
        }

        return $rows;
    }

    /** Whoever writes it down and whoever looks it up later: also where one of them is compiled and leaves out what changes nothing. */
    public function test_minus_nought_is_sealed_as_nought(): void
    {
        $sealed = static fn (float $grams): string => Seal::of(self::fact(1, ['grams' => $grams]), Seal::NOTHING);
        self::assertSame($sealed(0.0), $sealed(-0.0));
        self::assertNotSame($sealed(0.0), $sealed(0.5));
    }

    public function test_one_that_nobody_touched_is_whole(): void
    {
        foreach ([0, 1, 2, 40] as $n) {
            self::assertNull(ChainCheck::first(self::chain($n)));
        }
    }

    /**
     * @return iterable<string, array{
     *     \Closure(list<array{id: int, fact: SealedFact, seal: string}>): list<array{id: int, fact: SealedFact|null, seal: string|null}>,
     *     ChainBreak, int, int,
     * }>
     */
    public static function bends(): iterable
    {
        $with = static fn (SealedFact $of, int $nth, array $payload, ?string $person = null): SealedFact => new SealedFact(
            $of->stream, $of->streamId, $nth, $of->key, $of->kind, $of->atMs, $of->clockMs, $payload, $person ?? $of->person, $of->witness,
            $of->door, $of->device,
        );

        yield 'grams are changed' => [static function (array $rows) use ($with): array {
            $rows[2]['fact'] = $with($rows[2]['fact'], 3, ['grams' => 31.0, 'what' => 'step 3']);

            return $rows;
        }, ChainBreak::Changed, 103, 3];
        yield 'somebody else did it' => [static function (array $rows) use ($with): array {
            $rows[4]['fact'] = $with($rows[4]['fact'], 5, $rows[4]['fact']->payload, 'AAAAAAAAAAAAAAAAAAAAAAAAAA');

            return $rows;
        }, ChainBreak::Changed, 105, 5];
        yield 'one is changed and sealed anew' => [static function (array $rows) use ($with): array {
            $rows[1]['fact'] = $with($rows[1]['fact'], 2, ['grams' => 99.0]);
            $rows[1]['seal'] = Seal::of($rows[1]['fact'], $rows[0]['seal']);

            return $rows;
        }, ChainBreak::Changed, 103, 3];
        yield 'one in the middle is taken out' => [
            static fn (array $rows): array => array_values(array_diff_key($rows, [3 => 0])), ChainBreak::Missing, 105, 4,
        ];
        yield 'the first is taken out' => [static fn (array $rows): array => array_slice($rows, 1), ChainBreak::Missing, 102, 1];
        yield 'two change places' => [
            static fn (array $rows): array => [$rows[0], $rows[1], $rows[3], $rows[2], $rows[4], $rows[5]], ChainBreak::Moved, 104, 4,
        ];
        yield 'two change places, and their places are rewritten' => [static function (array $rows) use ($with): array {
            [$three, $four] = [$rows[2], $rows[3]];
            $rows[2] = [...$four, 'fact' => $with($four['fact'], 3, $four['fact']->payload), 'seal' => $four['seal']];
            $rows[3] = [...$three, 'fact' => $with($three['fact'], 4, $three['fact']->payload), 'seal' => $three['seal']];

            return $rows;
        }, ChainBreak::Moved, 104, 3];
        yield 'one without a seal is slipped in' => [
            static fn (array $rows): array => [
                ...array_slice($rows, 0, 3), ['id' => 999, 'fact' => self::fact(4), 'seal' => null], ...array_slice($rows, 3),
            ],
            ChainBreak::SlippedIn, 999, 4,
        ];
        yield 'one with a seal of its own is slipped in' => [
            static fn (array $rows): array => [
                ...$rows, ['id' => 999, 'fact' => self::fact(6), 'seal' => Seal::of(self::fact(6), $rows[4]['seal'])],
            ],
            ChainBreak::SlippedIn, 999, 6,
        ];
        yield 'one that nobody can read' => [static function (array $rows): array {
            $rows[5]['fact'] = null;

            return $rows;
        }, ChainBreak::Changed, 106, 6];
    }

    /**
     * @param \Closure(list<array{id: int, fact: SealedFact, seal: string}>): list<array{id: int, fact: SealedFact|null, seal: string|null}>
     *   $bend
     */
    #[DataProvider('bends')]
    public function test_what_was_done_to_it_is_found_where_it_was_done(\Closure $bend, ChainBreak $break, int $id, int $nth): void
    {
        self::assertEquals(['break' => $break, 'id' => $id, 'nth' => $nth], ChainCheck::first($bend(self::chain())));
    }

    /** The hash by another route: written out by hand, once. */
    public function test_the_bytes_are_those_that_are_documented(): void
    {
        $fact = new SealedFact(
            'lot', 3, 1, 'k', 'counted', 1500, null, ['b' => [1, 2.5], 'a' => 'Größe / "neun"', 'none' => []], null, null, 'console', null,
        );
        $bytes = '[1,{"at":1500,"clock":null,"device":null,"door":"console","key":"k","kind":"counted","nth":1,"payload":{"a":"Größe / \"neun\"","b":[1,2.5],"none":[]},"person":null,"stream":"lot","stream_id":3,"witness":null}]';

        self::assertSame(hash('sha256', str_repeat('0', 64)."\n".$bytes), Seal::of($fact, Seal::NOTHING));
    }

    /** Whatever engine kept it, and in which order it gives the names back. */
    public function test_the_same_content_has_the_same_seal(): void
    {
        mt_srand(30112026);
        for ($i = 0; $i < 300; $i++) {
            $payload = [
                'n' => mt_rand(-1_000_000, 1_000_000) / 1024.0, 'whole' => (float) mt_rand(0, 9999),
                'text' => str_repeat('ü"\\/', mt_rand(0, 3)), 'list' => [mt_rand(), null, true],
                'deep' => ['z' => 1, 'a' => ['y' => mt_rand()]],
            ];
            $again = (array) json_decode((string) json_encode(array_reverse($payload, true)), true);

            self::assertSame(Seal::of(self::fact(1, $payload), Seal::NOTHING), Seal::of(self::fact(1, $again), Seal::NOTHING));
            self::assertNotSame(
                Seal::of(self::fact(1, $payload), Seal::NOTHING),
                Seal::of(self::fact(1, [...$payload, 'n' => $payload['n'] + 1e-9]), Seal::NOTHING),
            );
        }
    }

    public function test_an_anchor_changes_with_each_head_and_with_the_anchor_before(): void
    {
        $heads = [['build', 2, 4, 'aa'], ['run', 1, 9, 'bb']];
        $anchor = Seal::anchor($heads, Seal::NOTHING);

        self::assertSame($anchor, Seal::anchor(new \ArrayIterator($heads), Seal::NOTHING));
        foreach ([
            [[['build', 2, 4, 'aa']], Seal::NOTHING], [[['build', 2, 5, 'aa'], ['run', 1, 9, 'bb']], Seal::NOTHING], [$heads, $anchor],
        ] as [$other, $before]) {
            self::assertNotSame($anchor, Seal::anchor($other, $before));
        }
    }
}

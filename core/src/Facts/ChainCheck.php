<?php

declare(strict_types=1);

namespace Apalos\Core\Facts;

/** Goes through one stream of sealed facts and finds the first that does not fit. */
final readonly class ChainCheck
{
    /**
     * @param  list<array{id: int, fact: SealedFact|null, seal: string|null}>  $rows of one stream, in the order of their numbers; without a
     *   fact where nobody can read it
     * @return array{break: ChainBreak, id: int, nth: int}|null the first that does not fit: its number, and the place in the stream; null
     *   where all do
     */
    public static function first(array $rows): ?array
    {
        $places = array_map(static fn (array $row): int => $row['fact']->nth ?? 0, $rows);
        $before = Seal::NOTHING;
        foreach ($rows as $i => $row) {
            [$wanted, $fact] = [$i + 1, $row['fact']];
            $break = match (true) {
                $fact === null => ChainBreak::Changed,
                $row['seal'] === null || $fact->nth < 1 || in_array($fact->nth, array_slice($places, 0, $i), true) => ChainBreak::SlippedIn,
                $fact->nth > $wanted => in_array($wanted, array_slice($places, $i + 1), true) ? ChainBreak::Moved : ChainBreak::Missing,
                $fact->nth < $wanted => ChainBreak::Moved,
                ! hash_equals(Seal::of($fact, $before), $row['seal']) => self::isMoved($rows, $i, $before)
                    ? ChainBreak::Moved
                    : ChainBreak::Changed,
                default => null,
            };
            if ($break !== null) {
                return ['break' => $break, 'id' => $row['id'], 'nth' => $break === ChainBreak::Missing ? $wanted : ($fact->nth ?? $wanted)];
            }
            $before = (string) $row['seal'];
        }

        return null;
    }

    /**
     * Whether its place was rewritten as well: with that of another one its seal would fit.
     *
     * @param  list<array{id: int, fact: SealedFact|null, seal: string|null}>  $rows
     */
    private static function isMoved(array $rows, int $i, string $before): bool
    {
        foreach ($rows as $j => $other) {
            if ($j !== $i && $other['fact'] !== null && $other['seal'] !== null) {
                $fact = $other['fact'];
                $here = new SealedFact(
                    $fact->stream, $fact->streamId, $i + 1, $fact->key, $fact->kind, $fact->atMs, $fact->clockMs, $fact->payload,
                    $fact->person, $fact->witness, $fact->door, $fact->device,
                );
                if (hash_equals(Seal::of($here, $before), $other['seal'])) {
                    return true;
                }
            }
        }

        return false;
    }
}

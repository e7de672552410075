<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Facts\ChainCheck;
use Apalos\Core\Facts\Seal;
use Apalos\Core\Facts\SealedFact;
use App\Models\Anchor;
use Carbon\CarbonImmutable;
use Generator;
use Illuminate\Support\Facades\DB;

/** The seals of all streams of a shop: put on, anchored each night, and looked through from the first fact to the last. */
final readonly class Seals
{
    /** Told before there were seals. */
    public const AS_THEY_WERE = 'as_they_were';

    private const AT_ONCE = 4000;

    private const READ = [
        'id', 'stream', 'stream_id', 'key', 'kind', 'at', 'clock_at', 'payload', 'person', 'witness', 'door', 'device', 'nth', 'seal',
    ];

    /** Seals what was told before there were seals as it is, and says so in an anchor of its own. */
    public function sealTheOld(int $workshop, CarbonImmutable $now): void
    {
        $sealed = 0;
        $some = [];
        foreach ($this->streams($workshop) as $rows) {
            $before = Seal::NOTHING;
            foreach ($rows as $i => $row) {
                $seal = $row->seal ?? Seal::of(self::fact($row, $i + 1), $before);
                $row->seal === null && $some[(int) $row->id] = [$i + 1, (string) $seal];
                $before = (string) $seal;
            }
            if (count($some) >= self::AT_ONCE) {
                $sealed += self::put($some);
                $some = [];
            }
        }
        $sealed += self::put($some);
        $sealed === 0 || $this->anchor($workshop, $now, self::AS_THEY_WERE);
    }

    /** @param  array<int, array{int, string}>  $seals  place and seal by number */
    private static function put(array $seals): int
    {
        // Thousands at once: each by itself would take a turn of the disk.
        DB::transaction(static function () use ($seals): void {
            foreach ($seals as $id => [$nth, $seal]) {
                DB::update('update facts set nth = ?, seal = ? where id = ?', [$nth, $seal, $id]);
            }
        });

        return count($seals);
    }

    /** What stands now, in one seal; null where nothing was told since the last. */
    public function anchor(int $workshop, CarbonImmutable $now, ?string $note = null): ?Anchor
    {
        $upTo = self::written($workshop);

        return DB::transaction(function () use ($workshop, $now, $note, $upTo): ?Anchor {
            $last = self::anchors($workshop)->orderByDesc('id')->first();
            if ($upTo === ($last->up_to ?? 0)) {
                return null;
            }
            // The first is of everything, each later one of what went on since: nothing is written down twice.
            $heads = $last === null ? null : iterator_to_array($this->heads($workshop, $upTo, $last->up_to), false);

            return Anchor::query()->create([
                'workshop_id' => $workshop, 'at' => $now, 'up_to' => $upTo, 'facts' => self::told($workshop, $upTo), 'heads' => $heads,
                'note' => $note,
                'seal' => Seal::anchor($heads ?? $this->heads($workshop, $upTo, 0), $last->seal ?? Seal::NOTHING),
            ]);
        });
    }

    public function verify(int $workshop): ChainReport
    {
        [$facts, $streams] = [0, 0];
        foreach ($this->streams($workshop) as $rows) {
            $streams++;
            $facts += count($rows);
            $first = ChainCheck::first(
                array_map(
                    static fn (\stdClass $row): array => [
                        'id' => (int) $row->id, 'fact' => self::legible($row), 'seal' => $row->seal === null ? null : (string) $row->seal,
                    ],
                    $rows,
                ),
            );
            if ($first !== null) {
                return ChainReport::broken(
                    $first['break'], (string) $rows[0]->stream, (int) $rows[0]->stream_id, $first['nth'], $first['id'], $facts, $streams,
                );
            }
        }

        return $this->anchored($workshop, $facts, $streams);
    }

    private function anchored(int $workshop, int $facts, int $streams): ChainReport
    {
        [$before, $last, $old] = [Seal::NOTHING, null, null];
        foreach (self::anchors($workshop)->orderBy('id')->lazyById(50) as $anchor) {
            foreach ($anchor->heads ?? [] as [$stream, $id, $nth, $seal]) {
                $there = DB::table('facts')->where('stream', $stream)->where('stream_id', $id)->where('nth', $nth)->value('seal');
                if ($there !== $seal) {
                    return ChainReport::unlike($anchor, $there === null, $stream, $id, $nth, $facts, $streams);
                }
            }
            if (
                ! hash_equals(Seal::anchor($anchor->heads ?? $this->heads($workshop, $anchor->up_to, 0), $before), $anchor->seal)
                || self::told($workshop, $anchor->up_to) !== $anchor->facts
            ) {
                return ChainReport::unlike(
                    $anchor, self::told($workshop, $anchor->up_to) < $anchor->facts, null, null, null, $facts, $streams,
                );
            }
            $before = $anchor->seal;
            $old = $anchor->note === self::AS_THEY_WERE ? $anchor : $old;
            $last = $anchor;
        }

        return ChainReport::whole($facts, $streams, $last, $old);
    }

    /** @return \Illuminate\Database\Eloquent\Builder<Anchor> */
    private static function anchors(int $workshop): \Illuminate\Database\Eloquent\Builder
    {
        return Anchor::query()->withoutGlobalScopes()->where('workshop_id', $workshop);
    }

    /** The last fact before which none can still be written: another server may have a number already and write it down a moment later. */
    private static function written(int $workshop): int
    {
        return DB::transaction(static function () use ($workshop): int {
            DB::getDriverName() === 'pgsql' && DB::statement('lock table facts in share mode');

            return (int) DB::table('facts')->where('workshop_id', $workshop)->max('id');
        });
    }

    private static function told(int $workshop, int $upTo): int
    {
        return DB::table('facts')->where('workshop_id', $workshop)->where('id', '<=', $upTo)->count();
    }

    /** @return Generator<array{string, int, int, string}> the last fact of each stream that went on after one, up to another */
    private function heads(int $workshop, int $upTo, int $after): Generator
    {
        $touched = $after === 0 ? $this->streams($workshop, $upTo) : $this->touched($workshop, $upTo, $after);
        foreach ($touched as $rows) {
            $row = $rows[count($rows) - 1];
            yield [(string) $row->stream, (int) $row->stream_id, (int) $row->nth, (string) $row->seal];
        }
    }

    /** @return Generator<list<\stdClass>> */
    private function touched(int $workshop, int $upTo, int $after): Generator
    {
        $newest = DB::table('facts')
            ->where('workshop_id', $workshop)
            ->where('id', '>', $after)
            ->where('id', '<=', $upTo)
            ->groupBy('stream', 'stream_id')
            ->orderBy('stream')
            ->orderBy('stream_id')
            ->selectRaw('max(id) as id');
        foreach (DB::table('facts')->joinSub(
            $newest, 'newest', 'newest.id', '=', 'facts.id',
        )->orderBy('stream')->orderBy('stream_id')->get([
            'facts.stream', 'facts.stream_id', 'facts.nth', 'facts.seal',
        ]) as $row) {
            yield [$row];
        }
    }

    /**
     * @return Generator<list<\stdClass>> the facts of one stream after the other, each in the order of their numbers; never all of them at
     *   once
     */
    private function streams(int $workshop, ?int $upTo = null): Generator
    {
        [$at, $rows] = [['', 0, 0], []];
        do {
            $some = DB::table('facts')->where('workshop_id', $workshop)->when(
                $upTo !== null, static fn ($query) => $query->where('id', '<=', $upTo),
            )
                ->whereRaw('(stream, stream_id, id) > (?, ?, ?)', $at)
                ->orderBy('stream')
                ->orderBy('stream_id')
                ->orderBy('id')
                ->limit(self::AT_ONCE)
                ->get(self::READ)
                ->all();
            foreach ($some as $row) {
                if ($rows !== [] && ($row->stream !== $rows[0]->stream || $row->stream_id !== $rows[0]->stream_id)) {
                    yield $rows;
                    $rows = [];
                }
                $rows[] = $row;
                $at = [$row->stream, $row->stream_id, $row->id];
            }
        } while (count($some) === self::AT_ONCE);
        if ($rows !== []) {
            yield $rows;
        }
    }

    private static function legible(\stdClass $row): ?SealedFact
    {
        return is_array(json_decode((string) $row->payload, true, 64)) ? self::fact($row, (int) $row->nth) : null;
    }

    private static function fact(\stdClass $row, int $nth): SealedFact
    {
        return new SealedFact(
            (string) $row->stream, (int) $row->stream_id, $nth, (string) $row->key, (string) $row->kind, Happened::ms((string) $row->at),
            $row->clock_at === null ? null : Happened::ms((string) $row->clock_at),
            (array) json_decode((string) $row->payload, true, 64), $row->person, $row->witness, $row->door, $row->device,
        );
    }
}

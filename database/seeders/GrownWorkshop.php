<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Log\GoodPieces;
use App\Upgrades\LiftMoulds;
use Carbon\CarbonImmutable;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;

/**
 * The demo workshop after ten busy years: what is graded there, again and again. For measuring; nothing of it is shown.
 * Written table by table without models, since it is 1.7 million facts.
 */
final class GrownWorkshop extends Seeder
{
    private const YEARS = 10;

    private const AT_ONCE = 400;

    private const POURS_A_LOT = 60;

    private const CASTS_A_MOULD = 12;

    private readonly int $now;

    public function __construct(
        private readonly int $pours = 100_000,
        private readonly int $jobs = 2_000,
        private readonly int $swatches = 5_000,
        private readonly int $formulas = 400,
    ) {
        $this->now = CarbonImmutable::now()->getTimestamp();
    }

    public function run(): void
    {
        DB::transaction(function (): void {
            $links = $this->jobs();
            $versions = $this->formulas();
            $first = max(self::nextId('pours'), self::nextId('builds'));
            $this->pours($links, $versions);
            $this->keeping($first);
            $this->swatches();
            $this->room();
            $this->tests();
            DB::table('workshops')->update(['digest_stamp' => null]);
        });
    }

    /** @return list<array{id: int, material: string}> links that are poured */
    private function jobs(): array
    {
        $links = [];
        $jobs = $this->like('jobs', 'deleted_at is null');
        [$job, $link] = [self::nextId('jobs'), self::nextId('impressions')];
        $chains = array_map(fn (array $of): array => $this->like('impressions', 'deleted_at is null and job_id = ?', [$of['id']]), $jobs);
        [$newJobs, $newLinks] = [[], []];
        for ($i = 0; $i < $this->jobs; $i++) {
            $at = self::written($this->ago($i / $this->jobs));
            $newJobs[] = [
                ...$jobs[$i % count($jobs)], 'id' => $job, 'name' => sprintf('%s %04d', $jobs[$i % count($jobs)]['name'], $i),
                'created_at' => $at, 'updated_at' => $at,
            ];
            foreach ($chains[$i % count($jobs)] as $old) {
                $newLinks[] = [...$old, 'id' => $link, 'job_id' => $job, 'from_id' => null, 'created_at' => $at, 'updated_at' => $at];
                if ($old['kind'] !== 'original' && $old['material'] !== null) {
                    // A mould is made once or twice, and cast in many times.
                    array_push($links, ...array_fill(0, $old['kind'] === 'mould' ? 1 : self::CASTS_A_MOULD, [
                        'id' => $link, 'material' => (string) $old['material'],
                    ]));
                }
                $link++;
            }
            $job++;
        }
        $this->write('jobs', $newJobs);
        $this->write('impressions', $newLinks);

        return $links;
    }

    /** @return array<string, list<int>> versions by base */
    private function formulas(): array
    {
        $old = $this->like('formulas', "kind = 'mix'");
        $recipes = $this->like('formula_versions', "formula_id in (select id from formulas where kind = 'mix')");
        [$formula, $version] = [self::nextId('formulas'), self::nextId('formula_versions')];
        [$newFormulas, $newVersions, $byBase] = [[], [], []];
        for ($i = 0; $i < $this->formulas; $i++) {
            $newFormulas[] = [...$old[$i % count($old)], 'id' => $formula, 'name' => "House mix {$i}"];
            for ($n = 1; $n <= 3; $n++) {
                $recipe = $recipes[$i % count($recipes)];
                $newVersions[] = [
                    ...$recipe, 'id' => $version, 'formula_id' => $formula, 'number' => $n, 'parent_id' => null, 'photo' => null,
                ];
                $byBase[json_decode((string) $recipe['recipe'], true)['base']][] = $version++;
            }
            $formula++;
        }
        $this->write('formulas', $newFormulas);
        $this->write('formula_versions', $newVersions);

        return $byBase;
    }

    /**
     * @param  list<array{id: int, material: string}>  $links
     * @param  array<string, list<int>>  $versions
     */
    private function pours(array $links, array $versions): void
    {
        $old = $this->like('pours', "state = 'graded'");
        DB::statement('create temporary table grown (new_id integer primary key, old_id integer, at text)');
        // Every pour is a build of one operation, and stands under the same number as that.
        [$id, $written, $built, $said] = [max(self::nextId('pours'), self::nextId('builds')), [], [], []];
        $byBase = [];
        foreach ($old as $i => $pour) {
            $byBase[(string) $pour['base_code']][] = $i;
        }
        for ($i = 0; $i < $this->pours; $i++) {
            $link = $links[$i % count($links)];
            $fitting = $byBase[$link['material']] ?? array_keys($old);
            $which = $fitting[$i % count($fitting)];
            $ago = $this->ago($i / $this->pours);
            $base = (string) $old[$which]['base_code'];
            $moved = [
                'id' => $id, 'build_id' => $id, 'impression_id' => $link['id'],
                'formula_version_id' => $versions[$base][$i % count($versions[$base] ?? [0])] ?? null,
            ];
            foreach ([
                'started_at' => 0, 'met_at' => 12, 'poured_at' => 25, 'opened_at' => 400, 'graded_at' => 405,
            ] as $column => $minutes) {
                $moved[$column] = self::written($ago + 60 * $minutes);
            }
            $written[] = [
                ...$old[$which], ...$moved, 'gel_min' => $i % 3 === 0 ? 26.0 + $i % 9 : null,
                'gel_room_c' => $i % 3 === 0 ? 17.0 + $i % 8 : null,
            ];
            $built[] = [
                'id' => $id, 'workshop_id' => $old[$which]['workshop_id'], 'impression_id' => $link['id'], 'plain' => 1, 'kind' => 'pour',
                'name' => 'Pour', 'begun_at' => $moved['started_at'], 'ended_at' => $moved['graded_at'],
                'created_at' => $moved['started_at'],
            ];
            $said[] = ['new_id' => $id, 'old_id' => $old[$which]['id'], 'at' => self::written($ago + 60)];
            $id++;
            if (count($written) >= self::AT_ONCE) {
                $this->write('builds', $built);
                $this->write('pours', $written);
                $this->write('grown', $said);
                [$written, $built, $said] = [[], [], []];
            }
        }
        $this->write('builds', $built);
        $this->write('pours', $written);
        $this->write('grown', $said);
        // What happened in each is what happened in the one it is like.
        DB::statement(
            "insert into facts (workshop_id, stream, stream_id, key, kind, at, payload, said) select workshop_id, stream, new_id, key, kind, grown.at, payload, said from grown join facts on facts.stream = 'run' and facts.stream_id = grown.old_id order by new_id, facts.id",
        );
        DB::statement('drop table grown');
    }

    /** What was poured came out of moulds and was taken from kits. */
    private function keeping(int $first): void
    {
        (new LiftMoulds)();
        GoodPieces::countAgain();
        $bases = DB::table('pours')
            ->where('id', '>=', $first)
            ->whereNotNull('base_code')
            ->groupBy('base_code')
            ->selectRaw('base_code, count(*) as n')
            ->pluck('n', 'base_code');
        foreach ($bases as $code => $pours) {
            [$lot, $lots, $parts] = [self::nextId('lots'), [], []];
            for ($i = 0, $all = 1 + intdiv((int) $pours, self::POURS_A_LOT); $i < $all; $i++) {
                $at = self::written($this->ago($i / $all));
                $isLast = $i === $all - 1;
                $lots[] = [
                    'id' => $lot + $i, 'workshop_id' => 1, 'code' => $code, 'got_on' => substr($at, 0, 10),
                    'opened_on' => substr($at, 0, 10), 'best_before' => null, 'price' => '50.00', 'created_at' => $at,
                    'ended_at' => $isLast ? null : $at,
                ];
                foreach (['A', 'B'] as $part) {
                    $parts[] = [
                        'workshop_id' => 1, 'lot_id' => $lot + $i, 'part' => $part, 'maker_number' => "N{$lot}{$i}", 'got_g' => 50_000,
                        'left_g' => $isLast ? 20_000 : 0,
                    ];
                }
            }
            $this->write('lots', $lots);
            $this->write('lot_parts', $parts);
            foreach (['A', 'B'] as $part) {
                DB::statement(
                    'insert into lot_draws (workshop_id, lot_id, pour_id, code, part, grams, at) select workshop_id, ? + (row_number() over (order by id) - 1) / ?, id, base_code, ?, coalesce(weighed_g, 100) / 2, poured_at from pours where id >= ? and base_code = ?',
                    [$lot, self::POURS_A_LOT, $part, $first, $code],
                );
            }
        }
    }

    private function swatches(): void
    {
        $old = $this->like('swatches', 'deleted_at is null');
        $recipes = array_map(
            fn (array $swatch): array => $this->like('formula_versions', 'id = ?', [$swatch['formula_version_id']])[0], $old,
        );
        $readings = array_map(fn (array $swatch): array => $this->like('swatch_readings', 'swatch_id = ?', [$swatch['id']]), $old);
        [$id, $version, $formula] = [self::nextId('swatches'), self::nextId('formula_versions'), self::nextId('formulas')];
        $trial = $this->like('formulas', '1 = 1')[0];
        [$newFormulas, $newVersions, $newSwatches, $newReadings] = [[], [], [], []];
        for ($i = 0; $i < $this->swatches; $i++) {
            $which = $i % count($old);
            if ($i % 5 === 0) {
                $newFormulas[] = [...$trial, 'id' => ++$formula, 'name' => "Pucks {$i}", 'kind' => 'trial'];
            }
            $recipe = json_decode((string) $recipes[$which]['recipe'], true);
            foreach ($recipe['additives'] as &$line) {
                // No two pucks are weighed alike.
                $line['amount'] = round($line['amount'] * (0.97 + 0.06 * ($i * 0.618034 - floor($i * 0.618034))), 3);
            }
            unset($line);
            $newVersions[] = [
                ...$recipes[$which], 'id' => ++$version, 'formula_id' => $formula, 'number' => 1 + $i % 5,
                'recipe' => json_encode($recipe, JSON_PRESERVE_ZERO_FRACTION), 'parent_id' => null, 'photo' => null,
            ];
            $at = $this->ago($i / $this->swatches);
            $newSwatches[] = [
                ...$old[$which], 'id' => ++$id, 'formula_version_id' => $version, 'name' => "{$old[$which]['name']} no {$i}",
                'poured_at' => self::written($at), 'photo' => null,
            ];
            foreach ($readings[$which] as $reading) {
                $newReadings[] = [...array_diff_key($reading, ['id' => 0]), 'swatch_id' => $id, 'at' => self::written($at + 2 * 86_400)];
            }
        }
        $this->write('formulas', $newFormulas);
        $this->write('formula_versions', $newVersions);
        $this->write('swatches', $newSwatches);
        $this->write('swatch_readings', $newReadings);
    }

    /** A thermometer that was looked at several times a day. */
    private function room(): void
    {
        $old = $this->like('room_readings', '1 = 1')[0];
        $rows = [];
        for ($i = 0, $all = self::YEARS * 365 * 20; $i < $all; $i++) {
            $rows[] = [
                ...array_diff_key($old, ['id' => 0]), 'at' => self::written($this->ago($i / $all)), 'celsius' => 17.0 + $i % 70 / 10.0,
            ];
        }
        $this->write('room_readings', $rows);
    }

    /** Test patches that were read long ago. */
    private function tests(): void
    {
        $rows = [];
        for ($i = 0; $i < 300; $i++) {
            $at = $this->ago($i / 300);
            $rows[] = [
                'workshop_id' => 1, 'fresh' => 'silicone-platinum', 'surface' => 'plaster', 'put_on_at' => self::written($at),
                'due_at' => self::written($at + 6 * 3600), 'read_at' => self::written($at + 7 * 3600), 'passed' => $i % 4 !== 0,
            ];
        }
        $this->write('test_patches', $rows);
    }

    /** Seconds since 1970, oldest first: 0 is ten years ago, 1 is a fortnight ago. */
    private function ago(float $along): int
    {
        return $this->now - (int) ((self::YEARS * 365 * (1.0 - $along) + 14.0) * 86_400);
    }

    private static function written(int $at): string
    {
        return gmdate('Y-m-d H:i:s', $at).'.000';
    }

    /**
     * @param  list<mixed>  $bindings
     * @return list<array<string, mixed>>
     */
    private function like(string $table, string $where, array $bindings = []): array
    {
        return array_values(
            DB::table($table)
                ->whereRaw($where, $bindings)
                ->orderBy('id')
                ->get()
                ->map(static fn (object $row): array => (array) $row)
                ->all(),
        );
    }

    private static function nextId(string $table): int
    {
        return 1 + (int) DB::table($table)->max('id');
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function write(string $table, array $rows): void
    {
        // As many at once as there are places for in one statement.
        foreach (array_chunk($rows, max(1, intdiv(30_000, count($rows[0] ?? [1])))) as $some) {
            DB::table($table)->insert($some);
        }
    }
}

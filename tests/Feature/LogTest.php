<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Log\LogQuery;
use App\Models\Pour;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

final class LogTest extends TestCase
{
    /** @param  list<string>  $faults */
    private function graded(string $grade, array $faults, string $note, string $base = 'pr-10'): Pour
    {
        $pour = $this->begun(['formula' => ['base' => $base, 'additives' => []], 'formula_name' => "Plain {$base}"]);
        $this->workUntil($pour, 'grade');
        $this->record($pour, 'graded', [
            'step' => '0:grade', 'grade' => $grade, 'faults' => $faults, 'used_g' => 88.8, 'note' => $note,
        ])->assertOk();

        return $pour;
    }

    public function test_the_log_is_narrowed_by_words_grade_fault_and_base(): void
    {
        $first = $this->graded('good', [], 'smooth as an Egg');
        $second = $this->graded('poor', ['bubbles'], '100 % foam', 'pg-30');

        foreach ([['', [$second->id, $first->id]], ['?q=egg', [$first->id]], [
            '?q=OWL', [$second->id, $first->id],
        ], ['?q=100+%25', [$second->id]], ['?q=%25', [$second->id]],
            ['?grade=poor', [$second->id]], [
                '?fault=bubbles', [$second->id],
            ], ['?base=pr-10', [$first->id]], ['?fault=bubbles&base=pr-10', []]] as [$query, $ids]) {
            $this->get("/log{$query}")->assertInertia(
                static fn ($page) => $page->where('log.pages.total', count($ids))->where(
                    'log.rows', static fn ($rows): bool => collect($rows)->pluck('id')->all() === $ids,
                ),
            );
        }
    }

    public function test_the_log_goes_out_as_csv_that_a_spreadsheet_does_not_run(): void
    {
        $this->graded('good', ['flash', 'lines'], "=2+5\nsecond line, with a comma");

        $csv = $this->get('/log.csv?grade=good')->assertOk()->streamedContent();
        $rows = array_map(static fn (string $line): array => str_getcsv($line, ',', '"', ''), explode("\r\n", trim($csv)));

        self::assertSame(
            [
                'pour', 'graded_at', 'job', 'impression', 'kind', 'base', 'formula', 'weighed_g', 'used_g', 'pieces', 'good', 'grade',
                'faults', 'note', 'cause', 'by',
            ],
            $rows[0],
        );
        self::assertSame(['Owl brow', 'Cast', 'cast', 'pr-10', 'Plain pr-10 · 1'], array_slice($rows[1], 2, 5));
        self::assertSame(['88.8', '1', '1', 'good', 'flash lines', "'=2+5\nsecond line, with a comma", '', ''], array_slice($rows[1], 8));
        self::assertSame(1, substr_count($this->get('/log.csv?grade=poor')->streamedContent(), "\r\n"));
    }

    public function test_capitals_of_every_alphabet_are_found_by_their_small_letters(): void
    {
        $pour = $this->graded('good', [], 'ÜBERMASS, Größe neun, 50 % off_cut!');
        foreach (['übermass', 'GRÖSSE' => 0, 'größe', 'GRÖßE', '50 %', 'off_cut!', 'cut!'] as $words => $found) {
            [$words, $found] = is_int($words) ? [$found, 1] : [$words, $found];
            $this->get('/log?'.http_build_query(['q' => $words]))->assertInertia(
                static fn ($page) => $page->where('log.pages.total', $found),
            );
        }
        $this->get('/log?'.http_build_query(['q' => '5%off']))->assertInertia(static fn ($page) => $page->where('log.pages.total', 0));
        self::assertNotNull($pour->id);
    }

    /** @return list<int> what a word finds, every pour of it */
    private function found(string $said): array
    {
        $query = app(LogQuery::class)(['q' => $said, 'grade' => '', 'fault' => '', 'base' => '']);

        return array_map(intval(...), array_values($query->reorder('id')->pluck('id')->all()));
    }

    public function test_many_and_few_are_found_as_if_each_note_and_name_were_read(): void
    {
        $pour = $this->graded('good', [], '');
        $row = array_diff_key((array) DB::table('pours')->where('id', $pour->id)->first(), ['id' => 0, 'build_id' => 0]);
        mt_srand(20261130);
        $says = ['plain', 'thin at the rim', 'a “quoted" word', 'Übermaß', 'semi;colon', "o'clock", '100 % of it', ''];
        foreach (array_chunk(range(1, 4600), 200) as $some) {
            DB::table('pours')->insert(array_map(static fn (int $i): array => [
                ...$row, 'note' => $i % 500 === 0 ? "once {$i} seldom" : $says[mt_rand(0, count($says) - 1)],
                'grade' => $i % 900 === 0 ? 'spoilt' : 'good', 'faults' => $i % 700 === 0 ? '["bubbles"]' : '[]', 'cause' => null,
            ], $some));
        }
        $read = static fn (callable $is): array => array_map(
            intval(...),
            DB::table('pours')
                ->whereNotNull('graded_at')
                ->orderBy('id')
                ->get(['id', 'note', 'grade', 'faults'])
                ->filter($is)
                ->pluck('id')
                ->all(),
        );
        $says = static fn (string $part): \Closure => static fn (object $one): bool => str_contains(
            mb_strtolower((string) $one->note), $part,
        );

        foreach ([
            'seldom' => $says('seldom'), 'quoted"' => $says('quoted"'), "o'clock" => $says("o'clock"), 'ÜBERM' => $says('überm'),
            '%' => $says('%'), 'o\'' => $says("o'"), ';' => $says(';'),
            'spoilt' => static fn (object $one): bool => $one->grade === 'spoilt',
            'bubbles' => static fn (object $one): bool => $one->faults !== '[]',
            'owl' => static fn (): bool => true, 'owl seldom' => $says('seldom'), 'thin seldom' => static fn (): bool => false,
        ] as $word => $is) {
            self::assertSame(array_values($read($is)), $this->found($word), "“{$word}”");
        }
    }

    public function test_a_few_among_many_are_looked_up_and_not_looked_for(): void
    {
        if (DB::getDriverName() !== 'sqlite') {
            self::markTestSkipped('How SQLite goes about it.');
        }
        $this->graded('good', [], 'the only heron');
        foreach (['heron', 'laid', 'heron owl'] as $words) {
            $query = app(LogQuery::class)(['q' => $words, 'grade' => '', 'fault' => '', 'base' => ''])->limit(500);
            $plan = implode(
                "\n",
                array_map(
                    static fn (object $step): string => (string) $step->detail,
                    DB::select("explain query plan {$query->toSql()}", $query->getBindings()),
                ),
            );
            self::assertDoesNotMatchRegularExpression('/^(SCAN|SEARCH) pours (?!USING INTEGER PRIMARY KEY)/m', $plan, $words);
        }
    }

    public function test_a_note_and_a_name_that_change_are_found_as_they_are_now(): void
    {
        $pour = $this->graded('good', [], 'as thin as gauze');
        self::assertSame([$pour->id], $this->found('gauze'));

        $pour->refresh()->update(['note' => 'thick as felt']);
        self::assertSame([[], [$pour->id]], [$this->found('gauze'), $this->found('felt')]);
        $pour->update(['note' => null]);
        self::assertSame([], $this->found('felt'));
        $pour->update(['note' => 'felt again']);
        self::assertSame([$pour->id], $this->found('felt'));

        $pour->impression->job->update(['name' => 'Heron']);
        self::assertSame([[], [$pour->id]], [$this->found('owl'), $this->found('heron')]);
        $pour->impression->update(['name' => 'Beak']);
        self::assertSame([$pour->id], $this->found('beak'));
        $pour->impression->job->delete();
        self::assertSame([$pour->id], $this->found('heron'), 'what was put away stays in the log');
    }

    public function test_a_long_log_is_turned_page_by_page_and_its_grades_are_counted_over_all_of_it(): void
    {
        $pour = $this->graded('good', [], '');
        $row = array_diff_key((array) DB::table('pours')->where('id', $pour->id)->first(), ['id' => 0, 'build_id' => 0]);
        for ($i = 0; $i < 40; $i++) {
            DB::table('pours')->insert([
                ...$row, 'grade' => $i % 4 === 0 ? 'poor' : 'superb', 'graded_at' => sprintf('2025-01-01 10:00:%02d.000', $i),
            ]);
        }
        $page = fn (string $query): array => $this->get("/log{$query}")->inertiaProps('log');
        [$first, $second] = [$page(''), $page('?page=2')];

        self::assertSame(['page' => 1, 'pages' => 2, 'total' => 41], $first['pages']);
        self::assertEquals(['good' => 1, 'poor' => 10, 'superb' => 30], $first['spread']);
        self::assertSame([30, 11], [count($first['rows']), count($second['rows'])]);
        self::assertSame([], array_intersect(array_column($first['rows'], 'id'), array_column($second['rows'], 'id')));
        self::assertSame(2, $page('?page=99')['pages']['page'], 'past the end is the end');
        foreach (['0', '-1', 'x', '1e3', '999999999999'] as $nonsense) {
            self::assertContains($page("?page={$nonsense}")['pages']['page'], [1, 2]);
        }
    }
}

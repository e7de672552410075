<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Database\CannotWrite;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PDOException;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\MakesSwatches;
use Tests\TestCase;

/** What cannot be shown is shown as such, and what cannot be written is said; nothing of it stops a page. */
final class BadRecordTest extends TestCase
{
    use MakesSwatches;

    private const SCREENS = [
        '/', '/frame', '/jobs', '/formulas', '/swatches', '/swatches/drawer', '/swatches/labels', '/swatches/colour', '/log', '/stores',
        '/contacts', '/exchange/swatches.json', '/exchange/swatches.csv', '/log.csv',
    ];

    private function everyScreenStands(): void
    {
        foreach (self::SCREENS as $address) {
            $this->get($address)->assertOk();
        }
    }

    public function test_a_moment_nobody_can_read_stops_no_page(): void
    {
        DB::getDriverName() === 'sqlite' || self::markTestSkipped('PostgreSQL takes no such moment.');
        $swatch = $this->puck(60, '00', 26);
        $pour = $this->begun();
        DB::table('swatches')->where('id', $swatch->id)->update([
            'poured_at' => '10026-11-26 09:00:00.000', 'demoulded_at' => 'yesterday-ish',
        ]);
        DB::table('swatch_readings')->update(['at' => '+8000 years and a day']);
        DB::table('room_readings')->insert([
            'workshop_id' => $this->workshop->id, 'at' => 'not a time', 'celsius' => 20, 'source' => 'hand',
        ]);
        $this->everyScreenStands();

        self::assertSame(
            0, $this->get('/swatches/drawer')->inertiaProps('drawer.swatches.0.poured_ms'), 'which every screen shows as unreadable',
        );
        $this->get("/pours/{$pour->id}/run")->assertOk();
    }

    public function test_a_pour_nobody_can_read_is_named_on_the_bench_and_keeps_nobody_from_the_others(): void
    {
        [$whole, $broken] = [$this->begun(), $this->begun([], $this->impression())];
        DB::table('pours')->where('id', $broken->id)->update(['plan' => '{"run": 3}']);
        $this->everyScreenStands();

        $items = collect($this->get('/')->inertiaProps('bench.items'));
        self::assertStringContainsString('damaged', $items->firstWhere('id', "pour-{$broken->id}")['what']);
        self::assertSame('Go on', $items->firstWhere('id', "pour-{$whole->id}")['action']);
        self::assertSame(["pour-{$whole->id}"], array_column($this->getJson('/frame')->json('strip.lozenges'), 'id'));
        $this->record($whole, 'noted', ['text' => 'goes on'])->assertOk();
    }

    public function test_a_database_that_may_only_be_read_is_said_in_words_and_read(): void
    {
        DB::getDriverName() === 'sqlite' || self::markTestSkipped('SQLite is locked here by a word of its own.');
        $pour = $this->begun();
        $this->get('/')->assertOk();
        DB::statement('pragma query_only = 1');
        try {
            $this->everyScreenStands();
            $this->record($pour, 'noted', ['text' => 'x'])->assertStatus(503)->assertJsonPath(
                'error.message', fn (string $says): bool => str_contains($says, 'kept on this device'),
            );
            $this->from('/jobs')
                ->post('/jobs', ['name' => 'Not now', 'quantity' => 1])
                ->assertRedirect('/jobs')
                ->assertSessionHasErrors('disk');
        } finally {
            DB::statement('pragma query_only = 0');
        }
        $this->record($pour, 'noted', ['text' => 'x'])->assertOk();
    }

    /** @return iterable<string, array{string, string}> */
    public static function reasons(): iterable
    {
        yield 'full' => ['SQLSTATE[HY000]: General error: 13 database or disk is full', 'its disk is full'];
        yield 'full, elsewhere' => [
            'SQLSTATE[53100]: Disk full: could not extend file "base/1": No space left on device', 'its disk is full',
        ];
        yield 'read only' => ['SQLSTATE[HY000]: General error: 8 attempt to write a readonly database', 'may only be read'];
        yield 'busy' => ['SQLSTATE[HY000]: General error: 5 database is locked', 'busy writing'];
    }

    #[DataProvider('reasons')]
    public function test_why_nothing_can_be_written(string $says, string $words): void
    {
        self::assertStringContainsString(
            $words, self::said(CannotWrite::because(new QueryException('sqlite', 'insert', [], new PDOException($says)))),
        );
        self::assertStringContainsString(
            $words, self::said(CannotWrite::because(new PDOException($says))), 'also where a transaction is closed',
        );
        self::assertNull(CannotWrite::because(new QueryException('sqlite', 'insert', [], new PDOException('no such column: x'))));
    }

    public function test_every_screen_hears_of_it_before_anybody_tries(): void
    {
        self::assertNull($this->getJson('/frame')->json('trouble'));
        $usual = config()->string('database.default');
        config(['database.default' => 'sqlite', 'database.connections.sqlite.database' => '/proc/version']);
        $says = self::said(CannotWrite::now());
        config(['database.default' => $usual]);

        self::assertStringContainsString('cannot write anything down', $says);
    }
}

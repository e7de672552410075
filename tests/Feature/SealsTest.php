<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Facts\Seals;
use App\Models\Anchor;
use App\Models\Fact;
use App\Models\Pour;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What was told stays as it was told: changed behind the back of the bench it is found, and the console says where. */
final class SealsTest extends TestCase
{
    private function poured(): Pour
    {
        $pour = $this->begun(['formula' => ['base' => 'pr-10', 'additives' => []]]);
        $this->workUntil($pour, 'grade');
        $this->record($pour, 'noted', ['text' => 'Größe “neun”, 12.50 g und mehr'])->assertOk();

        return $pour;
    }

    public function test_every_fact_carries_its_place_its_seal_and_the_door_it_came_through(): void
    {
        $pour = $this->poured();
        $facts = Fact::query()->where('stream', 'run')->where('stream_id', $pour->id)->orderBy('id')->get();

        self::assertSame(range(1, $facts->count()), $facts->pluck('nth')->all());
        self::assertSame(['screen'], $facts->pluck('door')->unique()->all());
        self::assertSame(0, DB::table('facts')->whereNull('seal')->count());
        $this->artisan('facts:verify')->expectsOutputToContain('Whole: ')->assertSuccessful();
    }

    /** @return iterable<string, array{\Closure(int): mixed, string}> what is done to the fact in the middle, and what is said of it */
    public static function bends(): iterable
    {
        yield 'a note is rewritten' => [
            static fn (int $id) => DB::table('facts')->where('id', $id)->update(['payload' => '{"text":"nothing happened"}']),
            'Changed: fact ',
        ];
        yield 'a moment is put earlier' => [
            static fn (int $id) => DB::table('facts')->where('id', $id)->update(['at' => '2026-01-01 08:00:00.000']), 'Changed: fact ',
        ];
        yield 'one is deleted' => [static fn (int $id) => DB::table('facts')->where('id', $id)->delete(), 'Missing: place '];
        yield 'one is moved to the end' => [
            static fn (int $id) => DB::table('facts')->where('id', $id)->update(['id' => 1 + (int) DB::table('facts')->max('id')]),
            'Moved: fact ',
        ];
        yield 'its record is broken off' => [
            static fn (int $id) => DB::table('facts')->where('id', $id)->update(['payload' => '"torn"']), 'Changed: fact ',
        ];
        yield 'one is slipped in' => [
            static fn (int $id) => Schema::table(
                'facts', static fn (Blueprint $table) => $table->dropUnique('facts_in_place'),
            ) ?? DB::table('facts')->insert([
                ...array_diff_key((array) DB::table('facts')->find($id), ['id' => 0]), 'key' => 'slipped', 'seal' => str_repeat('a', 64),
            ]),
            'Slipped in: ',
        ];
        yield 'somebody else is to have done it' => [
            static fn (int $id) => DB::table('facts')->where('id', $id)->update(['person' => '01J0000000000000000000AAAA']),
            'Changed: fact ',
        ];
    }

    /** @param  \Closure(int): mixed  $bend */
    #[DataProvider('bends')]
    public function test_what_was_bent_is_found(\Closure $bend, string $says): void
    {
        $pour = $this->poured();
        $this->poured();
        $ids = DB::table('facts')->where('stream', 'run')->where('stream_id', $pour->id)->orderBy('id')->pluck('id');
        $bend((int) $ids[intdiv($ids->count(), 2)]);

        $this->artisan('facts:verify')->expectsOutputToContain($says)->assertFailed();
    }

    public function test_what_was_told_before_there_were_seals_is_sealed_as_it_is_and_says_so(): void
    {
        $this->poured();
        DB::table('facts')->update(['nth' => null, 'seal' => null, 'door' => null]);
        app(Seals::class)->sealTheOld($this->workshop->id, $this->now);
        $told = DB::table('facts')->count();

        self::assertSame([Seals::AS_THEY_WERE, $told], [Anchor::query()->sole()->note, Anchor::query()->sole()->facts]);
        $this->artisan('facts:verify')->expectsOutputToContain("{$told} were told before there were seals")->assertSuccessful();
        // Sealed once; and what is told from now on goes on from there.
        app(Seals::class)->sealTheOld($this->workshop->id, $this->now);
        $this->poured();
        $this->artisan('facts:verify')->assertSuccessful();
        self::assertSame(1, Anchor::query()->count());
    }

    public function test_the_nightly_anchor_knows_what_was_there_even_where_all_seals_are_reckoned_anew(): void
    {
        $pour = $this->poured();
        $this->artisan('facts:anchor')->expectsOutputToContain(' facts, ')->assertSuccessful();
        $this->artisan('facts:anchor')->expectsOutputToContain('nothing was told since')->assertSuccessful();
        $this->record($pour, 'noted', ['text' => 'The next day'])->assertOk();
        $this->artisan('facts:anchor')->assertSuccessful();
        $this->artisan('facts:verify')->expectsOutputToContain('Last anchor: ')->assertSuccessful();
        self::assertSame(
            [null, [['run', $pour->id]]],
            [
                Anchor::query()->orderBy('id')->first()?->heads,
                array_map(
                    static fn (array $head): array => array_slice($head, 0, 2), Anchor::query()->orderByDesc('id')->first()->heads ?? [],
                ),
            ],
        );

        // Somebody takes the last fact away: nothing follows that would miss it.
        DB::beginTransaction();
        DB::table('facts')->where('id', DB::table('facts')->max('id'))->delete();
        $this->artisan('facts:verify')->expectsOutputToContain('and it is gone')->assertFailed();
        DB::rollBack();

        // Somebody who can reckon changes one and seals everything after it anew.
        DB::table('facts')
            ->where('stream', 'run')
            ->where('stream_id', $pour->id)
            ->where('kind', 'noted')
            ->orderBy('id')
            ->limit(1)
            ->update(['payload' => '{"text":"bent"}']);
        DB::table('facts')->update(['nth' => null, 'seal' => null]);
        $seals = app(Seals::class);
        $anchors = DB::table('anchors')->get();
        $seals->sealTheOld($this->workshop->id, $this->now);
        DB::table('anchors')->whereNotIn('id', $anchors->pluck('id'))->delete();
        $this->artisan('facts:verify')->expectsOutputToContain('The ')->assertFailed();
    }

    public function test_the_day_sheet_shows_the_anchor(): void
    {
        $this->poured();
        $this->get('/paper/day.html')->assertOk()->assertDontSee('is sealed as');
        $this->artisan('facts:anchor');
        $this->travel(1)->minutes();
        $page = (string) $this->get('/paper/day.html')->assertOk()->getContent();
        self::assertMatchesRegularExpression('#is sealed as <b>([0-9a-f]{4} ){5}[0-9a-f]{4}</b>#', $page);
    }
}

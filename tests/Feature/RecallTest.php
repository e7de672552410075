<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lot;
use App\Models\Mould;
use App\Stock\LotBook;
use App\Stock\Recall;
use Tests\KeepsThings;
use Tests\TestCase;

/** A kit that is bad stops being used, and is followed to the last piece: through moulds, their later casts, and what was melted again. */
final class RecallTest extends TestCase
{
    use KeepsThings;

    private function bad(Lot $lot): void
    {
        $this->tell("/stores/lots/{$lot->id}/facts", 'recalled', [
            'why' => 'It never cures through.',
        ])->assertOk()->assertJsonPath('lot.bad', 'It never cures through.');
    }

    public function test_a_bad_kit_of_mould_rubber_is_followed_into_moulds_and_their_later_casts(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained('ur-35');
        $cast->job->update(['for_whom' => 'The lamp theatre']);
        $bad = $this->kit('pr-25');
        $mould = $this->mould($link);
        $this->kit('ur-35');
        $first = $this->poured($cast, ['pieces' => 3]);
        $second = $this->poured($cast, [
            'pieces' => 2, 'each' => [['outcome' => 'good', 'fault' => null], ['outcome' => 'reject', 'fault' => 'bubbles']],
        ]);
        ['cast' => $other] = $this->chained('ur-35');
        $this->poured($other);

        $this->bad($bad);
        $recall = $this->get("/stores/lots/{$bad->id}/recall")->assertOk()->inertiaProps('recall');
        self::assertSame([$second->id, $first->id, $mould->parts[0]['pour_id']], array_column($recall['pours'], 'pour_id'));
        self::assertSame(["M-{$mould->id}", "M-{$mould->id}", "L-{$bad->id}"], array_column($recall['pours'], 'of'));
        self::assertSame([$mould->id], array_column($recall['moulds'], 'id'));
        self::assertSame([['name' => 'The lamp theatre', 'pieces' => 4]], $recall['whom'], 'Three and one: the reject is nobody’s.');
        self::assertSame([4, 'It never cures through.'], [$recall['pieces'], $recall['why']]);
        $csv = $this->get("/stores/lots/{$bad->id}/recall.csv")->assertOk()->streamedContent();
        self::assertSame(4, substr_count(trim($csv), "\n") + 1);
        self::assertStringContainsString('The lamp theatre', $csv);
    }

    public function test_it_stops_being_used_and_comes_back_where_it_was_good_after_all(): void
    {
        [$bad, $good] = [$this->kit('pr-25'), $this->kit('pr-25')];
        $book = app(LotBook::class);
        self::assertSame([$bad->id, $good->id], $book->chosen(['pr-25'])['pr-25']);
        $this->bad($bad);
        self::assertSame([$good->id], $book->chosen(['pr-25'])['pr-25']);
        $this->tell("/stores/lots/{$bad->id}/facts", 'took', ['part' => 'A', 'grams' => 5, 'why' => null])->assertStatus(409);
        $this->tell("/stores/lots/{$bad->id}/facts", 'recalled', ['why' => 'again'])->assertStatus(409);
        $this->tell("/stores/lots/{$bad->id}/facts", 'returned')->assertOk()->assertJsonPath('lot.bad', null);
        self::assertSame([$bad->id, $good->id], $book->chosen(['pr-25'])['pr-25']);
        $this->bad($bad);
        $last = $this->get("/stores/lots/{$bad->id}")->inertiaProps('shown')['take_back'];
        $this->tell("/stores/lots/{$bad->id}/facts", 'undone', ['of' => $last])->assertOk()->assertJsonPath('lot.bad', null);
    }

    /** A run under way that takes from it says so beside the kit. */
    public function test_what_is_under_way_says_that_its_kit_is_bad(): void
    {
        ['mould' => $link] = $this->chained();
        $bad = $this->kit('pr-25');
        $pour = $this->begun(['formula' => ['base' => 'pr-25', 'additives' => []]], $link);
        $this->workUntil($pour, 'mix');
        $this->bad($bad);
        $lots = $this->getJson("/pours/{$pour->id}/kept")->assertOk()->json('lots');
        self::assertSame(
            [[$bad->id, 'It never cures through.']], array_map(static fn (array $of): array => [$of['from'], $of['lots'][0]['bad']], $lots),
        );
    }

    /** What was left of a hot pour of it and melted again carries it on, pot after pot. */
    public function test_through_scrap_it_is_followed_too(): void
    {
        ['cast' => $cast] = $this->chained('hv-08');
        $bad = $this->kit('hv-08', ['parts' => [['part' => 'A', 'grams' => 5000, 'maker_number' => 'V-1']]]);
        $hot = fn (array $more): \App\Models\Pour => $this->begun(['formula' => ['base' => 'hv-08', 'additives' => $more]], $cast);
        $first = $hot([]);
        $this->workUntil($first, 'grade');
        $this->record($first, 'graded', [
            'step' => '0:grade', 'grade' => 'good', 'faults' => [], 'used_g' => 40, 'left_g' => 50, 'pieces' => 1, 'note' => '',
        ])->assertOk();
        $scrap = Lot::query()->where('of_pour_id', $first->id)->firstOrFail();
        $this->tell("/stores/lots/{$bad->id}/facts", 'ended', ['why' => null])->assertOk();
        $this->kit('hv-08', ['parts' => [['part' => 'A', 'grams' => 5000, 'maker_number' => 'V-2']]]);
        $second = $hot([['code' => 'hv-re', 'amount' => 20, 'basis' => 'pct_of_total', 'into' => 'a']]);
        $this->workUntil($second, 'wait');
        $third = $hot([]);
        $this->workUntil($third, 'wait');

        $recall = Recall::of($bad->refresh());
        self::assertSame([$first->id, $second->id], array_keys($recall->pours()), 'Not what was poured of the fresh kit alone.');
        self::assertSame([$scrap->id => $first->id], $recall->scrap());
        self::assertSame(['by' => 'lot', 'of' => $scrap->id], $recall->pours()[$second->id]);
        self::assertSame(0, Mould::query()->whereKey(array_keys($recall->moulds()))->count());
    }
}

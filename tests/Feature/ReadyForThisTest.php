<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Mould;
use App\Models\Pour;
use Carbon\CarbonImmutable;
use Tests\KeepsThings;
use Tests\TestCase;

/** Before each cast the mould is asked whether it is ready for just this. */
final class ReadyForThisTest extends TestCase
{
    use KeepsThings;

    /** @return list<string> what the mould asks for on the checklist of a run */
    private function asked(Pour $pour, Mould $mould): array
    {
        $texts = [];
        foreach ($this->getJson("/pours/{$pour->id}/state")->assertOk()->json('checklist') as $item) {
            if (str_starts_with($item['id'], "care-{$mould->id}-look-")) {
                $texts[] = substr($item['id'], strlen("care-{$mould->id}-look-"));
            }
        }

        return $texts;
    }

    public function test_a_mould_opened_before_its_own_clock_says_so_for_its_whole_youth(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained('hv-08');
        $mould = $this->mould($link);
        $made = Pour::query()->findOrFail($mould->parts[0]['pour_id']);
        self::assertLessThan(
            60.0, $made->met_at?->diffInMinutes($made->opened_at), 'It was pulled after minutes, and its sheet says hours.',
        );
        $pour = $this->begun(['formula' => ['base' => 'hv-08', 'additives' => []]], $cast);
        self::assertEqualsCanonicalizing(['early', 'young-heat'], $this->asked($pour, $mould));
        $this->record($pour, 'given_up', ['fate' => 'back'])->assertOk();
        $this->get("/rack/{$mould->id}")->assertOk();

        $this->travel(20)->days();
        $pour = $this->begun(['formula' => ['base' => 'hv-08', 'additives' => []]], $cast);
        self::assertSame([], $this->asked($pour, $mould), 'Grown up, it bears it.');
        $this->workUntil($pour, 'grade');
        $this->graded($pour);

        $this->travel(10)->minutes();
        $again = $this->begun(['formula' => ['base' => 'hv-08', 'additives' => []]], $cast);
        self::assertContains(
            "care-{$mould->id}-rested-cool", array_column($this->getJson("/pours/{$again->id}/state")->json('checklist'), 'id'),
            'Hot a while ago.',
        );
    }

    public function test_how_it_was_seen_last_stands_on_the_checklist(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained('hv-08');
        $mould = $this->mould($link);
        $this->travel(20)->days();
        $this->tell("/rack/{$mould->id}/facts", 'looked', ['condition' => 'cracked', 'marks' => ['torn_key']])->assertOk();
        $pour = $this->begun(['formula' => ['base' => 'hv-08', 'additives' => []]], $cast);
        self::assertEqualsCanonicalizing(['cracked-heat', 'cracked', 'torn-key'], $this->asked($pour, $mould));
    }

    public function test_one_taken_onto_the_rack_as_it_is_has_no_youth(): void
    {
        ['cast' => $cast] = $this->chained('hv-08');
        $this->post("/impressions/{$cast->id}/mould")->assertSessionHasNoErrors();
        $mould = Mould::query()->latest('id')->firstOrFail();
        self::assertSame([], $this->asked($this->begun(['formula' => ['base' => 'hv-08', 'additives' => []]], $cast), $mould));
    }

    public function test_another_mould_than_it_was_begun_with_asks_for_its_own(): void
    {
        ['mould' => $link, 'cast' => $cast] = $this->chained('hv-08');
        $first = $this->mould($link);
        $second = $this->mould($link);
        $this->travel(20)->days();
        $this->tell("/rack/{$first->id}/facts", 'looked', ['condition' => 'cracked', 'marks' => []])->assertOk();
        $pour = $this->begun(['formula' => ['base' => 'hv-08', 'additives' => []]], $cast);
        $asks = fn (Mould $mould): array => array_column(
            $this->getJson("/pours/{$pour->id}/kept")->assertOk()->json('choices'), 'asks', 'id',
        )[$mould->id];
        self::assertSame([[], []], [$asks($first), $asks($second)], 'The newest is meant, and stands on the checklist.');
        $this->record($pour, 'moulded', ['moulds' => [$first->id]])->assertOk();
        self::assertStringContainsString('nothing hot can run out', implode(' ', $asks($first)));
        $this->workUntil($pour, 'fill');
        self::assertSame([], $asks($first), 'In it, nothing is asked any more.');
        self::assertTrue(CarbonImmutable::now()->isAfter($pour->started_at ?? CarbonImmutable::now()));
    }
}

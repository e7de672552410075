<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Practice\Scenarios;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use Tests\WalksPractice;

/** Each scenario walked well and badly, with the findings a practised hand would give. */
final class PracticeWalkedTest extends TestCase
{
    use WalksPractice;

    /**
     * @return iterable<string, array{string, array<string, mixed>, list<string>, list<string>, string}> scenario, how it is walked badly,
     *   what is found badly, what is found well the other way, and what the cast would be
     */
    public static function scenarios(): iterable
    {
        yield 'stirred too little' => [
            'first-block', ['mix' => 0.3], ['under_mixed'], ['mixed_through', 'ratio_kept', 'poured_in_time', 'opened_in_time', 'gear_on'],
            'usable',
        ];
        yield 'pressed through' => ['first-block', ['gear' => 0.0, 'tick' => 0.0], ['gear_unread'], ['gear_on'], 'good'];
        yield 'opened on the hour' => ['cold-room', ['wait' => 0.4, 'finger' => false], ['opened_early'], ['opened_in_time'], 'spoilt'];
        yield 'dawdled in the heat' => ['hot-room', ['dawdle' => 20], ['poured_late'], ['poured_in_time'], 'spoilt'];
        yield 'believed the sheet' => ['early-gel', ['dawdle' => 12], ['poured_late'], ['poured_in_time'], 'spoilt'];
        yield 'laid on sulphur' => ['sulphur-clay', ['look' => false], ['lay_on_bad'], ['changed_ground'], 'spoilt'];
        yield 'laid on a fresh print' => ['fresh-print', ['look' => false], ['lay_on_bad'], ['changed_ground'], 'spoilt'];
        yield 'laid on tin' => ['tin-half', ['look' => false], ['lay_on_bad'], ['changed_ground'], 'spoilt'];
        yield 'weighed in the dark' => ['scale-dark', ['blind' => true], ['weighed_blind'], ['waited_for_scale'], ''];
        yield 'believed the sleeve' => [
            'sleeve', ['careful' => false], ['weighed_leaning', 'off_ratio'], ['saw_leaning', 'ratio_kept'], 'spoilt',
        ];
        yield 'poured the wrong tub' => [
            'wrong-tub', ['read_lids' => false], ['wrong_lid', 'one_part_alone'], ['read_lid', 'ratio_kept'], 'spoilt',
        ];
        yield 'left the colour short' => ['empty-tube', ['short' => true], ['left_short'], ['fetched_tube'], ''];
        yield 'let it leak' => ['leak', ['clay' => false], ['let_it_leak'], ['stopped_leak'], 'spoilt'];
        yield 'let it rise' => ['small-cup', ['let_air' => false], ['rose_over'], ['held_back'], 'spoilt'];
        yield 'drew air for a moment' => ['first-air', ['air' => 0.2], ['deaired_short'], ['deaired'], 'usable'];
        yield 'left an over-pour as it was' => ['heavy-hand', ['keep' => true], ['kept_over'], ['ratio_kept'], ''];
        yield 'left a tenth too much as it was' => ['ten-to-one', ['keep' => true], ['kept_over', 'off_ratio'], ['ratio_kept'], 'spoilt'];
        yield 'left a urethane off its ratio' => ['urethane-strict', ['keep' => true], ['kept_over'], ['mixed_through'], ''];
        yield 'believed the morning’s room' => ['heating-up', ['dawdle' => 16], ['poured_late'], ['poured_in_time'], 'spoilt'];
        yield 'looked for the funnel' => ['fast-base', ['dawdle' => 5], ['poured_late'], ['mixed_through'], 'spoilt'];
        yield 'went to the door' => ['door', ['answer' => 'go'], ['left_mid_clock'], ['stayed_at_clock'], ''];
        yield 'stirred six lines for a moment' => ['soft-skin', ['mix' => 0.3], ['under_mixed'], ['mixed_through', 'gear_on'], 'usable'];
        yield 'heated until it browned' => [
            'hot-lure', ['heat_min' => 8], ['heat_scorched', 'heat_unread'], ['heat_right', 'heat_read', 'poured_warm'], 'spoilt',
        ];
        yield 'poured while it was milky' => ['hot-lure', ['heat_min' => 1.5, 'says_c' => 171], ['heat_too_cool', 'heat_misread'], ['heat_right'], 'spoilt'];
        yield 'left to cool in the pot' => ['hot-lure', ['cools' => 9], ['poured_thick'], ['poured_warm'], 'spoilt'];
        yield 'heated by the clock on another plate' => ['strong-plate', ['heat_min' => 4], ['heat_scorched'], ['heat_right', 'heat_read'], 'spoilt'];
        yield 'looked for the jug while the plaster set' => ['plaster-waits', ['dawdle' => 25], ['poured_late'], ['poured_in_time'], 'spoilt'];
        yield 'kneaded to a marble' => ['putty', ['mix' => 0.2], ['under_mixed'], ['mixed_through', 'ratio_kept'], 'usable'];
        yield 'pulled out of its mould wet' => ['latex-thin', ['wait' => 0.3, 'finger' => false], ['opened_early'], ['opened_in_time'], 'spoilt'];
        yield 'opened by the clock' => ['open-too-soon', ['finger' => false], ['opened_early'], ['opened_in_time'], 'spoilt'];
    }

    /**
     * @param  array<string, mixed>  $badly
     * @param  list<string>  $bad
     * @param  list<string>  $good
     */
    #[DataProvider('scenarios')]
    public function test_a_scenario_walked_badly_and_well_is_found_as_a_practised_hand_would(
        string $scenario,
        array $badly,
        array $bad,
        array $good,
        string $would,
    ): void {
        $try = $this->begin($scenario);
        $this->walk((string) preg_replace('/\D/', '', $try->place), $badly);
        $came = $this->ends();
        self::assertSame(
            [], array_diff($bad, $this->codes($came, false)),
            'Not found: '.implode(', ', array_diff($bad, $this->codes($came, false))).' among '.implode(', ', $this->codes($came, false)),
        );
        $would === '' || self::assertSame($would, $came['would']);

        $try = $this->begin($scenario);
        $this->walk((string) preg_replace('/\D/', '', $try->place));
        $came = $this->ends();
        self::assertSame(
            [], $this->codes($came, false),
            'Walked well, and still: '.json_encode(
                array_values(array_filter($came['findings'], static fn (array $one): bool => ! $one['good'])),
            ),
        );
        self::assertSame([], array_diff($good, $this->codes($came, true)));
        self::assertSame('good', $came['would']);
    }

    /** @return iterable<string, array{string, array<string, mixed>, list<string>, list<string>}> as above, of builds */
    public static function builds(): iterable
    {
        yield 'coats by the clock, in a warm room' => [
            'window-shuts', ['touch' => false, 'after' => 30], ['coat_late', 'not_touched'], ['coat_in_window', 'touched'],
        ];
        yield 'coats laid hours later' => [
            'spread-skin', ['touch' => false, 'after' => 240], ['coat_late', 'not_touched'], ['coat_in_window', 'touched'],
        ];
        yield 'called away from an open window' => [
            'second-coat-away', ['answer' => 'go', 'touch' => false], ['left_at_window'], ['stayed_at_window', 'coat_in_window'],
        ];
        yield 'two halves in a hurry' => ['two-halves', ['hurry' => true, 'touch' => false], ['opened_early_build'], ['in_its_time']];
        yield 'a matrix in a hurry' => ['matrix-under-time', ['hurry' => true, 'touch' => false], ['opened_early_build'], ['in_its_time']];
    }

    /**
     * @param  array<string, mixed>  $badly
     * @param  list<string>  $bad
     * @param  list<string>  $good
     */
    #[DataProvider('builds')]
    public function test_a_build_walked_badly_and_well_is_found_as_a_practised_hand_would(
        string $scenario,
        array $badly,
        array $bad,
        array $good,
    ): void {
        $this->build($this->begin($scenario)->place, $badly);
        $came = $this->ends();
        self::assertSame([], array_diff($bad, $this->codes($came, false)), implode(', ', $this->codes($came, false)));
        self::assertSame('spoilt', $came['would']);
        self::assertGreaterThan(0.0, $came['waste']['grams'], 'What is spoilt is lost.');

        $this->build($this->begin($scenario)->place);
        $came = $this->ends();
        self::assertSame(
            [], $this->codes($came, false),
            json_encode(array_values(array_filter($came['findings'], static fn (array $one): bool => ! $one['good']))) ?: '',
        );
        self::assertSame([], array_diff($good, $this->codes($came, true)), implode(', ', $this->codes($came, true)));
        self::assertSame('good', $came['would']);
    }

    public function test_what_a_late_coat_would_show_is_known_to_the_faults(): void
    {
        $this->build($this->begin('window-shuts')->place, ['touch' => false, 'after' => 30]);
        $came = $this->ends();
        self::assertContains('delaminated', $came['seen']);
        self::assertContains('coat-late', array_column($came['causes'], 'id'), json_encode([$came['causes'], $came['seen']]) ?: '');
    }

    public function test_every_scenario_that_ships_is_walked_here_well_and_badly(): void
    {
        $walked = array_unique(
            array_column([...array_values(iterator_to_array(self::scenarios())), ...array_values(iterator_to_array(self::builds()))], 0),
        );
        self::assertSame([], array_values(array_diff(array_keys(app(Scenarios::class)->shipped()), $walked)));
    }

    public function test_every_scenario_that_ships_can_be_begun_and_its_lines_are_those_it_speaks_of(): void
    {
        $seen = 0;
        foreach (app(Scenarios::class)->shipped() as $scenario) {
            $try = $this->begin($scenario->id);
            $this->get($try->place)->assertOk();
            foreach ($scenario->wrong as $mishap) {
                $lines = count(
                    DB::table('pours')->where('workshop_id', $try->shop_id)->value('plan') === null
                        ? []
                        : json_decode(
                            (string) DB::table('pours')->where('workshop_id', $try->shop_id)->value('plan'), true,
                        )['run']['batches'][0],
                );
                $mishap->line === null || self::assertLessThanOrEqual($lines, $mishap->line, $scenario->id);
            }
            $seen++;
        }
        self::assertGreaterThanOrEqual(20, $seen);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\FormulaVersion;
use App\Models\Pour;
use App\Models\PourState;
use LogicException;
use Tests\TestCase;

final class PourSheetTest extends TestCase
{
    public function test_a_sheet_is_kept_as_typed_and_answered(): void
    {
        $pour = $this->draft();

        $answer = $this->putJson("/pours/{$pour->id}/sheet", $this->sheet(['volume.volume_ml' => 200]))->assertOk()->json();

        self::assertTrue($answer['pourable']);
        self::assertEqualsWithDelta(200.0, $answer['mix']['volume_ml'], 1e-6);
        self::assertEqualsWithDelta(50.0, $answer['additives'][0]['pct_of_ab'], 1e-9);
        self::assertEqualsWithDelta(100.0, $answer['additives'][0]['pct_of_one_part'], 1e-9);
        self::assertSame(200, $pour->refresh()->sheet['volume']['volume_ml'] ?? null);
    }

    public function test_what_is_wrong_is_said_in_place_and_still_kept(): void
    {
        $pour = $this->draft();

        $answer = $this->putJson("/pours/{$pour->id}/sheet", $this->sheet([
            'volume.volume_ml' => 'two cups', 'formula.additives.0.amount' => -5,
        ]))
            ->assertOk()
            ->json();

        self::assertFalse($answer['pourable']);
        self::assertSame(['volume.volume_ml', 'formula.additives.0.amount'], array_column($answer['errors'], 'field'));
        self::assertSame('two cups', $pour->refresh()->sheet['volume']['volume_ml'] ?? null);
    }

    public function test_a_cup_without_headroom_and_a_wrong_scale_are_said_under_the_plan(): void
    {
        $pour = $this->draft();
        $answer = $this->putJson("/pours/{$pour->id}/sheet", $this->sheet(['plan.vessel.tare_g' => 5000]))->json();

        self::assertSame('plan.vessel.tare_g', $answer['errors'][0]['field']);
    }

    public function test_a_sheet_that_is_no_sheet_is_refused(): void
    {
        $pour = $this->draft();

        $this->putJson("/pours/{$pour->id}/sheet", [])->assertUnprocessable()->assertJsonPath(
            'error.message', 'The sheet must be one JSON object of 40 000 characters at most.',
        );
        $this->putJson("/pours/{$pour->id}/sheet", ['soup' => 1])->assertUnprocessable()->assertJsonPath('error.field', 'soup');
        self::assertSame($this->sheet(), $pour->refresh()->sheet);
    }

    public function test_the_room_of_the_shop_decides_the_pot_life(): void
    {
        $pour = $this->draft();
        $this->warm(33.0);

        $answer = $this->putJson("/pours/{$pour->id}/sheet", $this->sheet())->json();

        // Half the 22 min of the sheet, and half as much softener as rubber keeps it fluid a little longer.
        self::assertEqualsWithDelta(11.0 * exp(0.22 * 0.5), $answer['mix']['pot_life_min'], 1e-9);
        self::assertContains('hot_room', array_column($answer['warnings'], 'code'));
    }

    public function test_a_pour_of_an_unfinished_sheet_does_not_begin(): void
    {
        $pour = $this->draft(['volume.volume_ml' => null]);

        $this->post("/pours/{$pour->id}/run")->assertRedirect("/pours/{$pour->id}")->assertSessionHasErrors('sheet');
        self::assertSame(PourState::Draft, $pour->refresh()->state);
    }

    public function test_beginning_twice_begins_once(): void
    {
        $pour = $this->begun();
        $started = $pour->started_at;
        $this->travel(5)->minutes();
        $this->post("/pours/{$pour->id}/run")->assertRedirect();

        self::assertEquals($started, $pour->refresh()->started_at);
        self::assertSame(1, FormulaVersion::query()->count());
    }

    public function test_the_same_formula_is_the_same_version_and_another_is_the_next(): void
    {
        $impression = $this->impression();
        $first = $this->begun([], $impression);
        $again = $this->begun([], $impression);
        $other = $this->begun(['formula.additives.0.amount' => 60], $impression);

        self::assertSame($first->formula_version_id, $again->formula_version_id);
        self::assertNotSame($first->formula_version_id, $other->formula_version_id);
        self::assertSame(2, $other->formulaVersion()->firstOrFail()->number);
    }

    public function test_a_poured_formula_version_cannot_be_changed(): void
    {
        $this->begun();

        $this->expectException(LogicException::class);
        FormulaVersion::query()->firstOrFail()->update(['recipe' => []]);
    }

    public function test_a_begun_pour_keeps_its_plan(): void
    {
        $pour = $this->begun();

        $this->putJson("/pours/{$pour->id}/sheet", $this->sheet())->assertConflict()->assertJsonPath('begun', true);
        $this->delete("/pours/{$pour->id}")->assertSessionHasErrors('sheet');
        self::assertTrue(Pour::query()->whereKey($pour->id)->exists());
        $this->get("/pours/{$pour->id}")->assertRedirect("/pours/{$pour->id}/run");
    }

    public function test_the_next_pour_starts_from_the_last_sheet_and_offers_what_was_learnt(): void
    {
        $impression = $this->impression();
        $pour = $this->begun([], $impression);
        $this->workUntil($pour, 'grade');
        $weighed = $pour->refresh()->weighed_g;
        self::assertNotNull($weighed);
        $this->record($pour, 'graded', [
            'step' => '0:grade', 'grade' => 'good', 'faults' => [], 'used_g' => $weighed * 0.9, 'note' => '',
        ])->assertOk();

        $next = $this->post("/impressions/{$impression->id}/pours")->assertRedirect()->headers->get('Location');
        $this->get((string) $next)->assertInertia(static fn ($page) => $page
            ->component('pour/PourSheet')
            ->where('pour.sheet.volume.volume_ml', 100)
            ->where('pour.learnt.pours', 1)
            ->where('pour.learnt.pct', static fn (float $pct): bool => abs($pct + 10.0) < 0.2));
        $this->post("/impressions/{$impression->id}/pours")->assertRedirect((string) $next);
    }

    public function test_the_hardness_to_expect_stands_beside_the_formula_and_nonsense_does_not_blank_the_sheet(): void
    {
        $pour = $this->draft();
        self::assertStringStartsWith('00-', (string) $this->putJson("/pours/{$pour->id}/sheet", $this->sheet())->json('hardness'));
        self::assertSame('A 10', $this->putJson("/pours/{$pour->id}/sheet", $this->sheet(['formula.additives' => []]))->json('hardness'));
        self::assertNull(
            $this->putJson("/pours/{$pour->id}/sheet", $this->sheet([
                'formula' => ['base' => 'cp-70', 'additives' => []],
            ]))->json('hardness'),
        );

        $full = $this->sheet(['formula.additives.0' => ['code' => 'sf-1', 'amount' => 99, 'basis' => 'pct_of_total', 'into' => 'after']]);
        $this->putJson("/pours/{$pour->id}/sheet", $full)
            ->assertOk()
            ->assertJsonPath('hardness', null)
            ->assertJsonPath('errors.0.field', 'formula.additives');
        self::assertSame(99, $pour->refresh()->sheet['formula']['additives'][0]['amount']);
    }

    public function test_a_sheet_is_answered_fast_enough_to_type_by(): void
    {
        $pour = $this->draft();
        $this->putJson("/pours/{$pour->id}/sheet", $this->sheet());
        $from = hrtime(true);
        $this->putJson("/pours/{$pour->id}/sheet", $this->sheet(['volume.volume_ml' => 123]))->assertOk();

        self::assertLessThan(100.0, (hrtime(true) - $from) / 1e6);
    }
}

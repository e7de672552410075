<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Pour;
use App\Models\PourState;
use App\PourSheets\Drafts;
use App\PourSheets\DraftView;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\TestCase;

/** Planning a pour of a link: which sheet lies on the bench when it is asked for. */
final class PlanTest extends TestCase
{
    private function plan(\App\Models\Impression $impression): Pour
    {
        $id = (int) basename((string) $this->post("/impressions/{$impression->id}/pours")->assertRedirect()->headers->get('Location'));

        return Pour::query()->findOrFail($id);
    }

    /** Slow platinum rubber is worth the vacuum; a resin that sets in minutes is stirred for one and goes nowhere near it. */
    #[TestWith(['pr-10', true, 3, 5])]
    #[TestWith(['rf-70', false, 1, 0])]
    #[TestWith(['hv-08', false, 1, 0])]
    public function test_a_first_sheet_knows_the_base_of_its_link(string $base, bool $degas, int $mixMin, int $degasMin): void
    {
        $this->workshop->update(['scale_division_g' => 0.01, 'scale_capacity_g' => 600]);
        $sheet = $this->plan($this->impression('cast', $base))->sheet;

        self::assertSame($base, $sheet['formula']['base']);
        self::assertSame([$degas, $mixMin, $degasMin], [
            $sheet['plan']['vessel']['degas'], $sheet['plan']['mix_min'], $sheet['plan']['degas_min'],
        ]);
        self::assertEquals(['division_g' => 0.01, 'capacity_g' => 600], $sheet['plan']['scale']);
        self::assertSame([], $sheet['formula']['additives']);
    }

    public function test_a_link_of_no_material_on_the_shelf_asks_for_a_base(): void
    {
        $pour = $this->plan($this->impression('copy', 'a stone from the beach'));

        self::assertSame('', $pour->sheet['formula']['base']);
        $this->get("/pours/{$pour->id}")->assertOk();
        $answer = $this->putJson("/pours/{$pour->id}/sheet", $pour->sheet)->assertOk()->json();
        self::assertFalse($answer['pourable']);
        self::assertContains('formula.base', array_column($answer['errors'], 'field'));
    }

    public function test_a_sheet_that_was_begun_is_opened_again(): void
    {
        $impression = $this->impression();
        $first = $this->plan($impression);
        $first->update(['sheet' => $this->sheet(['volume.volume_ml' => 77])]);

        self::assertSame($first->id, $this->plan($impression)->id);
        self::assertSame(1, $impression->pours()->count());
    }

    public function test_the_next_sheet_begins_as_the_last_was_poured(): void
    {
        $impression = $this->impression();
        $poured = $this->begun(['volume.volume_ml' => 140], $impression);
        $next = $this->plan($impression);

        self::assertNotSame($poured->id, $next->id);
        self::assertSame(PourState::Draft, $next->state);
        self::assertEquals([140, 'pr-10'], [$next->sheet['volume']['volume_ml'], $next->sheet['formula']['base']]);
        self::assertNull($next->started_at);
    }

    public function test_answers_are_offered_for_sheets_that_are_still_being_planned(): void
    {
        $old = $this->draft(['formula_name' => 'Old']);
        $this->travel(1)->minutes();
        $new = $this->draft([], $this->impression('copy', 'pr-25'));
        $this->travelBack();
        $this->begun([], $this->impression());
        $gone = $this->draft([], $this->impression());
        $gone->impression->delete();

        self::assertSame([$new->id, $old->id], array_column(DraftView::all(app(Drafts::class)), 'id'));
        self::assertSame('Owl brow, Cast', DraftView::all(app(Drafts::class))[1]['name']);
        $old->impression->job->delete();
        $this->app?->forgetScopedInstances();
        self::assertSame([], DraftView::all(app(Drafts::class)));
    }
}

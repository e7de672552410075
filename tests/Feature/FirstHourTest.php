<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Typed;
use App\Models\Workshop;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** A shop nobody has been in yet: it leads, and only what was ticked is offered from then on. */
final class FirstHourTest extends TestCase
{
    public function test_an_empty_shop_leads_and_one_that_works_does_not(): void
    {
        $this->workshop->update(['set_up_at' => null]);
        $this->get('/')->assertRedirect('/first');
        $this->impression();
        $this->get('/')->assertOk();
    }

    public function test_the_shelf_is_what_was_ticked(): void
    {
        $this->workshop->update(['set_up_at' => null]);
        $shelf = $this->get('/first?step=shelf')->assertOk()->inertiaProps('first.shelf');
        self::assertSame('Platinum silicone', $shelf[0]['title'], 'the commonest chemistry first');
        self::assertSame(
            [], array_filter(array_merge(...array_column($shelf, 'sheets')), static fn (array $sheet): bool => $sheet['here']),
            'nothing is, before somebody has said so',
        );

        $this->post('/first/shelf', ['here' => ['pr-10', 'sf-1', 'warm-jelly']])->assertRedirect('/first?step=job');
        self::assertNotNull(Workshop::here()->set_up_at);
        $materials = collect($this->get('/jobs')->inertiaProps('materials'));
        self::assertSame(['pr-10'], $materials->where('here', true)->pluck('code')->values()->all());
        self::assertSame(
            ['warm-jelly'],
            array_column(
                $this->postJson('/contacts/judge', [
                    'fresh' => ['family' => 'silicone-platinum', 'skin_safe' => true], 'surface' => ['id' => 'silicone-platinum'],
                ])->json('releases'),
                'id',
            ),
        );
        // What it does not have is still known: a sheet that names it is read.
        self::assertContains('pr-25', $materials->pluck('code')->all());
        $this->get('/stores')->assertOk();
        $this->get('/first?step=shelf')->assertInertia(
            static fn ($page) => $page->where(
                'first.shelf.0.sheets', static fn ($sheets): bool => collect($sheets)->firstWhere('code', 'pr-10')['here'] === true,
            ),
        );
    }

    public function test_a_browser_that_says_the_zone_unasked_does_not_make_the_open_form_old(): void
    {
        $this->workshop->update(['time_zone' => null]);
        $seen = Workshop::here()->edition;
        $this->putJson("/workshop?edition={$seen}", ['time_zone' => 'Africa/Nairobi'])->assertOk();
        $this->putJson("/workshop?edition={$seen}", [
            'name' => 'Heron Street', 'time_zone' => 'Africa/Nairobi',
        ])->assertOk()->assertJsonPath('workshop.edition', $seen + 1);
        // One that is chosen over another is somebody's change, like the rest.
        $this->putJson('/workshop?edition='.($seen + 1), ['time_zone' => 'UTC'])->assertOk();
        $this->putJson('/workshop?edition='.($seen + 1), ['hands' => 2])->assertConflict();
        self::assertSame('UTC', Workshop::here()->time_zone);
    }

    public function test_a_shop_with_nothing_on_its_shelf_still_opens_every_screen(): void
    {
        $this->post('/first/shelf', ['here' => []])->assertRedirect();
        foreach ([
            '/', '/jobs', '/jobs?new=1', '/stores', '/contacts', '/swatches', '/swatches/series', '/swatches/colour', '/swatches/drawer',
            '/formulas', '/log', '/first',
        ] as $page) {
            $this->get($page)->assertOk();
        }
        $pour = $this->draft();
        $this->get("/pours/{$pour->id}")->assertOk();
    }

    public function test_cups_money_and_vacuum_are_kept_and_a_plan_begins_with_them(): void
    {
        $this->putJson('/workshop', [
            'currency' => 'sek', 'vacuum' => false, 'cups' => [['ml' => 1500, 'tare_g' => 44], ['ml' => 350]],
        ])->assertOk()
            ->assertJsonPath(
                'workshop.currency', 'SEK',
            )->assertJsonPath('workshop.cups.0.ml', 350)->assertJsonPath('workshop.vacuum', false);
        $this->post("/impressions/{$this->impression()->id}/pours");
        $vessel = \App\Models\Pour::query()->latest('id')->firstOrFail()->sheet['plan']['vessel'];
        self::assertEquals(['capacity_ml' => 1500, 'tare_g' => 44, 'degas' => false, 'rise_factor' => 3], $vessel);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'money nobody knows' => [['currency' => 'shells'], 'currency'];
        yield 'a cup that holds nothing' => [['cups' => [['ml' => 0]]], 'cups.0.ml'];
        yield 'a cup of words' => [['cups' => [['ml' => 'large']]], 'cups.0.ml'];
        yield 'more cups than a bench' => [['cups' => array_fill(0, 20, ['ml' => 100])], 'cups'];
        yield 'half a vacuum' => [['vacuum' => 'sometimes'], 'vacuum'];
    }

    /** @param  array<string, mixed>  $said */
    #[DataProvider('refused')]
    public function test_what_makes_no_sense_is_said_at_its_field(array $said, string $field): void
    {
        $this->putJson('/workshop', $said)->assertUnprocessable()->assertJsonPath('error.field', $field);
        self::assertNull(Workshop::here()->currency);
    }

    public function test_what_is_typed_is_found_on_another_screen_until_it_is_handed_in(): void
    {
        $this->putJson('/typed', ['screen' => 'job/new', 'what' => ['name' => 'Owl brow']])->assertOk();
        $this->putJson('/typed', ['screen' => 'job/new', 'what' => ['name' => 'Owl brow', 'quantity' => 4]])->assertOk();
        $this->getJson('/typed?screen=job/new')->assertJsonPath('what', ['name' => 'Owl brow', 'quantity' => 4]);
        $this->getJson('/typed?screen=job/other')->assertJsonPath('what', null);
        $this->deleteJson('/typed', ['screen' => 'job/new'])->assertOk();
        $this->getJson('/typed?screen=job/new')->assertJsonPath('what', null);

        $this->putJson('/typed', ['screen' => 'job/new', 'what' => ['name' => 'Old']]);
        $this->travel(3)->days();
        $this->getJson('/typed?screen=job/new')->assertJsonPath('what', null);
        $this->putJson('/typed', ['screen' => 'another', 'what' => ['a' => 1]]);
        self::assertSame(['another'], Typed::query()->pluck('screen')->all(), 'What is old is swept away.');
    }

    public function test_keeping_what_is_typed_uses_up_nothing_that_one_page_left_for_the_next_to_say(): void
    {
        $this->delete("/pours/{$this->draft()->id}")->assertSessionHas('said');
        $this->putJson('/typed', ['screen' => 'a', 'what' => ['a' => 1]])->assertOk();
        $this->getJson('/typed?screen=a')->assertOk();
        $this->deleteJson('/typed', ['screen' => 'a'])->assertOk();
        self::assertSame('The plan is thrown away.', $this->get('/jobs')->assertOk()->inertiaProps('flash'));
    }

    public function test_what_is_typed_has_bounds(): void
    {
        foreach ([
            ['screen' => '', 'what' => ['a' => 1]], ['screen' => str_repeat('x', 121), 'what' => ['a' => 1]],
            ['screen' => 'a', 'what' => [1, 2]], ['screen' => 'a', 'what' => ['a' => str_repeat('long ', 5000)]], ['screen' => 'a'],
        ] as $wrong) {
            $this->putJson('/typed', $wrong)->assertUnprocessable();
        }
        for ($i = 0; $i < 205; $i++) {
            Typed::query()->create(['screen' => "s{$i}", 'what' => []]);
        }
        $this->putJson('/typed', ['screen' => 'last', 'what' => ['a' => 1]])->assertOk();
        self::assertSame(200, Typed::query()->count());
        self::assertTrue(Typed::query()->where('screen', 'last')->exists());
    }
}

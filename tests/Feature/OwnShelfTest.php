<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\OwnSheet;
use App\Models\Pour;
use App\Models\Workshop;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Yaml\Yaml;
use Tests\TestCase;

/** A rubber that is not shipped is written down from its data sheet, poured, changed, and taken out and in. */
final class OwnShelfTest extends TestCase
{
    private const RUBBER = [
        'code' => 'my-12', 'name' => 'Soft platinum of ours', 'family' => 'silicone-platinum', 'ratio' => ['a' => 1, 'b' => 1],
        'sg' => ['a' => 1.1, 'b' => 1.1], 'times' => ['pot_life_min' => 40, 'demould_min' => 300],
    ];

    public function test_a_sheet_is_written_and_can_be_poured(): void
    {
        $this->keep(self::RUBBER)->assertOk()->assertJson(['kept' => 'my-12', 'doubts' => []]);
        $pour = $this->planned('my-12');
        $answer = $this->putJson("/pours/{$pour->id}/sheet", $this->sheet([
            'formula' => ['base' => 'my-12', 'additives' => []],
        ]))->assertOk();

        // 100 ml at 1.1 g/ml.
        self::assertEqualsWithDelta(110.0, $answer->json('mix.mass_g'), 1e-6);
        self::assertEqualsWithDelta(
            40.0 * 2.0 ** 0.3, $answer->json('mix.pot_life_min'), 0.01, 'the sheet says 23 °C by default, the room has 20',
        );
        self::assertContains('unknown_q10', array_column($answer->json('warnings'), 'code'));
        self::assertContains('unknown_ref_c', array_column($answer->json('warnings'), 'code'));
        self::assertNotContains('unknown_sg', array_column($answer->json('warnings'), 'code'));
    }

    public function test_what_is_unknown_stays_unknown_and_every_answer_that_leans_on_it_says_so(): void
    {
        $this->keep([
            'code' => 'my-0', 'name' => 'Tub without a sheet', 'family' => 'silicone-tin', 'ratio' => ['a' => 10, 'b' => 1],
        ])->assertOk();
        $pour = $this->planned('my-0');
        $answer = $this->putJson("/pours/{$pour->id}/sheet", $this->sheet([
            'formula' => ['base' => 'my-0', 'additives' => []],
        ]))->assertOk();

        self::assertNull($answer->json('mix.pot_life_min'));
        self::assertNull($answer->json('mix.demould_min'));
        self::assertSame(
            ['unknown_sg', 'unknown_pot_life_min', 'unknown_demould_min', 'unknown_ref_c', 'unknown_q10'],
            array_values(
                array_filter(
                    array_column($answer->json('warnings'), 'code'), static fn (string $code): bool => str_starts_with($code, 'unknown_'),
                ),
            ),
        );
        // It can be poured all the same; the clock only counts up.
        $this->post("/pours/{$pour->id}/run")->assertRedirect();
        $this->get("/pours/{$pour->id}/run")->assertOk();
        $this->get('/')->assertOk();
    }

    public function test_a_change_is_a_new_version_and_what_was_poured_keeps_the_one_it_had(): void
    {
        $this->keep(self::RUBBER);
        $pour = $this->planned('my-12');
        $this->putJson("/pours/{$pour->id}/sheet", $this->sheet(['formula' => ['base' => 'my-12', 'additives' => []]]))->assertOk();
        $this->post("/pours/{$pour->id}/run")->assertRedirect();
        $before = $this->getJson("/pours/{$pour->id}/state")->json();

        $this->keep(
            [...self::RUBBER, 'name' => 'Renamed', 'times' => ['pot_life_min' => 5, 'demould_min' => 30], 'sg' => ['a' => 2, 'b' => 2]],
            'my-12',
        )->assertOk();

        self::assertSame(2, OwnSheet::query()->max('version'));
        self::assertSame(40, Pour::query()->findOrFail($pour->id)->snapshot?->content['materials']['my-12']['times']['pot_life_min']);
        $after = $this->getJson("/pours/{$pour->id}/state")->json();
        self::assertSame($before['clock'], $after['clock']);
        self::assertSame($before['formula'] ?? null, $after['formula'] ?? null);
        $own = $this->get('/stores/my-12')->assertOk()->inertiaProps('own');
        self::assertSame(2, $own['version']);
        self::assertSame(['Name', 'Part A', 'Part B', 'Pot life', 'Demould'], $own['versions'][0]['changed']);
    }

    public function test_the_same_again_makes_no_new_version(): void
    {
        $this->keep(self::RUBBER);
        $mark = Workshop::here()->shelf_mark;
        $this->keep(['times' => ['demould_min' => 300.0, 'pot_life_min' => 40], ...self::RUBBER], 'my-12')->assertOk();
        self::assertSame([1, $mark], [OwnSheet::query()->count(), Workshop::here()->shelf_mark]);
    }

    public function test_figures_that_contradict_each_other_are_asked_about_before_they_are_kept(): void
    {
        $said = [...self::RUBBER, 'sg' => ['a' => 1.0, 'b' => 1.2], 'ratio_volume' => ['a' => 1, 'b' => 1]];
        $this->keep($said)->assertOk()->assertJson([
            'kept' => null, 'doubts' => [['code' => 'ratio_against_density', 'field' => 'ratio.b']],
        ]);
        self::assertSame(0, OwnSheet::query()->count());
        $this->keep($said, null, true)->assertJson(['kept' => 'my-12']);
    }

    /**
     * @return iterable<string, array{array<string, mixed>, string|null, string}> what was said, which sheet it changes, what is answered
     */
    public static function refused(): iterable
    {
        yield 'the code of a shipped sheet' => [['code' => 'pr-10'], null, 'came with Apalos'];
        yield 'the code of a shipped surface' => [['code' => 'plaster'], null, 'came with Apalos'];
        yield 'a code that is taken' => [[], null, 'already a sheet'];
        yield 'another code for the same sheet' => [['code' => 'my-13'], 'my-12', 'house code stays'];
        yield 'nothing sensible' => [['times' => 'soon'], 'my-12', 'named fields'];
    }

    /** @param  array<string, mixed>  $changes */
    #[DataProvider('refused')]
    public function test_what_cannot_be_kept_is_said(array $changes, ?string $of, string $answer): void
    {
        $this->keep(self::RUBBER)->assertOk();
        $said = $this->keep([...self::RUBBER, ...$changes], $of)->assertUnprocessable();
        self::assertStringContainsString($answer, $said->json('error.message'));
        self::assertSame(1, OwnSheet::query()->count());
    }

    public function test_a_shipped_sheet_is_copied_with_all_it_says(): void
    {
        foreach ([
            'pr-10' => 'base', 'sf-1' => 'additive', 'petroleum-jelly' => 'release', 'shellac' => 'sealer', 'plaster' => 'surface',
        ] as $from => $kind) {
            $write = $this->get("/stores/new/sheet?from={$from}")->assertOk()->inertiaProps('write');
            self::assertSame($kind, $write['form']['kind']);
            $sheet = ['code' => "my-{$kind}", 'name' => 'A copy'];
            foreach (array_filter(
                [...$write['sheet'], 'code' => null, 'name' => null], static fn (mixed $value): bool => $value !== null,
            ) as $at => $value) {
                data_set($sheet, $at, $value);
            }
            $this->postJson('/stores/sheets', ['kind' => $kind, 'sheet' => $sheet])->assertOk()->assertJson(['kept' => "my-{$kind}"]);
            $this->get("/stores/my-{$kind}")->assertOk();
            $this->get("/stores/my-{$kind}/change")->assertOk();
        }
        $this->get('/stores/pr-10/change')->assertNotFound();
        $this->get('/stores/nobody')->assertNotFound();
        $this->get('/contacts')->assertOk();
    }

    public function test_taking_in_what_was_taken_out_changes_nothing(): void
    {
        $this->keep(self::RUBBER);
        $this->postJson('/stores/sheets', [
            'kind' => 'surface', 'sheet' => ['code' => 'my-clay', 'name' => 'Brown clay', 'like' => ['clay'], 'porous' => false],
        ])->assertOk();
        $before = OwnSheet::query()->orderBy('id')->get()->toArray();
        foreach (['yaml', 'json'] as $format) {
            $this->in(
                (string) $this->get("/stores.{$format}")->assertOk()->getContent(),
            )->assertSessionHas('said', '0 new, 0 changed, 2 as they were.');
        }
        self::assertSame($before, OwnSheet::query()->orderBy('id')->get()->toArray());
    }

    public function test_an_empty_export_is_a_template_that_can_be_filled_in(): void
    {
        $template = (string) $this->get('/stores.yaml')->getContent();
        self::assertSame(['sheets' => []], Yaml::parse($template));
        self::assertStringContainsString('pot_life_min', $template);
        // Without its marks it is a list of entries: whoever fills them in needs no other paper.
        $filled = (string) preg_replace(
            ['/^sheets: \[\]$/m', '/^# --.*$/m', '/^# Sheets.*$|^# What is.*$/m', '/^# /m'], ['sheets:', '', '', ''], $template,
        );
        self::assertSame(['base', 'additive', 'release', 'sealer', 'surface'], array_column(Yaml::parse($filled)['sheets'], 'kind'));
        $this->in($template)->assertSessionHas('said', '0 new, 0 changed, 0 as they were.');
    }

    public function test_a_refused_file_names_the_entry_and_the_reason_and_nothing_of_it_is_taken(): void
    {
        $this->in(
            Yaml::dump(
                [
                    'sheets' => [
                        ['kind' => 'base', ...self::RUBBER], ['kind' => 'base', ...self::RUBBER, 'code' => 'my-13', 'ref_c' => 'warm'],
                    ],
                ],
                5,
            ),
        )
            ->assertSessionHasErrors(['file' => 'Sheet 2 “my-13”, ref_c: This needs a number; it was “warm”.']);
        self::assertSame(0, OwnSheet::query()->count());
        foreach (['jam: [', '- 1', 'rules: []', '{"sheets": {"a": 1}}'] as $wrong) {
            $this->in($wrong)->assertSessionHasErrors('file');
        }
    }

    public function test_what_is_off_the_shelf_is_offered_nowhere_and_known_where_it_was_used(): void
    {
        $pour = $this->planned('pr-10');
        $this->put('/stores/pr-10/shelf', ['here' => false])->assertRedirect();
        self::assertNotContains('pr-10', array_column($this->get('/contacts')->inertiaProps('board.bases'), 'code'));
        self::assertFalse(collect($this->get("/pours/{$pour->id}")->inertiaProps('pour.shelf.bases'))->firstWhere('code', 'pr-10')['here']);
        $this->putJson("/pours/{$pour->id}/sheet", $this->sheet())->assertOk()->assertJsonPath('errors', []);
        $this->put('/stores/pr-10/shelf', ['here' => true]);
        self::assertContains('pr-10', array_column($this->get('/contacts')->inertiaProps('board.bases'), 'code'));
    }

    public function test_a_release_that_is_not_here_is_not_proposed(): void
    {
        $asked = ['fresh' => ['family' => 'silicone-platinum', 'skin_safe' => true], 'surface' => ['id' => 'silicone-platinum']];
        $first = $this->postJson('/contacts/judge', $asked)->json('releases.0.id');
        $this->put("/stores/{$first}/shelf", ['here' => false]);
        self::assertNotContains($first, array_column($this->postJson('/contacts/judge', $asked)->json('releases'), 'id'));
        // Where it has been chosen it is still judged as what it is.
        self::assertNotSame('stop', $this->postJson('/contacts/judge', [...$asked, 'release' => $first])->json('verdict'));
    }

    public function test_a_surface_of_its_own_is_judged_by_what_it_is_like_and_one_nobody_knows_is_tested(): void
    {
        $this->postJson('/stores/sheets', [
            'kind' => 'surface', 'sheet' => ['code' => 'my-clay', 'name' => 'Brown clay', 'like' => ['clay-oil-sulphur']],
        ])->assertOk();
        $this->postJson('/stores/sheets', ['kind' => 'surface', 'sheet' => ['code' => 'my-found', 'name' => 'Found thing']])->assertOk();
        $asked = static fn (string $id): array => [
            'fresh' => ['family' => 'silicone-platinum', 'skin_safe' => true], 'surface' => ['id' => $id],
        ];
        self::assertSame('stop', $this->postJson('/contacts/judge', $asked('my-clay'))->json('verdict'));
        self::assertSame('test-first', $this->postJson('/contacts/judge', $asked('my-found'))->json('verdict'));
    }

    /** @param  array<string, mixed>  $sheet */
    private function keep(array $sheet, ?string $changes = null, bool $sure = false): \Illuminate\Testing\TestResponse
    {
        return $this->postJson('/stores/sheets', ['kind' => 'base', 'sheet' => $sheet, 'changes' => $changes, 'sure' => $sure]);
    }

    private function in(string $text): \Illuminate\Testing\TestResponse
    {
        return $this->from('/stores')->post('/stores', ['file' => UploadedFile::fake()->createWithContent('sheets.yaml', $text)]);
    }

    private function planned(string $material): Pour
    {
        $this->post("/impressions/{$this->impression('cast', $material)->id}/pours")->assertRedirect();

        return Pour::query()->orderByDesc('id')->firstOrFail();
    }
}

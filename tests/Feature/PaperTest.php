<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Build;
use App\Models\FormulaVersion;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\Workshop;
use App\Paper\Codes;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What stands on paper is what stands on the screen; it is read back off the file, as a printer would have it. */
final class PaperTest extends TestCase
{
    /** The words of a PDF, page by page. */
    private function words(string $address): string
    {
        $answer = $this->get($address)->assertOk()->assertHeader('Content-Type', 'application/pdf');
        $pdf = tempnam(sys_get_temp_dir(), 'paper').'.pdf';
        file_put_contents($pdf, (string) $answer->getContent());
        exec('pdftotext -layout '.escapeshellarg($pdf).' - 2>&1', $lines, $failed);
        self::assertSame(0, $failed, implode("\n", $lines));
        exec('pdffonts '.escapeshellarg($pdf).' 2>&1', $fonts);
        foreach (array_slice($fonts, 2) as $font) {
            self::assertMatchesRegularExpression('/\byes\s+(yes|no)\s+(yes|no)\s+\d+\s+\d+$/', $font, "A font that is not inside: {$font}");
        }
        unlink($pdf);

        return (string) preg_replace('/\s+/', ' ', implode("\n", $lines));
    }

    public function test_the_batch_card_says_what_the_screen_says_before_and_after_it_was_begun(): void
    {
        $pour = $this->draft(['volume.volume_ml' => 1234.5, 'plan.vessel.capacity_ml' => 600]);
        $screen = $this->get("/pours/{$pour->id}")->inertiaProps('reckoning.mix');
        self::assertGreaterThan(2, count($screen['batches']));
        $words = $this->words("/paper/pours/{$pour->id}.pdf");
        self::assertStringContainsString("Batch card no. {$pour->id}", $words);
        foreach ($screen['batches'] as $i => $batch) {
            self::assertStringContainsString(
                'Cup '.($i + 1).' of '.count($screen['batches']).': '.number_format($batch['mass_g'], 1, '.', ' ').' g', $words,
            );
            foreach ($batch['lines'] as $line) {
                self::assertStringContainsString(number_format($line['running'], 1, '.', ' ').' g', $words);
                self::assertStringContainsString($line['add'], $words);
            }
        }
        self::assertStringContainsString(
            number_format(array_sum(array_column($screen['batches'], 'mass_g')), 1, '.', ' ').' g in all', $words,
        );

        $begun = $this->begun();
        $this->workUntil($begun, 'mix');
        $run = $this->getJson("/pours/{$begun->id}/state")->json();
        $words = $this->words("/paper/pours/{$begun->id}.pdf");
        self::assertStringContainsString(number_format($run['weighed_g'], 1).' g weighed so far', $words);
        self::assertStringContainsString('Stirred through, 3 min', $words);
    }

    public function test_what_the_card_asks_to_be_ready_is_what_the_run_asks(): void
    {
        $this->travelBack();
        $this->seed(DatabaseSeeder::class);
        $looked = 0;
        foreach (Pour::query()->where('state', 'draft')->orderBy('id')->get() as $draft) {
            if (! $this->get("/pours/{$draft->id}")->inertiaProps('reckoning.pourable')) {
                continue;
            }
            $words = $this->words("/paper/pours/{$draft->id}.pdf");
            $this->post("/pours/{$draft->id}/run?edition={$draft->edition}");
            if ($draft->refresh()->started_at === null) {
                continue;
            }
            $run = $this->getJson("/pours/{$draft->id}/state")->json();
            foreach ([...array_column($run['checklist'], 'text'), ...$run['gear']] as $asked) {
                self::assertStringContainsString(mb_substr((string) preg_replace('/\\s+/', ' ', $asked), 0, 24), $words);
            }
            self::assertStringContainsString(number_format($run['planned_g'], 1, '.', ' ').' g in all', $words);
            $looked++;
        }
        self::assertGreaterThan(0, $looked);
    }

    public function test_a_card_of_a_coat_that_waits_says_for_what_and_one_of_what_is_heated_how_warm(): void
    {
        $cast = $this->impression('cast', 'br-28');
        $this->post("/impressions/{$cast->id}/builds", ['kind' => 'spread-cast', 'measured' => ['area_mm2' => 42000]])
            ->assertSessionHasNoErrors();
        $build = Build::query()->where('plain', false)->latest('id')->firstOrFail();
        $state = $this->getJson("/builds/{$build->id}/state")->json('operations');
        $coats = array_values(array_filter($state, static fn (array $one): bool => $one['kind'] === 'coat'));
        $this->post("/builds/{$build->id}/operations/{$coats[1]['id']}/pour");
        $second = $build->pours()->where('operation', $coats[1]['id'])->firstOrFail();
        $words = $this->words("/paper/pours/{$second->id}.pdf");
        self::assertStringContainsString("It waits for: {$coats[0]['name']}", $words);
        self::assertStringContainsString('The next coat from', $words);
        $hot = $this->draft(['formula.base' => 'hv-08', 'formula.additives' => []]);
        $words = $this->words("/paper/pours/{$hot->id}.pdf");
        self::assertStringContainsString('off the heat at', $words);
        self::assertStringNotContainsString('A met B at', $words);
        self::assertMatchesRegularExpression('/Heated to 1\d\d °C to 1\d\d °C/u', $words);
    }

    public function test_in_ounces_and_on_letter_it_is_the_same_pour(): void
    {
        $pour = $this->draft();
        $mix = $this->get("/pours/{$pour->id}")->inertiaProps('reckoning.mix');
        $words = $this->words("/paper/pours/{$pour->id}.pdf?size=letter&units=imperial");
        self::assertStringContainsString(number_format($mix['batches'][0]['mass_g'] / 28.349523125, 3).' oz', $words);
        self::assertStringNotContainsString(' ml', $words);
        self::assertStringContainsString('°F', $words);
        $pages = static fn (string $pdf): string => preg_match('/MediaBox \[([\d. ]+)\]/', $pdf, $box) === 1
            ? implode(' ', array_map(static fn (string $one): string => (string) round((float) $one), explode(' ', $box[1])))
            : '';
        self::assertSame('0 0 612 792', $pages((string) $this->get("/paper/pours/{$pour->id}.pdf?size=letter")->getContent()));
        self::assertSame('0 0 595 842', $pages((string) $this->get("/paper/pours/{$pour->id}.pdf")->getContent()));
    }

    public function test_what_does_not_add_up_yet_is_no_card_but_a_sentence(): void
    {
        $pour = $this->draft(['formula.base' => 'no-such']);
        $this->from("/pours/{$pour->id}")
            ->get("/paper/pours/{$pour->id}.pdf")
            ->assertRedirect("/pours/{$pour->id}")
            ->assertSessionHasErrors('paper');
    }

    public function test_a_formula_card_gives_both_bases_and_its_lines_make_a_kilogram(): void
    {
        $this->post('/formulas', [
            'name' => 'Brow skin',
            'recipe' => [
                'base' => 'pr-10',
                'additives' => [
                    ['code' => 'sf-1', 'amount' => 50, 'basis' => 'pct_of_ab', 'into' => 'after'],
                    ['code' => 'pi-fawn', 'amount' => 1, 'basis' => 'pct_of_total', 'into' => 'b'],
                ],
            ],
        ])->assertSessionHasNoErrors();
        $version = FormulaVersion::query()->latest('id')->firstOrFail();
        $words = $this->words("/paper/versions/{$version->id}.pdf");
        // 50 % of A+B is 100 % of A alone in a one to one; 1 % of the whole is 1.515 % of A+B where 1.5 + p is the whole.
        self::assertStringContainsString('50 %', $words);
        self::assertStringContainsString('100 %', $words);
        self::assertStringContainsString('1.515 %', $words);
        self::assertStringContainsString('1 000.0 g', $words);
        self::assertStringContainsString('pours for 22 min', $words);
    }

    public function test_the_demo_is_printed_whole_and_each_sum_is_the_screen_s(): void
    {
        $this->travelBack();
        $this->seed(DatabaseSeeder::class);
        $build = (int) Build::query()->where('plain', false)->orderBy('id')->value('id');
        $this->travelTo(now());
        $screen = $this->getJson("/builds/{$build}/state")->json();
        $words = $this->words("/paper/builds/{$build}.pdf");
        foreach ($screen['operations'] as $one) {
            self::assertStringContainsString(mb_substr($one['name'], 0, 18), $words);
            $one['grams'] === null || self::assertStringContainsString(number_format($one['grams'], 1).' g', $words);
        }
        self::assertStringContainsString('Day sheet', $this->words('/paper/day.pdf'));
        self::assertStringContainsString('To buy', $this->words('/paper/to-buy.pdf'));

        foreach (Job::query()->orderBy('id')->get() as $job) {
            $words = $this->words("/paper/jobs/{$job->id}.pdf");
            self::assertStringContainsString($job->name, $words);
            self::assertStringContainsString('It is not certified as medical', $words);
            foreach (Mould::query()->where('job_id', $job->id)->whereNotNull('impression_id')->get() as $mould) {
                self::assertStringContainsString($mould->code(), $words);
                self::assertStringContainsString("{$mould->casts} cast in it", $words);
            }
            $care = $this->words("/paper/jobs/{$job->id}/care.pdf");
            self::assertStringContainsString('It is not certified as medical', $care);
            self::assertStringNotContainsString('g weighed', $care, 'What goes with the piece says nothing of how it was made.');
            foreach (Pour::query()->whereHas(
                'impression', static fn ($link) => $link->where('job_id', $job->id),
            )->where('state', 'graded')->get() as $pour) {
                $history = $this->getJson("/pours/{$pour->id}/history")->assertOk()->json();
                foreach ($history['sums'] as $sum) {
                    self::assertStringContainsString(number_format($sum['weighed_g'], 1, '.', ' ').' g', $words);
                }
            }
        }
    }

    public function test_the_file_of_a_job_follows_its_schema_and_makes_the_job_again_in_another_shop(): void
    {
        $this->travelBack();
        $this->seed(DatabaseSeeder::class);
        $validator = new Validator;
        $schema = (string) file_get_contents(base_path('library/schema/exchange/job.schema.json'));
        $made = 0;
        foreach (Job::query()->orderBy('id')->get() as $job) {
            $json = (string) $this->get("/jobs/{$job->id}/file.json")->assertOk()->getContent();
            $result = $validator->validate(json_decode($json), $schema);
            self::assertTrue(
                $result->isValid(),
                $job->name.($result->error() === null ? '' : (string) json_encode((new ErrorFormatter)->format($result->error()))),
            );
            $this->post('/jobs/file', [
                'file' => UploadedFile::fake()->createWithContent('job.json', $json),
            ])->assertSessionHasNoErrors()->assertRedirect();
            $again = Job::query()->latest('id')->firstOrFail();
            self::assertSame($job->name, $again->name);
            self::assertNotSame($job->id, $again->id);
            $chain = static fn (Job $of): array => $of
                ->impressions()
                ->orderBy('position')
                ->get()
                ->map(
                    static fn ($link): array => [
                        $link->kind->value, $link->name, $link->material, $link->surface, $link->role->value, $link->wall, $link->bed,
                    ],
                )
                ->all();
            self::assertSame($chain($job), $chain($again));
            // Taken out once more, it says the same of chain and formulas.
            $second = json_decode((string) $this->get("/jobs/{$again->id}/file.json")->getContent(), true);
            $first = json_decode($json, true);
            self::assertSame(array_column($first['chain'], 'chosen'), array_column($second['chain'], 'chosen'));
            self::assertSame([], $second['pours'], 'What was poured elsewhere was not poured here.');
            $this->get("/jobs/{$again->id}")->assertOk();
            foreach ($again->impressions as $link) {
                foreach ($link->pours()->where('state', 'draft')->get() as $draft) {
                    $this->get("/pours/{$draft->id}")->assertOk();
                }
            }
            $made++;
        }
        self::assertGreaterThan(5, $made);
    }

    /** @return iterable<string, array{string}> */
    public static function noFiles(): iterable
    {
        yield 'nothing' => [''];
        yield 'no JSON' => ['{"format": '];
        yield 'another file' => ['{"format":"apalos-swatches"}'];
        yield 'a newer one' => ['{"format":"apalos-job","version":99,"job":{"name":"x","quantity":1},"chain":[]}'];
        yield 'a link of no kind' => [
            '{"format":"apalos-job","version":1,"job":{"name":"x","quantity":1},"chain":[{"kind":"wish","name":"y"}]}',
        ];
        yield 'a surface nobody knows' => [
            '{"format":"apalos-job","version":1,"job":{"name":"x","quantity":1},"chain":[{"kind":"original","name":"y","surface":"cheese"}]}',
        ];
        yield 'a formula of nothing' => [
            '{"format":"apalos-job","version":1,"job":{"name":"x","quantity":1},"chain":[],"formulas":[{"name":"f","base":"no-such","additives":[]}]}',
        ];
        yield 'a job for nobody' => ['{"format":"apalos-job","version":1,"job":{"name":"","quantity":0},"chain":[]}'];
    }

    #[DataProvider('noFiles')]
    public function test_what_is_no_file_of_a_job_is_refused_and_leaves_nothing(string $text): void
    {
        $this->from('/jobs')
            ->post('/jobs/file', ['file' => UploadedFile::fake()->createWithContent('job.json', $text)])
            ->assertRedirect('/jobs')
            ->assertSessionHasErrors('file');
        self::assertSame(0, Job::query()->count());
    }

    public function test_labels_lie_where_the_sheet_has_them_and_none_hangs_over_its_edge(): void
    {
        $this->travelBack();
        $this->seed(DatabaseSeeder::class);
        // Numbers go on where the database of other tests was the same.
        $first = static fn (string $table, int $n): string => DB::table($table)->orderBy('id')->limit($n)->pluck('id')->implode(',');
        $html = (string) $this->get(
            "/paper/labels.html?moulds={$first('moulds', 3)}&lots={$first('lots', 1)}&swatches={$first('swatches', 2)}"
                .'&across=3&down=8&top_mm=4&left_mm=6&gap_x_mm=2&gap_y_mm=1&start=22',
        )
            ->assertOk()
            ->getContent();
        preg_match_all('/class="label" style="left: ([\d.]+)mm; top: ([\d.]+)mm"/', $html, $at);
        preg_match('/\.label \{ position: absolute; width: ([\d.]+)mm; height: ([\d.]+)mm/', $html, $size);
        self::assertCount(6, $at[1]);
        self::assertSame(2, substr_count($html, 'class="sheet"'), 'Three fit on the first, from place 22 on.');
        // (210 − 2·6 − 2·2) / 3 by (297 − 2·4 − 7) / 8.
        self::assertEqualsWithDelta(64.667, (float) $size[1], 0.001);
        self::assertEqualsWithDelta(35.25, (float) $size[2], 0.001);
        foreach ($at[1] as $i => $x) {
            self::assertLessThanOrEqual(210.0 - 6.0 + 0.01, (float) $x + (float) $size[1]);
            self::assertLessThanOrEqual(297.0 - 4.0 + 0.01, (float) $at[2][$i] + (float) $size[2]);
        }
        self::assertSame(['6', '4'], [$at[1][3], $at[2][3]], 'The fourth begins the next sheet.');
        foreach (['across=0&down=8', 'across=12&down=30', 'down=8', 'across=3&down=8&start=25'] as $wrong) {
            $this->from('/rack')
                ->get("/paper/labels.pdf?moulds=1&top_mm=0&left_mm=0&{$wrong}")
                ->assertRedirect('/rack')
                ->assertSessionHasErrors('paper');
        }
        $this->from('/rack')->get('/paper/labels.pdf?across=3&down=8&top_mm=0&left_mm=0')->assertSessionHasErrors('paper');
    }

    public function test_the_care_of_a_piece_names_what_is_in_it_and_what_it_is_for(): void
    {
        $cast = $this->impression('cast', 'lx-60');
        $cast->job->update(['skin' => true, 'for_whom' => 'the owl']);
        self::assertStringContainsString('Natural latex. Not for whoever is allergic', $this->words("/paper/jobs/{$cast->job_id}/care.pdf"));
        $skin = $this->impression('cast', 'pr-10');
        $pour = $this->begun([], $skin);
        $words = $this->words("/paper/jobs/{$cast->job_id}/care.pdf");
        foreach (['For the owl', 'Stirred in: Softener.', 'is worn on skin', 'a patch test on the wearer'] as $says) {
            self::assertStringContainsString($says, $words);
        }
        // What was given up is in no piece.
        $this->record($pour, 'given_up', ['fate' => 'waste', 'note' => ''])->assertOk();
        self::assertStringNotContainsString('Stirred in', $this->words("/paper/jobs/{$cast->job_id}/care.pdf"));
    }

    public function test_each_cup_of_a_pour_has_its_label_before_and_after_it_was_begun(): void
    {
        $pour = $this->draft(['volume.volume_ml' => 1234.5, 'plan.vessel.capacity_ml' => 600]);
        $mix = $this->get("/pours/{$pour->id}")->inertiaProps('reckoning.mix');
        $asked = "/paper/labels.html?cups={$pour->id}&across=2&down=7&top_mm=15&left_mm=8&gap_x_mm=2.5";
        $before = (string) $this->get($asked)->assertOk()->getContent();
        self::assertSame(count($mix['batches']), substr_count($before, 'class="label"'));
        foreach ($mix['batches'] as $i => $batch) {
            self::assertStringContainsString('Cup '.($i + 1), $before);
            self::assertStringContainsString(number_format($batch['mass_g'], 1, '.', ' ').' g. Met ____', $before);
        }
        $this->post("/pours/{$pour->id}/run")->assertRedirect("/pours/{$pour->id}/run");
        // A code may be drawn in another of its masks: its words are what is held.
        $words = static fn (string $html): string => str_replace('Brow skin · 1', 'Brow skin', strip_tags($html));
        self::assertSame($words($before), $words((string) $this->get($asked)->getContent()));
        $ounces = (string) $this->get("{$asked}&units=imperial")->getContent();
        self::assertStringContainsString(' oz. Met ____', $ounces);
    }

    public function test_long_names_forty_layers_and_empty_fields_break_no_page(): void
    {
        self::assertStringContainsString('Nothing is planned', $this->words('/paper/day.pdf'));
        self::assertStringContainsString('Nothing is wanted', $this->words('/paper/to-buy.pdf'));
        Workshop::query()->update(['name' => str_repeat('Quillfeather Softworks and Daughters ', 2)]);
        $long = 'Unbreakable'.str_repeat('longword', 12);
        $job = Job::query()->create(['name' => $long, 'purpose' => str_repeat('<script>alert(1)</script> & sons ', 40), 'quantity' => 1]);
        $link = $job->impressions()->create([
            'position' => 0, 'kind' => 'mould', 'name' => $long, 'material' => 'br-28', 'note' => str_repeat('ö', 1500),
        ]);
        $operations = array_map(
            static fn (int $i): array => [
                'id' => "coat-{$i}", 'kind' => 'coat', 'name' => "Coat {$i} {$long}", 'minutes' => 5,
                'mix' => ['ml' => 30, 'against' => $i === 1 ? 'original' : 'last', 'intent' => 'bond'],
                'after' => $i === 1 ? [] : [['op' => 'coat-'.($i - 1), 'from' => 'recoat_open', 'until' => 'recoat_close']],
                'how' => str_repeat('evenly ', 80),
            ],
            range(1, 40),
        );
        $build = $link->builds()->create([
            'kind' => 'own', 'name' => $long, 'plan' => ['operations' => $operations], 'created_at' => $this->now,
        ]);
        $words = $this->words("/paper/builds/{$build->id}.pdf");
        self::assertStringContainsString('Coat 40', $words);
        $words = $this->words("/paper/jobs/{$job->id}.pdf");
        self::assertStringContainsString('<script>alert(1)</script> & sons', $words);
        $empty = Job::query()->create(['name' => 'x', 'quantity' => 1]);
        self::assertStringContainsString('The file of a job', $this->words("/paper/jobs/{$empty->id}.pdf"));
    }

    public function test_a_page_for_the_browser_runs_nothing_and_fetches_nothing(): void
    {
        $job = Job::query()->create(['name' => '"><img src=x onerror=alert(1)>', 'quantity' => 1]);
        $page = $this->get("/paper/jobs/{$job->id}.html")->assertOk();
        self::assertStringContainsString("script-src 'self';", (string) $page->headers->get('Content-Security-Policy'));
        self::assertStringNotContainsString('<img src=x', (string) $page->getContent());
        self::assertStringContainsString('data:image/svg+xml;base64,', (string) $page->getContent());
    }

    public function test_a_code_is_drawn_in_whole_squares_with_a_white_margin(): void
    {
        $svg = Codes::svg('http://bench.local/rack/12');
        preg_match('/viewBox="0 0 (\d+) \1"/', $svg, $side);
        self::assertSame(0, ((int) $side[1] - 8 - 17) % 4, 'Its sides are 17 + 4·n squares, and four white ones on each side.');
        preg_match_all('/M(\d+) (\d+)h(\d+)v1h-\3z/', $svg, $runs);
        self::assertGreaterThan(50, count($runs[0]));
        self::assertGreaterThanOrEqual(4, min(array_map(intval(...), [...$runs[1], ...$runs[2]])));
    }
}

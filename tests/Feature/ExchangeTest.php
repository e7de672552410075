<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Formula;
use App\Models\FormulaKind;
use App\Models\FormulaVersion;
use App\Models\Swatch;
use App\Models\SwatchReading;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\MakesSwatches;
use Tests\TestCase;

final class ExchangeTest extends TestCase
{
    use MakesSwatches;

    private function filled(): void
    {
        $first = $this->version('Brow skin', 'pr-10', [['pi-fawn', 0.8, 'pct_of_total', 'b'], ['sf-1', 60, 'pct_of_ab', 'after']]);
        $this->post('/formulas', [
            'name' => 'Brow skin', 'kind' => 'mix', 'parent' => $first->id, 'note' => "Softer,\n\"at last\"",
            'recipe' => self::recipe('pr-10', [['sf-1', 75.25, 'pct_of_ab', 'after']]),
        ]);
        $this->version(
            'Old wash', 'ax-15', [['nv-1', 300, 'pct_of_ab', 'after']], FormulaKind::Paint,
        )->formula->update(['retired_at' => $this->now]);
        $this->puck(60, '00', 27)->readings()->first()?->update(['left_out' => true]);
        $this->puck(0, 'A', 12)->update(['note' => '=SUM(A1)']);
        $this->drawdown('pi-fawn', 1.0, [69.7, 12.2, 29.7], [67.9, 8.5, 26.3]);
        $this->workshop->swatches()->create(['formula_version_id' => $first->id, 'name' => 'Never read', 'poured_at' => $this->now]);
        $this->workshop->colourTargets()->create(['name' => 'Forearm, inside', 'lab' => [70.5, 9, 17]]);
    }

    private function out(string $what): string
    {
        $answer = $this->get("/exchange/{$what}")->assertOk();

        return str_ends_with($what, '.json') ? (string) $answer->getContent() : $answer->streamedContent();
    }

    private function in(string $text, string $name = 'swatches.json'): TestResponse
    {
        return $this->from('/swatches/drawer')
            ->post('/exchange', ['file' => UploadedFile::fake()->createWithContent($name, $text)])
            ->assertRedirect('/swatches/drawer');
    }

    private function emptied(): void
    {
        SwatchReading::query()->delete();
        Swatch::query()->withTrashed()->forceDelete();
        FormulaVersion::query()->delete();
        Formula::query()->delete();
        $this->workshop->colourTargets()->delete();
    }

    public function test_what_goes_out_fits_its_schema(): void
    {
        $this->filled();
        $schema = (string) file_get_contents(base_path('library/schema/exchange/swatches.schema.json'));

        self::assertTrue((new Validator)->validate(json_decode($this->out('swatches.json')), $schema)->isValid());
        self::assertFalse((new Validator)->validate(json_decode('{"swatches":[{"name":"x"}]}'), $schema)->isValid());
    }

    public function test_json_out_and_in_again_on_an_empty_bench_is_the_same(): void
    {
        $this->filled();
        $out = $this->out('swatches.json');
        $this->emptied();
        $this->in($out)->assertSessionHasNoErrors()->assertSessionHas(
            'said', 'New: 6 formula versions, 4 swatches, 4 readings, 1 colours.',
        );

        self::assertSame($out, $this->out('swatches.json'));
        $this->in($out)->assertSessionHas('said', 'New: 0 formula versions, 0 swatches, 0 readings, 0 colours.');
        self::assertSame($out, $this->out('swatches.json'));
    }

    public function test_csv_out_and_in_again_keeps_recipes_readings_and_notes(): void
    {
        $this->filled();
        [$swatches, $formulas, $colours] = [$this->out('swatches.csv'), $this->out('formulas.csv'), $this->out('colours.csv')];
        self::assertStringContainsString("'=SUM(A1)", $swatches);
        $this->emptied();
        foreach ([$formulas, $swatches, $colours] as $csv) {
            $this->in($csv, 'x.csv')->assertSessionHasNoErrors();
        }

        self::assertSame([$swatches, $formulas, $colours], [
            $this->out('swatches.csv'), $this->out('formulas.csv'), $this->out('colours.csv'),
        ]);
        self::assertNotNull(Formula::query()->where('name', 'Old wash')->sole()->retired_at);
    }

    public function test_swatches_alone_bring_their_own_recipes(): void
    {
        $this->in(
            "swatch,formula,recipe,poured_at,kind,scale,readings\nMine,Pucks · 4,pr-10 | sf-1 45 pct_of_ab after,2026-03-01T09:00:00Z,hardness,00,37 38 36\n",
            'x.csv',
        )->assertSessionHasNoErrors();
        $swatch = Swatch::query()->with(['version.formula', 'readings'])->sole();

        self::assertSame('Pucks', $swatch->version->formula->name);
        self::assertSame(37.0, $swatch->readings[0]?->hardness()?->median()->reading);
    }

    public function test_a_spreadsheet_of_colours_with_semicolons_and_decimal_commas(): void
    {
        $this->in("\xEF\xBB\xBFName;L;a;b\r\nForearm;70,5;9;17,25\r\n", 'colours.csv')->assertSessionHasNoErrors();
        self::assertSame([70.5, 9, 17.25], $this->workshop->colourTargets()->sole()->lab);
    }

    /** @return iterable<string, array{string, string}> */
    public static function broken(): iterable
    {
        $swatch = ['name' => 'x', 'formula' => 'F · 1', 'poured_at' => '2026-03-01T09:00:00Z'];
        $formula = ['name' => 'F', 'kind' => 'mix', 'versions' => [['number' => 1, 'recipe' => ['base' => 'pr-10', 'additives' => []]]]];
        $file = static fn (array $more): string => (string) json_encode(['formulas' => [$formula], ...$more]);
        yield 'nothing' => ['', 'something in it'];
        yield 'not UTF-8' => ["\xff\xfe{", 'UTF-8'];
        yield 'broken JSON' => ['{"swatches": [', 'JSON'];
        yield 'another file' => ['{"rules": []}', 'rules'];
        yield 'a newer version' => [$file(['version' => 9]), 'newer'];
        yield 'a swatch of nothing known' => [
            $file(['swatches' => [[...$swatch, 'formula' => 'G · 1']]]), '“G · 1” is neither in the file nor here',
        ];
        yield 'a reading over 100' => [
            $file(['swatches' => [[...$swatch, 'readings' => [['kind' => 'hardness', 'scale' => '00', 'readings' => [140]]]]]]),
            '140 is no reading',
        ];
        yield 'an impossible colour' => [$file(['targets' => [['name' => 'x', 'lab' => [50, 0, 400]]]]), 'no colour of a surface'];
        yield 'no time' => [$file(['swatches' => [[...$swatch, 'poured_at' => 'lately']]]), '“lately” is no moment that can be relied on'];
        yield 'a code that is not on the shelf' => [
            $file(['formulas' => [[...$formula, 'versions' => [['number' => 1, 'recipe' => ['base' => 'zz-1', 'additives' => []]]]]]]),
            'no base “zz-1”',
        ];
        yield 'columns of something else' => ["plant,height\noak,12\n", 'must name the columns'];
        yield 'a short row' => ["name,l,a,b\nForearm,70,9\n", 'Line 2 has 3 cells'];
        yield 'words for numbers' => ["name,l,a,b\nForearm,70,pink,3\n", '“pink” is not a number'];
        yield 'half an ingredient' => ["formula,version,recipe\nF,1,pr-10 | sf-1 60\n", 'is no ingredient'];
    }

    #[DataProvider('broken')]
    public function test_a_file_that_is_wrong_is_taken_in_not_at_all(string $text, string $words): void
    {
        $this->in($text)->assertSessionHasErrors('file');

        self::assertStringContainsString($words, (string) session('errors')->first('file'));
        self::assertSame([0, 0, 0], [Formula::query()->count(), Swatch::query()->count(), $this->workshop->colourTargets()->count()]);
    }

    public function test_there_is_nothing_else_to_take_out(): void
    {
        $this->get('/exchange/secrets.csv')->assertNotFound();
    }
}

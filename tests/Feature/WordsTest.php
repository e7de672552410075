<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Phrase\Measures;
use Apalos\Core\Phrase\Phrase;
use App\Library\Library;
use Inertia\Testing\AssertableInertia;
use PhpToken;
use PHPUnit\Framework\Attributes\DataProvider;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;
use Symfony\Component\Yaml\Yaml;
use Tests\MakesSwatches;
use Tests\TestCase;

/** What is said, is said in the units of the workshop: on screen, in the API, in a refusal. */
final class WordsTest extends TestCase
{
    use MakesSwatches;

    /** Of a file for other programs, of a console, of types, of the shell: nobody at a bench reads those. */
    private const READ_ELSEWHERE = [
        'Console/', 'Types/', 'Exchange/ArchiveParts.php', 'Exchange/Everything.php', 'Exchange/WholeSense.php', 'Exchange/SheetExchange.php',
        'Exchange/ContactExport.php', 'Lists/Letters.php', 'Http/Controllers/UpController.php',
    ];

    private const METRIC = '/\d ?(?:g|ml|mm|cm²|°C)(?![\w\/²³])/u';

    public function test_a_refusal_counts_in_the_units_of_the_workshop(): void
    {
        $this->putJson('/workshop', ['scale_division_g' => 50, 'scale_capacity_g' => 100])->assertUnprocessable()
            ->assertJsonPath(
                'error.message', 'A scale that carries 100 g in steps of 50 g has too few steps to weigh with. Check both numbers.',
            );
        $this->putJson('/workshop', ['units' => 'imperial'])->assertOk();
        $this->putJson('/workshop', ['scale_division_g' => 50, 'scale_capacity_g' => 100])->assertUnprocessable()
            ->assertJsonPath(
                'error.message', 'A scale that carries 3.527 oz in steps of 1.764 oz has too few steps to weigh with. Check both numbers.',
            );
    }

    public function test_the_answer_to_a_program_too(): void
    {
        $mix = [
            'base' => [
                'ratio' => ['a' => 1, 'b' => 1, 'by' => 'weight'], 'sg' => ['a' => 1.05, 'b' => 1.06], 'pot_life_min' => 40, 'ref_c' => 23,
                'q10' => 2,
            ],
            'room_c' => 23, 'mix_min' => 2, 'degas_min' => 0, 'target' => ['mass_g' => 100, 'waste_pct' => 0],
            'additives' => [['name' => 'Red', 'amount' => 0.01, 'basis' => 'pct_of_ab', 'into' => 'b', 'sg' => 1.3]],
            'scale' => ['division_g' => 0.1],
        ];
        $said = fn (): string => implode(
            ' ', array_column((array) $this->postJson('/api/reckon/mix', $mix)->assertOk()->json('warnings'), 'message'),
        );
        self::assertStringContainsString('0.01 g', $said());
        $this->putJson('/workshop', ['units' => 'imperial'])->assertOk();

        self::assertDoesNotMatchRegularExpression(self::METRIC, $said());
        self::assertStringContainsString(' oz', $said());
    }

    public function test_cautions_and_rules_turn_their_own_figures(): void
    {
        $words = app(Library::class)->words();
        $vinyl = app(Library::class)->cautions()['hot-vinyl'];
        self::assertStringContainsString('between 170 °C and 190 °C', $words->say(Phrase::written($vinyl['text'])));
        self::assertStringContainsString('between 338 °F and 374 °F', $words->in(Measures::Imperial)->say(Phrase::written($vinyl['text'])));
    }

    /** @return iterable<string, array{string}> */
    public static function screens(): iterable
    {
        foreach ([
            '/', '/jobs', '/contacts', '/log', '/formulas', '/swatches/drawer', '/swatches', '/swatches/colour', '/swatches/series',
            '/stores', '/jobs/{job}', '/jobs/{job}/mould', '/jobs/{job}/cost', '/pours/{pour}', '/rack', '/faults',
        ] as $url) {
            yield $url => [$url];
        }
    }

    /** Nothing that is shown has a figure with a metric unit in it; what a sheet says in its own words is the supplier's. */
    #[DataProvider('screens')]
    public function test_no_screen_says_metric_to_a_workshop_that_reads_ounces(string $url): void
    {
        $this->puck(30.0, '00', 43.0);
        $pour = $this->draft();
        $this->putJson('/workshop', ['units' => 'imperial'])->assertOk();
        $this->get(strtr($url, [
            '{job}' => (string) $pour->impression->job_id, '{pour}' => (string) $pour->id,
        ]))->assertOk()->assertInertia(function (AssertableInertia $page): void {
            $props = $page->toArray()['props'];
            array_walk_recursive($props, static function (mixed $value, int|string $key): void {
                if (is_string($value) && ! in_array($key, ['summary', 'notes'], true) && preg_match('/^[a-z_0-9]+$/', $value) !== 1) {
                    self::assertDoesNotMatchRegularExpression(self::METRIC, $value, "“{$value}” at {$key}");
                }
            });
        });
    }

    /** Every code of the application has words, and none stands there that it does not say. */
    public function test_the_application_s_own_room_of_the_phrasebook(): void
    {
        $said = $written = [];
        foreach (new RecursiveIteratorIterator(
            new RecursiveDirectoryIterator(app_path(), RecursiveDirectoryIterator::SKIP_DOTS),
        ) as $file) {
            if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
                preg_match_all("/'bench\\.([a-z_0-9]+)'/", (string) file_get_contents($file->getPathname()), $found);
                $said = [...$said, ...$found[1]];
                $written = [...$written, ...self::sentences($file)];
            }
        }
        self::assertSame([], $written, 'A sentence stands in library/phrases, where a translator finds it.');
        /** @var array{bench: array<string, string>} $book */
        $book = Yaml::parseFile(base_path('library/phrases/en.yaml'));

        self::assertEqualsCanonicalizing(array_values(array_unique($said)), array_keys($book['bench']));
    }

    /** @return list<string> what ends like a sentence and is said to somebody at a bench */
    private static function sentences(SplFileInfo $file): array
    {
        $path = substr($file->getPathname(), strlen(app_path()) + 1);
        foreach (self::READ_ELSEWHERE as $place) {
            if (str_starts_with($path, $place)) {
                return [];
            }
        }
        $found = [];
        $isMistake = false;
        foreach (PhpToken::tokenize((string) file_get_contents($file->getPathname())) as $token) {
            if ($token->isIgnorable()) {
                continue;
            }
            // What only a mistake in the program shows is said to whoever mends it.
            $isMistake = $token->text === ';' ? false : $isMistake || preg_match('/(Logic|Runtime)Exception$/', $token->text) === 1;
            if (
                ! $isMistake
                && $token->is([T_CONSTANT_ENCAPSED_STRING, T_ENCAPSED_AND_WHITESPACE])
                && preg_match('/[a-z]{2,}[ ,“”’]+[a-z]+ .*[a-z”]{2,}[.?!]\s?[\'"]?$/u', $token->text) === 1
            ) {
                $found[] = "{$path}:{$token->line} {$token->text}";
            }
        }

        return $found;
    }
}

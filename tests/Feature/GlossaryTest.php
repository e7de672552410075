<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Library\Library;
use Opis\JsonSchema\Helper;
use Opis\JsonSchema\Validator;
use Symfony\Component\Yaml\Yaml;
use Tests\TestCase;

/** The words of the craft, for whoever is new to it. */
final class GlossaryTest extends TestCase
{
    public function test_forty_words_at_least_each_with_a_sentence_and_a_mark_and_no_form_twice(): void
    {
        $words = app(Library::class)->glossary();
        self::assertGreaterThanOrEqual(40, count($words));
        $forms = array_map(
            mb_strtolower(...), array_merge(...array_map(static fn (array $word): array => [$word['word'], ...$word['also']], $words)),
        );
        self::assertSame($forms, array_values(array_unique($forms)), 'A form that means two things.');
        self::assertSame(count($words), count(array_unique(array_column($words, 'mark'))), 'Each has a mark of its own.');
        foreach (['pot life', 'demould', 'undercut', 'ΔE', 'durometer', 'tare', 'sprue', 'de-air'] as $word) {
            self::assertContains(mb_strtolower($word), $forms);
        }
        // A mark stays within its field.
        foreach ($words as $word) {
            preg_match_all('/[MLHV](-?[\d.]+)(?:[ ,](-?[\d.]+))?/', $word['mark'], $found);
            foreach ([...$found[1], ...array_filter($found[2], static fn (string $one): bool => $one !== '')] as $at) {
                self::assertGreaterThanOrEqual(0.0, (float) $at, $word['id']);
                self::assertLessThanOrEqual(24.0, (float) $at, $word['id']);
            }
        }
    }

    public function test_the_file_is_valid_and_whoever_looks_may_ask(): void
    {
        $read = Yaml::parseFile(base_path('library/glossary/words.yaml'));
        $result = (new Validator)->validate(
            Helper::toJSON($read), json_decode((string) file_get_contents(base_path('library/schema/glossary.schema.json'))),
        );
        self::assertTrue($result->isValid(), (string) json_encode($result->error()?->args()));
        $this->getJson('/glossary')->assertOk()->assertJsonPath('words.0.word', 'pot life')->assertJsonCount(count($read), 'words');
    }
}

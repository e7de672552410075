<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Console;

use Apalos\Core\Console\Command;
use Apalos\Core\Console\StudyCommand;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Mix\Brow;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CommandTest extends TestCase
{
    public function test_a_verb_answers_json_on_standard_output(): void
    {
        $output = (new Command(Shipped::shelves(), Words::book()))->run(['mix'], json_encode(Brow::sheet(), JSON_THROW_ON_ERROR));
        $answer = json_decode($output->text, true);

        self::assertSame(0, $output->exit);
        self::assertIsArray($answer);
        self::assertEqualsCanonicalizing(
            [
                'mass_g', 'volume_ml', 'sg', 'parts', 'batches', 'cups', 'pot_life_min', 'usable_min', 'demould_min', 'ratio_error_pct',
                'smallest_batch_g', 'limit', 'by_volume', 'warnings', 'working',
            ],
            array_keys($answer),
        );
        self::assertSame('vessel', $answer['limit']);
    }

    /** @return iterable<string, array{list<string>, string, string}> */
    public static function nonsense(): iterable
    {
        yield 'an unknown verb' => [['bake'], '{}', 'verb'];
        yield 'more than a verb' => [['mix', 'now'], '{}', 'verb'];
        yield 'nothing at all' => [['mix'], '', ''];
        yield 'NaN, which is no JSON' => [['mix'], '{"room_c": NaN}', ''];
        yield 'a list' => [['mix'], '[1]', ''];
        yield 'a number too large to be one' => [['cure'], '{"base": {"ref_c": 1e999}, "room_c": 20}', 'base.ref_c'];
        yield 'an unknown field' => [['topup'], '{"plan": {}}', 'plan'];
        yield 'a missing field' => [['cure'], '{"room_c": 20}', 'base'];
    }

    /** @param  list<string>  $arguments */
    #[DataProvider('nonsense')]
    public function test_nonsense_ends_with_two_and_a_sentence(array $arguments, string $input, string $field): void
    {
        $output = (new Command(Shipped::shelves(), Words::book()))->run($arguments, $input);
        $answer = json_decode($output->text, true);

        self::assertSame(2, $output->exit);
        self::assertIsArray($answer);
        self::assertSame(['field', 'message'], array_keys($answer['error']));
        self::assertSame($field, $answer['error']['field']);
        self::assertMatchesRegularExpression('/[.?]$/', $answer['error']['message']);
    }

    public function test_help_names_every_verb(): void
    {
        foreach ([
            'mix', 'topup', 'cure', 'volume', 'harden', 'tint', 'patch', 'series', 'contact', 'mould', 'sprue', 'bubbles', 'gang', 'box',
            'ballast', 'roto', 'study',
        ] as $verb) {
            self::assertStringContainsString(
                "  {$verb} ",
                (
                    new Command(
                        Shipped::shelves(), Words::book(),
                        new StudyCommand(static fn (): ?\SplFileObject => null, static function (): void {}),
                    )
                )->run([], '')->text,
            );
        }
    }

    public function test_the_program_itself_reads_standard_input_and_leaves_its_exit_code(): void
    {
        $process = proc_open([PHP_BINARY, __DIR__.'/../../../bin/apalos', 'volume'], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes);
        self::assertIsResource($process);
        fwrite($pipes[0], '{"method": "box", "box": {"l_mm": "180,5", "w_mm": 10, "h_mm": 10}}');
        fclose($pipes[0]);
        $said = stream_get_contents($pipes[1]);
        $errors = stream_get_contents($pipes[2]);

        self::assertSame(2, proc_close($process));
        self::assertSame('', $errors);
        self::assertSame(
            ['error' => ['field' => 'box.l_mm', 'message' => 'Write the number with a point: 180.5.']], json_decode((string) $said, true),
        );
    }
}

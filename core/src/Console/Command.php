<?php

declare(strict_types=1);

namespace Apalos\Core\Console;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Closure;

/** `bin/apalos VERB < in.json > out.json`, and `bin/apalos study FILE`: exit 0 with a result, 2 with `{"error": {"field", "message"}}`. */
final readonly class Command
{
    /** @param  Shelves|Closure(): Shelves  $shelves  read only where a verb draws on them */
    public function __construct(private Shelves|Closure $shelves, private Phrasebook $words, private ?StudyCommand $study = null) {}

    /** @param  list<string>  $arguments without the program's own name */
    public function run(array $arguments, string $input): Output
    {
        $name = $arguments[0] ?? '';
        if (in_array($name, ['', 'help', '--help', '-h'], true)) {
            return new Output(0, $this->help());
        }
        $verb = Verb::tryFrom($name);
        try {
            if ($name === StudyCommand::NAME && $this->study !== null) {
                [$answer, $files] = $this->study->run(array_slice($arguments, 1));

                return new Output(0, self::json($this->words->tell($answer)), $files);
            }
            if ($verb === null) {
                throw BadInput::at('verb', Phrase::of('console.unknown_verb', [
                    'name' => $name, 'known' => implode(', ', array_column(Verb::cases(), 'value')),
                ]));
            }
            if (count($arguments) > 1) {
                throw BadInput::at('verb', Phrase::of('console.one_verb'));
            }

            return new Output(
                0,
                self::json(
                    $this->words->tell(
                        $verb->answer(Fields::fromJson($input), $this->shelves instanceof Closure ? ($this->shelves)() : $this->shelves),
                    ),
                ),
            );
        } catch (BadInput $wrong) {
            return new Output(2, self::json($wrong->told($this->words)));
        }
    }

    private function help(): string
    {
        $lines = array_map(
            fn (Verb $verb): string => sprintf('  %-8s %s', $verb->value, $this->words->say($verb->question())), Verb::cases(),
        );

        return "bin/apalos VERB < in.json > out.json\n\n".implode("\n", $lines)."\n\nbin/apalos study FILE\n\n  study    {$this->words->say(Phrase::of('console.verb_study'))}\n";
    }

    private static function json(mixed $value): string
    {
        return json_encode(
            $value, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
        )."\n";
    }
}

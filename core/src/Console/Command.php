<?php

declare(strict_types=1);

namespace Apalos\Core\Console;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/** `bin/apalos VERB < in.json > out.json`: exit 0 with a result, 2 with `{"error": {"field", "message"}}`. */
final readonly class Command
{
    public function __construct(private Shelves $shelves) {}

    /** @param  list<string>  $arguments without the program's own name */
    public function run(array $arguments, string $input): Output
    {
        $name = $arguments[0] ?? '';
        if (in_array($name, ['', 'help', '--help', '-h'], true)) {
            return new Output(0, $this->help());
        }
        $verb = Verb::tryFrom($name);
        try {
            if ($verb === null) {
                throw BadInput::at('verb', "“{$name}” is not a question Apalos knows. Known are: ".implode(', ', array_column(Verb::cases(), 'value')).'.');
            }
            if (count($arguments) > 1) {
                throw BadInput::at('verb', 'Only the verb goes on the command line; the input is read from standard input.');
            }

            return new Output(0, self::json($verb->answer(Fields::fromJson($input), $this->shelves)));
        } catch (BadInput $wrong) {
            return new Output(2, self::json($wrong->toArray()));
        }
    }

    private function help(): string
    {
        $lines = array_map(static fn (Verb $verb): string => sprintf('  %-8s %s', $verb->value, $verb->question()), Verb::cases());

        return "bin/apalos VERB < in.json > out.json\n\n".implode("\n", $lines)."\n";
    }

    /** @param  array<string, mixed>  $value */
    private static function json(array $value): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION)."\n";
    }
}

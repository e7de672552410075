<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Types\TypeScript;
use Illuminate\Console\Command;
use PHPStan\PhpDocParser\Parser\PhpDocParser;

/** Writes the browser's types of everything the server sends, from the return types of its `toArray` methods. */
final class WriteTypes extends Command
{
    protected $signature = 'types:write {--check : only say whether they are fresh}';

    protected $description = 'Generate the TypeScript types of what the server sends';

    /** What only serves goes without the parser of types. */
    public function isEnabled(): bool
    {
        return class_exists(PhpDocParser::class);
    }

    public function handle(TypeScript $typeScript): int
    {
        $file = resource_path('js/types/server.ts');
        $fresh = $typeScript->of([
            ...$this->classes(base_path('core/src'), 'Apalos\\Core\\'),
            ...$this->classes(app_path(), 'App\\'),
        ]);
        if ($this->option('check')) {
            $isFresh = is_file($file) && file_get_contents($file) === $fresh;
            $isFresh ? $this->info('The types are fresh.') : $this->error('The types are stale. Run: php artisan types:write');

            return $isFresh ? self::SUCCESS : self::FAILURE;
        }
        file_put_contents($file, $fresh);
        $this->info("Written to {$file}.");

        return self::SUCCESS;
    }

    /** @return list<class-string> */
    private function classes(string $folder, string $namespace): array
    {
        $classes = [];
        foreach ([...glob("{$folder}/*.php") ?: [], ...glob("{$folder}/*/*.php") ?: []] as $file) {
            $class = $namespace.str_replace('/', '\\', substr($file, strlen($folder) + 1, -4));
            if (class_exists($class) && preg_match('/(Result|View)$/', $class) === 1) {
                $classes[] = $class;
            }
        }
        // By the name they have on the other side: where a class lives is nothing to the browser.
        usort($classes, static fn (string $one, string $other): int => class_basename($one) <=> class_basename($other));

        return $classes;
    }
}

<?php

declare(strict_types=1);

namespace App\Library;

use Symfony\Component\Yaml\Yaml;

/** A folder of knowledge, read from disk and kept as PHP knows it until a file changes. */
final class LibraryFiles
{
    /** @var array<string, string> stamps by pattern */
    private array $looked = [];

    /** @var array<string, array<string, array<string, mixed>>> */
    private array $read = [];

    /** @param  string|null  $fixed  differs as soon as any file does, where that is known; else each is looked at */
    public function __construct(
        private readonly string $folder,
        private readonly Prepared $kept,
        private readonly ?string $fixed = null,
    ) {}

    /** Differs as soon as one of these files does. */
    public function stamp(string ...$patterns): string
    {
        return implode('', array_map($this->one(...), $patterns));
    }

    private function one(string $pattern): string
    {
        return $this->looked[$pattern] ??= md5(
            $this->fixed !== null
                ? "{$pattern} {$this->fixed}"
                : implode(
                    '|', array_map(static fn (string $file): string => $file.filemtime($file).filesize($file), $this->files($pattern)),
                ),
        );
    }

    /** @return array<string, array<string, mixed>> what the files say, by name without ending */
    public function read(string $pattern): array
    {
        /** @var array<string, array<string, mixed>> */
        return $this->read[$pattern] ??= $this->kept->of($this->stamp($pattern), function () use ($pattern): array {
            $read = [];
            foreach ($this->files($pattern) as $file) {
                $read[basename($file, '.yaml')] = Yaml::parseFile($file);
            }

            return $read;
        });
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @param  string  $stamp  of the files it is made from
     * @param  callable(): T  $make
     * @return T
     */
    public function object(string $class, string $stamp, callable $make): object
    {
        return $this->kept->object($class, $stamp, $make);
    }

    /** @return list<string> */
    private function files(string $pattern): array
    {
        return glob($this->folder.'/'.$pattern) ?: [];
    }
}

<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Mould\MouldLibrary;
use Apalos\Core\Phrase\Phrasebook;
use Symfony\Component\Yaml\Yaml;

/** The knowledge in `library/`, read from disk and kept as PHP knows it until a file changes. */
final class Library
{
    private ?Shelf $shelf = null;

    private ?Knowledge $knowledge = null;

    /** @var array<string, array{files: list<string>, stamp: string}> */
    private array $looked = [];

    /** @var array<string, array<string, array<string, mixed>>> */
    private array $read = [];

    public function __construct(private readonly string $folder, private readonly KeptArrays $kept) {}

    public function shelf(): Shelf
    {
        return $this->shelf ??= Shelf::of(array_values($this->read('materials/*.yaml')));
    }

    /** What the library knows of contacts, before the shop's own rules. */
    public function knowledge(): Knowledge
    {
        $read = $this->read('contacts/*.yaml');

        return $this->knowledge ??= Knowledge::of($read['families'], $read['surfaces'], $read['rules'], $read['releases'], $read['sealers'], $this->cautions());
    }

    public function moulds(): MouldLibrary
    {
        return MouldLibrary::of($this->read('mould-kinds.yaml')['mould-kinds'] ?? []);
    }

    /** What is said, in metric measures; {@see Phrasebook::in} for others. */
    public function words(): Phrasebook
    {
        return Phrasebook::of($this->read('phrases/en.yaml')['en'] ?? []);
    }

    /** @return array<string, array{title: string, text: string, gear: list<string>}> by id */
    public function cautions(): array
    {
        /** @var array<string, array{title: string, text: string, gear: list<string>}> */
        return $this->read('cautions.yaml')['cautions'] ?? [];
    }

    /** What is taken for granted until somebody says otherwise: `base`, `casting`, `original`, `painted`. */
    public function usual(string $what): string
    {
        return Fields::of($this->read('usual.yaml')['usual'] ?? [], 'usual')->text($what);
    }

    /** @return array<string, array{name: string, cause: string, next: string}> by id */
    public function faults(): array
    {
        /** @var array<string, array{name: string, cause: string, next: string}> */
        return $this->read('faults.yaml')['faults'] ?? [];
    }

    /** Differs as soon as one of these files does. */
    public function stamp(string $folder = 'materials'): string
    {
        return $this->look("{$folder}/*.yaml")['stamp'];
    }

    /** @return array{files: list<string>, stamp: string} */
    private function look(string $pattern): array
    {
        if (! isset($this->looked[$pattern])) {
            $files = glob($this->folder.'/'.$pattern) ?: [];
            $this->looked[$pattern] = ['files' => $files, 'stamp' => md5(implode('|', array_map(static fn (string $file): string => $file.filemtime($file).filesize($file), $files)))];
        }

        return $this->looked[$pattern];
    }

    /** @return array<string, array<string, mixed>> what the files say, by name without ending */
    private function read(string $pattern): array
    {
        ['files' => $files, 'stamp' => $stamp] = $this->look($pattern);

        /** @var array<string, array<string, mixed>> */
        return $this->read[$pattern] ??= $this->kept->of($stamp, static function () use ($files): array {
            $read = [];
            foreach ($files as $file) {
                $read[basename($file, '.yaml')] = Yaml::parseFile($file);
            }

            return $read;
        });
    }
}

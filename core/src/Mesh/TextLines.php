<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use SplFileObject;

/** A text read in blocks of whole lines: a file of a hundred megabytes is never in memory at once. */
final class TextLines
{
    private const BLOCK = 262_144;

    private string $rest = '';

    public function __construct(private readonly SplFileObject $file) {}

    /**
     * @return list<string>|null the next lines; null at the end
     *
     * @throws BadInput for a line that never ends
     */
    public function next(): ?array
    {
        while (! $this->file->eof()) {
            $block = $this->rest.$this->file->fread(self::BLOCK);
            $end = strrpos($block, "\n");
            if ($end === false) {
                $end = strrpos($block, "\r");
            }
            if ($end === false) {
                $this->rest = $block;
                if (strlen($block) > Limits::LONGEST_LINE) {
                    throw BadInput::at('file', Phrase::of('mesh.no_lines'));
                }

                continue;
            }
            $this->rest = substr($block, $end + 1);

            return self::split(substr($block, 0, $end));
        }
        $last = $this->rest;
        $this->rest = '';

        return $last === '' ? null : self::split($last);
    }

    /** @return list<string> */
    private static function split(string $text): array
    {
        return str_contains($text, "\r") ? (preg_split('/\r\n|\r|\n/', $text) ?: []) : explode("\n", $text);
    }
}

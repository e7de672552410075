<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** RFC 4180 CSV in UTF-8, out and in. */
final readonly class Csv
{
    /** What a spreadsheet takes for the beginning of a formula, full width too. */
    private const FORMULA = '/^\s*[=+\-@\t\r＝＋－＠]/u';

    /**
     * @param  list<string>  $columns
     * @param  iterable<list<mixed>>  $rows
     */
    public static function download(string $file, array $columns, iterable $rows): StreamedResponse
    {
        return response()->streamDownload(static function () use ($columns, $rows): void {
            $out = fopen('php://output', 'w');
            assert($out !== false);
            $put = static fn (array $row) => fwrite(
                $out, implode(',', array_map(static fn (mixed $cell): string => self::quoted(self::harmless($cell)), $row))."\r\n",
            );
            $put($columns);
            foreach ($rows as $row) {
                $put($row);
            }
            fclose($out);
        }, $file, ['Content-Type' => 'text/csv; charset=UTF-8']);
    }

    /**
     * @return list<array<string, string>> rows by column, the names of columns in small letters
     *
     * @throws BadInput where a row has other columns than the first
     */
    public static function read(string $text): array
    {
        $in = fopen('php://temp', 'r+');
        assert($in !== false);
        fwrite($in, (string) preg_replace('/^\xEF\xBB\xBF/', '', $text));
        rewind($in);
        $separator = substr_count(strtok($text, "\n") ?: '', ';') > substr_count(strtok($text, "\n") ?: '', ',') ? ';' : ',';
        $columns = null;
        $rows = [];
        for ($line = 1; ($row = fgetcsv($in, null, $separator, '"', '')) !== false; $line++) {
            if ($row === [null]) {
                continue;
            }
            $cells = array_map(static fn (?string $cell): string => self::plain(trim((string) $cell)), $row);
            if ($columns === null) {
                $columns = array_map(mb_strtolower(...), $cells);

                continue;
            }
            if (count($cells) !== count($columns)) {
                throw BadInput::at(
                    "line {$line}",
                    Phrase::of('bench.line_cells_first_line', ['line' => $line, 'cells' => count($cells), 'columns' => count($columns)]),
                );
            }
            $rows[] = array_combine($columns, $cells);
        }
        fclose($in);

        return $rows;
    }

    /** Keeps a spreadsheet from taking a note for a formula; a moment is told by the clock on the wall of the shop, with its offset. */
    private static function harmless(mixed $cell): string
    {
        $cell = $cell instanceof CarbonImmutable ? $cell->setTimezone(app(Workshop::class)->zone())->toIso8601String() : $cell;
        $text = is_bool($cell) ? ($cell ? 'yes' : 'no') : (is_scalar($cell) ? (string) $cell : '');

        return ! is_numeric($text) && preg_match(self::FORMULA, $text) === 1 ? "'".$text : $text;
    }

    /** In quotes where any program, whatever separator it is used to, would see more than one cell in it. */
    private static function quoted(string $text): string
    {
        return preg_match('/[,;\t|"\r\n]|^\s|\s$/u', $text) === 1 ? '"'.str_replace('"', '""', $text).'"' : $text;
    }

    private static function plain(string $cell): string
    {
        return preg_match("/^'".substr(self::FORMULA, 2), $cell) === 1 ? substr($cell, 1) : $cell;
    }
}

<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Sheet\SheetField;
use Apalos\Core\Sheet\SheetKind;
use App\Library\KeepSheet;
use App\Library\Library;
use App\Library\OwnShelf;
use App\Models\OwnSheet;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/** Sheets of the shop's own as a file, and back: all of a file or nothing of it, and what is there already stays as it is. */
final readonly class SheetExchange
{
    public function __construct(private Library $library, private KeepSheet $keep, private Phrasebook $words) {}

    /** @return array{sheets: list<array<string, mixed>>} */
    public function out(): array
    {
        return ['sheets' => array_values(OwnShelf::current()->get()->map(static fn (OwnSheet $own): array => $own->sheet)->all())];
    }

    /** As YAML; where there is none yet, a template that asks for everything and says why. */
    public function yaml(): string
    {
        $out = $this->out();

        return $out['sheets'] !== [] ? Yaml::dump($out, 5, 4) : $this->template();
    }

    private function template(): string
    {
        $lines = [
            '# Sheets of your own for Apalos. Take the mark from the lines you need, fill them in, and take the file in on Stores.',
            '# What is left out stays unknown, and every answer that leans on it says so.', 'sheets: []', '',
        ];
        foreach (SheetKind::cases() as $kind) {
            $form = $this->library->sheetForm($kind);
            $lines[] = "# -- {$form->title}: {$form->says}";
            $lines[] = "#   - kind: {$kind->value}";
            $under = '';
            foreach ($form->fields() as $field) {
                [$part, $name] = str_contains($field->at, '.') ? explode('.', $field->at) : ['', $field->at];
                $part === '' || $part === $under || $lines[] = "#     {$part}:";
                $under = $part;
                $lines[] = '#     '.($part === '' ? '' : '    ')."{$name}: ".self::example($field).'   # '.trim(
                    ($field->needed ? 'needed. ' : '').(
                        $field->unit === null || in_array($field->unit, ['plain', 'times'], true) ? '' : "{$field->unit}. "
                    ).$field->why,
                );
            }
            $lines[] = '';
        }

        return implode("\n", $lines);
    }

    private static function example(SheetField $field): string
    {
        return match ($field->ask) {
            'number' => '1',
            'yes-no' => 'false',
            'colour' => "'#e3d2b5'",
            'families', 'fresh', 'surface', 'likes', 'cautions', 'rows' => '[]',
            default => "''",
        };
    }

    /**
     * @return array{new: int, changed: int, same: int, doubts: list<string>}
     *
     * @throws BadInput that names the entry and the reason
     */
    public function in(string $text): array
    {
        $entries = $this->parsed($text)->only('sheets')->objects('sheets', KeepSheet::MOST);
        $counts = ['new' => 0, 'changed' => 0, 'same' => 0, 'doubts' => []];

        return DB::transaction(function () use ($entries, $counts): array {
            $seen = [];
            foreach ($entries as $i => $entry) {
                $code = is_string($entry->toArray()['code'] ?? null) ? $entry->toArray()['code'] : '';
                try {
                    if (isset($seen[$code])) {
                        throw BadInput::at('code', Phrase::of('sheet.code_taken', ['code' => $code]));
                    }
                    $seen[$code] = true;
                    // Counted from the entry itself, so that the field it names is the one in the file.
                    $sheet = $this->keep->read($entry->choice('kind', SheetKind::class), Fields::of($entry->toArray()));
                    $before = OwnSheet::query()->where('code', $code)->max('version');
                    $after = $this->keep->keep($sheet, $before === null ? null : $code)->version;
                } catch (BadInput $wrong) {
                    throw self::named($i, $code, $wrong, $this->words);
                }
                $counts[$before === null ? 'new' : ($after > $before ? 'changed' : 'same')]++;
                foreach ($this->keep->doubts($sheet) as $doubt) {
                    $counts['doubts'][] = "{$code}: ".$this->words->say($doubt['message']);
                }
            }

            return $counts;
        }, 3);
    }

    private static function named(int $i, string $code, BadInput $wrong, Phrasebook $words): BadInput
    {
        return BadInput::at(
            'file',
            Phrase::written(
                sprintf('Sheet %d%s, %s: %s', $i + 1, $code === '' ? '' : " “{$code}”", $wrong->field, $words->say($wrong->says)),
            ),
        );
    }

    private function parsed(string $text): Fields
    {
        try {
            $read = Yaml::parse($text);
        } catch (ParseException $wrong) {
            throw BadInput::at('file', Phrase::of('bench.neither_yaml_nor_json', ['why' => $wrong->getMessage()]));
        }
        if (! is_array($read) || array_is_list($read) || ! array_key_exists('sheets', $read)) {
            throw BadInput::at('file', Phrase::of('bench.file_needs_sheets_at'));
        }

        return Fields::of($read);
    }
}

<?php

declare(strict_types=1);

namespace App\Queue;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Exchange\SwatchImport;
use App\Models\Import;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/** Files that are taken in: a small one at once, a large one beside the bench. What a file brought can go out again. */
final readonly class FilesIn
{
    /** In bytes. */
    public const LARGEST = 5_000_000;

    /** More than this takes longer than a moment, in bytes. */
    private const AT_ONCE = 100_000;

    public function __construct(private SwatchImport $take) {}

    /**
     * @return Import done and with what is new, or waiting for its turn
     *
     * @throws BadInput where it is no such file; nothing of it is taken in
     */
    public function take(string $text, CarbonImmutable $now): Import
    {
        if (trim($text) === '' || ! mb_check_encoding($text, 'UTF-8')) {
            throw BadInput::at('file', Phrase::of('bench.choose_json_or_csv'));
        }
        if (strlen($text) <= self::AT_ONCE) {
            $new = ($this->take)($text, $now);

            return Import::query()->create(['file' => '', 'state' => Import::DONE, 'new' => $new, 'made' => $this->take->made()]);
        }
        $import = Import::query()->create(['file' => 'imports/'.Str::ulid()]);
        Storage::put($import->file, $text);
        TakeFileIn::dispatch($import->id);

        return $import;
    }

    public function stop(Import $import): void
    {
        Import::query()
            ->whereKey($import->id)
            ->whereIn('state', [Import::WAITING, Import::RUNNING])
            ->update(['state' => Import::CANCELLED]);
    }

    /** @return bool false where it went out before, or was stopped */
    public function takeOut(Import $import): bool
    {
        if ($import->made === null) {
            return false;
        }
        $this->take->takeOut($import->made);
        $import->update(['made' => null]);

        return true;
    }
}

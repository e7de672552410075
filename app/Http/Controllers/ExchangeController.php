<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Exchange\Csv;
use App\Exchange\ImportView;
use App\Exchange\SwatchExport;
use App\Exchange\SwatchImport;
use App\Http\Reply;
use App\Models\Import;
use App\Queue\TakeFileIn;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

/** Swatches, formulas and colour targets, out and in. */
final readonly class ExchangeController
{
    private const LARGEST_FILE = 5_000_000;

    /** More than this takes longer than a moment and is taken in beside the bench. */
    private const AT_ONCE = 100_000;

    public function out(SwatchExport $export, string $what): Response
    {
        return match ($what) {
            'swatches.json' => response(json_encode($export->everything(), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES), 200, ['Content-Type' => 'application/json', 'Content-Disposition' => 'attachment; filename="apalos-swatches.json"']),
            'swatches.csv' => Csv::download('apalos-swatches.csv', SwatchExport::SWATCH_COLUMNS, $export->swatchRows()),
            'formulas.csv' => Csv::download('apalos-formulas.csv', SwatchExport::FORMULA_COLUMNS, $export->formulaRows()),
            'colours.csv' => Csv::download('apalos-colours.csv', SwatchExport::TARGET_COLUMNS, $export->targetRows()),
            default => abort(404),
        };
    }

    public function in(Request $request, SwatchImport $import): RedirectResponse
    {
        $file = $request->file('file');
        try {
            $text = $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= self::LARGEST_FILE ? (string) file_get_contents($file->getRealPath()) : '';
            if (trim($text) === '' || ! mb_check_encoding($text, 'UTF-8')) {
                throw BadInput::at('file', Phrase::of('bench.choose_json_or_csv'));
            }
            if (strlen($text) > self::AT_ONCE) {
                return $this->later($request, $text);
            }
            $new = $import($text, CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return back()->withErrors(['file' => Reply::refusal($wrong)]);
        }

        $kept = Import::query()->create(['file' => '', 'state' => Import::DONE, 'new' => $new, 'made' => $import->made()]);

        return back()->with('said', ImportView::said($new))->with('undo', $import->made() === [] ? null : "/exchange/imports/{$kept->id}/undo");
    }

    /** How far a large file is. */
    public function import(Import $import): JsonResponse
    {
        return Reply::json((new ImportView($import))->toArray());
    }

    public function stop(Import $import): JsonResponse
    {
        Import::query()->whereKey($import->id)->whereIn('state', [Import::WAITING, Import::RUNNING])->update(['state' => Import::CANCELLED]);

        return $this->import($import->refresh());
    }

    /** All of it goes out again, but for what was used meanwhile. */
    public function undo(Import $import, SwatchImport $take): RedirectResponse
    {
        if ($import->made === null) {
            return back()->withErrors(['file' => Reply::say(Phrase::of('bench.what_file_brought_was'))]);
        }
        $take->takeOut($import->made);
        $import->update(['made' => null]);

        return back()->with('said', Reply::say(Phrase::of('bench.what_file_brought_out')));
    }

    private function later(Request $request, string $text): RedirectResponse
    {
        $import = Import::query()->create(['file' => 'imports/'.Str::ulid()]);
        Storage::put($import->file, $text);
        $request->session()->put('import', $import->id);
        TakeFileIn::dispatch($import->id);

        return back();
    }
}

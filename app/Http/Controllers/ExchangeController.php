<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Exchange\Csv;
use App\Exchange\ImportView;
use App\Exchange\SwatchExport;
use App\Http\Reply;
use App\Models\Import;
use App\Queue\FilesIn;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Symfony\Component\HttpFoundation\Response;

/** Swatches, formulas and colour targets, out and in. */
final readonly class ExchangeController
{
    public function out(SwatchExport $export, string $what): Response
    {
        return match ($what) {
            'swatches.json' => response(
                json_encode(
                    $export->everything(), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
                ),
                200, ['Content-Type' => 'application/json', 'Content-Disposition' => 'attachment; filename="apalos-swatches.json"'],
            ),
            'swatches.csv' => Csv::download('apalos-swatches.csv', SwatchExport::SWATCH_COLUMNS, $export->swatchRows()),
            'formulas.csv' => Csv::download('apalos-formulas.csv', SwatchExport::FORMULA_COLUMNS, $export->formulaRows()),
            'colours.csv' => Csv::download('apalos-colours.csv', SwatchExport::TARGET_COLUMNS, $export->targetRows()),
            default => abort(404),
        };
    }

    public function in(Request $request, FilesIn $files): RedirectResponse
    {
        $file = $request->file('file');
        try {
            $import = $files->take(
                $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= FilesIn::LARGEST
                    ? (string) file_get_contents($file->getRealPath())
                    : '',
                CarbonImmutable::now(),
            );
        } catch (BadInput $wrong) {
            return back()->withErrors(['file' => Reply::refusal($wrong)]);
        }
        if ($import->new === null) {
            $request->session()->put('import', $import->id);

            return back();
        }

        return back()->with('said', Reply::say(ImportView::said($import->new)))->with(
            'undo', ($import->made ?? []) === [] ? null : "/exchange/imports/{$import->id}/undo",
        );
    }

    /** How far a large file is. */
    public function import(Import $import): JsonResponse
    {
        return Reply::json((new ImportView($import))->toArray());
    }

    public function stop(Import $import, FilesIn $files): JsonResponse
    {
        $files->stop($import);

        return $this->import($import->refresh());
    }

    /** All of it goes out again, but for what was used meanwhile. */
    public function undo(Import $import, FilesIn $files): RedirectResponse
    {
        return $files->takeOut($import)
            ? back()->with('said', Reply::say(Phrase::of('bench.what_file_brought_out')))
            : back()->withErrors(['file' => Reply::say(Phrase::of('bench.what_file_brought_was'))]);
    }
}

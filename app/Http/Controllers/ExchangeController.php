<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Exchange\Csv;
use App\Exchange\SwatchExport;
use App\Exchange\SwatchImport;
use App\Http\Reply;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Symfony\Component\HttpFoundation\Response;

/** Swatches, formulas and colour targets, out and in. */
final readonly class ExchangeController
{
    private const LARGEST_FILE = 5_000_000;

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
                throw BadInput::at('file', Phrase::written('Choose a JSON or CSV file in UTF-8 with something in it, of 5 MB at most.'));
            }
            $new = $import($text, CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return back()->withErrors(['file' => $wrong->field === 'file' || str_starts_with($wrong->field, 'line') ? Reply::say($wrong) : "{$wrong->field}: ".Reply::say($wrong)]);
        }

        return back()->with('said', sprintf('New: %d formula versions, %d swatches, %d readings, %d colours.', ...array_values($new)));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Actions\PourSeries;
use App\Http\Views\SeriesView;
use App\Models\Swatch;
use App\Shop\Library;
use App\Shop\ShopHardness;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;

/** A series of pucks: planned as one small pour, then labelled. */
final readonly class SeriesController
{
    public function __construct(private PourSeries $series) {}

    public function show(Request $request, Library $library, ShopHardness $hardness): Response
    {
        $word = static fn (string $key): string => is_string($said = $request->query($key)) ? $said : '';

        return Inertia::render('swatches/Series', ['page' => (new SeriesView($library, $hardness, $word('kind'), $word('base'), $word('pigment')))->toArray()]);
    }

    public function plan(Request $request): JsonResponse
    {
        return new JsonResponse($this->series->plan(Fields::fromJson($request->getContent()))->toArray());
    }

    public function next(Request $request): JsonResponse
    {
        return new JsonResponse(['next' => $this->series->next(Fields::fromJson($request->getContent()))?->toArray()]);
    }

    public function pour(Request $request): RedirectResponse
    {
        try {
            $made = $this->series->pour(Fields::of($request->all()), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return back()->withErrors(['series' => $wrong->getMessage()]);
        }

        return redirect()->to('/swatches/drawer')->with('said', sprintf('%d pucks are labelled. Take them out when they have cured, and read them after a day.', count($made)))
            ->with('onward', 'Print the labels')->with('onward_href', '/swatches/labels?ids='.implode(',', array_map(static fn (Swatch $swatch): int => $swatch->id, $made)));
    }
}

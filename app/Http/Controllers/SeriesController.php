<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Facts\AppendFact;
use App\Facts\FactDiffers;
use App\Facts\StepHasMoved;
use App\Http\Reply;
use App\Library\Library;
use App\Library\Softeners;
use App\Models\Series;
use App\Models\Swatch;
use App\Room\CureClock;
use App\Swatches\BeginSeries;
use App\Swatches\FirstDrawdowns;
use App\Swatches\LabelSeries;
use App\Swatches\RecordedSeries;
use App\Swatches\SeriesBook;
use App\Swatches\SeriesRunView;
use App\Swatches\SeriesStreams;
use App\Swatches\SeriesView;
use App\Swatches\Undrawn;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** A series of pucks: planned as one small pour, weighed up, then labelled. */
final readonly class SeriesController
{
    public function __construct(private SeriesBook $book, private CureClock $clock) {}

    public function show(Request $request, Library $library, Softeners $softeners, Undrawn $undrawn): Response
    {
        $word = static fn (string $key): string => is_string($said = $request->query($key)) ? $said : '';

        return Reply::page('swatches/Series', [
            'page' => (new SeriesView($library, $softeners, $undrawn, $word('kind'), $word('base'), $word('pigment')))->toArray(),
        ]);
    }

    public function plan(Request $request): JsonResponse
    {
        return Reply::json($this->book->plan(Fields::fromJson($request->getContent()))->toArray());
    }

    public function begin(Request $request, BeginSeries $begin): RedirectResponse
    {
        try {
            $series = $begin(Fields::of($request->all()), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back('series', $wrong);
        }

        return redirect()->to("/swatches/series/{$series->id}");
    }

    /** A ladder of every pigment that was never drawn down in a base. */
    public function first(Request $request, FirstDrawdowns $first): RedirectResponse
    {
        try {
            $made = $first(Fields::of($request->all()), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back('series', $wrong);
        }

        return redirect()->to("/swatches/series/{$made[0]->id}")->with(
            'said',
            count($made) === 1
                ? Reply::say(Phrase::of('bench.one_ladder_stands_bench'))
                : Reply::say(Phrase::of('bench.ladders_stand_bench_one', ['n' => count($made)])),
        );
    }

    public function run(Series $series): Response|RedirectResponse
    {
        return $series->labelled_at !== null
            ? redirect()->to('/swatches/drawer')->with('said', Reply::say(Phrase::of('bench.these_pucks_labelled_they')))
            : Reply::page('swatches/SeriesRun', ['run' => $this->view($series)]);
    }

    public function state(Series $series): JsonResponse
    {
        return Reply::json($this->view($series));
    }

    public function record(Request $request, Series $series, AppendFact $append, SeriesStreams $all): JsonResponse
    {
        try {
            $append($all, $series->id, Fields::fromJson($request->getContent()), CarbonImmutable::now());
        } catch (StepHasMoved|FactDiffers $moved) {
            return Reply::json(['error' => ['field' => 'step', 'message' => $moved->says], 'run' => $this->view($series)], 409);
        }

        return Reply::json($this->view($series));
    }

    public function label(Request $request, Series $series, LabelSeries $label): RedirectResponse
    {
        try {
            $made = $label($series, Fields::of($request->all())->textOrNull('name'), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back('series', $wrong);
        }

        return redirect()->to('/swatches/drawer')->with(
            'said', Reply::say(Phrase::of('bench.pucks_labelled', ['n' => count($made)])),
        )
            ->with('onward', Reply::say(Phrase::of('bench.print_labels')))->with(
                'onward_href', '/swatches/labels?ids='.implode(',', array_map(static fn (Swatch $swatch): int => $swatch->id, $made)),
            );
    }

    /** A series nobody will finish leaves the bench. */
    public function destroy(Series $series): RedirectResponse
    {
        $series->delete();

        return redirect()
            ->to('/swatches/series')
            ->with('said', Reply::say(Phrase::of('bench.series_off_bench')))
            ->with('undo', "/swatches/series/{$series->id}/restore");
    }

    public function restore(int $series): RedirectResponse
    {
        Series::withTrashed()->findOrFail($series)->restore();

        return redirect()->to("/swatches/series/{$series}");
    }

    /** @return array<string, mixed> */
    private function view(Series $series): array
    {
        return (new SeriesRunView(RecordedSeries::of($series->refresh()), $this->clock))->toArray();
    }
}

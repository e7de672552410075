<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\Fields;
use App\Exchange\Csv;
use App\Facts\AppendFact;
use App\Facts\FactDiffers;
use App\Facts\StepHasMoved;
use App\Http\Reply;
use App\Library\Library;
use App\Lists\Slice;
use App\Models\Lot;
use App\Stock\LotBook;
use App\Stock\LotStreams;
use App\Stock\LotView;
use App\Stock\RecallView;
use App\Stock\RecordedKit;
use App\Stock\RecordedLot;
use App\Stock\SayOfKit;
use App\Stock\TakeLotIn;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Lots on the shelf: what has come, what is left, where it went; and what a kit costs. */
final readonly class LotController
{
    private const ON_A_PAGE = 30;

    public function store(Request $request, TakeLotIn $take): JsonResponse
    {
        $lot = $take(Fields::fromJson($request->getContent()), CarbonImmutable::now());

        return Reply::json(['id' => $lot->id, 'label' => $lot->label()]);
    }

    /** Every part of every kit there ever was, in grams, as RFC 4180 CSV in UTF-8. */
    public function csv(): StreamedResponse
    {
        return Csv::download('apalos-kits.csv', LotBook::COLUMNS, LotBook::rows());
    }

    public function show(Request $request, Lot $lot): Response
    {
        return Reply::page('stores/OneLot', ['shown' => $this->view($request, $lot)]);
    }

    /** What it went into, followed to the last piece. */
    public function recall(Lot $lot, Library $library): Response
    {
        return Reply::page('stores/Recall', ['recall' => (new RecallView($lot, $library))->toArray()]);
    }

    /** The same, whole. */
    public function recalled(Lot $lot, Library $library): StreamedResponse
    {
        return Csv::download(
            "apalos-recall-{$lot->label()}.csv", ['pour', 'at', 'job', 'link', 'by', 'good', 'usable', 'reject', 'for_whom'],
            array_map(
                static fn (array $one): array => [
                    $one['pour_id'],
                    $one['at_ms'] === null ? null : CarbonImmutable::createFromTimestampMs($one['at_ms'])->toIso8601ZuluString(),
                    $one['job'], $one['link'], $one['of'], $one['good'], $one['usable'], $one['reject'], $one['for_whom'],
                ],
                (new RecallView($lot, $library))->pours(),
            ),
        );
    }

    public function record(Request $request, Lot $lot, AppendFact $append, LotStreams $lots): JsonResponse
    {
        try {
            $append($lots, $lot->id, Fields::fromJson($request->getContent()), CarbonImmutable::now());
        } catch (StepHasMoved|FactDiffers $moved) {
            return Reply::json(['error' => ['field' => 'kind', 'message' => $moved->says]], 409);
        }

        return Reply::json($this->view($request, $lot->refresh()));
    }

    /** What a kit of a sheet costs, what it weighs, and at how much left the next is ordered. */
    public function kit(Request $request, Library $library, SayOfKit $say, string $code): JsonResponse
    {
        abort_if(! isset($library->shelf()->bases[$code]) && ! isset($library->shelf()->additives[$code]), 404);
        try {
            $kit = $say($code, Fields::fromJson($request->getContent()), CarbonImmutable::now());
        } catch (StepHasMoved $moved) {
            return Reply::json(['error' => ['field' => 'of', 'message' => $moved->says]], 409);
        }

        return Reply::json([
            'price' => $kit->price, 'mass_g' => $kit->mass_g, 'reorder_g' => $kit->reorder_g,
            'take_back' => RecordedKit::of($kit)->state->takeBack,
        ]);
    }

    /** @return array<string, mixed> */
    private function view(Request $request, Lot $lot): array
    {
        return app()->make(LotView::class, [
            'recorded' => RecordedLot::of($lot->load('parts')), 'slice' => Slice::asked($request, self::ON_A_PAGE),
        ])->toArray();
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Sheet\SheetKind;
use App\Exchange\SheetExchange;
use App\Http\Edition;
use App\Http\Reply;
use App\Library\KeepSheet;
use App\Library\Library;
use App\Library\StockShelf;
use App\Library\WriteSheetView;
use App\Stock\StoresView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Inertia\Response;
use Symfony\Component\HttpFoundation\Response as HttpResponse;

/** The shelf: sheets to read, to write, and to take out and in. */
final readonly class StoresController
{
    private const LARGEST_FILE = 2_000_000;

    public function __construct(private Library $library) {}

    public function show(?string $code = null): Response
    {
        abort_if($code !== null && $this->kindOf($code) === null, 404);

        return Reply::page('stores/Stores', app()->make(StoresView::class, ['open' => $code])->toArray());
    }

    /** A new sheet, empty or copied from one that is there. */
    public function blank(Request $request): Response
    {
        $from = $request->query('from');
        $kind = is_string($from)
            ? $this->kindOf($from)
            : SheetKind::tryFrom(is_string($asked = $request->query('kind', 'base')) ? $asked : '');
        abort_if($kind === null, 404);

        return Reply::page('stores/WriteSheet', [
            'write' => (new WriteSheetView($this->library, $kind, is_string($from) ? $from : null, null))->toArray(),
        ]);
    }

    public function change(string $code): Response
    {
        $kind = $this->kindOf($code);
        abort_if($kind === null || ! isset($this->library->own($kind->value)[$code]), 404);

        return Reply::page('stores/WriteSheet', ['write' => (new WriteSheetView($this->library, $kind, null, $code))->toArray()]);
    }

    /** Keeps it, or asks back where two of its figures contradict each other. */
    public function keep(Request $request, KeepSheet $keep): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('kind', 'sheet', 'changes', 'sure');
        $sheet = $keep->read($in->choice('kind', SheetKind::class), Fields::of($in->object('sheet')->toArray()));
        $doubts = $keep->doubts($sheet);
        if ($doubts !== [] && ! ($in->has('sure') && $in->bool('sure'))) {
            return Reply::json(['kept' => null, 'doubts' => $doubts]);
        }

        $changes = $in->textOrNull('changes');

        return Reply::json([
            'kept' => $keep->keep($sheet, $changes, $changes === null ? null : Edition::of($request))->code, 'doubts' => $doubts,
        ]);
    }

    /** Onto the shelf, or off it. */
    public function stock(Request $request, string $code, StockShelf $stock): RedirectResponse
    {
        abort_if($this->kindOf($code) === null, 404);
        $here = $request->boolean('here');
        $stock->put($code, $here);

        return back()->with(
            'said',
            $here ? Reply::say(Phrase::of('bench.on_your_shelf')) : Reply::say(Phrase::of('bench.off_your_shelf')),
        );
    }

    public function out(SheetExchange $exchange, string $format): HttpResponse
    {
        $text = $format === 'yaml'
            ? $exchange->yaml()
            : json_encode($exchange->out(), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);

        return response($text, 200, [
            'Content-Type' => "application/{$format}", 'Content-Disposition' => "attachment; filename=\"apalos-sheets.{$format}\"",
        ]);
    }

    public function in(Request $request, SheetExchange $exchange): RedirectResponse
    {
        $file = $request->file('file');
        try {
            $text = $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= self::LARGEST_FILE
                ? (string) file_get_contents($file->getRealPath())
                : '';
            if (trim($text) === '' || ! mb_check_encoding($text, 'UTF-8')) {
                throw BadInput::at('file', Phrase::of('bench.choose_yaml_or_json'));
            }
            $taken = $exchange->in($text);
        } catch (BadInput $wrong) {
            return back()->withErrors(['file' => Reply::refusal($wrong)]);
        }

        return back()->with(
            'said',
            trim(
                Reply::say(Phrase::of('bench.new_changed_as_they', [
                    'new' => $taken['new'], 'changed' => $taken['changed'], 'same' => $taken['same'],
                ]))
                    .' '.implode(' ', array_slice($taken['doubts'], 0, 3)),
            ),
        );
    }

    private function kindOf(string $code): ?SheetKind
    {
        foreach (SheetKind::cases() as $kind) {
            if (isset($this->library->sheets($kind)[$code])) {
                return $kind;
            }
        }

        return null;
    }
}

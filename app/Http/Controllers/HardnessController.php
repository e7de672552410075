<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Harden\HardenRequest;
use Apalos\Core\Harden\SofteningEffectsResult;
use Apalos\Core\Harden\SofteningPlanner;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Basis;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Shore;
use App\Formulas\AsSoftView;
use App\Formulas\FormulaQuery;
use App\Http\Reply;
use App\Library\Library;
use App\Library\Recipes;
use App\Library\Softeners;
use App\Models\Swatch;
use App\PourSheets\Drafts;
use App\PourSheets\PlannedBatch;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use App\Swatches\HardnessAnswerView;
use App\Swatches\HardnessBook;
use App\Swatches\HardnessView;
use App\Swatches\ReadPuck;
use App\Swatches\SofteningNotes;
use App\Swatches\SwatchDigests;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** The hardness screen: the softener curve, a target, and what it comes to in grams. */
final readonly class HardnessController
{
    public function __construct(
        private HardnessBook $hardness,
        private Softeners $softeners,
        private PlannedBatch $batch,
        private SwatchDigests $digests,
        private Library $library,
        private SofteningNotes $notes,
        private CureClock $clock,
        private RoomTemperature $room,
        private Drafts $drafts,
    ) {}

    public function show(Request $request): Response
    {
        $page = (new HardnessView($this->library, $this->softeners, $this->digests, $this->drafts))->toArray();
        $asked = $request->query('base');
        $bases = collect($page['bases']);
        $base = $bases->firstWhere('code', is_string($asked) ? $asked : '') ?? $bases->sortByDesc('pucks')->first() ?? abort(404);

        return Reply::page('swatches/Hardness', [
            'page' => $page,
            'answer' => $this->answer(Fields::of(['base' => $base['code'], 'softener' => $base['softeners'][0]['code'] ?? '']))->toArray(),
        ]);
    }

    /** Formulas one may want to be as soft as. */
    public function formulas(Request $request, FormulaQuery $formulas, Recipes $recipes): JsonResponse
    {
        return Reply::json(
            (new AsSoftView($formulas, $recipes, $this->hardness, mb_substr(trim((string) $request->query('q', '')), 0, 120)))->toArray(),
        );
    }

    public function ask(Request $request): JsonResponse
    {
        return Reply::json($this->answer(Fields::fromJson($request->getContent()))->toArray());
    }

    /** The softener that was found goes into a sheet that is being planned. */
    public function write(Request $request): RedirectResponse
    {
        try {
            $in = Fields::of($request->all())->only('base', 'softener', 'pct_of_ab', 'pour_id');
            [$base, $softener] = $this->softeners->pair($in->text('base'), $in->text('softener'));
            $pour = $this->batch->write((int) $in->number('pour_id'), $base, [
                PlannedBatch::line($softener, round($in->number('pct_of_ab', 0.0, 500.0), 2), Basis::OfAB, $softener->into),
            ]);
        } catch (BadInput $wrong) {
            return Reply::back('batch', $wrong);
        }

        return redirect()->to("/pours/{$pour->id}")->with('said', Reply::say(Phrase::of('bench.in_sheet', ['name' => $softener->name])));
    }

    /** @throws BadInput */
    private function answer(Fields $in): HardnessAnswerView
    {
        $in->only('base', 'softener', 'target', 'thinnest_mm', 'batch');
        [$base, $softener] = $this->softeners->pair($in->text('base'), $in->text('softener'));
        $target = $in->objectOrNull('target')?->only('scale', 'reading');
        $target = $target === null ? $this->halfWay($base->code, $softener->code) : HardenRequest::shore($target, 'reading');
        // Drawn far, asked near: what is warned of is the target, not the end of the drawing.
        $line = (new SofteningPlanner)->curve($this->hardness->request($base->code, $softener->code, null));
        $harden = (new SofteningPlanner)->answer($this->hardness->request($base->code, $softener->code, $target, [0.0]));
        [$mix, $wrong] = [null, null];
        $found = $harden->forTarget?->pctOfAB;
        try {
            $mix = $found === null
                ? null
                : $this->batch->weigh(
                    $base, [PlannedBatch::line($softener, $found, Basis::OfAB, $softener->into)],
                    $in->objectOrNull('batch') ?? Fields::of(['mass_g' => 100.0]),
                );
        } catch (BadInput $e) {
            $wrong = $e->says;
        }
        $limit = $base->bears($softener);
        $pucks = $this->digests->pucks($base->code, $softener->code);
        $names = Swatch::query()
            ->whereKey(array_map(static fn (ReadPuck $puck): int => $puck->swatchId, $pucks))
            ->pluck('name', 'id')
            ->all();
        $thinnest = $in->positiveOrNull('thinnest_mm', 500.0);

        return new HardnessAnswerView(
            $base->code, $softener->code, $target, $harden, $line,
            $found === null || $softener->softening === null
                ? null
                : SofteningEffectsResult::of($base, $softener->softening, $limit, $found, $thinnest, $this->clock->pours($base)),
            $mix, $wrong, $limit, $this->room->now()->degrees, $pucks, $names,
            $found === null ? [] : $this->notes->near($base, $softener, $found),
        );
    }

    /** Where nothing is wanted yet: what half of the allowed softener gives, in whole points. */
    private function halfWay(string $base, string $softener): Shore
    {
        $request = $this->hardness->request($base, $softener, null);
        $half = (new SofteningPlanner)->curve($this->hardness->request($base, $softener, null, [$request->maxPct / 2.0]));

        return Shore::of($half[0]->shore->scale, max(1.0, round($half[0]->shore->reading)));
    }
}

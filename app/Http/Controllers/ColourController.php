<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Tint\Depth;
use App\Http\Edition;
use App\Http\Reply;
use App\Library\Library;
use App\Models\ColourTarget;
use App\Models\Workshop;
use App\PourSheets\Drafts;
use App\PourSheets\PlannedBatch;
use App\Swatches\ColourAnswers;
use App\Swatches\ColourBook;
use App\Swatches\ColourView;
use App\Swatches\KeepColour;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** The colour screen: pigments for a colour, chips, ladders, and the colours people want again. */
final readonly class ColourController
{
    public function __construct(
        private Library $library,
        private ColourBook $colours,
        private ColourAnswers $tint,
        private Workshop $workshop,
        private PlannedBatch $batches,
        private Drafts $drafts,
    ) {}

    public function show(Request $request): Response
    {
        $asked = $request->query('base');
        $base = is_string($asked) && isset($this->library->shelf()->bases[$asked]) ? $asked : $this->library->usual('base');

        return Reply::page('swatches/Colour', [
            'page' => (new ColourView($this->library, $this->colours, $this->tint, $this->workshop, $this->drafts, $base))->toArray(),
        ]);
    }

    public function ask(Request $request): JsonResponse
    {
        return Reply::json($this->tint->answer(Fields::fromJson($request->getContent()))->toArray());
    }

    /** The pigments that were found go into a sheet that is being planned. */
    public function write(Request $request): RedirectResponse
    {
        try {
            $in = Fields::of($request->all())->only('base', 'loads', 'pour_id');
            $base = $this->library->shelf()->base($in->text('base'));
            $pour = $this->batches->write((int) $in->number('pour_id'), $base, $this->tint->lines($base->code, $in->object('loads')));
        } catch (BadInput $wrong) {
            return Reply::back('batch', $wrong);
        }

        return redirect()->to("/pours/{$pour->id}")->with('said', Reply::say(Phrase::of('bench.colour_in_sheet')));
    }

    public function keepTarget(Request $request, KeepColour $keep): RedirectResponse
    {
        try {
            $said = [...$request->query->all(), ...$request->post()];
            // An address has its numbers as words.
            $figure = static fn (mixed $one): mixed => is_numeric($one) ? (float) $one : $one;
            $lab = $said['lab'] ?? null;
            $in = Fields::of([
                ...$said, 'shows_pct' => $figure($said['shows_pct'] ?? null), 'at_mm' => $figure($said['at_mm'] ?? null),
            ])->only('name', 'lab', 'shows_pct', 'at_mm', 'edition');
            $lab = ColourAnswers::target(Fields::of(['lab' => is_array($lab) ? array_map($figure, array_values($lab)) : $lab]));
            $name = mb_substr(trim($in->text('name')), 0, 120);
            $keep(
                $name === '' ? throw BadInput::at('name', Phrase::of('bench.give_colour_name')) : $name,
                $lab?->toArray() ?? throw BadInput::at('lab', Phrase::of('bench.say_which_colour')), Depth::kept($in),
                $request->query->has('edition') ? Edition::of($request) : null,
            );
        } catch (BadInput $wrong) {
            return Reply::back('target', $wrong);
        }

        return back()->with('said', Reply::say(Phrase::of('bench.colour_name_is_kept', ['name' => $name])));
    }

    public function forgetTarget(ColourTarget $target): RedirectResponse
    {
        $target->delete();

        return back()->with('said', Reply::say(Phrase::of('bench.gone_from_list', ['name' => $target->name])))->with(
            'undo', '/swatches/targets?'.http_build_query(['name' => $target->name, 'lab' => $target->lab, ...$target->depthSaid()]),
        );
    }
}

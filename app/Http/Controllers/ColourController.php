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
use App\Sheets\Drafts;
use App\Sheets\PlannedBatch;
use App\Swatches\ColourAnswers;
use App\Swatches\ColourBook;
use App\Swatches\ColourView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Response;

/** The colour screen: pigments for a colour, chips, ladders, and the colours people want again. */
final readonly class ColourController
{
    public function __construct(private Library $library, private ColourBook $colours, private ColourAnswers $tint, private Workshop $workshop, private PlannedBatch $batches, private Drafts $drafts) {}

    public function show(Request $request): Response
    {
        $asked = $request->query('base');
        $base = is_string($asked) && isset($this->library->shelf()->bases[$asked]) ? $asked : $this->library->usual('base');

        return Reply::page('swatches/Colour', ['page' => (new ColourView($this->library, $this->colours, $this->tint, $this->workshop, $this->drafts, $base))->toArray()]);
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

    public function keepTarget(Request $request): RedirectResponse
    {
        try {
            $said = [...$request->query->all(), ...$request->post()];
            // An address has its numbers as words.
            $figure = static fn (mixed $one): mixed => is_numeric($one) ? (float) $one : $one;
            $lab = $said['lab'] ?? null;
            $in = Fields::of([...$said, 'shows_pct' => $figure($said['shows_pct'] ?? null), 'at_mm' => $figure($said['at_mm'] ?? null)])->only('name', 'lab', 'shows_pct', 'at_mm', 'edition');
            $lab = ColourAnswers::target(Fields::of(['lab' => is_array($lab) ? array_map($figure, array_values($lab)) : $lab]));
            $name = mb_substr(trim($in->text('name')), 0, 120);
            $this->keep($name === '' ? throw BadInput::at('name', Phrase::of('bench.give_colour_name')) : $name, $lab?->toArray() ?? throw BadInput::at('lab', Phrase::of('bench.say_which_colour')), Depth::kept($in), $request);
        } catch (BadInput $wrong) {
            return Reply::back('target', $wrong);
        }

        return back()->with('said', "“{$name}” is kept.");
    }

    /**
     * A colour that is kept under that name already gives way only to who has seen it.
     *
     * @param  array{float, float, float}  $lab
     * @param  array{shows_pct: float|null, at_mm: float|null}  $depth
     */
    private function keep(string $name, array $lab, array $depth, Request $request): void
    {
        DB::transaction(function () use ($name, $lab, $depth, $request): void {
            $kept = $this->workshop->colourTargets()->where('name', $name)->first();
            if ($kept === null) {
                $this->workshop->colourTargets()->create(['name' => $name, 'lab' => $lab, ...$depth]);
            } elseif ($kept->lab != $lab || $kept->depth() != $depth) {
                if (! $request->query->has('edition')) {
                    throw BadInput::at('name', Phrase::of('bench.colour_is_kept', ['name' => $name, 'lab' => array_map(static fn (float $v): string => (string) round($v, 1), $kept->lab), 'depth' => $kept->shows_pct === null ? '' : sprintf('; %s %% shows through', round($kept->shows_pct, 1))]));
                }
                ColourTarget::asShown($kept->id, Edition::of($request))->update(['lab' => $lab, ...$depth]);
            }
        }, 3);
    }

    public function forgetTarget(ColourTarget $target): RedirectResponse
    {
        $target->delete();

        return back()->with('said', Reply::say(Phrase::of('bench.gone_from_list', ['name' => $target->name])))->with('undo', '/swatches/targets?'.http_build_query(['name' => $target->name, 'lab' => $target->lab, ...$target->depthSaid()]));
    }
}
